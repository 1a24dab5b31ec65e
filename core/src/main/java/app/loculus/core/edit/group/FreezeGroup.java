package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.problem.Refusal;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;

/** Makes a recipe the fixed order it has now; it follows nothing any more. */
public record FreezeGroup(GroupId group) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Group before = draft.show().group(group).orElseThrow();
        if (!before.content().recipe()) {
            throw Refusal.of("group.fixed", "group", "Group " + before + " is a fixed order already.");
        }
        Selection now = draft.show().units(before);
        draft.put(before.holding(new GroupContent.Fixed(now)));
        draft.say("Group " + before + " stays as it is now: " + Numbers.count(now.size(), "unit"));
    }
}
