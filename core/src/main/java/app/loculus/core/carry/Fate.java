package app.loculus.core.carry;

import java.util.List;
import java.util.Map;

/**
 * What becomes of one part of a show when other fixtures stand for those it was made with.
 *
 * @param sort which sort of part it is
 * @param label as people call it, for example {@code colour 3 “Ember”}
 * @param units how many units of the other rig take part in it
 * @param counts those units by the worst that becomes of any of their values; only verdicts that occur
 * @param lines what does not simply carry, the worst first
 */
public record Fate(Sort sort, String label, int units, Map<Verdict, Integer> counts, List<Line> lines) {

    /** Sorts of parts, in the order in which they are told. */
    public enum Sort {
        MARK("Marks"),
        GROUP("Groups"),
        PALETTE("Palettes"),
        EFFECT("Effects"),
        LOOK("Looks");

        private final String words;

        Sort(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * The same for several units.
     *
     * @param units how many; 0 where it is of the whole part
     * @param types which type stands for which; empty where it is of none
     */
    public record Line(int units, String types, Verdict verdict, String words) {}

    public Fate {
        counts = Map.copyOf(counts);
        lines = List.copyOf(lines);
    }

    /** The worst that becomes of anything in it. */
    public Verdict worst() {
        Verdict ofUnits = counts.keySet().stream().reduce(Verdict.CARRIES, Verdict::orWorse);
        return lines.stream().map(Line::verdict).reduce(ofUnits, Verdict::orWorse);
    }
}
