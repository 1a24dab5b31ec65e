package app.loculus.app.api.shows;

import app.loculus.app.session.EditRequest;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.ChangeType;
import app.loculus.core.show.Choose;
import app.loculus.core.show.DescribeFixtures;
import app.loculus.core.show.PatchFixtures;
import app.loculus.core.show.PlaceFixtures;
import app.loculus.core.show.RenameShow;
import app.loculus.core.show.RenewProfile;
import app.loculus.core.show.ReviseFixtures;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * An edit as JSON.
 *
 * @param edit what to do; its {@code type} says which
 */
record TypedEditRequest(TypedEdit edit, Boolean preview, String gesture, Long revision, String key) {

    EditRequest context() {
        return new EditRequest(
                Boolean.TRUE.equals(preview),
                gesture == null ? "" : gesture,
                Optional.ofNullable(revision),
                key == null ? "" : key);
    }

    ShowEdit edit(Show show, Profiles library) {
        if (edit == null) {
            throw Refusal.of("edit.none", "edit", "The request names no edit.");
        }
        return edit.edit(show, library);
    }

    /** What can be done this way. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Select.class, name = "select"),
        @JsonSubTypes.Type(value = Place.class, name = "place"),
        @JsonSubTypes.Type(value = Describe.class, name = "describe"),
        @JsonSubTypes.Type(value = Rename.class, name = "rename-show"),
        @JsonSubTypes.Type(value = Revise.class, name = "revise"),
        @JsonSubTypes.Type(value = Change.class, name = "change-type"),
        @JsonSubTypes.Type(value = Renew.class, name = "renew-profile")
    })
    sealed interface TypedEdit {
        ShowEdit edit(Show show, Profiles library);
    }

    /** Takes units in hand, in this order; {@code how} is hold, add or less. */
    record Select(List<String> units, String how) implements TypedEdit {
        @Override
        public ShowEdit edit(Show show, Profiles library) {
            Selection named =
                    Selection.of(units.stream().map(u -> unit(show, u)).toList());
            Selection held = show.hand().selection();
            return new Choose("add".equals(how) ? held.plus(named) : "less".equals(how) ? held.minus(named) : named);
        }
    }

    /** One fixture's place in metres. */
    record PlaceOf(int number, double x, double y, double z) {}

    /** Puts fixtures at places. */
    record Place(List<PlaceOf> places) implements TypedEdit {
        @Override
        public ShowEdit edit(Show show, Profiles library) {
            Map<FixtureId, Vector3> all = new LinkedHashMap<>();
            places.forEach(p -> all.put(show.patch().number(p.number()).id(), new Vector3(p.x(), p.y(), p.z())));
            return new PlaceFixtures(all);
        }
    }

    /** Writes position and purpose of fixtures; what is absent stays. */
    record Describe(List<Integer> numbers, String position, String purpose) implements TypedEdit {
        @Override
        public ShowEdit edit(Show show, Profiles library) {
            List<FixtureId> ids =
                    numbers.stream().map(n -> show.patch().number(n).id()).toList();
            return new DescribeFixtures(ids, Optional.ofNullable(position), Optional.ofNullable(purpose));
        }
    }

    /** Gives the show another name. */
    record Rename(String name) implements TypedEdit {
        @Override
        public ShowEdit edit(Show show, Profiles library) {
            return new RenameShow(name == null ? "" : name);
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
                    Optional.ofNullable(address)
                            .map(a -> a.isBlank() ? Optional.empty() : Optional.of(Address.parse(a))),
                    Optional.ofNullable(position),
                    Optional.ofNullable(purpose),
                    Optional.ofNullable(notes));
        }
    }

    /** Writes several columns of several fixtures; numbers without a fixture are created when a profile is given. */
    record Revise(List<RowOf> rows) implements TypedEdit {

        Revise {
            rows = rows == null ? List.of() : List.copyOf(rows);
        }

        @Override
        public ShowEdit edit(Show show, Profiles library) {
            Profiles profiles = show.profiles().orElse(library);
            Problems problems = new Problems();
            List<ReviseFixtures.Revision> revisions = new ArrayList<>();
            for (RowOf row : rows) {
                try {
                    revisions.add(row.revision(profiles));
                } catch (Refusal refusal) {
                    refusal.problems()
                            .forEach(p -> problems.add(Problem.refusal(
                                    p.code(),
                                    p.place().subject(),
                                    "Fixture " + row.number() + ", " + p.place().subject() + ": " + p.words())));
                }
            }
            problems.throwIfRefused();
            return new ReviseFixtures(revisions, List.of());
        }
    }

    /** Makes fixtures another profile or mode; {@code clashing} is refuse, share or take_over. */
    record Change(List<Integer> numbers, String profileId, String mode, String address, String clashing)
            implements TypedEdit {

        Change {
            numbers = numbers == null ? List.of() : List.copyOf(numbers);
            profileId = profileId == null ? "" : profileId;
            mode = mode == null ? "" : mode;
        }

        @Override
        public ShowEdit edit(Show show, Profiles library) {
            Profile profile = show.profiles()
                    .find(new ProfileId(profileId))
                    .or(() -> library.find(new ProfileId(profileId)))
                    .orElseThrow(() -> Refusal.of("profile.unknown", "profile", "There is no such profile."));
            return new ChangeType(
                    numbers.stream().map(n -> show.patch().number(n).id()).toList(),
                    new Profiles.Type(profile, profile.mode(mode)),
                    Optional.ofNullable(address).filter(a -> !a.isBlank()).map(Address::parse),
                    Stream.of(PatchFixtures.Clashing.values())
                            .filter(c -> c.name().equalsIgnoreCase(clashing))
                            .findFirst()
                            .orElse(PatchFixtures.Clashing.REFUSE));
        }
    }

    /** Gives the show the library's profile in place of the copy it holds. */
    record Renew(String profileId) implements TypedEdit {

        Renew {
            profileId = profileId == null ? "" : profileId;
        }

        @Override
        public ShowEdit edit(Show show, Profiles library) {
            Profile held = show.profiles()
                    .find(new ProfileId(profileId))
                    .orElseThrow(() -> Refusal.of("profile.unknown", "profile", "The show holds no such profile."));
            Profile newer = library.all().stream()
                    .filter(p -> p.fullName().equals(held.fullName()))
                    .findFirst()
                    .orElseThrow(() ->
                            Refusal.of("profile.unknown", "profile", "The library has no “" + held.fullName() + "”."));
            return new RenewProfile(held.id(), newer);
        }
    }

    private static UnitId unit(Show show, String label) {
        if (!label.matches("\\d{1,6}(\\.\\d{1,4})?")) {
            throw Refusal.of("selection.unit", "units", "“" + label + "” is no fixture such as 12 or 12.3.");
        }
        String[] parts = label.split("\\.");
        UnitId unit = new UnitId(
                show.patch().number(Integer.parseInt(parts[0])).id(),
                parts.length > 1 ? Integer.parseInt(parts[1]) : 0);
        if (unit.cell() > show.patch().modeOf(show.patch().get(unit.fixture())).cells()) {
            throw Refusal.of("selection.cell", "units", "There is no cell " + label + ".");
        }
        return unit;
    }
}
