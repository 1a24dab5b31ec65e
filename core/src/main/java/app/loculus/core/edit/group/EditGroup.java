package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;

/** Takes lights into a group, at its end, and out of it. A recipe stays one, with what is added or taken out in it. */
public record EditGroup(GroupId group, Choice in, Choice out) implements ShowEdit {

    /** Nobody to take in, or out. */
    public static final Choice NOBODY = new Choice.Units(Selection.EMPTY);

    @Override
    public void on(Draft draft) {
        Group before = draft.show().group(group).orElseThrow();
        draft.reads(app.loculus.core.show.PartKinds.GROUPS, group);
        Selection held = draft.show().units(before);
        Group after = before.holding(before.content().recipe() ? recipe(before.content()) : fixed(draft, held));
        draft.put(after);
        draft.say("Group " + before + ": " + held.size() + " → "
                + Numbers.count(draft.show().units(after).size(), "unit"));
    }

    private GroupContent fixed(Draft draft, Selection held) {
        Selection more =
                Choice.How.PLUS.join(held, draft.chosen(in), draft.show().patch());
        return new GroupContent.Fixed(
                Choice.How.MINUS.join(more, draft.chosen(out), draft.show().patch()));
    }

    private GroupContent recipe(GroupContent content) {
        Choice more = in.equals(NOBODY) ? content.choice() : Choice.Joined.of(content.choice(), Choice.How.PLUS, in);
        Choice less = out.equals(NOBODY) ? more : Choice.Joined.of(more, Choice.How.MINUS, out);
        return new GroupContent.Recipe(less, java.util.List.of());
    }
}
