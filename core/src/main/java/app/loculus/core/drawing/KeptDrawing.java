package app.loculus.core.drawing;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;

/**
 * What a show keeps of one drawing.
 *
 * @param number 1 for the first one that was taken in; the key
 * @param on the day it was taken in
 * @param fixtures which of them is which in the show; @param marks likewise
 */
public record KeptDrawing(
        int number, String on, DrawingFile file, List<Known> fixtures, List<Known> marks, List<Scenery> scenery) {

    /**
     * Something of the show and what the drawing knows it by.
     *
     * @param id of a fixture or a mark; {@link #GONE} for what was taken in and is not in the show any more
     */
    public record Known(int id, String identity) {

        public static final int GONE = 0;

        public boolean gone() {
            return id == GONE;
        }
    }

    public KeptDrawing {
        fixtures = List.copyOf(fixtures);
        marks = List.copyOf(marks);
        scenery = List.copyOf(scenery);
    }

    /** Of what is gone from the show the drawing goes on to know that it was there. */
    public KeptDrawing keeping(IntPredicate fixture, IntPredicate mark) {
        List<Known> there = kept(fixtures, fixture);
        List<Known> stand = kept(marks, mark);
        return there.equals(fixtures) && stand.equals(marks)
                ? this
                : new KeptDrawing(number, on, file, there, stand, scenery);
    }

    private static List<Known> kept(List<Known> known, IntPredicate stays) {
        return known.stream()
                .map(k -> k.gone() || stays.test(k.id()) ? k : new Known(Known.GONE, k.identity()))
                .toList();
    }

    /** Whether it is another state of what another one is: something is in both. */
    public boolean sameAs(Drawing drawing) {
        Set<String> mine = new HashSet<>();
        fixtures.forEach(k -> mine.add(k.identity()));
        marks.forEach(k -> mine.add(k.identity()));
        scenery.forEach(s -> mine.add(s.identity()));
        return drawing.fixtures().stream().anyMatch(f -> mine.contains(f.identity()))
                || drawing.marks().stream().anyMatch(m -> mine.contains(m.identity()))
                || drawing.scenery().stream().anyMatch(s -> mine.contains(s.identity()));
    }

    @Override
    public String toString() {
        return "“" + file.name() + "”";
    }
}
