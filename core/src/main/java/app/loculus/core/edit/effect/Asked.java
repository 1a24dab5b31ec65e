package app.loculus.core.edit.effect;

import app.loculus.core.edit.hand.Amount;
import app.loculus.core.edit.mark.MarkFinder;
import app.loculus.core.effect.Figure;
import app.loculus.core.effect.Form;
import app.loculus.core.effect.Movement;
import app.loculus.core.effect.Span;
import app.loculus.core.mark.Mark;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.words.AttributeWords;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** A movement as it is asked for, before it is known what the words mean for the selected. */
public sealed interface Asked {

    /** @throws Refusal when nothing that is patched has what is asked for */
    Movement movement(Draft draft);

    /** From where to where. */
    sealed interface Ends {

        /** Around what lies below. */
        record Size(double size) implements Ends {}

        /** @param amount the unit of both numbers */
        record Numbers(double low, double high, Amount amount) implements Ends {}

        record Palettes(PaletteId low, PaletteId high) implements Ends {}
    }

    /**
     * @param word an attribute as people call it; absent: whatever the palettes give
     * @param duty of a square, percent
     */
    record Wave(Optional<String> word, Form form, Ends ends, double duty, int seed) implements Asked {

        @Override
        public Movement movement(Draft draft) {
            Optional<Meant> meant = word.map(w -> meant(draft, w));
            return new Movement.Wave(meant.map(Meant::attribute), form, span(meant), Fraction.ofPercent(duty), seed);
        }

        private Span span(Optional<Meant> meant) {
            return span(ends, meant.orElse(null));
        }

        /** @param meant the attribute; null when only palettes are gone between */
        static Span span(Ends ends, Meant meant) {
            if (ends instanceof Ends.Palettes p) {
                return new Span.Between(new AttributeValue.Reference(p.low()), new AttributeValue.Reference(p.high()));
            }
            if (meant == null) {
                throw Refusal.of(
                        "effect.attribute",
                        "attribute",
                        "It is to be said which attribute moves.",
                        WayOut.advice("For example sine of dimmer at 20 thru 80."));
            }
            if (ends instanceof Ends.Size s) {
                return new Span.Around(
                        s.size(), meant.profile().definition(meant.attribute()).inDegrees());
            }
            Ends.Numbers n = (Ends.Numbers) ends;
            return new Span.Between(meant.value(n.low(), n.amount()), meant.value(n.high(), n.amount()));
        }
    }

    /** @param mark by name; absent: relative to what lies below */
    record Shape(Figure figure, double size, double turned, Optional<String> mark) implements Asked {

        @Override
        public Movement movement(Draft draft) {
            return new Movement.Shape(
                    figure,
                    size,
                    turned,
                    mark.map(m -> MarkFinder.named(draft, m)).map(Mark::id));
        }
    }

    /** @param crossfade percent of each stay */
    record Run(List<PaletteId> palettes, double crossfade) implements Asked {

        @Override
        public Movement movement(Draft draft) {
            palettes.forEach(p -> draft.reads(PartKinds.PALETTES, p));
            return new Movement.Run(palettes, Fraction.ofPercent(crossfade));
        }
    }

    /** An attribute on the type it was found on. */
    record Meant(Attribute attribute, Profile profile, Mode mode, int cell) {

        AttributeValue value(double number, Amount amount) {
            return amount.value(
                    number,
                    profile.definition(attribute),
                    mode,
                    mode.parameter(cell, attribute).orElseThrow());
        }
    }

    /** What a word means to the first selected that has it, else to the first there is. */
    static Meant meant(Draft draft, String word) {
        Show show = draft.show();
        Stream<Fixture> held = draft.hand().selection().units().stream()
                .map(UnitId::fixture)
                .distinct()
                .map(show.patch()::get);
        return Stream.concat(held, show.patch().fixtures().stream())
                .flatMap(f -> meant(show, f, word).stream())
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "effect.attribute",
                        "attribute",
                        "Nothing that is patched has " + word + ".",
                        WayOut.advice("Name an attribute such as dimmer, pan, zoom or red.")));
    }

    /** What an attribute is on the first type that has it. */
    static Optional<Meant> meant(Show show, Attribute attribute) {
        return show.patch().fixtures().stream()
                .flatMap(f -> meant(show, f, attribute.name()).stream())
                .filter(m -> m.attribute().equals(attribute))
                .findFirst();
    }

    private static Optional<Meant> meant(Show show, Fixture fixture, String word) {
        Profile profile = show.patch().profileOf(fixture);
        Mode mode = show.patch().modeOf(fixture);
        return AttributeWords.meant(profile, mode, word)
                .flatMap(a -> mode.homesOf(0, a).stream().findFirst().map(cell -> new Meant(a, profile, mode, cell)));
    }
}
