package app.loculus.core.patch;

import java.util.List;

/**
 * Fixtures on the same slots: told once, with everybody in it.
 *
 * @param first lowest slot that more than one of them claims
 * @param last highest such slot
 * @param members every claim that overlaps another of them, by slot; at least two, of at least two fixtures
 */
public record Clash(int universe, int first, int last, List<Claim> members) {

    public Clash {
        members = List.copyOf(members);
    }

    /** Whether every overlap in it was allowed on purpose. */
    public boolean shared() {
        int reach = 0;
        Claim behind = null;
        for (Claim claim : members) {
            if (!claim.at().shared()) {
                boolean other = behind != null
                        && !behind.fixture().id().equals(claim.fixture().id());
                if (other && claim.first() <= reach) {
                    return false;
                }
                behind = claim.last() >= reach ? claim : behind;
                reach = Math.max(reach, claim.last());
            }
        }
        return true;
    }

    /** Numbers of the fixtures, each once, by slot. */
    public List<Integer> numbers() {
        return members.stream().map(c -> c.fixture().number()).distinct().toList();
    }

    /** {@code 3.109–3.116}. */
    public String span() {
        return first == last ? universe + "." + first : universe + "." + first + "–" + universe + "." + last;
    }
}
