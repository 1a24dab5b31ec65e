package app.loculus.app.api.rig;

import app.loculus.app.output.Overheard;
import app.loculus.app.output.Sent;
import app.loculus.app.rig.VirtualRig;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.formats.e131.UniverseSources.Sender;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * State of the output.
 *
 * @param artNetPort UDP port of the rig's Art-Net node
 * @param trouble empty when nothing is wrong
 * @param sent what went out of each universe
 * @param others what other senders do to ours, empty when nobody else sends
 */
record OutputView(
        int universes,
        int receivers,
        long packets,
        int rigPort,
        boolean rigOnOtherPort,
        int artNetPort,
        String trouble,
        List<SentView> sent,
        List<OtherView> others) {

    /**
     * @param perSecond packets of late; @param sinceMillis how long ago the last one went
     * @param takers nodes that take it by Art-Net, in words
     * @param wrong why it does not go where it is to, empty when it does
     */
    record SentView(int universe, long packets, int perSecond, long sinceMillis, List<String> takers, String wrong) {

        static SentView of(Sent s, List<String> takers, String wrong) {
            return new SentView(s.universe(), s.packets(), s.perSecond(), s.sinceMillis(), takers, wrong);
        }
    }

    /**
     * Another sender.
     *
     * @param universe 0 for one that only tells that it sends
     * @param words what that does to ours
     */
    record OtherView(int universe, String name, String words) {}

    /** @param heard on the net, where our universes go */
    static List<OtherView> onTheNet(List<Overheard> heard) {
        return heard.stream()
                .map(o -> new OtherView(o.universe().universe(), o.name(), words(o)))
                .toList();
    }

    private static String words(Overheard o) {
        UniverseSetup ours = o.universe();
        if (ours.route().kind().artNet()) {
            return "“" + o.name() + "” (" + o.from() + ") sends port address " + ours.numberText() + ", our universe "
                    + ours.universe() + ", to all nodes on the net too: they mix the two, or take the last.";
        }
        String which = ours.port() == ours.universe()
                ? "universe " + ours.universe()
                : "number " + ours.port() + ", our universe " + ours.universe() + ",";
        return o.from().isEmpty()
                ? "“" + o.name() + "” tells on the net that it sends " + which + " too."
                : "“" + o.name() + "” (" + o.from() + ") sends " + which + " on the net too, with priority "
                        + o.priority() + against(o.priority(), ours.priority());
    }

    /** @param ours universes that go out from here; @param own what we are on the wire */
    static List<OtherView> others(VirtualRig rig, Set<Integer> ours, Set<UUID> own) {
        List<OtherView> all = new ArrayList<>();
        Map<Integer, List<Sender>> senders = rig.senders();
        senders.forEach((universe, there) -> there.stream()
                .filter(s -> !own.contains(s.cid()))
                .forEach(s -> all.add(new OtherView(universe, s.name(), words(universe, s, ours.contains(universe))))));
        rig.announced().stream().filter(t -> !own.contains(t.cid())).forEach(t -> {
            List<Integer> both = t.universes().stream()
                    .filter(ours::contains)
                    .filter(u -> senders.getOrDefault(u, List.of()).stream()
                            .noneMatch(s -> s.cid().equals(t.cid())))
                    .toList();
            if (!both.isEmpty()) {
                all.add(new OtherView(
                        0,
                        t.name(),
                        "“" + t.name() + "” tells that it sends "
                                + (both.size() == 1 ? "universe " : "universes ")
                                + both.stream().map(String::valueOf).collect(Collectors.joining(", ")) + " too."));
            }
        });
        return all;
    }

    private static String words(int universe, Sender s, boolean ours) {
        String who = "“" + s.name() + "” (" + s.from() + ") sends universe " + universe;
        if (!ours) {
            return who + ", which does not go out from here.";
        }
        return who + " too, with priority " + s.priority() + against(s.priority(), UniverseSetup.USUAL_PRIORITY);
    }

    private static String against(int priority, int own) {
        if (priority == own) {
            return " as this one: receivers mix the two, mostly by the higher level of each slot.";
        }
        return (priority > own ? ": its light counts, not this one's (" : ": this one's light counts (") + own + ").";
    }
}
