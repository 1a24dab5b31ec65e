package app.loculus.core.look;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Tempo by taps: 60 over the median of the last four gaps; a gap of more than three seconds starts anew.
 *
 * @param atMicros when it was tapped, the latest last
 */
public record Taps(List<Long> atMicros) {

    public static final Taps NONE = new Taps(List.of());

    private static final int GAPS = 4;
    private static final long LONGEST_GAP = 3_000_000;
    private static final double MINUTE = 60_000_000;

    public Taps {
        atMicros = List.copyOf(atMicros);
    }

    public Taps tapped(long micros) {
        boolean anew = atMicros.isEmpty() || micros - atMicros.get(atMicros.size() - 1) > LONGEST_GAP;
        List<Long> before = anew ? List.of() : atMicros;
        List<Long> all = Stream.concat(before.stream(), Stream.of(micros)).toList();
        return new Taps(all.subList(Math.max(0, all.size() - GAPS - 1), all.size()));
    }

    /** Steps a minute; empty before the second tap. */
    public Optional<Double> rate() {
        if (atMicros.size() < 2) {
            return Optional.empty();
        }
        long[] gaps = new long[atMicros.size() - 1];
        for (int i = 0; i < gaps.length; i++) {
            gaps[i] = Math.max(1, atMicros.get(i + 1) - atMicros.get(i));
        }
        java.util.Arrays.sort(gaps);
        double median = (gaps[(gaps.length - 1) / 2] + gaps[gaps.length / 2]) / 2.0;
        return Optional.of(Math.min(1200, MINUTE / median));
    }
}
