package app.loculus.core.edit.look;

import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Turns plain values of a look into the palettes that give the same, or nearly: within two percent of the range of each
 * attribute, and where it is nearest.
 *
 * @param anew whether what no palette is near to becomes palettes of its own, one of each kind; else it stays plain
 */
public record TidyLook(LookId look, boolean anew) implements ShowEdit {

    private static final double NEAR = .02;

    /** A palette that would do. @param off the farthest of its attributes, as a share of the range */
    private record Match(Palette palette, double off) {}

    @Override
    public void on(Draft draft) {
        Look before = draft.show().look(look);
        draft.reads(PartKinds.LOOKS, look);
        draft.reads(PartKinds.PALETTES);
        Map<UnitId, UnitValues> after = new LinkedHashMap<>(before.values());
        Map<String, Integer> exact = new TreeMap<>();
        Map<String, Integer> near = new TreeMap<>();
        tie(draft.show(), after, exact, near);
        List<Palette> made = List.of();
        if (anew) {
            made = new FromPlain(draft, before).record(after);
            tie(draft.show(), after, exact, near);
        }
        Show show = draft.show();
        if (exact.isEmpty() && near.isEmpty()) {
            String plain = Plain.words(show, before.values());
            throw Refusal.of(
                    "look.tidy",
                    "look",
                    plain.isEmpty()
                            ? "All of " + LookHolders.words(show, before) + " follows palettes."
                            : plain + ", and no palette is near to them.",
                    anew
                            ? WayOut.advice("They are control channels, or cannot be given by a palette alone.")
                            : WayOut.advice("Add “into palettes”, and palettes are made of them."));
        }
        draft.put(PartKinds.LOOKS, before.holding(after));
        draft.say("Tidies " + LookHolders.words(show, before));
        made.forEach(p -> draft.say("Records " + p));
        exact.forEach((palette, units) -> draft.say(Numbers.count(units, "unit") + ": " + palette + ", the same"));
        near.forEach((palette, units) -> draft.say(Numbers.count(units, "unit") + ": " + palette + ", nearly"));
        String left = Plain.words(show, after);
        draft.say(left.isEmpty() ? "Nothing plain is left" : "Left: " + left);
    }

    /** @param after values of the look, changed where they are tied; @param exact counts units by palette */
    private static void tie(
            Show show, Map<UnitId, UnitValues> after, Map<String, Integer> exact, Map<String, Integer> near) {
        Plain.of(show, after).forEach((unit, plain) -> {
            UnitValues values = after.get(unit);
            for (Map.Entry<Kind, Set<Attribute>> of : byKind(show, unit, plain).entrySet()) {
                Optional<Match> match = match(show, unit, of.getKey(), of.getValue(), values);
                if (match.isPresent()) {
                    values = following(values, of.getValue(), match.get().palette());
                    (match.get().off() == 0 ? exact : near)
                            .merge(match.get().palette().toString(), 1, Integer::sum);
                }
            }
            after.put(unit, values);
        });
    }

    static Map<Kind, Set<Attribute>> byKind(Show show, UnitId unit, Set<Attribute> plain) {
        Profile profile = show.patch().profileOf(show.patch().get(unit.fixture()));
        Map<Kind, Set<Attribute>> byKind = new LinkedHashMap<>();
        plain.forEach(a -> byKind.computeIfAbsent(profile.kindOf(a), k -> new LinkedHashSet<>())
                .add(a));
        return byKind;
    }

    private static Optional<Match> match(Show show, UnitId unit, Kind kind, Set<Attribute> plain, UnitValues values) {
        List<Palette> palettes =
                show.palettes().stream().filter(p -> p.kind() == kind).toList();
        Match best = null;
        for (Palette palette : palettes) {
            double off = off(show, unit, palette, plain, values);
            if (off <= NEAR && (best == null || off < best.off())) {
                best = new Match(palette, off);
            }
        }
        return Optional.ofNullable(best);
    }

    /** How far the palette is from these values; beyond any measure where it does not give all of them. */
    private static double off(Show show, UnitId unit, Palette palette, Set<Attribute> plain, UnitValues values) {
        Given given = show.resolver().giver().give(palette, unit);
        Fixture fixture = show.patch().get(unit.fixture());
        Mode mode = show.patch().modeOf(fixture);
        if (!given.follow() || !given.values().keySet().containsAll(plain)) {
            return Double.MAX_VALUE;
        }
        double worst = 0;
        for (Map.Entry<Attribute, AttributeValue> gives : given.values().entrySet()) {
            Attribute attribute = gives.getKey();
            boolean own = plain.contains(attribute);
            if (!own && !given.companions().contains(attribute)) {
                // It would set something beside what the look sets.
                return Double.MAX_VALUE;
            }
            if (own) {
                var parameter = mode.parameter(unit.cell(), attribute).orElseThrow();
                Optional<FunctionValue> a = gives.getValue().in(mode, parameter);
                Optional<FunctionValue> b =
                        values.get(attribute).map(Touched::value).flatMap(v -> v.in(mode, parameter));
                if (a.isEmpty()
                        || b.isEmpty()
                        || !a.get().function().equals(b.get().function())) {
                    return Double.MAX_VALUE;
                }
                worst = a.get().dmx() == b.get().dmx()
                        ? worst
                        : Math.max(
                                worst,
                                Math.abs(a.get().fraction().value()
                                        - b.get().fraction().value()));
            }
        }
        return worst;
    }

    private static UnitValues following(UnitValues values, Set<Attribute> plain, Palette palette) {
        Map<Attribute, Touched> all = new LinkedHashMap<>(values.byAttribute());
        AttributeValue follows = new AttributeValue.Reference(palette.id());
        plain.forEach(a -> all.put(
                a,
                new Touched(
                        all.get(a).value() instanceof AttributeValue.Moved m
                                ? new AttributeValue.Moved(m.use(), Optional.of(follows))
                                : follows,
                        true,
                        false)));
        return new UnitValues(all);
    }
}
