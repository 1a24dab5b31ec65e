package app.loculus.core.command;

import app.loculus.core.edit.group.CopyGroup;
import app.loculus.core.edit.group.DeleteGroup;
import app.loculus.core.edit.group.DescribeGroup;
import app.loculus.core.edit.group.EditGroup;
import app.loculus.core.edit.group.FreezeGroup;
import app.loculus.core.edit.group.GroupFinder;
import app.loculus.core.edit.group.MoveGroup;
import app.loculus.core.edit.group.RecordGroup;
import app.loculus.core.edit.group.RecordStarters;
import app.loculus.core.edit.group.RenameGroup;
import app.loculus.core.group.Group;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.GroupId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Tint;
import java.util.List;
import java.util.Optional;
import org.antlr.v4.runtime.tree.ParseTree;

/** The verbs of groups. */
final class GroupClauses extends RoomClauses {

    @Override
    public List<ShowEdit> visitDeleteGroup(LineParser.DeleteGroupContext c) {
        return later(draft -> new DeleteGroup(groups(draft, c.groupRef())));
    }

    @Override
    public List<ShowEdit> visitRecordGroup(LineParser.RecordGroupContext c) {
        return one(new RecordGroup(
                Terms.maybe(c.integer()),
                Terms.maybe(c.text()),
                c.RECIPE() != null,
                c.TOUCHED() != null,
                c.REPLACE() != null));
    }

    @Override
    public List<ShowEdit> visitEditGroup(LineParser.EditGroupContext c) {
        return later(draft -> {
            Choices choices = new Choices(draft);
            return new EditGroup(group(draft, c.groupRef()).id(), all(choices, c.joined()), all(choices, c.taken()));
        });
    }

    private static Choice all(Choices choices, List<? extends ParseTree> terms) {
        return terms.stream()
                .map(choices::visit)
                .reduce((one, other) -> Choice.Joined.of(one, Choice.How.PLUS, other))
                .orElse(EditGroup.NOBODY);
    }

    @Override
    public List<ShowEdit> visitMoveGroup(LineParser.MoveGroupContext c) {
        return later(draft -> new MoveGroup(group(draft, c.groupRef()).id(), Terms.integer(c.integer())));
    }

    @Override
    public List<ShowEdit> visitCopyGroup(LineParser.CopyGroupContext c) {
        return later(draft -> new CopyGroup(group(draft, c.groupRef()).id(), Terms.integer(c.integer())));
    }

    @Override
    public List<ShowEdit> visitFreezeGroup(LineParser.FreezeGroupContext c) {
        return later(draft -> new FreezeGroup(group(draft, c.groupRef()).id()));
    }

    @Override
    public List<ShowEdit> visitTintGroup(LineParser.TintGroupContext c) {
        return later(draft -> new DescribeGroup(
                groups(draft, c.groupRef()),
                Optional.of(c.OFF() != null ? Tint.NONE : Tint.of(c.WORD().getText())),
                Optional.empty()));
    }

    @Override
    public List<ShowEdit> visitNoteGroup(LineParser.NoteGroupContext c) {
        return later(draft -> new DescribeGroup(
                List.of(group(draft, c.groupRef()).id()), Optional.empty(), Optional.of(Terms.text(c.text()))));
    }

    @Override
    public List<ShowEdit> visitStarterGroups(LineParser.StarterGroupsContext c) {
        return one(new RecordStarters(
                c.text().isEmpty()
                        ? Optional.empty()
                        : Optional.of(c.text().stream().map(Terms::text).toList())));
    }

    private static List<GroupId> groups(Draft draft, List<LineParser.GroupRefContext> refs) {
        return refs.stream().map(g -> group(draft, g).id()).distinct().toList();
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
