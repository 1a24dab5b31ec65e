package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.selection.GroupId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Limits;

/** The same group once more, under a number that is free. */
public record CopyGroup(GroupId group, int to) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Group from = draft.show().group(group).orElseThrow();
        GroupFinder.numbered(draft.show(), to).ifPresent(taken -> {
            throw Refusal.of(
                    "group.exists",
                    "group",
                    "Group " + to + " is “" + taken.name() + "”.",
                    WayOut.line(
                            "Copy to " + RecordGroup.nextFree(draft.show()),
                            "copy group " + from.number() + " to " + RecordGroup.nextFree(draft.show())));
        });
        Group copy = new Group(
                draft.show().next(PartKinds.GROUPS), to, called(from), from.content(), from.tint(), from.note());
        draft.put(copy);
        draft.say("Group " + copy + " is a copy of " + from);
    }

    /** Within what a name may have. */
    private static String called(Group from) {
        String copy = " copy";
        return from.name().substring(0, Math.min(from.name().length(), Limits.NAME - copy.length())) + copy;
    }
}
