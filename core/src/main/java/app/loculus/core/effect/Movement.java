package app.loculus.core.effect;

import app.loculus.core.mark.MarkId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** One of the things that an effect does in its round. */
public sealed interface Movement {

    /** The palettes it goes through. */
    List<PaletteId> palettes();

    /** The mark it goes around. */
    default Optional<MarkId> mark() {
        return Optional.empty();
    }

    /** Whether it moves relative to what lies below, so that this counts. */
    boolean relative();

    /** Whether it has a size in numbers. */
    boolean sized();

    /** The same with palettes and marks let go of that are not kept; empty when nothing is left of it. */
    Optional<Movement> keeping(
            java.util.function.Predicate<PaletteId> palette, java.util.function.Predicate<MarkId> mark);

    /**
     * A waveform on one attribute.
     *
     * @param attribute absent: everything that the palettes it goes between give
     * @param duty of a square
     * @param seed of a random one
     */
    record Wave(Optional<Attribute> attribute, Form form, Span span, Fraction duty, int seed) implements Movement {

        public Wave {
            if (attribute.isEmpty() && palettes(span).size() < 2) {
                throw Refusal.of("effect.attribute", "attribute", "It is to be said which attribute moves.");
            }
        }

        private static List<PaletteId> palettes(Span span) {
            return span instanceof Span.Between b
                    ? Stream.of(b.low(), b.high())
                            .flatMap((AttributeValue v) -> v.followed().stream())
                            .toList()
                    : List.of();
        }

        /** −1 to 1. @param turns with the unit's offset */
        public double at(double turns, int fixture, int cell) {
            double round = Math.floor(turns);
            return form == Form.RANDOM
                    ? Chance.at(seed, fixture, cell, (long) round)
                    : form.wave(turns - round, duty.value());
        }

        @Override
        public List<PaletteId> palettes() {
            return palettes(span);
        }

        @Override
        public boolean relative() {
            return span instanceof Span.Around;
        }

        @Override
        public boolean sized() {
            return span instanceof Span.Around || palettes().isEmpty();
        }

        @Override
        public Optional<Movement> keeping(
                java.util.function.Predicate<PaletteId> palette, java.util.function.Predicate<MarkId> mark) {
            return palettes().stream().allMatch(palette) ? Optional.of(this) : Optional.empty();
        }

        public Wave over(Span other) {
            return new Wave(attribute, form, other, duty, seed);
        }

        public Wave form(Form other) {
            return new Wave(attribute, other, span, duty, seed);
        }

        public Wave duty(Fraction other) {
            return new Wave(attribute, form, span, other, seed);
        }

        public Wave seed(int other) {
            return new Wave(attribute, form, span, duty, other);
        }
    }

    /**
     * A shape on pan and tilt.
     *
     * @param size across, in degrees; around a mark in metres
     * @param turned by how many degrees, from pan towards tilt
     * @param around whose place it goes around at one height; absent: relative to what lies below
     */
    record Shape(Figure figure, double size, double turned, Optional<MarkId> around) implements Movement {

        public Shape {
            Use.checkSize(size);
            if (!(Math.abs(turned) <= 360)) {
                throw Refusal.of("effect.turned", "turned", "A shape is turned by −360 to 360 degrees.");
            }
        }

        public Shape figure(Figure other) {
            return new Shape(other, size, turned, around);
        }

        public Shape size(double other) {
            return new Shape(figure, other, turned, around);
        }

        public Shape turned(double other) {
            return new Shape(figure, size, other, around);
        }

        public Shape around(Optional<MarkId> other) {
            return new Shape(figure, size, turned, other);
        }

        /** Along pan, or across the stage: −1 to 1 while it is not turned. */
        public double across(double phase) {
            return figure.pan(phase) * cos() - figure.tilt(phase) * sin();
        }

        /** Along tilt, or up the stage. */
        public double along(double phase) {
            return figure.pan(phase) * sin() + figure.tilt(phase) * cos();
        }

        private double cos() {
            return turned == 0 ? 1 : Math.cos(Math.toRadians(turned));
        }

        private double sin() {
            return turned == 0 ? 0 : Math.sin(Math.toRadians(turned));
        }

        @Override
        public List<PaletteId> palettes() {
            return List.of();
        }

        @Override
        public Optional<MarkId> mark() {
            return around;
        }

        @Override
        public boolean relative() {
            return around.isEmpty();
        }

        @Override
        public boolean sized() {
            return true;
        }

        @Override
        public Optional<Movement> keeping(
                java.util.function.Predicate<PaletteId> palette, java.util.function.Predicate<MarkId> mark) {
            return around.isEmpty() || mark.test(around.get()) ? Optional.of(this) : Optional.empty();
        }
    }

    /**
     * Through palettes, one after the other and round again.
     *
     * @param crossfade the last share of each stay, in which the next one comes in
     */
    record Run(List<PaletteId> palettes, Fraction crossfade) implements Movement {

        private static final int MOST = 50;

        public Run {
            palettes = List.copyOf(palettes);
            if (palettes.isEmpty() || palettes.size() > MOST) {
                throw Refusal.of("effect.run", "palettes", "A run goes through 1 to " + MOST + " palettes.");
            }
        }

        /** Which palette a unit is at, from 0. @param phase 0 to 1 */
        public int at(double phase) {
            return Math.min(palettes.size() - 1, (int) Math.floor(palettes.size() * phase));
        }

        /** How far the next one has come in, 0 to 1. */
        public double share(double phase) {
            double stay = palettes.size() * phase - at(phase);
            double c = crossfade.value();
            return c == 0 ? 0 : Math.max(0, Math.min(1, (stay - (1 - c)) / c));
        }

        @Override
        public boolean relative() {
            return false;
        }

        @Override
        public boolean sized() {
            return false;
        }

        @Override
        public Optional<Movement> keeping(
                java.util.function.Predicate<PaletteId> palette, java.util.function.Predicate<MarkId> mark) {
            List<PaletteId> kept = palettes.stream().filter(palette).toList();
            return kept.isEmpty() ? Optional.empty() : Optional.of(new Run(kept, crossfade));
        }
    }
}
