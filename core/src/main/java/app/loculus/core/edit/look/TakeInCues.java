package app.loculus.core.edit.look;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.CueNumber;
import app.loculus.core.look.Look;
import app.loculus.core.look.Start;
import app.loculus.core.look.Submaster;
import app.loculus.core.look.Timing;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Tint;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Takes in cues, groups and submasters that know fixtures by number and intensity alone. The cues become a list of their
 * own that stands alone, for each of them is a whole look; what is there already keeps its number, and the next free one
 * is taken.
 */
public record TakeInCues(List<Sheet> cues, List<Sheet> groups, List<Sheet> submasters) implements ShowEdit {

    /** @param number of a cue, a group or a submaster; @param levels by fixture number */
    public record Sheet(String number, String name, Timing timing, Start next, Map<Integer, Fraction> levels) {}

    @Override
    public void on(Draft draft) {
        Set<Integer> unknown = new TreeSet<>();
        if (cues.isEmpty() && groups.isEmpty() && submasters.isEmpty()) {
            throw Refusal.of("cues.nothing", "file", "There is no cue, group or submaster in it.");
        }
        if (!cues.isEmpty()) {
            list(draft, unknown);
        }
        groups.forEach(g -> group(draft, g, unknown));
        submasters.forEach(s -> submaster(draft, s, unknown));
        draft.say("Takes in " + Numbers.count(cues.size(), "cue") + ", " + Numbers.count(groups.size(), "group") + ", "
                + Numbers.count(submasters.size(), "submaster"));
        if (!unknown.isEmpty()) {
            draft.warn(Problem.warning(
                    "cues.unknown",
                    "file",
                    Numbers.count(unknown.size(), "channel") + (unknown.size() == 1 ? " is" : " are")
                            + " no fixture with a dimmer here and left out: "
                            + Numbers.text(unknown.stream().limit(200).toList()) + "."));
        }
    }

    private void list(Draft draft, Set<Integer> unknown) {
        Show show = draft.show();
        int number = LookFinder.nextFree(show.lists().stream().mapToInt(CueList::number));
        CueList list =
                CueList.of(show.next(PartKinds.LISTS), number, "Taken in").joined(CueList.Join.STANDING_ALONE);
        draft.put(PartKinds.LISTS, list);
        Set<CueNumber> seen = new java.util.HashSet<>();
        for (Sheet sheet : cues) {
            CueNumber at = CueNumber.parse(sheet.number());
            if (!seen.add(at)) {
                throw Refusal.of("cues.twice", "file", "Cue " + at + " is in it twice.");
            }
            Look look = Look.held(draft.show().next(PartKinds.LOOKS), values(draft.show(), sheet, unknown));
            draft.put(PartKinds.LOOKS, look);
            draft.put(
                    PartKinds.CUES,
                    new Cue(
                            draft.show().next(PartKinds.CUES),
                            list.id(),
                            at,
                            sheet.name(),
                            "",
                            look.id(),
                            sheet.timing(),
                            sheet.next()));
        }
    }

    /** With a dimmer of its own, or such cells. */
    private static Optional<Fixture> dimmed(Show show, int number) {
        return show.patch().fixtures().stream()
                .filter(f -> f.number() == number)
                .filter(f ->
                        !show.patch().modeOf(f).homesOf(0, Attribute.DIMMER).isEmpty())
                .findFirst();
    }

    private static Map<UnitId, UnitValues> values(Show show, Sheet sheet, Set<Integer> unknown) {
        Map<UnitId, UnitValues> values = new LinkedHashMap<>();
        sheet.levels()
                .forEach((number, level) -> dimmed(show, number)
                        .ifPresentOrElse(
                                f -> show.patch()
                                        .modeOf(f)
                                        .homesOf(0, Attribute.DIMMER)
                                        .forEach(cell -> values.put(
                                                new UnitId(f.id(), cell),
                                                new UnitValues(Map.of(
                                                        Attribute.DIMMER,
                                                        Touched.byHand(new AttributeValue.Level(level)))))),
                                () -> unknown.add(number)));
        return values;
    }

    private static void group(Draft draft, Sheet sheet, Set<Integer> unknown) {
        Show show = draft.show();
        List<UnitId> units = new ArrayList<>();
        sheet.levels()
                .keySet()
                .forEach(number -> show.patch().fixtures().stream()
                        .filter(f -> f.number() == number)
                        .findFirst()
                        .ifPresentOrElse(f -> units.add(UnitId.whole(f.id())), () -> unknown.add(number)));
        int number = free(sheet, show.groups().stream().mapToInt(Group::number).toArray());
        draft.put(new Group(
                show.next(PartKinds.GROUPS),
                number,
                named(sheet, "Group " + number),
                new GroupContent.Fixed(Selection.of(units)),
                Tint.NONE,
                ""));
    }

    private static void submaster(Draft draft, Sheet sheet, Set<Integer> unknown) {
        Show show = draft.show();
        Look look = Look.held(show.next(PartKinds.LOOKS), values(show, sheet, unknown));
        int number = free(
                sheet, show.submasters().stream().mapToInt(Submaster::number).toArray());
        draft.put(PartKinds.LOOKS, look);
        draft.put(
                PartKinds.SUBMASTERS,
                new Submaster(
                        show.next(PartKinds.SUBMASTERS),
                        number,
                        named(sheet, "Submaster " + number),
                        Tint.NONE,
                        "",
                        look.id()));
    }

    private static String named(Sheet sheet, String otherwise) {
        return sheet.name().isBlank() ? otherwise : sheet.name();
    }

    /** Its own number, or the next free one where that is taken or none. */
    private static int free(Sheet sheet, int[] taken) {
        int own = sheet.number().matches("\\d{1,4}") ? Integer.parseInt(sheet.number()) : 0;
        boolean able = own > 0 && java.util.Arrays.stream(taken).noneMatch(n -> n == own);
        return able ? own : LookFinder.nextFree(java.util.Arrays.stream(taken));
    }
}
