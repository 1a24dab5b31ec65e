package app.loculus.app.api.shows;

import app.loculus.app.session.EditRequest;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Choose;
import app.loculus.core.show.DescribeFixtures;
import app.loculus.core.show.PlaceFixtures;
import app.loculus.core.show.RenameShow;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

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

    ShowEdit edit(Show show) {
        if (edit == null) {
            throw Refusal.of("edit.none", "edit", "The request names no edit.");
        }
        return edit.edit(show);
    }

    /** What can be done this way. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Select.class, name = "select"),
        @JsonSubTypes.Type(value = Place.class, name = "place"),
        @JsonSubTypes.Type(value = Describe.class, name = "describe"),
        @JsonSubTypes.Type(value = Rename.class, name = "rename-show")
    })
    sealed interface TypedEdit {
        ShowEdit edit(Show show);
    }

    /** Takes units in hand, in this order; {@code how} is hold, add or less. */
    record Select(List<String> units, String how) implements TypedEdit {
        @Override
        public ShowEdit edit(Show show) {
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
        public ShowEdit edit(Show show) {
            Map<FixtureId, Vector3> all = new LinkedHashMap<>();
            places.forEach(p -> all.put(show.patch().number(p.number()).id(), new Vector3(p.x(), p.y(), p.z())));
            return new PlaceFixtures(all);
        }
    }

    /** Writes position and purpose of fixtures; what is absent stays. */
    record Describe(List<Integer> numbers, String position, String purpose) implements TypedEdit {
        @Override
        public ShowEdit edit(Show show) {
            List<FixtureId> ids =
                    numbers.stream().map(n -> show.patch().number(n).id()).toList();
            return new DescribeFixtures(ids, Optional.ofNullable(position), Optional.ofNullable(purpose));
        }
    }

    /** Gives the show another name. */
    record Rename(String name) implements TypedEdit {
        @Override
        public ShowEdit edit(Show show) {
            return new RenameShow(name == null ? "" : name);
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
