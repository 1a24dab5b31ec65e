package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.group.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;

/** Takes units into a group, at its end, and out of it. */
public record EditGroup(GroupId group, Selection in, Selection out) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Group before = draft.show().group(group).orElseThrow();
        Selection after = before.content().selection().plus(in).minus(out);
        draft.put(before.holding(new GroupContent.Fixed(after)));
        draft.say("Group " + before.number() + " “" + before.name() + "”: "
                + before.content().selection().size() + " → " + Numbers.count(after.size(), "unit"));
    }
}
