package app.loculus.formats.cues;

import java.util.List;
import java.util.Map;

/**
 * What a text holds.
 *
 * @param patch dimmers by channel
 * @param said what was left out or odd, in words, with the line
 */
public record CueText(
        Map<Integer, List<Dimmer>> patch,
        List<Sheet> cues,
        List<Sheet> groups,
        List<Sheet> submasters,
        List<String> said) {

    /** Slots of a universe: a dimmer is counted on through them. */
    public static final int SLOTS = 512;

    /** @param number counted through all universes, from 1; @param level proportional, 0 to 1 */
    public record Dimmer(int number, double level) {

        public int universe() {
            return (number - 1) / SLOTS + 1;
        }

        public int slot() {
            return (number - 1) % SLOTS + 1;
        }
    }

    /**
     * A cue, a group or a submaster.
     *
     * @param up seconds for what rises; null when it is not given, likewise the others
     * @param delay seconds before it moves
     * @param followOn seconds after its start at which the next one starts
     * @param levels by channel, 0 to 1
     */
    public record Sheet(
            String number,
            String name,
            Double up,
            Double down,
            double delay,
            Double followOn,
            Map<Integer, Double> levels) {}
}
