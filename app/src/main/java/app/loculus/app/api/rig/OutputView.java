package app.loculus.app.api.rig;

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
        String trouble,
        List<SentView> sent,
        List<OtherView> others) {

    /** @param perSecond packets of late; @param sinceMillis how long ago the last one went */
    record SentView(int universe, long packets, int perSecond, long sinceMillis) {

        static SentView of(Sent s) {
            return new SentView(s.universe(), s.packets(), s.perSecond(), s.sinceMillis());
        }
    }

    /**
     * Another sender.
     *
     * @param universe 0 for one that only tells that it sends
     * @param words what that does to ours
     */
    record OtherView(int universe, String name, String words) {}

    /** @param ours universes that go out from here; @param own who we are on the wire */
    static List<OtherView> others(VirtualRig rig, Set<Integer> ours, UUID own) {
        List<OtherView> all = new ArrayList<>();
        Map<Integer, List<Sender>> senders = rig.senders();
        senders.forEach((universe, there) -> there.stream()
                .filter(s -> !s.cid().equals(own))
                .forEach(s -> all.add(new OtherView(universe, s.name(), words(universe, s, ours.contains(universe))))));
        rig.announced().stream().filter(t -> !t.cid().equals(own)).forEach(t -> {
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
        String with = who + " too, with priority " + s.priority();
        int own = UniverseSetup.USUAL_PRIORITY;
        if (s.priority() == own) {
            return with + " as this one: receivers mix the two, mostly by the higher level of each slot.";
        }
        return with + (s.priority() > own ? ": its light counts, not this one's (" : ": this one's light counts (")
                + own + ").";
    }
}
