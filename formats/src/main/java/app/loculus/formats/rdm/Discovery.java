package app.loculus.formats.rdm;

import app.loculus.core.device.Uid;
import app.loculus.formats.rdm.RdmLine.Heard;
import java.nio.ByteBuffer;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Finds who is on a line. Everyone is asked at once who has an identity within a branch; whoever answers alone is muted
 * and not heard again; where several answer, the branch is halved. Those known from before are muted first, so that only
 * news has to be searched; identities run on as devices leave a factory, so the neighbours of each are tried too.
 *
 * A louder device can drown others, who look like one then. Who is left after the first round is searched with every
 * branch asked again until nobody answers; on a good line that never happens.
 */
public final class Discovery {

    /** Rounds over the whole line. */
    private static final int MOST_ROUNDS = 8;

    private static final int MOST_TRIES = 5;

    /** So many identities in a row that nobody has end a row of neighbours. */
    private static final int MOST_GAPS = 2;

    /** Where others answered as near as that, neighbours are likely. */
    private static final long NEAR = 4096;

    /** Identities that one maker has. */
    private static final long ONE_MAKER = 1L << 32;

    /** How many are looked for around what was heard. */
    private static final long BLOCK = 256;

    /** Identities of devices, and of what could not be told apart. */
    public record Found(List<Uid> devices, List<Uid> unclear) {}

    /** Identities from one to another, both in it. */
    private record Branch(long from, long to) {

        boolean single() {
            return from == to;
        }

        boolean near() {
            return to - from < NEAR;
        }

        boolean ofOneMaker() {
            return to - from < ONE_MAKER && to - from > 2 * BLOCK;
        }

        boolean holds(Uid uid) {
            return uid.value() >= from && uid.value() <= to;
        }

        Branch lower() {
            return new Branch(from, from + (to - from) / 2);
        }

        Branch upper() {
            return new Branch(from + (to - from) / 2 + 1, to);
        }

        /** A small part of it around an identity; empty when that is not in it. */
        Optional<Branch> around(Uid uid) {
            long start = uid.value() & -BLOCK;
            return holds(uid)
                    ? Optional.of(new Branch(Math.max(from, start), Math.min(to, start + BLOCK - 1)))
                    : Optional.empty();
        }

        Optional<Branch> below(Branch part) {
            return part.from > from ? Optional.of(new Branch(from, part.from - 1)) : Optional.empty();
        }

        Optional<Branch> above(Branch part) {
            return part.to < to ? Optional.of(new Branch(part.to + 1, to)) : Optional.empty();
        }
    }

    private final RdmController controller;
    private final Set<Uid> found = new TreeSet<>();
    private final Set<Uid> unclear = new TreeSet<>();

    /** Whether a branch is asked again after somebody was found in it. */
    private boolean again;

    private Discovery(RdmController controller) {
        this.controller = controller;
    }

    /** @param known devices of an earlier search, which may have gone */
    public static Found of(RdmController controller, Collection<Uid> known) {
        Discovery d = new Discovery(controller);
        controller.say(controller.request(Uid.EVERYONE, RdmCommand.DISCOVERY, Pid.DISC_UN_MUTE));
        known.stream().filter(d::mute).forEach(d.found::add);
        Branch all = new Branch(0, Uid.LAST.value());
        for (int round = 0; round < MOST_ROUNDS; round++) {
            int before = d.found.size() + d.unclear.size();
            d.again = round > 0;
            if (!d.search(all) || d.found.size() + d.unclear.size() == before) {
                break;
            }
        }
        return new Found(List.copyOf(d.found), List.copyOf(d.unclear));
    }

    /** Asks a branch, and parts of it where several answer. @return whether anybody answered */
    private boolean search(Branch branch) {
        Heard heard = controller.say(request(branch));
        if (heard.silence()) {
            return false;
        }
        Optional<Uid> alone = BranchAnswer.decode(heard.octets()).filter(u -> branch.holds(u) && !found.contains(u));
        if (alone.isPresent() && mute(alone.get())) {
            found.add(alone.get());
            if (branch.near()) {
                neighbours(alone.get(), 1);
                neighbours(alone.get(), -1);
            }
            if (again) {
                search(branch);
            }
        } else if (!branch.single()) {
            split(branch, heard.octets());
        } else if (!found.contains(Uid.of(branch.from()))) {
            unclear.add(Uid.of(branch.from()));
        }
        return true;
    }

    /** What overlaps agrees in its first octets: of one maker's, those around what was heard are looked for first. */
    private void split(Branch branch, byte[] heard) {
        Optional<Branch> likely =
                branch.ofOneMaker() ? BranchAnswer.likely(heard).flatMap(branch::around) : Optional.empty();
        if (likely.isPresent() && search(likely.get())) {
            branch.below(likely.get()).ifPresent(this::search);
            branch.above(likely.get()).ifPresent(this::search);
        } else {
            halve(branch);
        }
    }

    private void halve(Branch branch) {
        if (search(branch.lower())) {
            search(branch.upper());
        } else if (branch.upper().single()) {
            // What overlaps at one identity alone may have been noise: it is asked itself.
            search(branch.upper());
        } else {
            // Nobody in the lower half: those who were heard are in the upper one, and more than one of them.
            halve(branch.upper());
        }
    }

    private void neighbours(Uid of, int step) {
        int gaps = 0;
        for (long at = of.value() + step; gaps < MOST_GAPS && at >= 0 && at <= Uid.LAST.value(); at += step) {
            Uid next = Uid.of(at);
            boolean news = !found.contains(next) && answersWhenMuted(next);
            gaps = news ? 0 : gaps + 1;
            if (news) {
                found.add(next);
            }
        }
    }

    private RdmMessage request(Branch branch) {
        ByteBuffer data = ByteBuffer.allocate(12);
        data.put(RdmLayout.octets(Uid.of(branch.from()))).put(RdmLayout.octets(Uid.of(branch.to())));
        return controller.request(Uid.EVERYONE, RdmCommand.DISCOVERY, Pid.DISC_UNIQUE_BRANCH, data.array());
    }

    /** @return whether it answered, so that it is really there */
    private boolean mute(Uid device) {
        return answersWhenMuted(device) || answersWhenMuted(device);
    }

    /** Silence is an answer; what is disturbed is asked again, since the device is mute then and would be lost. */
    private boolean answersWhenMuted(Uid device) {
        RdmMessage request = controller.request(device, RdmCommand.DISCOVERY, Pid.DISC_MUTE);
        for (int tries = 0; tries < MOST_TRIES; tries++) {
            Heard heard = controller.say(request);
            boolean answered = RdmLayout.decode(heard.octets())
                    .filter(m -> m.answers(request) && m.pid() == request.pid())
                    .isPresent();
            if (answered || heard.silence()) {
                return answered;
            }
        }
        return false;
    }
}
