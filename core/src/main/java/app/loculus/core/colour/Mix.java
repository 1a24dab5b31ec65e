package app.loculus.core.colour;

import java.util.List;

/**
 * Levels that make a colour.
 *
 * @param levels 0…1, in the order of the emitters
 * @param light what the emitters give at these levels
 * @param inGamut whether the target itself was reached, not only its nearest neighbour
 */
public record Mix(List<Double> levels, Tristimulus light, boolean inGamut) {

    public Mix {
        levels = List.copyOf(levels);
    }
}
