package app.loculus.core.effect;

import app.loculus.core.problem.Refusal;
import app.loculus.core.selection.Spread;
import app.loculus.core.unit.Decimal;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Where each step of a selection stands in the round.
 *
 * @param way how offsets run along the steps
 * @param stops of a spread, in shares of a round
 * @param times how often round the circle
 * @param blocks steps that count as one
 * @param mirrored whether the first step goes with the last
 * @param backwards whether it begins at the last step
 */
public record Along(Way way, List<Double> stops, int times, int blocks, boolean mirrored, boolean backwards) {

    /** How offsets run along the steps. */
    public enum Way {
        /** One for all: the first stop. */
        ALIKE,
        /** From stop to stop, the first step at the first and the last at the last. */
        SPREAD,
        /** Step i of n at i/n, so that the last meets the first. */
        ROUND
    }

    /** All alike. */
    public static final Along ALIKE = new Along(Way.ALIKE, List.of(0.0), 1, 1, false, false);

    /** Once round the circle. */
    public static final Along ROUND = new Along(Way.ROUND, List.of(0.0), 1, 1, false, false);

    private static final int MOST = 1000;
    private static final int MOST_STOPS = 50;

    public Along {
        stops = List.copyOf(stops);
        if (times < 1 || times > MOST || blocks < 1 || blocks > MOST) {
            throw Refusal.of("effect.along", "offset", "Rounds and blocks are 1 to " + MOST + ".");
        }
        if (stops.isEmpty() || stops.size() > MOST_STOPS || stops.stream().anyMatch(s -> !(Math.abs(s) <= MOST))) {
            throw Refusal.of(
                    "effect.along",
                    "offset",
                    "An offset has 1 to " + MOST_STOPS + " stops, each within " + MOST + " rounds.");
        }
    }

    public Along spread(List<Double> others) {
        return new Along(others.size() == 1 ? Way.ALIKE : Way.SPREAD, others, 1, blocks, mirrored, backwards);
    }

    public Along round(int often) {
        return new Along(Way.ROUND, stops.subList(0, 1), often, blocks, mirrored, backwards);
    }

    public Along blocks(int size) {
        return new Along(way, stops, times, size, mirrored, backwards);
    }

    public Along mirrored(boolean on) {
        return new Along(way, stops, times, blocks, on, backwards);
    }

    public Along backwards(boolean on) {
        return new Along(way, stops, times, blocks, mirrored, on);
    }

    /** All of it further on in the round. */
    public Along shifted(double by) {
        return new Along(way, stops.stream().map(s -> s + by).toList(), times, blocks, mirrored, backwards);
    }

    /** The offset of step {@code i} of {@code n}, in rounds. */
    public double offset(int i, int n) {
        int at = backwards ? n - 1 - i : i;
        int block = at / blocks;
        int all = (n + blocks - 1) / blocks;
        if (mirrored) {
            block = Math.min(block, all - 1 - block);
            all = (all + 1) / 2;
        }
        return way == Way.ROUND ? stops.get(0) + (double) times * block / all : new Spread(stops).at(block, all);
    }

    /** As the line writes it. */
    public String words() {
        String offset = switch (way) {
            case ROUND ->
                "round" + (times == 1 ? "" : " " + times) + (stops.get(0) == 0 ? "" : " from " + percent(stops.get(0)));
            default -> stops.stream().map(Along::percent).collect(Collectors.joining(" thru "));
        };
        return "offset " + offset
                + (blocks == 1 ? "" : " blocks of " + blocks)
                + (mirrored ? " mirror" : "")
                + (backwards ? " reverse" : "");
    }

    private static String percent(double share) {
        return Decimal.text(share * 100, 2);
    }
}
