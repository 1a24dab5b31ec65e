package app.loculus.core.carry;

import app.loculus.core.effect.Effect;
import app.loculus.core.group.Group;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Submaster;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Held;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What changes on stage when fixtures get another description and stay what they are: part by part, whether other octets
 * go to them, and whether those do by the new description what was meant by the old one. Where the very same octets go
 * out nothing changes, whatever they are called.
 */
public final class OnStage {

    private static final String NOW = "what is set now";

    private final Show before;
    private final Show after;
    private final Resolver stillBefore;
    private final Resolver stillAfter;
    private final Means means;
    private final StageOctets octets;
    private final Map<FixtureId, Map<StageOctets.Slot, StageOctets.Octets>> rest;
    private final DescribedUnits described;

    /** Fixtures that are described otherwise, with where they are in both. */
    private final Set<FixtureId> concerned = new LinkedHashSet<>();

    private OnStage(Show before, Show after, PictureLikeness pictures) {
        this.before = before;
        this.after = after;
        this.stillBefore = before.resolver().still();
        this.stillAfter = after.resolver().still();
        this.means = new Means(
                before.answers(),
                before.marks().stream().map(Mark::at).toList(),
                UnaryOperator.identity(),
                pictures,
                false);
        for (Fixture was : before.patch().fixtures()) {
            after.patch()
                    .find(was.id())
                    .filter(is ->
                            !is.profile().equals(was.profile()) || !is.mode().equals(was.mode()))
                    .ifPresent(is -> concerned.add(was.id()));
        }
        this.octets = new StageOctets(before, after, concerned);
        this.rest = octets.differing(Map.of(), Map.of());
        this.described = new DescribedUnits(before, after, octets, rest, means);
    }

    /** @param after the same show with other descriptions of some of its fixtures */
    public static RigReport of(Show before, Show after, PictureLikeness pictures) {
        OnStage stage = new OnStage(before, after, pictures);
        return new RigReport(stage.fates(), List.of(), List.of(), stage.atRest());
    }

    /** The whole in one sentence. */
    public static String words(RigReport report) {
        List<String> parts = new ArrayList<>();
        parts(report, Verdict.LOST).ifPresent(n -> parts.add("something is lost in " + n));
        parts(report, Verdict.NEAREST).ifPresent(n -> parts.add("something changes in " + n));
        parts(report, Verdict.ANEW).ifPresent(n -> parts.add("other octets for the same in " + n));
        if (!report.said().isEmpty()) {
            parts.add("other octets while nothing is set");
        }
        return parts.isEmpty()
                ? "On stage nothing changes: the same octets go out."
                : "On stage: " + String.join("; ", parts) + ".";
    }

    private static Optional<String> parts(RigReport report, Verdict worst) {
        Map<Fate.Sort, Integer> counts = new EnumMap<>(Fate.Sort.class);
        boolean now = false;
        for (Fate fate : report.fates()) {
            if (fate.worst() == worst && fate.label().equals(NOW)) {
                now = true;
            } else if (fate.worst() == worst) {
                counts.merge(fate.sort(), 1, Integer::sum);
            }
        }
        String counted = Stream.concat(
                        counts.entrySet().stream()
                                .map(e -> Numbers.count(
                                        e.getValue(), e.getKey().name().toLowerCase(Locale.ROOT))),
                        now ? Stream.of(NOW) : Stream.empty())
                .collect(Collectors.joining(", "));
        return Optional.of(counted).filter(c -> !c.isEmpty());
    }

    /** What they get while nobody says anything, once for each type. */
    private List<String> atRest() {
        Set<String> said = new LinkedHashSet<>();
        rest.forEach((id, slots) -> {
            At was = At.of(before.patch(), UnitId.whole(id));
            String words = slots.entrySet().stream()
                    .limit(DescribedUnits.MOST_TOLD)
                    .map(e -> "slot " + e.getKey().offset() + " (" + called(id, e.getKey()) + ") "
                            + DescribedUnits.words(e.getValue()))
                    .collect(Collectors.joining(", "));
            said.add(was.profile().name() + " / " + was.mode().name() + " while nothing is set: " + words
                    + DescribedUnits.more(slots.size()) + ".");
        });
        return List.copyOf(said);
    }

    private String called(FixtureId id, StageOctets.Slot slot) {
        At at = At.of(octets.after(id, slot).isPresent() ? after.patch() : before.patch(), UnitId.whole(id));
        Channel channel =
                octets.after(id, slot).or(() -> octets.before(id, slot)).orElseThrow();
        return at.profile().definition(channel.attribute()).pretty();
    }

    private List<Fate> fates() {
        List<Fate> fates = new ArrayList<>();
        before.groups().forEach(g -> group(g).ifPresent(fates::add));
        before.palettes().forEach(p -> palette(p).ifPresent(fates::add));
        before.effects().forEach(e -> effect(e).ifPresent(fates::add));
        states(NOW, before.programmer().values(), after.programmer().values()).ifPresent(fates::add);
        for (CueList list : before.lists()) {
            for (Cue cue : before.cues(list.id())) {
                look(cue.look(), "list " + list.number() + " " + cue).ifPresent(fates::add);
            }
        }
        before.all(PartKinds.SUBMASTERS)
                .values()
                .forEach((Submaster s) -> look(s.look(), s.toString()).ifPresent(fates::add));
        before.looks().forEach(l -> look(l.id(), l.toString()).ifPresent(fates::add));
        return fates;
    }

    /** A fixture that gets or loses cells is found otherwise. */
    private Optional<Fate> group(Group group) {
        List<UnitId> was = before.units(group).units();
        List<UnitId> is = after.units(after.group(group.id()).orElse(group)).units();
        FateTaker taker = new FateTaker();
        if (was.equals(is)) {
            return Optional.empty();
        }
        taker.say(
                Verdict.NEAREST,
                was.size() == is.size() ? "in another order" : "holds " + is.size() + " instead of " + was.size());
        return Optional.of(taker.fate(Fate.Sort.GROUP, group.toString()));
    }

    /** On every fixture that it gives something, at full: a colour of a dark one is sent all the same. */
    private Optional<Fate> palette(Palette palette) {
        Palette now = after.palette(palette.id()).orElse(palette);
        Map<UnitId, Given> was = new LinkedHashMap<>();
        Map<UnitId, UnitValues> setBefore = new LinkedHashMap<>();
        Map<UnitId, UnitValues> setAfter = new LinkedHashMap<>();
        for (UnitId unit : units()) {
            Given given = before.resolver().giver().give(palette, unit);
            if (!given.values().isEmpty()) {
                was.put(unit, given);
                setBefore.put(unit, shown(before, unit, given.values()));
                setAfter.put(
                        unit,
                        shown(
                                after,
                                unit,
                                described.there(unit)
                                        ? after.resolver()
                                                .giver()
                                                .give(now, unit)
                                                .values()
                                        : Map.of()));
            }
        }
        // A cell's colour is gated by the fixture's own level.
        was.keySet().forEach(unit -> {
            setBefore.computeIfAbsent(UnitId.whole(unit.fixture()), u -> shown(before, u, Map.of()));
            setAfter.computeIfAbsent(UnitId.whole(unit.fixture()), u -> shown(after, u, Map.of()));
        });
        FateTaker taker = new FateTaker();
        Map<FixtureId, Map<StageOctets.Slot, StageOctets.Octets>> differ = octets.differing(setBefore, setAfter);
        was.forEach((unit, given) -> {
            Set<Attribute> asked = new LinkedHashSet<>(given.values().keySet());
            asked.removeAll(given.companions());
            Map<Attribute, AttributeValue> is = described.there(unit)
                    ? after.resolver().giver().give(now, unit).values()
                    : Map.of();
            described.take(taker, unit, given.values(), asked, is, differ);
        });
        return taker.none() ? Optional.empty() : Optional.of(taker.fate(Fate.Sort.PALETTE, palette.toString()));
    }

    private static UnitValues shown(Show show, UnitId unit, Map<Attribute, AttributeValue> values) {
        Map<Attribute, Touched> set = new LinkedHashMap<>();
        if (At.of(show.patch(), unit).has(Attribute.DIMMER)) {
            set.put(Attribute.DIMMER, Touched.byHand(new AttributeValue.Level(Fraction.FULL)));
        }
        values.forEach((a, v) -> set.put(a, Touched.byHand(v)));
        return new UnitValues(set);
    }

    private List<UnitId> units() {
        List<UnitId> all = new ArrayList<>();
        for (FixtureId id : concerned) {
            int cells = At.of(before.patch(), UnitId.whole(id)).mode().cells();
            for (int cell = 0; cell <= cells; cell++) {
                all.add(new UnitId(id, cell));
            }
        }
        return all;
    }

    private Optional<Fate> look(LookId id, String label) {
        Map<UnitId, UnitValues> is =
                after.find(PartKinds.LOOKS, id).map(Look::values).orElse(Map.of());
        return states(label, before.look(id).values(), is);
    }

    private Optional<Fate> states(String label, Map<UnitId, UnitValues> was, Map<UnitId, UnitValues> is) {
        Map<UnitId, UnitValues> own = ofConcerned(was);
        if (own.isEmpty()) {
            return Optional.empty();
        }
        FateTaker taker = new FateTaker();
        Map<FixtureId, Map<StageOctets.Slot, StageOctets.Octets>> differ = octets.differing(own, ofConcerned(is));
        Set<UnitId> all = new LinkedHashSet<>(own.keySet());
        Set<FixtureId> fixtures = own.keySet().stream().map(UnitId::fixture).collect(Collectors.toSet());
        // What is said of a whole fixture may show on its cells.
        units().stream().filter(u -> fixtures.contains(u.fixture())).forEach(all::add);
        for (UnitId unit : all) {
            Map<Attribute, Held> held = stillBefore.held(unit, own.getOrDefault(unit, UnitValues.NONE));
            Set<Attribute> asked = new LinkedHashSet<>();
            held.forEach((a, h) -> {
                if (!h.companion()) {
                    asked.add(a);
                }
            });
            Map<Attribute, AttributeValue> plain = plain(held);
            asked.retainAll(plain.keySet());
            UnitValues now = is.getOrDefault(unit, UnitValues.NONE);
            described.take(
                    taker,
                    unit,
                    plain,
                    asked,
                    described.there(unit) ? plain(stillAfter.held(unit, now)) : Map.of(),
                    differ);
        }
        return taker.none() ? Optional.empty() : Optional.of(taker.fate(Fate.Sort.LOOK, label));
    }

    private Map<UnitId, UnitValues> ofConcerned(Map<UnitId, UnitValues> values) {
        Map<UnitId, UnitValues> own = new LinkedHashMap<>();
        values.forEach((unit, v) -> {
            if (concerned.contains(unit.fixture())) {
                own.put(unit, v);
            }
        });
        return own;
    }

    private static Map<Attribute, AttributeValue> plain(Map<Attribute, Held> held) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        held.forEach((a, h) -> {
            AttributeValue value = h.value();
            if (value.followed().isEmpty()
                    && value.moved().isEmpty()
                    && !(value instanceof AttributeValue.Released)
                    && !(value instanceof AttributeValue.Aimed)) {
                values.put(a, value);
            }
        });
        return values;
    }

    /** Of the units that looks move by it, how many still have what it moves. */
    private Optional<Fate> effect(Effect effect) {
        Effect now = after.effect(effect.id()).orElse(effect);
        Set<UnitId> moving = new LinkedHashSet<>();
        for (Look look : before.all(PartKinds.LOOKS).values()) {
            look.values().forEach((unit, values) -> {
                boolean moves = concerned.contains(unit.fixture())
                        && values.moved().stream().anyMatch(u -> u.effect().equals(effect.id()))
                        && !before.resolver().motions().of(effect, unit).isEmpty();
                if (moves) {
                    moving.add(unit);
                }
            });
        }
        if (moving.isEmpty()) {
            return Optional.empty();
        }
        FateTaker taker = new FateTaker();
        long none = moving.stream()
                .filter(u -> !described.there(u)
                        || after.resolver().motions().of(now, u).isEmpty())
                .count();
        taker.count(Verdict.CARRIES, moving.size() - (int) none);
        taker.count(Verdict.LOST, (int) none);
        if (none > 0) {
            taker.say(Verdict.LOST, none + " of " + moving.size() + " units have nothing that it moves");
        }
        return Optional.of(taker.fate(Fate.Sort.EFFECT, effect.toString()));
    }
}
