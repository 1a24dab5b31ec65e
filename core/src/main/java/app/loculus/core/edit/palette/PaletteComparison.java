package app.loculus.core.edit.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.LinearRgb;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.show.Show;
import app.loculus.core.value.Sent;
import app.loculus.core.value.ShownColour;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Two palettes side by side: what they hold, and what each type makes of them.
 *
 * @param rows what either holds
 * @param types every type that either reaches
 */
public record PaletteComparison(List<ComparedRow> rows, List<ComparedType> types) {

    /** @param one in words, empty where it holds nothing there; @param other the same of the second */
    public record ComparedRow(String owner, String attribute, String one, String other, boolean same) {}

    /**
     * What a type makes of both.
     *
     * @param one the colour it shows, as a screen has it; empty without colour
     * @param oneWay how it follows, in words
     * @param difference of what is shown, as u′v′; else same or differs; empty when one of them does not reach it
     * @param grade of the colours' difference, else exact or empty
     */
    public record ComparedType(
            String type,
            String mode,
            String one,
            String oneWay,
            String other,
            String otherWay,
            String difference,
            String grade) {}

    public static PaletteComparison of(Show show, Palette one, Palette other) {
        return new PaletteComparison(rows(show, one, other), types(show, one, other));
    }

    private static List<ComparedRow> rows(Show show, Palette one, Palette other) {
        List<ComparedRow> rows = new ArrayList<>();
        Set<ScopeKey> scopes = new LinkedHashSet<>(one.scopes());
        scopes.addAll(other.scopes());
        for (ScopeKey scope : scopes) {
            Map<Attribute, Entry> ones = one.entries(scope);
            Map<Attribute, Entry> others = other.entries(scope);
            Set<Attribute> attributes = new LinkedHashSet<>(ones.keySet());
            attributes.addAll(others.keySet());
            for (Attribute a : attributes) {
                String left = text(show, ones.get(a));
                String right = text(show, others.get(a));
                rows.add(new ComparedRow(
                        PaletteWords.owner(show, scope),
                        PaletteWords.label(show, scope, a),
                        left,
                        right,
                        left.equals(right)));
            }
        }
        return rows;
    }

    private static String text(Show show, Entry entry) {
        return entry == null ? "" : ValueWords.of(show, entry.value());
    }

    private static List<ComparedType> types(Show show, Palette one, Palette other) {
        List<ComparedType> types = new ArrayList<>();
        for (Coverage.Type type : show.coverage().types()) {
            type.units().stream()
                    .findFirst()
                    .map(unit -> type(show, type, unit, one, other))
                    .filter(t -> !t.oneWay().isEmpty() || !t.otherWay().isEmpty())
                    .ifPresent(types::add);
        }
        return types;
    }

    private static ComparedType type(Show show, Coverage.Type type, UnitId unit, Palette one, Palette other) {
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        Given left = show.resolver().giver().give(one, unit);
        Given right = show.resolver().giver().give(other, unit);
        Optional<Tristimulus> ones = shown(mode, unit, left);
        Optional<Tristimulus> others = shown(mode, unit, right);
        Optional<Chromaticity> from = ones.flatMap(Tristimulus::chromaticity);
        Optional<Chromaticity> to = others.flatMap(Tristimulus::chromaticity);
        boolean both = left.follow() && right.follow();
        boolean same = left.values().equals(right.values());
        var difference = from.flatMap(f -> to.map(f::differenceTo)).filter(d -> both);
        return new ComparedType(
                show.profiles().get(type.profile()).name(),
                type.mode(),
                left.follow() ? hex(from) : "",
                left.follow() ? left.words() : "",
                right.follow() ? hex(to) : "",
                right.follow() ? right.words() : "",
                difference.map(Object::toString).orElse(!both ? "" : same ? "same" : "differs"),
                difference.map(d -> d.grade().words()).orElse(both && same ? "exact" : ""));
    }

    private static Optional<Tristimulus> shown(Mode mode, UnitId unit, Given given) {
        boolean colours = given.values().keySet().stream().anyMatch(Attribute::makesColour);
        Sent sent = Sent.overHome(mode, unit.cell(), given.values());
        sent.masters().forEach(sent::set);
        return colours ? new ShownColour(mode, unit.cell(), sent::at).light() : Optional.empty();
    }

    private static String hex(Optional<Chromaticity> colour) {
        return colour.map(c -> LinearRgb.of(c.withLuminance(1)).normalised().hex())
                .orElse("");
    }
}
