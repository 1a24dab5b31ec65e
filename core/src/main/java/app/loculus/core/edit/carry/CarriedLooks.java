package app.loculus.core.edit.carry;

import app.loculus.core.carry.At;
import app.loculus.core.carry.Compared;
import app.loculus.core.carry.Counterpart;
import app.loculus.core.carry.Fate;
import app.loculus.core.carry.FateTaker;
import app.loculus.core.carry.Verdict;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.motion.Motions;
import app.loculus.core.motion.Move;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Held;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What looks hold, for other fixtures. Between like ones it is the very same. Else what followed a palette follows it, with
 * all that it gives there, what an effect moved is moved by it, and plain values become what does the same. A fixture that
 * takes several parts takes that of the brightest.
 */
final class CarriedLooks {

    private final Carry carry;
    private final Resolver before;

    /** Fixtures of whose colour a look says something, or a cue that it tracks. */
    private final Map<LookId, Set<FixtureId>> coloured;

    private final LookParts parts;

    CarriedLooks(Carry carry) {
        this.carry = carry;
        this.before = carry.from().resolver().still();
        this.coloured = Shining.coloured(carry.from());
        this.parts = new LookParts(carry);
    }

    /** The values of a look, once palettes and effects are there. */
    Map<UnitId, UnitValues> values(Look look) {
        Show show = carry.draft().show();
        Map<UnitId, UnitValues> same = new LinkedHashMap<>();
        Touching touching = carry.draft().touching(same);
        for (UnitId is : carry.pairs().taking()) {
            parts.of(look, is).ifPresent(part -> {
                UnitId first = part.source().units().get(0);
                At was = carry.was(first);
                At at = carry.is(is);
                if (!was.sameType(at)) {
                    turnedOver(look, part, is, show, touching);
                } else if (part.values().containsKey(first)) {
                    same.put(is, verbatim(part.of(first), was, at));
                }
            });
        }
        Map<UnitId, UnitValues> all = new LinkedHashMap<>(same);
        touching.changed().forEach((unit, values) -> {
            // A mode channel of a like fixture is not touched by what is set on another.
            if (!same.containsKey(unit)) {
                all.put(unit, values);
            }
        });
        return all;
    }

    private UnitValues verbatim(UnitValues values, At was, At is) {
        Map<Attribute, Touched> held = new LinkedHashMap<>();
        values.byAttribute().forEach((a, t) -> held.put(a, with(t, carry.ids().of(t.value()))));
        Map<Attribute, AttributeValue> pointed = new LinkedHashMap<>();
        for (Attribute a : List.of(Attribute.PAN, Attribute.TILT)) {
            values.get(a).map(Touched::value).filter(CarriedLooks::plain).ifPresent(v -> pointed.put(a, v));
        }
        if (pointed.size() == 2) {
            Counterpart.of(carry.means(), was, pointed, Set.of(), Optional.empty(), is)
                    .forEach((a, v) -> held.computeIfPresent(a, (x, t) -> with(t, v)));
        }
        return new UnitValues(held, values.asked());
    }

    private Touched with(Touched touched, AttributeValue value) {
        return new Touched(
                value, touched.touched(), touched.companion(), touched.was().map(carry.ids()::of));
    }

    private static boolean plain(AttributeValue value) {
        return value.followed().isEmpty()
                && value.moved().isEmpty()
                && !(value instanceof AttributeValue.Released)
                && !(value instanceof AttributeValue.Aimed);
    }

    /** What a value stands at: an effect may move around it. */
    private static Optional<AttributeValue> standing(AttributeValue value) {
        return value instanceof AttributeValue.Moved m ? m.over() : Optional.of(value);
    }

    private void turnedOver(Look look, LookParts.Part part, UnitId is, Show show, Touching touching) {
        List<UnitId> telling = carry.telling(part.source(), is);
        telling.forEach(was -> follow(part.of(was), was, is, show, touching));
        Map<Attribute, AttributeValue> values = carry.counterpart(part.source(), is, u -> plain(part.of(u)));
        Set<Attribute> along = new LinkedHashSet<>();
        Optional<Chromaticity> asked = Optional.empty();
        for (UnitId was : telling) {
            part.of(was).byAttribute().forEach((a, t) -> {
                if (t.companion()) {
                    along.add(a);
                }
            });
            asked = asked.or(part.of(was)::asked);
        }
        if (values.keySet().stream().anyMatch(Attribute::isMix)) {
            values.keySet().stream().filter(a -> !a.isMix() && a.makesColour()).forEach(along::add);
        }
        along.retainAll(values.keySet());
        if (!values.isEmpty()) {
            touching.setTogether(is, values, along, asked);
        }
        new Shining(carry, coloured.getOrDefault(look.id(), Set.of())).fill(part, is, touching);
        telling.forEach(was -> move(part.of(was), is, show, touching));
    }

    private void follow(UnitValues own, UnitId was, UnitId is, Show show, Touching touching) {
        for (PaletteId id : own.followed()) {
            Palette palette = show.palette(carry.ids().of(id)).orElseThrow();
            Given given = show.resolver().giver().give(palette, is);
            Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
            given.values().keySet().stream()
                    .filter(a -> carry.takes(was, is, a))
                    .forEach(a -> values.put(
                            a,
                            released(own, a)
                                    ? new AttributeValue.Released()
                                    : new AttributeValue.Reference(palette.id())));
            if (values.values().stream().anyMatch(v -> v.followed().isPresent())) {
                touching.setTogether(is, values, given.companions(), Optional.empty());
            }
        }
    }

    /** Whether it is left to what lies below, though its palette gives something: of a mix all or nothing. */
    private static boolean released(UnitValues was, Attribute attribute) {
        return was.byAttribute().entrySet().stream()
                .filter(e -> e.getValue().value() instanceof AttributeValue.Released)
                .anyMatch(e -> e.getKey().equals(attribute) || e.getKey().isMix() && attribute.isMix());
    }

    private static Carry.Plain plain(UnitValues values) {
        Map<Attribute, AttributeValue> plain = new LinkedHashMap<>();
        Set<Attribute> along = new LinkedHashSet<>();
        values.byAttribute()
                .forEach((a, t) -> standing(t.value())
                        .filter(CarriedLooks::plain)
                        .ifPresent(v -> {
                            plain.put(a, v);
                            if (t.companion()) {
                                along.add(a);
                            }
                        }));
        return new Carry.Plain(plain, along, values.asked());
    }

    private void move(UnitValues was, UnitId is, Show show, Touching touching) {
        Motions motions = show.resolver().motions();
        for (Use use : was.moved()) {
            Use now = carry.ids().of(use);
            motions.effect(now.effect()).ifPresent(effect -> {
                Map<Attribute, Move> moves = motions.of(effect, is);
                moves.forEach((a, move) -> touching.move(is, a, now, move.through(), moves.keySet()));
            });
        }
    }

    /**
     * What became of a look that was put.
     *
     * @param label as people call what holds it
     */
    Fate fate(Look look, Look now, String label) {
        FateTaker taker = new FateTaker();
        Show show = carry.draft().show();
        Resolver after = show.resolver().still();
        for (UnitId is : carry.pairs().taking()) {
            parts.of(look, is).ifPresent(part -> {
                List<Compared.Told> told = told(part, now, is, after);
                if (!told.isEmpty()) {
                    taker.take(carry.was(part.source().units().get(0)), carry.is(is), told);
                }
            });
        }
        Set<UnitId> without = new LinkedHashSet<>();
        look.values().keySet().stream()
                .filter(u -> carry.pairs().inPlaceOf(u).isEmpty())
                .forEach(u -> without.add(UnitId.whole(u.fixture())));
        if (!without.isEmpty()) {
            taker.say(
                    Verdict.LOST,
                    without.size() == 1
                            ? "1 fixture of it has nothing that stands for it"
                            : without.size() + " fixtures of it have nothing that stands for them");
        }
        return taker.fate(Fate.Sort.LOOK, label);
    }

    private List<Compared.Told> told(LookParts.Part part, Look now, UnitId is, Resolver after) {
        UnitValues there = now.values().getOrDefault(is, UnitValues.NONE);
        Map<Attribute, AttributeValue> values = plain(after.held(is, there));
        List<Compared.Told> told = new ArrayList<>();
        for (UnitId was : carry.telling(part.source(), is)) {
            UnitValues own = part.of(was);
            Map<Attribute, Held> held = before.held(was, own);
            Set<Attribute> asked = new LinkedHashSet<>();
            held.forEach((a, h) -> {
                boolean meant = !h.companion() && plain(h.value());
                if (meant && carry.takes(was, is, a)) {
                    asked.add(a);
                }
            });
            told.addAll(carry.compared(was, plain(held), asked, is, values));
            told.addAll(moved(own, was, there));
        }
        return told;
    }

    private static Map<Attribute, AttributeValue> plain(Map<Attribute, Held> held) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        held.forEach((a, h) -> {
            if (plain(h.value())) {
                values.put(a, h.value());
            }
        });
        return values;
    }

    private List<Compared.Told> moved(UnitValues own, UnitId was, UnitValues there) {
        Motions motions = carry.from().resolver().motions();
        return own.moved().stream()
                .filter(use -> motions.effect(use.effect())
                        .filter(e -> !motions.of(e, was).isEmpty())
                        .isPresent())
                .filter(use -> there.moved().stream()
                        .noneMatch(u -> u.effect().equals(carry.ids().of(use.effect()))))
                .map(use -> new Compared.Told(
                        "Effect",
                        Verdict.LOST,
                        carry.from().effect(use.effect()).orElseThrow() + " moves nothing that it has"))
                .toList();
    }
}
