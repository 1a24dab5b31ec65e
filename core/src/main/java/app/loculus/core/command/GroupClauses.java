package app.loculus.core.command;

import app.loculus.core.edit.group.DeleteGroup;
import app.loculus.core.edit.group.EditGroup;
import app.loculus.core.edit.group.GroupFinder;
import app.loculus.core.edit.group.RecordGroup;
import app.loculus.core.edit.group.RenameGroup;
import app.loculus.core.group.Group;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.List;

/** The verbs of groups. */
final class GroupClauses extends RoomClauses {

    @Override
    public List<ShowEdit> visitDeleteGroup(LineParser.DeleteGroupContext c) {
        return later(draft -> new DeleteGroup(group(draft, c.groupRef()).id()));
    }

    @Override
    public List<ShowEdit> visitRecordGroup(LineParser.RecordGroupContext c) {
        return one(new RecordGroup(Terms.maybe(c.integer()), Terms.maybe(c.text()), c.REPLACE() != null));
    }

    @Override
    public List<ShowEdit> visitEditGroup(LineParser.EditGroupContext c) {
        return later(draft -> {
            Selecting selecting = new Selecting(draft);
            return new EditGroup(
                    group(draft, c.groupRef()).id(), all(selecting, c.joined()), all(selecting, c.taken()));
        });
    }

    private static Selection all(Selecting selecting, List<? extends org.antlr.v4.runtime.tree.ParseTree> terms) {
        return terms.stream().map(selecting::visit).reduce(Selection.EMPTY, Selection::plus);
    }

    private static Group group(Draft draft, LineParser.GroupRefContext c) {
        return c.integer() != null
                ? GroupFinder.number(draft.show(), Terms.integer(c.integer()))
                : GroupFinder.named(draft.show(), Terms.text(c.text()));
    }

    @Override
    public List<ShowEdit> visitRename(LineParser.RenameContext c) {
        return c.groupRef() == null
                ? null
                : later(draft -> new RenameGroup(group(draft, c.groupRef()).id(), Terms.text(c.text())));
    }
}
