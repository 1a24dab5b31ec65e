package app.loculus.core.edit.mark;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Pose;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Aimed;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Sets a mark where the beams of a raw position meet, and makes the position stand at it. */
public record MarkFromPosition(String name, PaletteId palette) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        draft.reads(PartKinds.FIXTURES);
        Palette raw = show.palette(palette).orElseThrow();
        Map<UnitId, Pointing> heads = heads(show, raw);
        Aiming.Meeting meeting = Aiming.meeting(
                        heads.values().stream().map(Pointing::beam).toList())
                .orElseThrow(() -> Refusal.of(
                        "mark.meeting",
                        "palette",
                        "The beams of " + raw + " do not meet anywhere: " + Numbers.count(heads.size(), "head")
                                + " with a place.",
                        WayOut.advice("Two heads or more are needed that point at one spot.")));
        if (MarkFinder.find(show, name).isPresent()) {
            throw Refusal.of("mark.exists", "mark", "There is a mark “" + name + "” already.");
        }
        Mark mark = new Mark(show.next(PartKinds.MARKS), name, meeting.at());
        draft.put(PartKinds.MARKS, mark);
        List<Entry> entries = new ArrayList<>();
        raw.entries().stream().filter(e -> !position(e.attribute())).forEach(entries::add);
        heads.forEach((unit, head) -> entries.add(
                new Entry(new ScopeKey.Unit(unit), Attribute.PAN, new AttributeValue.Aimed(head.way(mark)), false)));
        draft.put(raw.holding(entries).aimedAt(Optional.of(mark.id())));
        draft.say("Mark " + mark + " at " + Mark.text(mark.at()) + ", where the beams of "
                + Numbers.count(heads.size(), "head") + " meet within " + Decimal.text(meeting.miss(), 2) + " m");
        Standing.tell(draft, show, mark.id());
    }

    private static boolean position(Attribute attribute) {
        return attribute.equals(Attribute.PAN) || attribute.equals(Attribute.TILT);
    }

    /** A head and where it points. */
    private record Pointing(Pose pose, Aiming.Reach reach, double pan, double tilt) {

        Aiming.Beam beam() {
            return new Aiming.Beam(pose.place(), pose.beam(pan, tilt));
        }

        Aiming.Way way(Mark mark) {
            return Aiming.nearest(pose, mark.at(), reach, pan, tilt).way();
        }
    }

    private static Map<UnitId, Pointing> heads(Show show, Palette palette) {
        Map<UnitId, Pointing> heads = new LinkedHashMap<>();
        for (UnitId unit : Standing.heads(show)) {
            Fixture fixture = show.patch().get(unit.fixture());
            Mode mode = show.patch().modeOf(fixture);
            Given given = show.resolver().giver().give(palette, unit);
            Optional<Double> pan = Aimed.degrees(mode, unit.cell(), given.values(), Attribute.PAN);
            Optional<Double> tilt = Aimed.degrees(mode, unit.cell(), given.values(), Attribute.TILT);
            Optional<Aiming.Reach> reach = Aimed.reach(mode, unit.cell());
            if (pan.isPresent()
                    && tilt.isPresent()
                    && reach.isPresent()
                    && fixture.pose().isPresent()) {
                heads.put(unit, new Pointing(fixture.pose().get(), reach.get(), pan.get(), tilt.get()));
            }
        }
        return heads;
    }
}
