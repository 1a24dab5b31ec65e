package app.loculus.app.api.edits;

import app.loculus.core.command.AskedFor;
import app.loculus.core.edit.group.DeleteGroup;
import app.loculus.core.edit.group.DescribeGroup;
import app.loculus.core.edit.group.EditGroup;
import app.loculus.core.edit.group.RecordStarters;
import app.loculus.core.edit.hand.LevelOf;
import app.loculus.core.group.Group;
import app.loculus.core.problem.Refusal;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.GroupId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Tint;
import java.util.List;
import java.util.Optional;

/** Groups: recording, changing, arranging. */
public sealed interface GroupEdits extends TypedEdit {

    private static List<GroupId> groups(Draft draft, List<Integer> numbers) {
        return numbers.stream().distinct().map(n -> Named.group(draft, n).id()).toList();
    }

    /**
     * @param number the next free one when absent
     * @param recipe whether it follows what it was made from
     */
    record RecordGroup(Integer number, String name, boolean recipe, boolean replace) implements GroupEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.group.RecordGroup(
                    Optional.ofNullable(number), RecordEdits.named(name), recipe, false, replace);
        }
    }

    record RenameGroup(int number, String name) implements GroupEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> new app.loculus.core.edit.group.RenameGroup(
                            Named.group(draft, number).id(), TypedEdit.orBlank(name))
                    .on(draft);
        }
    }

    /** Gives a group another recipe. @param words as the line writes it, with patterns behind */
    record MakeRecipe(int number, String words) implements GroupEdits {
        @Override
        public ShowEdit edit(Here here) {
            AskedFor asked = WORDS.readAskedFor(TypedEdit.orBlank(words));
            return draft -> new app.loculus.core.edit.group.MakeRecipe(
                            Named.group(draft, number).id(), asked.base().apply(draft), asked.patterns())
                    .on(draft);
        }
    }

    /** Makes a recipe a fixed order. */
    record FreezeGroup(int number) implements GroupEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> new app.loculus.core.edit.group.FreezeGroup(
                            Named.group(draft, number).id())
                    .on(draft);
        }
    }

    /** Puts a group into another niche; whichever stands there comes here. */
    record MoveGroup(int number, int to) implements GroupEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> new app.loculus.core.edit.group.MoveGroup(
                            Named.group(draft, number).id(), to)
                    .on(draft);
        }
    }

    record CopyGroup(int number, int to) implements GroupEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> new app.loculus.core.edit.group.CopyGroup(
                            Named.group(draft, number).id(), to)
                    .on(draft);
        }
    }

    record DeleteGroups(List<Integer> numbers) implements GroupEdits {

        public DeleteGroups {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> new DeleteGroup(groups(draft, numbers)).on(draft);
        }
    }

    /** @param tint a mark, as it was when absent; @param note as it was when absent */
    record DescribeGroups(List<Integer> numbers, String tint, String note) implements GroupEdits {

        public DescribeGroups {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            Optional<Tint> mark = Optional.ofNullable(tint).map(Tint::of);
            return draft -> new DescribeGroup(groups(draft, numbers), mark, Optional.ofNullable(note)).on(draft);
        }
    }

    /** Changes a group by the selection. @param how add, less or replace */
    record AlterGroup(int number, String how) implements GroupEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> {
                Group group = Named.group(draft, number);
                Choice hand = new Choice.Units(draft.held());
                switch (TypedEdit.orBlank(how)) {
                    case "add" -> new EditGroup(group.id(), hand, EditGroup.NOBODY).on(draft);
                    case "less" -> new EditGroup(group.id(), EditGroup.NOBODY, hand).on(draft);
                    case "replace" ->
                        new app.loculus.core.edit.group.RecordGroup(
                                        Optional.of(number), Optional.empty(), false, false, true)
                                .on(draft);
                    default -> throw Refusal.of("edit.how", "how", "A group is altered by add, less or replace.");
                }
            };
        }
    }

    /** Sets the intensity of a group without taking it selected. */
    record LevelGroup(int number, double percent) implements GroupEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> new LevelOf(Named.group(draft, number).id(), percent).on(draft);
        }
    }

    /** Records obvious groups. @param names which of them; everything of each type and position when absent */
    record RecordStarterGroups(List<String> names) implements GroupEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new RecordStarters(Optional.ofNullable(names).map(TypedEdit::orNone));
        }
    }
}
