package app.loculus.core.edit.carry;

import app.loculus.core.carry.At;
import app.loculus.core.carry.Compared;
import app.loculus.core.carry.Fate;
import app.loculus.core.carry.FateTaker;
import app.loculus.core.carry.UnitPairs;
import app.loculus.core.carry.Verdict;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Follows;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.show.PartKinds;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Palettes for other fixtures. What is global, computed from a colour or stands at a mark holds anyway; what was recorded
 * for types that are there stays theirs, what was of one fixture goes to the one that stands for it. Where a unit would
 * then be given nothing, or something that is seen to differ, it gets what its counterpart was given, for its whole type
 * where all agree.
 */
final class CarriedPalettes {

    private final Carry carry;
    private final Giver before;

    CarriedPalettes(Carry carry) {
        this.carry = carry;
        this.before = carry.from().resolver().giver();
    }

    /** @param palettes of the show they come from, with all that they follow */
    void put(Collection<Palette> palettes) {
        Set<ProfileId> types = carry.types();
        palettes.forEach(p -> carry.draft().put(PartKinds.PALETTES, first(p, types)));
        Set<PaletteId> done = new HashSet<>();
        List<Palette> waiting = new ArrayList<>(palettes);
        while (!waiting.isEmpty()) {
            List<Palette> ready = waiting.stream()
                    .filter(p -> p.followed().stream()
                            .noneMatch(f -> waiting.stream().anyMatch(w -> w.id().equals(f))))
                    .toList();
            // No show holds palettes that follow one another in a circle.
            List<Palette> next = ready.isEmpty() ? List.copyOf(waiting) : ready;
            next.forEach(this::complete);
            next.forEach(p -> done.add(p.id()));
            waiting.removeAll(next);
        }
    }

    /** With what holds without a look at any unit. */
    private Palette first(Palette palette, Set<ProfileId> types) {
        Map<UnitId, List<UnitId>> like = like(palette);
        List<Entry> entries = new ArrayList<>();
        for (Entry e : palette.entries()) {
            AttributeValue value = carry.ids().of(e.value());
            if (e.scope().ownUnit().isPresent()) {
                for (UnitId is : like.getOrDefault(e.scope().ownUnit().get(), List.of())) {
                    entries.add(new Entry(new ScopeKey.Unit(is), e.attribute(), value, e.companion()));
                }
            } else if (e.scope().ownProfile().map(types::contains).orElse(true)) {
                entries.add(e.holding(value));
            }
        }
        PaletteId id = carry.ids().of(palette.id());
        return palette.copied(id, carry.ids().numberOf(palette), palette.name())
                .holding(entries)
                .aimedAt(palette.aim().map(carry.ids()::of));
    }

    /** Units of the same type that hang where the one they stand for does, or are not aimed by the palette. */
    private Map<UnitId, List<UnitId>> like(Palette palette) {
        Map<UnitId, List<UnitId>> found = new LinkedHashMap<>();
        Set<UnitId> own = new HashSet<>(palette.units());
        for (UnitId is : own.isEmpty() ? List.<UnitId>of() : carry.pairs().taking()) {
            UnitId was = carry.pairs().sources(is).get(0).units().get(0);
            boolean aimed = palette.entries(new ScopeKey.Unit(was)).keySet().stream()
                    .anyMatch(a -> a.equals(Attribute.PAN) || a.equals(Attribute.TILT));
            if (own.contains(was)
                    && carry.was(was).sameType(carry.is(is))
                    && (!aimed || carry.was(was).samePlace(carry.is(is)) && !moved())) {
                found.computeIfAbsent(was, u -> new ArrayList<>()).add(is);
            }
        }
        return found;
    }

    private boolean moved() {
        return carry.means().marks().stream()
                .anyMatch(m -> !carry.means().moved().apply(m).equals(m));
    }

    private void complete(Palette palette) {
        Map<UnitId, Map<Attribute, Entry>> needs = new LinkedHashMap<>();
        Map<UnitId, Boolean> asked = new LinkedHashMap<>();
        Palette now = now(palette);
        Giver after = carry.draft().show().resolver().giver();
        for (UnitId is : carry.pairs().taking()) {
            UnitPairs.Source source = source(palette, is);
            if (source != null) {
                Map<Attribute, Entry> need = need(palette, now, after, source, is);
                asked.put(is, !need.isEmpty());
                if (!need.isEmpty()) {
                    needs.put(is, need);
                }
            }
        }
        if (!needs.isEmpty()) {
            List<Entry> entries = new ArrayList<>(now.entries());
            entries.addAll(scoped(palette, needs, asked.keySet()));
            carry.draft().put(PartKinds.PALETTES, now.holding(entries));
        }
    }

    private Palette now(Palette palette) {
        return carry.draft().show().palette(carry.ids().of(palette.id())).orElseThrow();
    }

    /** The first fixture whose part a unit takes that follows the palette; null when none does. */
    private UnitPairs.Source source(Palette palette, UnitId is) {
        return carry.pairs().sources(is).stream()
                .filter(s ->
                        s.units().stream().anyMatch(u -> before.give(palette, u).follow()))
                .findFirst()
                .orElse(null);
    }

    private Map<Attribute, Entry> need(Palette palette, Palette now, Giver after, UnitPairs.Source source, UnitId is) {
        Given given = after.give(now, is);
        boolean meant = given.follows().compareTo(Follows.GLOBAL) < 0
                || palette.aim().isPresent() && given.follow()
                || palette.intent().isPresent() && given.follows() == Follows.COMPUTED;
        if (meant || fine(palette, source, is, given.values())) {
            return Map.of();
        }
        if (palette.kind() == Kind.COLOUR && palette.intent().isPresent()) {
            return intended(palette.intent().get(), given, is);
        }
        Map<Attribute, AttributeValue> values = palette.refers()
                ? following(palette, after, is)
                : carry.counterpart(source, is, u -> plain(palette, u));
        if (values.isEmpty()
                || !palette.refers()
                        && !given.values().isEmpty()
                        && !better(palette, source, is, values, given.values())) {
            return Map.of();
        }
        Set<Attribute> along = source.units().stream()
                .flatMap(u -> before.give(palette, u).companions().stream())
                .collect(Collectors.toSet());
        boolean mixes = values.keySet().stream().anyMatch(Attribute::isMix);
        Map<Attribute, Entry> need = new LinkedHashMap<>();
        values.forEach((a, v) -> {
            boolean closed = mixes && !a.isMix() && a.makesColour();
            need.put(a, new Entry(new ScopeKey.Unit(is), a, v, along.contains(a) || closed));
        });
        return need;
    }

    /** The colour that it stands for, where the unit makes it better than what it would be given. */
    private Map<Attribute, Entry> intended(Chromaticity colour, Given given, UnitId is) {
        At at = carry.is(is);
        double now = given.difference().map(ColourDifference::deltaUv).orElse(Double.POSITIVE_INFINITY);
        Map<Attribute, Entry> need = new LinkedHashMap<>();
        carry.means()
                .answers()
                .answer(at.mode(), is.cell(), colour)
                .filter(answer -> answer.difference().deltaUv() < now)
                .ifPresent(answer -> {
                    answer.closings().forEach((a, v) -> need.put(a, new Entry(new ScopeKey.Unit(is), a, v, true)));
                    answer.values().forEach((a, v) -> need.put(a, new Entry(new ScopeKey.Unit(is), a, v, false)));
                });
        return need;
    }

    /** It follows the palettes that the other one followed, in all that they give here. */
    private Map<Attribute, AttributeValue> following(Palette palette, Giver after, UnitId is) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        for (PaletteId other : palette.followed()) {
            Palette followed =
                    carry.draft().show().palette(carry.ids().of(other)).orElseThrow();
            after.give(followed, is)
                    .values()
                    .keySet()
                    .forEach(a -> values.putIfAbsent(a, new AttributeValue.Reference(followed.id())));
        }
        return values;
    }

    private boolean fine(Palette palette, UnitPairs.Source source, UnitId is, Map<Attribute, AttributeValue> values) {
        return worst(told(palette, source, is, values)).compareTo(Verdict.ANEW) <= 0;
    }

    private boolean better(
            Palette palette,
            UnitPairs.Source source,
            UnitId is,
            Map<Attribute, AttributeValue> one,
            Map<Attribute, AttributeValue> other) {
        return worst(told(palette, source, is, one)).compareTo(worst(told(palette, source, is, other))) < 0;
    }

    private static Verdict worst(List<Compared.Told> told) {
        return told.stream().map(Compared.Told::verdict).reduce(Verdict.CARRIES, Verdict::orWorse);
    }

    private Carry.Plain plain(Palette palette, UnitId was) {
        Given given = before.give(palette, was);
        return new Carry.Plain(
                given.values(), given.companions(), given.follow() ? palette.intent() : Optional.empty());
    }

    /** For a whole type where all of its units that follow agree and none is aimed, else for each unit. */
    private List<Entry> scoped(Palette palette, Map<UnitId, Map<Attribute, Entry>> needs, Set<UnitId> following) {
        List<Entry> entries = new ArrayList<>();
        Map<Mode, Set<UnitId>> byMode = new LinkedHashMap<>();
        following.forEach(u -> byMode.computeIfAbsent(carry.is(u).mode(), m -> new LinkedHashSet<>())
                .add(u));
        byMode.forEach((mode, units) -> {
            Set<Map<Attribute, AttributeValue>> alike = units.stream()
                    .filter(u -> !mode.parameters(u.cell()).isEmpty())
                    .map(u -> values(needs.getOrDefault(u, Map.of())))
                    .collect(Collectors.toSet());
            boolean whole = alike.size() == 1
                    && palette.kind() != Kind.POSITION
                    && !aims(alike.iterator().next());
            ScopeKey.TypeMode type = new ScopeKey.TypeMode(
                    carry.is(units.iterator().next()).profile().id(), mode.name());
            Set<Attribute> said = new HashSet<>();
            for (UnitId unit : units) {
                for (Entry e : needs.getOrDefault(unit, Map.of()).values()) {
                    if (!whole) {
                        entries.add(e);
                    } else if (said.add(e.attribute())) {
                        entries.add(new Entry(type, e.attribute(), e.value(), e.companion()));
                    }
                }
            }
        });
        return entries;
    }

    private static Map<Attribute, AttributeValue> values(Map<Attribute, Entry> need) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        need.forEach((a, e) -> values.put(a, e.value()));
        return values;
    }

    private static boolean aims(Map<Attribute, AttributeValue> values) {
        return values.containsKey(Attribute.PAN) || values.containsKey(Attribute.TILT);
    }

    /** What is seen of it on a unit, against what was seen of it where it comes from. */
    private List<Compared.Told> told(
            Palette palette, UnitPairs.Source source, UnitId is, Map<Attribute, AttributeValue> values) {
        List<Compared.Told> told = new ArrayList<>();
        for (UnitId was : carry.telling(source, is)) {
            Given given = before.give(palette, was);
            Set<Attribute> asked = new LinkedHashSet<>(given.values().keySet());
            asked.removeAll(given.companions());
            asked.removeIf(a -> !carry.takes(was, is, a));
            told.addAll(carry.compared(was, given.values(), asked, is, values));
        }
        return told;
    }

    /** What became of a palette that was put. */
    Fate fate(Palette palette) {
        FateTaker taker = new FateTaker();
        Giver after = carry.draft().show().resolver().giver();
        Palette now = now(palette);
        for (UnitId is : carry.pairs().taking()) {
            UnitPairs.Source source = source(palette, is);
            At at = carry.is(is);
            List<Compared.Told> told = source == null
                    ? List.of()
                    : told(palette, source, is, after.give(now, is).values());
            if (!told.isEmpty()) {
                taker.take(carry.was(source.units().get(0)), at, told);
            }
        }
        if (taker.none()) {
            taker.say(Verdict.CARRIES, "no fixture followed it");
        }
        return taker.fate(Fate.Sort.PALETTE, now.toString());
    }
}
