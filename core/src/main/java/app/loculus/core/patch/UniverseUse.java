package app.loculus.core.patch;

import java.util.Arrays;
import java.util.List;

/**
 * How full a universe is.
 *
 * @param used slots that somebody claims
 * @param longestGap free slots in a row
 * @param longestGapAt where they begin
 * @param fixtures how many have an address here
 */
public record UniverseUse(int used, int longestGap, Address longestGapAt, int fixtures) {

    public static UniverseUse of(Patch patch, int universe) {
        List<Claim> claims = patch.claims().getOrDefault(universe, List.of());
        boolean[] taken = new boolean[Address.SLOTS + 1];
        claims.forEach(c -> Arrays.fill(taken, c.first(), Math.min(c.last(), Address.SLOTS) + 1, true));
        int used = 0;
        int longest = 0;
        int at = 1;
        int run = 0;
        for (int slot = 1; slot <= Address.SLOTS; slot++) {
            used += taken[slot] ? 1 : 0;
            run = taken[slot] ? 0 : run + 1;
            if (run > longest) {
                longest = run;
                at = slot - run + 1;
            }
        }
        int fixtures =
                (int) claims.stream().map(c -> c.fixture().id()).distinct().count();
        return new UniverseUse(used, longest, new Address(universe, at), fixtures);
    }
}
