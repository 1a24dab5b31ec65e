package app.loculus.app.api.edits;

import app.loculus.core.edit.patch.DeleteFixtures;
import app.loculus.core.edit.patch.DescribeFixtures;
import app.loculus.core.edit.patch.FillColumn;
import app.loculus.core.edit.patch.InvertFixtures;
import app.loculus.core.edit.patch.MarkFixtures;
import app.loculus.core.edit.patch.PatchFixtures;
import app.loculus.core.edit.patch.PlaceFixtures;
import app.loculus.core.edit.patch.ReviseFixtures;
import app.loculus.core.edit.patch.ShiftAddresses;
import app.loculus.core.edit.profile.ChangeType;
import app.loculus.core.edit.profile.RenewProfile;
import app.loculus.core.edit.show.RenameShow;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Layout;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Fixtures: places, names, addresses, types. */
public sealed interface PatchEdits extends TypedEdit {

    private static <E extends Enum<E>> E chosen(E[] all, String word, E otherwise) {
        return Arrays.stream(all)
                .filter(e -> e.name().equalsIgnoreCase(word))
                .findFirst()
                .orElse(otherwise);
    }

    /** One fixture's place in metres. */
    record PlaceOf(int number, double x, double y, double z) {}

    /** Puts fixtures at places. */
    record Place(List<PlaceOf> places) implements PatchEdits {

        public Place {
            places = TypedEdit.orNone(places);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> {
                Map<FixtureId, Vector3> all = new LinkedHashMap<>();
                places.forEach(p -> all.put(Named.fixture(draft, p.number()), new Vector3(p.x(), p.y(), p.z())));
                new PlaceFixtures(all).on(draft);
            };
        }
    }

    /** Says which ways fixtures are set to turn the other way round; what is absent stays. */
    record Invert(List<Integer> numbers, Boolean pan, Boolean tilt) implements PatchEdits {

        public Invert {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> new InvertFixtures(
                            Named.fixtures(draft, numbers), Optional.ofNullable(pan), Optional.ofNullable(tilt))
                    .on(draft);
        }
    }

    /** Writes position, purpose and notes of fixtures; what is absent stays. */
    record Describe(List<Integer> numbers, String position, String purpose, String notes) implements PatchEdits {

        public Describe {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> new DescribeFixtures(
                            Named.fixtures(draft, numbers),
                            Optional.ofNullable(position),
                            Optional.ofNullable(purpose),
                            Optional.ofNullable(notes))
                    .on(draft);
        }
    }

    record Unpatch(List<Integer> numbers) implements PatchEdits {

        public Unpatch {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> new app.loculus.core.edit.patch.Unpatch(Named.fixtures(draft, numbers)).on(draft);
        }
    }

    record Delete(List<Integer> numbers) implements PatchEdits {

        public Delete {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> new DeleteFixtures(Named.fixtures(draft, numbers)).on(draft);
        }
    }

    /** Moves addresses by slots, or as a block to an address. */
    record Shift(List<Integer> numbers, Integer by, String to) implements PatchEdits {

        public Shift {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> new ShiftAddresses(
                            Named.fixtures(draft, numbers),
                            Optional.empty(),
                            by == null ? 0 : by,
                            Optional.ofNullable(to).filter(t -> !t.isBlank()).map(Address::parse))
                    .on(draft);
        }
    }

    /** Writes down how fixtures answered: answered, wrong, dead or not_tried. */
    record Mark(List<Integer> numbers, String answer, String note) implements PatchEdits {

        public Mark {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            BringUp how = new BringUp(
                    chosen(BringUp.Answer.values(), answer, BringUp.Answer.NOT_TRIED), TypedEdit.orBlank(note));
            return draft -> new MarkFixtures(Named.fixtures(draft, numbers), how).on(draft);
        }
    }

    /**
     * Writes one column down fixtures, in their order: name, position, purpose, notes, number or address.
     *
     * @param step from one number or address to the next; running on when absent
     */
    record Fill(List<Integer> numbers, String column, String value, Integer step) implements PatchEdits {

        public Fill {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            FillColumn.Column into = Arrays.stream(FillColumn.Column.values())
                    .filter(c -> c.name().equalsIgnoreCase(column))
                    .findFirst()
                    .orElseThrow(() -> Refusal.of("edit.column", "column", "There is no column “" + column + "”."));
            return draft -> new FillColumn(
                            Named.fixtures(draft, numbers), into, TypedEdit.orBlank(value), Optional.ofNullable(step))
                    .on(draft);
        }
    }

    /** One row of a table as it was written; what is absent stays, an empty address takes addresses away. */
    record RowOf(
            int number,
            Integer newNumber,
            String name,
            String profile,
            String address,
            String position,
            String purpose,
            String notes) {

        ReviseFixtures.Revision revision(Profiles profiles) {
            return new ReviseFixtures.Revision(
                    number,
                    Optional.ofNullable(newNumber),
                    Optional.ofNullable(name),
                    Optional.ofNullable(profile).map(profiles::type),
                    Optional.ofNullable(address).map(Starts::parse),
                    Optional.ofNullable(position),
                    Optional.ofNullable(purpose),
                    Optional.ofNullable(notes));
        }
    }

    /** Writes several columns of several fixtures; numbers without a fixture are created when a profile is given. */
    record Revise(List<RowOf> rows) implements PatchEdits {

        public Revise {
            rows = TypedEdit.orNone(rows);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> {
                Profiles profiles = draft.show().profiles().orElse(here.library());
                Problems problems = new Problems();
                List<ReviseFixtures.Revision> revisions = new ArrayList<>();
                rows.forEach(row -> read(row, profiles, problems).ifPresent(revisions::add));
                problems.throwIfRefused();
                new ReviseFixtures(revisions, List.of()).on(draft);
            };
        }

        private static Optional<ReviseFixtures.Revision> read(RowOf row, Profiles profiles, Problems problems) {
            try {
                return Optional.of(row.revision(profiles));
            } catch (Refusal refusal) {
                refusal.problems()
                        .forEach(p -> problems.add(Problem.refusal(
                                p.code(),
                                p.place().subject(),
                                "Fixture " + row.number() + ", " + p.place().subject() + ": " + p.words())));
                return Optional.empty();
            }
        }
    }

    /**
     * Gives addresses to fixtures that are there.
     *
     * @param layout run on, next gap, one to one, by type, by position, or over n universes
     */
    record Move(List<Integer> numbers, String to, String layout, String clashing) implements PatchEdits {

        public Move {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            Layout how = Layout.called(TypedEdit.orBlank(layout))
                    .orElseThrow(() -> Refusal.of("edit.layout", "layout", "There is no layout “" + layout + "”."));
            return draft -> new PatchFixtures(
                            numbersOf(draft, Named.fixtures(draft, numbers)),
                            Optional.empty(),
                            Optional.of(Address.parse(TypedEdit.orBlank(to))),
                            0,
                            false,
                            chosen(PatchFixtures.Clashing.values(), clashing, PatchFixtures.Clashing.REFUSE),
                            how)
                    .on(draft);
        }

        private static List<Integer> numbersOf(Draft draft, List<FixtureId> fixtures) {
            return fixtures.stream()
                    .map(id -> draft.show().patch().get(id).number())
                    .toList();
        }
    }

    /**
     * Makes fixtures another profile or mode.
     *
     * @param as the type as people write it, instead of profile and mode
     * @param clashing refuse, share or take_over
     */
    record Change(List<Integer> numbers, String as, String profileId, String mode, String address, String clashing)
            implements PatchEdits {

        public Change {
            numbers = TypedEdit.orNone(numbers);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> {
                new ChangeType(
                                Named.fixtures(draft, numbers),
                                type(draft, here.library()),
                                Optional.ofNullable(address)
                                        .filter(a -> !a.isBlank())
                                        .map(Address::parse),
                                chosen(PatchFixtures.Clashing.values(), clashing, PatchFixtures.Clashing.REFUSE))
                        .on(draft);
            };
        }

        private Profiles.Type type(Draft draft, Profiles library) {
            if (as != null) {
                return draft.show().profiles().orElse(library).type(as);
            }
            Profile profile = profile(draft, library, TypedEdit.orBlank(profileId));
            return new Profiles.Type(profile, profile.mode(TypedEdit.orBlank(mode)));
        }

        private static Profile profile(Draft draft, Profiles library, String id) {
            return draft.show()
                    .profiles()
                    .find(new ProfileId(id))
                    .or(() -> library.find(new ProfileId(id)))
                    .orElseThrow(() -> Refusal.of("profile.unknown", "profile", "There is no such profile."));
        }
    }

    /** Gives the show the library's profile in place of the copy it holds. */
    record Renew(String profileId) implements PatchEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> {
                Profile held = draft.show()
                        .profiles()
                        .find(new ProfileId(TypedEdit.orBlank(profileId)))
                        .orElseThrow(() -> Refusal.of("profile.unknown", "profile", "The show holds no such profile."));
                RenewProfile.of(held, here.library()).on(draft);
            };
        }
    }

    /** Gives the show another name. */
    record Rename(String name) implements PatchEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new RenameShow(TypedEdit.orBlank(name));
        }
    }
}
