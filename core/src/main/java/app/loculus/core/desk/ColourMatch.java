package app.loculus.core.desk;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.colour.LinearRgb;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Show;
import app.loculus.core.value.ShownColour;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How the colours of the selection stand to that of one fixture, as their profiles have it; the eye decides.
 *
 * @param reference what that one shows, as a screen has it; empty when it shows no colour
 * @param palette the one its colour follows, as the line has it; empty when it follows none
 */
public record ColourMatch(String reference, String palette, List<MatchRow> rows) {

    /**
     * Units of one type that show the same.
     *
     * @param shown as a screen has it
     * @param difference from the reference, in words
     * @param du how far it is to the reference in u′; @param dv in v′
     */
    public record MatchRow(
            String type, int units, String shown, String difference, String grade, double du, double dv) {}

    private record Alike(String type, Chromaticity shown) {}

    public static ColourMatch of(Show show, UnitId reference) {
        Optional<Chromaticity> wanted = shown(show, reference);
        Map<Alike, Integer> counts = new LinkedHashMap<>();
        for (UnitId held : show.hand().selection().units()) {
            for (UnitId unit : Touching.withCells(show.patch(), held)) {
                Fixture fixture = show.patch().get(unit.fixture());
                String type = show.patch().profileOf(fixture).name();
                shown(show, unit).ifPresent(c -> counts.merge(new Alike(type, c), 1, Integer::sum));
            }
        }
        List<MatchRow> rows = new ArrayList<>();
        wanted.ifPresent(w -> counts.forEach((alike, units) -> rows.add(row(alike, units, w))));
        return new ColourMatch(wanted.map(ColourMatch::hex).orElse(""), palette(show, reference), rows);
    }

    private static String palette(Show show, UnitId reference) {
        return Touching.withCells(show.patch(), reference).stream()
                .flatMap(unit -> show.programmer().of(unit).byAttribute().entrySet().stream())
                .filter(e -> e.getKey().makesColour())
                .flatMap(e -> e.getValue().value().followed().stream())
                .flatMap(id -> show.palette(id).stream())
                .map(p -> p.kind().word() + " " + p.number())
                .findFirst()
                .orElse("");
    }

    private static MatchRow row(Alike alike, int units, Chromaticity wanted) {
        ColourDifference difference = alike.shown().differenceTo(wanted);
        return new MatchRow(
                alike.type(),
                units,
                hex(alike.shown()),
                difference.toString(),
                difference.grade().words(),
                wanted.u() - alike.shown().u(),
                wanted.v() - alike.shown().v());
    }

    private static Optional<Chromaticity> shown(Show show, UnitId unit) {
        Fixture fixture = show.patch().get(unit.fixture());
        Mode mode = show.patch().modeOf(fixture);
        var now = show.unlit().resolve(fixture);
        return new ShownColour(
                        mode, unit.cell(), channel -> now.get(channel).place().dmx())
                .light()
                .flatMap(Tristimulus::chromaticity);
    }

    private static String hex(Chromaticity c) {
        return LinearRgb.of(c.withLuminance(1)).normalised().hex();
    }
}
