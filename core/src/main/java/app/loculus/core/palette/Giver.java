package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ColourAnswer;
import app.loculus.core.value.ColourAnswers;
import app.loculus.core.value.ShownColour;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;

/**
 * Works out what a palette gives a unit: own entry, mode's, type's, global; for colour, else its intent computed.
 *
 * <p>Global mix values are used by a unit that has all of them; visible emitters it has beyond them go to zero, since
 * they belong to the same mix. A global colour-wheel entry holds only beside global mix values or where there is no
 * intent to compute from.
 */
public final class Giver {

    private record Kin(Palette palette, ProfileId profile, String mode, int cell) {}

    private final Map<Kin, Given> common = new ConcurrentHashMap<>();
    private final Patch patch;
    private final ColourAnswers answers;

    public Giver(Patch patch, ColourAnswers answers) {
        this.patch = patch;
        this.answers = answers;
    }

    /** Units without entries of their own are all given the same as their kin, worked out once. */
    public Given give(Palette palette, UnitId unit) {
        if (!palette.entries(new ScopeKey.Unit(unit)).isEmpty()) {
            return work(palette, unit);
        }
        Fixture fixture = patch.get(unit.fixture());
        Kin kin = new Kin(palette, fixture.profile(), fixture.mode(), unit.cell());
        return common.computeIfAbsent(kin, k -> work(palette, unit));
    }

    private Given work(Palette palette, UnitId unit) {
        Fixture fixture = patch.get(unit.fixture());
        Profile profile = patch.profileOf(fixture);
        Mode mode = profile.mode(fixture.mode());
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        Follows follows = Follows.NONE;
        List<ScopeKey> scopes = List.of(
                new ScopeKey.Unit(unit),
                new ScopeKey.TypeMode(profile.id(), mode.name()),
                new ScopeKey.Type(profile.id()));
        for (int i = 0; i < scopes.size(); i++) {
            if (take(palette.entries(scopes.get(i)), mode, unit.cell(), values) && follows == Follows.NONE) {
                follows = Follows.values()[i];
            }
        }
        return follows == Follows.NONE
                ? broad(palette, profile, mode, unit.cell())
                : finish(palette, mode, unit.cell(), withGlobals(palette, mode, unit.cell(), values), follows);
    }

    private static boolean take(
            Map<Attribute, Entry> entries, Mode mode, int cell, Map<Attribute, AttributeValue> values) {
        boolean any = false;
        for (Entry entry : entries.values()) {
            if (usable(entry, mode, cell)) {
                values.putIfAbsent(entry.attribute(), entry.value());
                any = true;
            }
        }
        return any;
    }

    /** A named range that the unit's function does not know is of no use to it. */
    private static boolean usable(Entry entry, Mode mode, int cell) {
        return mode.parameter(cell, entry.attribute())
                .map(p -> entry.value().fits(mode, p))
                .orElse(false);
    }

    private static Map<Attribute, AttributeValue> withGlobals(
            Palette palette, Mode mode, int cell, Map<Attribute, AttributeValue> values) {
        palette.entries(new ScopeKey.Global()).values().stream()
                .filter(e -> !e.attribute().isMix() && !e.attribute().isColourWheel() && usable(e, mode, cell))
                .forEach(e -> values.putIfAbsent(e.attribute(), e.value()));
        return values;
    }

    /** Global values or the computed intent. */
    private Given broad(Palette palette, Profile profile, Mode mode, int cell) {
        Map<Attribute, Entry> globals = palette.entries(new ScopeKey.Global());
        Set<Attribute> mix = globals.keySet().stream().filter(Attribute::isMix).collect(Collectors.toSet());
        boolean hasMix = mode.parameters(cell).keySet().containsAll(mix);
        Optional<ColourAnswer> answer = palette.intent().flatMap(c -> answers.answer(mode, cell, c));
        if (answer.isPresent() && (mix.isEmpty() || !hasMix)) {
            return computed(answer.get());
        }
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        globals.values().stream()
                .filter(e -> usable(e, mode, cell) && (hasMix || !e.attribute().isMix()))
                .forEach(e -> values.put(e.attribute(), e.value()));
        if (values.isEmpty()) {
            return new Given(Map.of(), Follows.NONE, Optional.empty(), whyNot(palette, profile, mode, cell));
        }
        if (mix.stream().anyMatch(Attribute::isVisibleAdditive)) {
            mode.parameters(cell).keySet().stream()
                    .filter(Attribute::isVisibleAdditive)
                    .forEach(a -> values.putIfAbsent(a, AttributeValue.level(0)));
        }
        return finish(palette, mode, cell, values, Follows.GLOBAL);
    }

    private static Given computed(ColourAnswer answer) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        answer.levels().forEach((attribute, level) -> values.put(attribute, new AttributeValue.Level(level)));
        return new Given(values, Follows.COMPUTED, Optional.of(answer.difference()), answer.way());
    }

    private static Given finish(
            Palette palette, Mode mode, int cell, Map<Attribute, AttributeValue> values, Follows follows) {
        return new Given(
                values, follows, palette.intent().flatMap(i -> difference(i, mode, cell, values)), follows.words());
    }

    private static Optional<ColourDifference> difference(
            Chromaticity intent, Mode mode, int cell, Map<Attribute, AttributeValue> values) {
        return new ShownColour(mode, cell, p -> level(p, values))
                .light()
                .flatMap(Tristimulus::chromaticity)
                .map(intent::differenceTo);
    }

    private static Fraction level(Parameter parameter, Map<Attribute, AttributeValue> values) {
        return Optional.ofNullable(values.get(parameter.attribute()))
                .flatMap(v -> v.in(parameter.function()))
                .orElse(parameter.function().homeFraction());
    }

    private static String whyNot(Palette palette, Profile profile, Mode mode, int cell) {
        if (palette.kind() == Kind.COLOUR && mode.colours(cell).none()) {
            return profile.name() + " has neither mix nor wheel";
        }
        return "nothing recorded fits " + profile.name();
    }
}
