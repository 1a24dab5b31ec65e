package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.Parameter;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ColourAnswers;
import app.loculus.core.value.Sent;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Turns what units contribute into entries.
 *
 * <p>Without a scope asked for: intensity and position per fixture; everything else global if all agree on each
 * attribute, else per type if units of each type agree, else per fixture. And narrower than that where the palette would
 * not give everybody who contributed the same output again. Merged into a palette, no broader than everybody who
 * contributes is held there already: what was corrected for a type is corrected for that type.
 */
public final class Recorder {

    private static final List<Scope> FROM_BROAD = List.of(Scope.GLOBAL, Scope.PER_TYPE, Scope.PER_FIXTURE);

    private static final int MOST_NAMED = 8;

    private final Patch patch;
    private final ColourAnswers answers;
    private final Shelf shelf;
    private final Kind kind;
    private final List<Contribution> contributions;
    private final Optional<Palette> before;
    private final Set<Attribute> own;

    /** What palettes give now. */
    private final Giver standing;

    /** @param before the palette that this is merged into */
    public Recorder(
            Patch patch,
            Shelf shelf,
            ColourAnswers answers,
            Kind kind,
            List<Contribution> contributions,
            Optional<Palette> before) {
        this.patch = patch;
        this.answers = answers;
        this.shelf = shelf;
        this.kind = kind;
        this.contributions = contributions;
        this.before = before;
        this.own = own(contributions);
        this.standing = new Giver(patch, shelf, answers);
    }

    /**
     * @param asked a scope in place of the one found
     * @param put makes of it the palette as it would be then
     * @throws Refusal when the asked-for scope is not supported by the values, naming attributes and units
     */
    public Recorded record(Optional<Scope> asked, Function<Recorded, Palette> put) {
        if (asked.isPresent()) {
            refuseDisagreement(asked.get());
            Recorded recorded = at(asked.get(), "asked for");
            refuseLoss(asked.get(), recorded, put.apply(recorded));
            return recorded;
        }
        Scope held = broadest();
        String apart = coloursApart();
        Scope broadest = apart.isEmpty() || held != Scope.GLOBAL ? held : Scope.PER_TYPE;
        String reason = held != Scope.GLOBAL ? "as it is held already" : apart.isEmpty() ? "all agree" : apart;
        for (Scope scope : FROM_BROAD.subList(broadest.ordinal(), FROM_BROAD.size())) {
            Map<Attribute, Set<String>> differ = disagreements(scope, a -> !own.contains(a));
            Recorded recorded = at(scope, reasoned(scope, reason));
            List<String> lost = differ.isEmpty() ? hurt(recorded, put.apply(recorded)) : List.of();
            if (differ.isEmpty() && lost.isEmpty() || scope == Scope.PER_FIXTURE) {
                return recorded;
            }
            reason = differ.isEmpty()
                    ? scope.words() + " would change " + named(lost)
                    : differ.entrySet().iterator().next().getKey() + " differs between "
                            + named(differ.entrySet().iterator().next().getValue());
        }
        throw new IllegalStateException("Per fixture always holds");
    }

    /** Where each of those that bring something has entries of its own already, they are changed there. */
    private Scope broadest() {
        if (before.isEmpty()) {
            return Scope.GLOBAL;
        }
        return contributions.stream()
                .map(c -> heldAt(before.get(), c))
                .min(java.util.Comparator.naturalOrder())
                .orElse(Scope.GLOBAL);
    }

    /** A mix counts as one attribute: types that make another colour do not agree, though none of their emitters is alike. */
    private String coloursApart() {
        List<Contribution> colours = contributions.stream()
                .filter(c ->
                        c.colour().isPresent() && c.values().keySet().stream().anyMatch(a -> makes(c, a)))
                .toList();
        return colours.stream()
                .filter(c -> !c.type().equals(colours.get(0).type()))
                .filter(c -> c.colour()
                                .get()
                                .differenceTo(colours.get(0).colour().get())
                                .grade()
                                .compareTo(ColourDifference.Grade.MATCH)
                        > 0)
                .findFirst()
                .map(c -> "the colour differs between " + colours.get(0).label() + " and " + c.label())
                .orElse("");
    }

    private static boolean makes(Contribution c, Attribute attribute) {
        return attribute.makesColour() && !c.companions().contains(attribute);
    }

    private static Scope heldAt(Palette before, Contribution c) {
        return c.narrowerThan(Scope.GLOBAL).stream()
                .filter(key -> before.entries(key).keySet().stream().anyMatch(a -> brings(c, a)))
                .findFirst()
                .map(ScopeKey::scope)
                .orElse(Scope.GLOBAL);
    }

    /** The mix of a colour counts as one. */
    private static boolean brings(Contribution c, Attribute attribute) {
        return !c.companions().contains(attribute)
                && c.values().keySet().stream().anyMatch(a -> a.equals(attribute) || a.isMix() && attribute.isMix());
    }

    /** A few by name, the others counted. */
    private static String named(Collection<String> units) {
        return units.stream().limit(MOST_NAMED).collect(Collectors.joining(", "))
                + (units.size() > MOST_NAMED ? " and " + (units.size() - MOST_NAMED) + " more" : "");
    }

    private String reasoned(Scope scope, String reason) {
        boolean ownOnly = contributions.stream()
                .allMatch(c -> c.values().keySet().stream().allMatch(a -> own(c, a)));
        return ownOnly ? kind.word() + " belongs to each fixture" : scope == Scope.GLOBAL ? "all agree" : reason;
    }

    /** Attributes that belong to each fixture, for one of those that bring them at least. */
    private static Set<Attribute> own(List<Contribution> contributions) {
        Set<Attribute> own = new HashSet<>();
        contributions.forEach(
                c -> c.values().keySet().stream().filter(a -> own(c, a)).forEach(own::add));
        return own;
    }

    /** Intensity and position belong to each fixture. */
    private static boolean own(Contribution c, Attribute attribute) {
        Kind of = c.kinds().getOrDefault(attribute, Kind.CONTROL);
        return of == Kind.INTENSITY || of == Kind.POSITION;
    }

    private Recorded at(Scope scope, String reason) {
        boolean chosen = reason.equals("asked for");
        Map<String, Entry> entries = new LinkedHashMap<>();
        for (Contribution c : contributions) {
            c.values().forEach((attribute, value) -> {
                ScopeKey key = c.key(!chosen && own(c, attribute) ? Scope.PER_FIXTURE : scope);
                entries.putIfAbsent(
                        key + " " + attribute,
                        new Entry(key, attribute, value, c.companions().contains(attribute)));
            });
        }
        Scope narrowest = entries.values().stream()
                .map(e -> e.scope().scope())
                .max(java.util.Comparator.naturalOrder())
                .orElse(scope);
        boolean asked =
                contributions.stream().allMatch(c -> !c.brings() || c.asked().isPresent());
        return new Recorded(
                narrowest,
                reason,
                kind == Kind.COLOUR ? intent() : Optional.empty(),
                asked,
                List.copyOf(entries.values()));
    }

    /** The colour they all bring, if they agree within a match. */
    private Optional<Chromaticity> intent() {
        List<Chromaticity> brought =
                contributions.stream().flatMap(c -> c.colour().stream()).toList();
        boolean agree = brought.stream()
                .allMatch(c -> c.differenceTo(brought.get(0)).grade().compareTo(ColourDifference.Grade.MATCH) <= 0);
        return agree && !brought.isEmpty() ? Optional.of(brought.get(0)) : Optional.empty();
    }

    /** Who would not get the same output again, and other types that would look different beside the same colour. */
    private List<String> hurt(Recorded recorded, Palette after) {
        List<String> lost = lost(recorded, after);
        boolean sameColour = kind == Kind.COLOUR
                && before.flatMap(Palette::intent).isPresent()
                && before.flatMap(Palette::intent).equals(after.intent());
        return lost.isEmpty() && sameColour ? others(after) : lost;
    }

    /** Types that would change, or whose recorded mix would make way for one that they do not have. */
    private List<String> others(Palette after) {
        Set<Attribute> gone = before.orElseThrow().entries(new ScopeKey.Global()).keySet().stream()
                .filter(a -> a.isMix() && !after.entries(new ScopeKey.Global()).containsKey(a))
                .collect(Collectors.toSet());
        List<String> changed = othersChanged(after);
        return gone.isEmpty() || !changed.isEmpty() ? changed : List.of("those that it was recorded from");
    }

    private List<String> othersChanged(Palette after) {
        Set<String> ours = contributions.stream().map(c -> c.type().value()).collect(Collectors.toSet());
        // One for each: a giver remembers the palette that it was asked for last.
        Giver then = new Giver(patch, shelf, answers);
        Giver now = new Giver(patch, shelf, answers);
        return patch.fixtures().stream()
                .filter(f -> !ours.contains(f.profile().value()))
                .filter(f -> units(f).anyMatch(u -> !then.give(before.orElseThrow(), u)
                        .values()
                        .equals(now.give(after, u).values())))
                .map(f -> patch.profileOf(f).name())
                .distinct()
                .toList();
    }

    private Stream<UnitId> units(Fixture fixture) {
        return IntStream.rangeClosed(0, patch.modeOf(fixture).cells()).mapToObj(cell -> new UnitId(fixture.id(), cell));
    }

    /** Who would not get the same output again. */
    private List<String> lost(Recorded recorded, Palette after) {
        Giver giver = new Giver(patch, shelf, answers);
        Set<Attribute> recordedOnes =
                recorded.entries().stream().map(Entry::attribute).collect(Collectors.toSet());
        return contributions.stream()
                .filter(c -> !comesBack(giver, after, c, recordedOnes))
                .map(Contribution::label)
                .toList();
    }

    private boolean comesBack(Giver giver, Palette after, Contribution c, Set<Attribute> recordedOnes) {
        Mode mode = patch.modeOf(patch.get(c.unit().fixture()));
        int cell = c.unit().cell();
        if (after.entries(new ScopeKey.Global()).keySet().stream().anyMatch(a -> idle(mode, c, a))) {
            return false;
        }
        Sent wanted = Sent.overHome(mode, cell, plain(c));
        Sent given = Sent.overHome(mode, cell, giver.give(after, c.unit()).values());
        boolean mixed = recordedOnes.stream().anyMatch(Attribute::isMix);
        return mode.parameters(cell).values().stream()
                .filter(p -> recordedOnes.contains(p.attribute())
                        || mixed && p.attribute().isMix())
                .map(Parameter::channel)
                .allMatch(channel -> wanted.at(channel) == given.at(channel));
    }

    /** Whether its mode channel stands where it does not work: given to everybody, it would move that to where it does. */
    private boolean idle(Mode mode, Contribution c, Attribute attribute) {
        return mode.mastered()
                && Optional.ofNullable(c.values().get(attribute))
                        .flatMap(v -> plain(c, attribute, v))
                        .flatMap(v -> mode.parameter(c.unit().cell(), attribute).flatMap(p -> v.in(mode, p)))
                        .flatMap(place -> place.function().master())
                        .filter(master -> !works(mode, c, master))
                        .isPresent();
    }

    /** What it brings, with what palettes give in place of references. */
    private Map<Attribute, AttributeValue> plain(Contribution c) {
        Map<Attribute, AttributeValue> plain = new LinkedHashMap<>();
        c.values().forEach((attribute, value) -> plain(c, attribute, value).ifPresent(v -> plain.put(attribute, v)));
        return plain;
    }

    private Optional<AttributeValue> plain(Contribution c, Attribute attribute, AttributeValue value) {
        return value.followed().isEmpty()
                ? Optional.of(value)
                : Optional.ofNullable(shelf.palettes().get(value.followed().get()))
                        .flatMap(p -> Optional.ofNullable(
                                standing.give(p, c.unit()).values().get(attribute)));
    }

    /** Whether a mode channel of another part, as it stands, lets work what asks for it. */
    private static boolean works(Mode mode, Contribution c, ModeMaster master) {
        int channel = mode.masterOf(c.unit().cell(), master);
        return c.beside().entrySet().stream()
                .flatMap(e -> e.getValue().entrySet().stream()
                        .flatMap(v -> mode.parameter(e.getKey().cell(), v.getKey()).stream()
                                .filter(p -> p.channel() == channel)
                                .flatMap(p -> v.getValue().in(mode, p).stream())))
                .allMatch(place -> place.dmx() >= master.from() && place.dmx() <= master.to());
    }

    private void refuseLoss(Scope scope, Recorded recorded, Palette after) {
        List<String> lost = lost(recorded, after);
        if (!lost.isEmpty()) {
            throw Refusal.of(
                    "palette.scope",
                    "scope",
                    "Recorded " + scope.words() + ", it would not give " + named(lost)
                            + " the same again: what the others bring is not theirs.",
                    WayOut.advice("Record per type or per fixture."));
        }
    }

    private void refuseDisagreement(Scope scope) {
        Map<Attribute, Set<String>> differ = disagreements(scope, a -> true);
        if (differ.isEmpty()) {
            return;
        }
        List<Problem> problems = new ArrayList<>();
        differ.forEach((attribute, units) -> problems.add(Problem.refusal(
                "palette.scope",
                "scope",
                attribute + " differs between " + named(units) + ", so it cannot be recorded " + scope.words() + ".",
                WayOut.advice("Record per fixture, or make them agree first."))));
        throw new Refusal(problems);
    }

    private Map<Attribute, Set<String>> disagreements(Scope scope, Predicate<Attribute> counts) {
        Map<ScopeKey, Map<Attribute, Contribution>> first = new LinkedHashMap<>();
        Map<Attribute, Set<String>> differ = new LinkedHashMap<>();
        for (Contribution c : contributions) {
            Map<Attribute, Contribution> seen = first.computeIfAbsent(c.key(scope), k -> new LinkedHashMap<>());
            for (Map.Entry<Attribute, AttributeValue> value : c.values().entrySet()) {
                Contribution other = seen.putIfAbsent(value.getKey(), c);
                if (other != null
                        && counts.test(value.getKey())
                        && !other.values().get(value.getKey()).equals(value.getValue())) {
                    Set<String> units = differ.computeIfAbsent(value.getKey(), a -> new LinkedHashSet<>());
                    units.add(other.label());
                    units.add(c.label());
                }
            }
        }
        return differ;
    }
}
