package app.loculus.core.edit.palette;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Pose;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Aimed;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Names;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Records a position that stands at a mark. Every fixture with a place follows it; of the selected it is kept on which
 * way they go there: the one nearest to where they point now.
 */
public record RecordAtMark(Optional<Integer> number, Optional<String> name, Mark mark, RecordPalette.Onto onto)
        implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        int into = number.orElseGet(() -> PaletteFinder.nextFree(show, Kind.POSITION));
        Optional<Palette> there = show.palette(Kind.POSITION, into);
        Map<UnitId, Aiming.Way> ways = ways(draft, show);
        if (there.isPresent() && onto == RecordPalette.Onto.REFUSE) {
            String line = "record position " + into + " at mark " + Quoted.of(mark.name());
            throw Refusal.of(
                    "palette.exists",
                    "palette",
                    there.get() + " exists already; say what shall become of it.",
                    WayOut.line("Merge: it stands at the mark, raw values of others stay", line + " merge"),
                    WayOut.line("Replace", line + " replace"));
        }
        Palette before = there.orElseGet(() -> new Palette(
                show.next(PartKinds.PALETTES), Kind.POSITION, into, mark.name(), Optional.empty(), List.of()));
        List<Entry> entries = new ArrayList<>();
        if (onto == RecordPalette.Onto.MERGE) {
            before.entries().stream().filter(e -> stays(e, ways)).forEach(entries::add);
        }
        ways.forEach((unit, way) ->
                entries.add(new Entry(new ScopeKey.Unit(unit), Attribute.PAN, new AttributeValue.Aimed(way), false)));
        Palette held = before.holding(entries).aimedAt(Optional.of(mark.id()));
        Palette after = name.map(Names::checked).map(held::named).orElse(held);
        draft.put(after);
        draft.say((there.isPresent() ? "Changes " : "Records ") + after + " at mark " + mark
                + (ways.isEmpty() ? "" : ", the way of " + Numbers.count(ways.size(), "head") + " kept"));
        draft.say(PaletteDifference.of(draft.show(), there, after).words());
    }

    private static boolean stays(Entry e, Map<UnitId, Aiming.Way> ways) {
        boolean position = e.attribute().equals(Attribute.PAN) || e.attribute().equals(Attribute.TILT);
        return !position || e.scope().ownUnit().map(u -> !ways.containsKey(u)).orElse(true);
    }

    private Map<UnitId, Aiming.Way> ways(Draft draft, Show show) {
        Map<UnitId, Aiming.Way> ways = new LinkedHashMap<>();
        for (UnitId held : draft.hand().selection().units()) {
            for (UnitId unit : Touching.withCells(show.patch(), held)) {
                draft.reads(unit.fixture());
                way(show, unit).ifPresent(way -> ways.put(unit, way));
            }
        }
        return ways;
    }

    private Optional<Aiming.Way> way(Show show, UnitId unit) {
        Fixture fixture = show.patch().get(unit.fixture());
        Mode mode = show.patch().modeOf(fixture);
        List<Resolved> now = show.unlit().resolve(fixture);
        return Aimed.reach(mode, unit.cell())
                .flatMap(reach -> fixture.pose()
                        .map((Pose pose) -> Aiming.nearest(
                                        pose,
                                        mark.at(),
                                        reach,
                                        degrees(mode, unit, now, Attribute.PAN),
                                        degrees(mode, unit, now, Attribute.TILT))
                                .way()));
    }

    private static double degrees(Mode mode, UnitId unit, List<Resolved> now, Attribute attribute) {
        return mode.parameter(unit.cell(), attribute)
                .map(p -> now.get(p.channel()).place())
                .map(place -> place.function().physicalOf(place.fraction()))
                .orElse(0.0);
    }
}
