package app.loculus.core.selection;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.State.Called;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.Collection;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** How lights are asked for: what the line says, what a recipe remembers. Worked out in a show when it is needed. */
public sealed interface Choice {

    /** Who that is now. */
    Selection in(Ground ground);

    /** As the line writes it. */
    String words(Called called);

    /** Whether what the lights do decides. */
    default boolean changesWithLight() {
        return parts().stream().anyMatch(Choice::changesWithLight);
    }

    /** Whether a fixture as it is described here may be among those chosen. */
    default boolean concerns(Fixture fixture, Patch patch) {
        return parts().stream().anyMatch(c -> c.concerns(fixture, patch));
    }

    default List<Choice> parts() {
        return List.of();
    }

    /** Every group named in it. */
    default Stream<GroupId> groups() {
        return parts().stream().flatMap(Choice::groups);
    }

    /** Every palette named in it. */
    default Stream<PaletteId> palettes() {
        return parts().stream().flatMap(Choice::palettes);
    }

    /** Every effect named in it. */
    default Stream<EffectId> effects() {
        return parts().stream().flatMap(Choice::effects);
    }

    /** The same with other units where units are named. */
    default Choice refitted(UnaryOperator<Selection> units) {
        return this;
    }

    /** Units by number, in this order. */
    record Units(Selection selection) implements Choice {
        @Override
        public Selection in(Ground ground) {
            return selection.keeping(u -> ground.patch().find(u.fixture()).isPresent());
        }

        @Override
        public String words(Called called) {
            return called.units(selection);
        }

        @Override
        public boolean concerns(Fixture fixture, Patch patch) {
            return selection.units().stream().anyMatch(u -> u.fixture().equals(fixture.id()));
        }

        @Override
        public Choice refitted(UnaryOperator<Selection> units) {
            return new Units(units.apply(selection));
        }
    }

    /** Those that a description fits, in the order of their numbers. */
    sealed interface Described extends Choice {

        boolean admits(Fixture fixture, Patch patch);

        /** Those that it admits, in the order of their numbers. */
        default Collection<Fixture> among(Patch patch) {
            return patch.fixtures().stream().filter(f -> admits(f, patch)).toList();
        }

        @Override
        default Selection in(Ground ground) {
            return new Selection(among(ground.patch()).stream()
                    .map(f -> Step.of(UnitId.whole(f.id())))
                    .toList());
        }

        @Override
        default boolean concerns(Fixture fixture, Patch patch) {
            return admits(fixture, patch);
        }
    }

    record Everything() implements Described {
        @Override
        public boolean admits(Fixture fixture, Patch patch) {
            return true;
        }

        @Override
        public String words(Called called) {
            return "all";
        }
    }

    /** @param name of the profile, with or without its maker */
    record OfType(String name) implements Described {
        @Override
        public boolean admits(Fixture fixture, Patch patch) {
            return patch.profiles()
                    .find(fixture.profile())
                    .filter(p -> p.name().equalsIgnoreCase(name) || p.fullName().equalsIgnoreCase(name))
                    .isPresent();
        }

        @Override
        public String words(Called called) {
            return State.named("type", name);
        }
    }

    record AtPosition(String name) implements Described {
        @Override
        public boolean admits(Fixture fixture, Patch patch) {
            return fixture.position().equalsIgnoreCase(name);
        }

        @Override
        public Collection<Fixture> among(Patch patch) {
            return patch.at(name);
        }

        @Override
        public String words(Called called) {
            return State.named("position", name);
        }
    }

    record ForPurpose(String name) implements Described {
        @Override
        public boolean admits(Fixture fixture, Patch patch) {
            return fixture.purpose().equalsIgnoreCase(name);
        }

        @Override
        public Collection<Fixture> among(Patch patch) {
            return patch.purposed(name);
        }

        @Override
        public String words(Called called) {
            return State.named("purpose", name);
        }
    }

    /** Those with an address in a universe. */
    record OnUniverse(int universe) implements Described {
        @Override
        public boolean admits(Fixture fixture, Patch patch) {
            return fixture.addresses().stream().anyMatch(a -> a.address().universe() == universe);
        }

        @Override
        public String words(Called called) {
            return "universe " + universe;
        }
    }

    /** A group, in its steps. */
    record OfGroup(GroupId group) implements Choice {
        @Override
        public Selection in(Ground ground) {
            return ground.group(group);
        }

        @Override
        public String words(Called called) {
            return called.group(group);
        }

        @Override
        public Stream<GroupId> groups() {
            return Stream.of(group);
        }

        @Override
        public boolean concerns(Fixture fixture, Patch patch) {
            return false;
        }
    }

    /** How a choice meets those before it. */
    enum How {
        PLUS("+"),
        MINUS("-"),
        AND("&");

        private final String sign;

        How(String sign) {
            this.sign = sign;
        }

        public Selection join(Selection held, Selection term, Patch patch) {
            return switch (this) {
                case PLUS -> held.plus(term);
                case MINUS -> held.minus(term, patch::cellsOf);
                case AND -> held.and(term);
            };
        }

        public String sign() {
            return sign;
        }
    }

    /** One after the other: added at the end, taken out, or only those that are in both. */
    record Joined(Choice first, List<Term> terms) implements Choice {

        /** A further choice and how it meets those before it. */
        public record Term(How how, Choice choice) {}

        public Joined {
            terms = List.copyOf(terms);
        }

        /** A choice with one more term, at the end of those it has. */
        public static Choice of(Choice first, How how, Choice choice) {
            if (first instanceof Joined j) {
                return new Joined(
                        j.first,
                        Stream.concat(j.terms.stream(), Stream.of(new Term(how, choice)))
                                .toList());
            }
            return new Joined(first, List.of(new Term(how, choice)));
        }

        @Override
        public Selection in(Ground ground) {
            Selection all = first.in(ground);
            for (Term term : terms) {
                all = term.how().join(all, term.choice().in(ground), ground.patch());
            }
            return all;
        }

        @Override
        public List<Choice> parts() {
            return Stream.concat(Stream.of(first), terms.stream().map(Term::choice))
                    .toList();
        }

        @Override
        public String words(Called called) {
            return within(first, called)
                    + terms.stream()
                            .map(t -> " " + t.how().sign() + " " + within(t.choice(), called))
                            .collect(Collectors.joining());
        }

        private static String within(Choice choice, Called called) {
            boolean several = !choice.parts().isEmpty()
                    || choice instanceof Units u && u.selection().steps().size() > 1;
            return several ? "(" + choice.words(called) + ")" : choice.words(called);
        }

        @Override
        public Choice refitted(UnaryOperator<Selection> units) {
            return new Joined(
                    first.refitted(units),
                    terms.stream()
                            .map(t -> new Term(t.how(), t.choice().refitted(units)))
                            .toList());
        }
    }

    /** Those of a choice with whom something is the case, in its order. */
    record Where(Choice of, State state) implements Choice {
        @Override
        public Selection in(Ground ground) {
            return of.in(ground).keeping(u -> state.holds(u, ground));
        }

        @Override
        public List<Choice> parts() {
            return List.of(of);
        }

        @Override
        public boolean changesWithLight() {
            return of.changesWithLight() || state.changesWithLight();
        }

        @Override
        public Stream<GroupId> groups() {
            return Stream.concat(of.groups(), state.groups());
        }

        @Override
        public Stream<PaletteId> palettes() {
            return Stream.concat(of.palettes(), state.palettes());
        }

        @Override
        public Stream<EffectId> effects() {
            return Stream.concat(of.effects(), state.effects());
        }

        @Override
        public String words(Called called) {
            return of.words(called) + " where " + state.words(called);
        }

        @Override
        public Choice refitted(UnaryOperator<Selection> units) {
            return new Where(of.refitted(units), state);
        }
    }

    /** What patterns take of a choice. */
    record Arranged(Choice of, List<Pattern> patterns) implements Choice {
        public Arranged {
            patterns = List.copyOf(patterns);
        }

        @Override
        public Selection in(Ground ground) {
            return Taken.of(of.in(ground), patterns, ground.patch()).selection();
        }

        @Override
        public List<Choice> parts() {
            return List.of(of);
        }

        @Override
        public String words(Called called) {
            return of.words(called)
                    + patterns.stream().map(p -> " " + p.words()).collect(Collectors.joining());
        }

        @Override
        public Choice refitted(UnaryOperator<Selection> units) {
            return new Arranged(of.refitted(units), patterns);
        }
    }
}
