package app.loculus.core.selection;

import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Quoted;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What is the case with a unit: how it is lit, what it follows, where it belongs. */
public sealed interface State {

    boolean holds(UnitId unit, Ground ground);

    /** Whether what the lights do decides, so that it may be different after every value. */
    default boolean changesWithLight() {
        return false;
    }

    /** Whether a fixture's own description may make it so; what depends on more answers true. */
    default boolean concerns(Fixture fixture, Patch patch) {
        return true;
    }

    /** As the line writes it. */
    String words(Called called);

    default List<State> parts() {
        return List.of();
    }

    /** Every group named in it. */
    default Stream<GroupId> groups() {
        return parts().stream().flatMap(State::groups);
    }

    /** Every palette named in it. */
    default Stream<PaletteId> palettes() {
        return parts().stream().flatMap(State::palettes);
    }

    /** Every effect named in it. */
    default Stream<EffectId> effects() {
        return parts().stream().flatMap(State::effects);
    }

    /** Intensity above 0. */
    record Lit() implements StateOfLight {
        @Override
        public boolean holds(UnitId unit, Ground ground) {
            return ground.level(unit) > 0;
        }

        @Override
        public String words(Called called) {
            return "lit";
        }
    }

    /** Intensity 0, or none at all. */
    record Dark() implements StateOfLight {
        @Override
        public boolean holds(UnitId unit, Ground ground) {
            return ground.level(unit) <= 0;
        }

        @Override
        public String words(Called called) {
            return "dark";
        }
    }

    /** Some attribute is not at home, lit or dark. */
    record Active() implements StateOfLight {
        @Override
        public boolean holds(UnitId unit, Ground ground) {
            return ground.active(unit);
        }

        @Override
        public String words(Called called) {
            return "active";
        }
    }

    /** States that what the lights do decides. */
    sealed interface StateOfLight extends State {
        @Override
        default boolean changesWithLight() {
            return true;
        }
    }

    /** @param from percent of intensity, @param to the same or more; both count in whole percent */
    record Level(double from, double to) implements StateOfLight {

        /** What is shown as 40 % counts as 40. */
        private static final double HALF_A_PERCENT = 0.5;

        @Override
        public boolean holds(UnitId unit, Ground ground) {
            double percent = ground.level(unit) * 100;
            return percent >= from - HALF_A_PERCENT && percent < to + HALF_A_PERCENT;
        }

        @Override
        public String words(Called called) {
            return "at " + Decimal.text(from, 2) + (from == to ? "" : " thru " + Decimal.text(to, 2));
        }
    }

    /** Follows a palette, itself or through another one. */
    record Uses(PaletteId palette) implements StateOfLight {
        @Override
        public boolean holds(UnitId unit, Ground ground) {
            return ground.uses(unit, palette);
        }

        @Override
        public String words(Called called) {
            return "uses " + called.palette(palette);
        }

        @Override
        public Stream<PaletteId> palettes() {
            return Stream.of(palette);
        }
    }

    /** Is moved by an effect. */
    record MovedBy(EffectId effect) implements StateOfLight {
        @Override
        public boolean holds(UnitId unit, Ground ground) {
            return ground.moved(unit, effect);
        }

        @Override
        public String words(Called called) {
            return "uses " + called.effect(effect);
        }

        @Override
        public Stream<EffectId> effects() {
            return Stream.of(effect);
        }
    }

    /** Is in a group, as a whole or with a cell. */
    record InGroup(GroupId group) implements State {
        @Override
        public boolean holds(UnitId unit, Ground ground) {
            return !Selection.of(List.of(unit)).and(ground.group(group)).isEmpty();
        }

        @Override
        public String words(Called called) {
            return "in " + called.group(group);
        }

        @Override
        public Stream<GroupId> groups() {
            return Stream.of(group);
        }
    }

    /** What the patch says of a fixture. */
    sealed interface Described extends State {

        boolean of(Fixture fixture, Patch patch);

        @Override
        default boolean holds(UnitId unit, Ground ground) {
            return of(ground.patch().get(unit.fixture()), ground.patch());
        }

        @Override
        default boolean concerns(Fixture fixture, Patch patch) {
            return of(fixture, patch);
        }
    }

    /** Has no address. */
    record Unpatched() implements Described {
        @Override
        public boolean of(Fixture fixture, Patch patch) {
            return !fixture.patched();
        }

        @Override
        public String words(Called called) {
            return "unpatched";
        }
    }

    /** How it answered when it was brought up. */
    record Answered(BringUp.Answer answer) implements Described {
        @Override
        public boolean of(Fixture fixture, Patch patch) {
            return fixture.bringUp().answer() == answer;
        }

        @Override
        public String words(Called called) {
            return answer.word();
        }
    }

    /** Is among those that a choice by description names. */
    record Among(Choice.Described choice) implements Described {
        @Override
        public boolean of(Fixture fixture, Patch patch) {
            return choice.admits(fixture, patch);
        }

        @Override
        public String words(Called called) {
            return choice.words(called);
        }
    }

    /** All of these. */
    record And(List<State> parts) implements State {
        public And {
            parts = List.copyOf(parts);
        }

        @Override
        public boolean holds(UnitId unit, Ground ground) {
            return parts.stream().allMatch(p -> p.holds(unit, ground));
        }

        @Override
        public boolean changesWithLight() {
            return parts.stream().anyMatch(State::changesWithLight);
        }

        @Override
        public String words(Called called) {
            return parts.stream()
                    .map(p -> p instanceof Or ? "(" + p.words(called) + ")" : p.words(called))
                    .collect(Collectors.joining(" and "));
        }
    }

    /** Any of these. */
    record Or(List<State> parts) implements State {
        public Or {
            parts = List.copyOf(parts);
        }

        @Override
        public boolean holds(UnitId unit, Ground ground) {
            return parts.stream().anyMatch(p -> p.holds(unit, ground));
        }

        @Override
        public boolean changesWithLight() {
            return parts.stream().anyMatch(State::changesWithLight);
        }

        @Override
        public String words(Called called) {
            return parts.stream().map(p -> p.words(called)).collect(Collectors.joining(" or "));
        }
    }

    record Not(State state) implements State {
        @Override
        public boolean holds(UnitId unit, Ground ground) {
            return !state.holds(unit, ground);
        }

        @Override
        public boolean changesWithLight() {
            return state.changesWithLight();
        }

        @Override
        public List<State> parts() {
            return List.of(state);
        }

        @Override
        public String words(Called called) {
            return "not " + (state.parts().size() > 1 ? "(" + state.words(called) + ")" : state.words(called));
        }
    }

    /** How parts of a show are written in the line. */
    interface Called {

        /** Numbers and ranges. */
        String units(Selection selection);

        /** {@code group 4 }, or its name in quotation marks. */
        String group(GroupId group);

        /** {@code colour 12}. */
        String palette(PaletteId palette);

        /** {@code effect 3}. */
        String effect(EffectId effect);
    }

    /** A name as the line writes it behind its word. */
    static String named(String word, String name) {
        return word + " " + Quoted.of(name);
    }
}
