package app.loculus.core.carry;

import app.loculus.core.geometry.Pose;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What is told of units that are described otherwise: slot by slot what is sent, and whether it does what was meant. */
final class DescribedUnits {

    /** Slots that are spelled out. */
    static final int MOST_TOLD = 4;

    private final Show before;
    private final Show after;
    private final StageOctets octets;
    private final Map<FixtureId, Map<StageOctets.Slot, StageOctets.Octets>> rest;
    private final Means means;

    /** What is told of units that are alike. */
    private final Map<Alike, List<Compared.Told>> told = new HashMap<>();

    /** @param rest what slots get otherwise while nothing is set */
    DescribedUnits(
            Show before,
            Show after,
            StageOctets octets,
            Map<FixtureId, Map<StageOctets.Slot, StageOctets.Octets>> rest,
            Means means) {
        this.before = before;
        this.after = after;
        this.octets = octets;
        this.rest = rest;
        this.means = means;
    }

    /** Whether the new description has this part. */
    boolean there(UnitId unit) {
        return unit.cell()
                <= At.of(after.patch(), UnitId.whole(unit.fixture())).mode().cells();
    }

    static String words(StageOctets.Octets octets) {
        return octets.was() + " → " + octets.is();
    }

    static String more(int slots) {
        return slots > MOST_TOLD ? " and " + (slots - MOST_TOLD) + " more" : "";
    }

    /**
     * Takes down what becomes of one unit.
     *
     * @param was its values before; @param asked which of them are meant and did not only come along
     * @param is its values after
     * @param differ slots that get something else
     */
    void take(
            FateTaker taker,
            UnitId unit,
            Map<Attribute, AttributeValue> was,
            Set<Attribute> asked,
            Map<Attribute, AttributeValue> is,
            Map<FixtureId, Map<StageOctets.Slot, StageOctets.Octets>> differ) {
        At from = At.of(before.patch(), unit);
        At to = At.of(after.patch(), unit);
        if (!there(unit)) {
            if (!was.isEmpty()) {
                String words = "it has no part " + unit.cell() + " any more";
                taker.take(from, to, List.of(new Compared.Told("Cell", Verdict.LOST, words)));
            }
            return;
        }
        Map<StageOctets.Slot, StageOctets.Octets> own = differ.get(unit.fixture());
        if (own == null) {
            taker.count(Verdict.CARRIES, asked.isEmpty() ? 0 : 1);
            return;
        }
        List<Compared.Told> told = this.told.computeIfAbsent(
                new Alike(from, to, was, asked, is, own, rest.getOrDefault(unit.fixture(), Map.of())),
                a -> told(unit, from, was, asked, to, is, own));
        if (!told.isEmpty()) {
            taker.take(from, to, told);
        }
    }

    /** Units of which the same is told: only of heads that are pointed does it matter where they hang. */
    private record Alike(
            Mode was,
            Mode is,
            int cell,
            Optional<Pose> pose,
            Map<Attribute, AttributeValue> before,
            Set<Attribute> asked,
            Map<Attribute, AttributeValue> after,
            Map<StageOctets.Slot, StageOctets.Octets> differ,
            Map<StageOctets.Slot, StageOctets.Octets> rest) {

        Alike(
                At from,
                At to,
                Map<Attribute, AttributeValue> before,
                Set<Attribute> asked,
                Map<Attribute, AttributeValue> after,
                Map<StageOctets.Slot, StageOctets.Octets> differ,
                Map<StageOctets.Slot, StageOctets.Octets> rest) {
            this(
                    from.mode(),
                    to.mode(),
                    from.cell(),
                    from.fixture().pose().filter(p -> asked.contains(Attribute.PAN) || asked.contains(Attribute.TILT)),
                    before,
                    asked,
                    after,
                    differ,
                    rest);
        }
    }

    private List<Compared.Told> told(
            UnitId unit,
            At from,
            Map<Attribute, AttributeValue> was,
            Set<Attribute> asked,
            At to,
            Map<Attribute, AttributeValue> is,
            Map<StageOctets.Slot, StageOctets.Octets> differ) {
        Map<String, String> sends = sends(unit, was, asked, is, differ);
        List<Compared.Told> told = new ArrayList<>();
        for (Compared.Told t : Compared.described(means, from, was, asked, to, is)) {
            String otherwise = sends.remove(t.what());
            if (otherwise == null) {
                told.add(new Compared.Told(t.what(), Verdict.CARRIES, ""));
            } else if (t.verdict() == Verdict.CARRIES) {
                told.add(new Compared.Told(t.what(), Verdict.ANEW, "the same, sent otherwise: " + otherwise));
            } else {
                String words = t.words().isEmpty() ? t.verdict().words() : t.words();
                told.add(new Compared.Told(t.what(), t.verdict(), words + "; sends " + otherwise));
            }
        }
        sends.forEach((what, otherwise) -> told.add(new Compared.Told(what, Verdict.ANEW, "sends " + otherwise)));
        return told;
    }

    /** What its slots get otherwise, in words, by aspect; without what they get otherwise at rest already. */
    private Map<String, String> sends(
            UnitId unit,
            Map<Attribute, AttributeValue> was,
            Set<Attribute> asked,
            Map<Attribute, AttributeValue> is,
            Map<StageOctets.Slot, StageOctets.Octets> differ) {
        Map<StageOctets.Slot, Attribute> said = new HashMap<>(slots(At.of(after.patch(), unit), is.keySet()));
        said.putAll(slots(At.of(before.patch(), unit), was.keySet()));
        Map<StageOctets.Slot, StageOctets.Octets> atRest = rest.getOrDefault(unit.fixture(), Map.of());
        boolean position = asked.contains(Attribute.PAN) && asked.contains(Attribute.TILT);
        Map<String, List<String>> byAspect = new LinkedHashMap<>();
        differ.forEach((slot, sent) -> {
            Channel channel = octets.before(unit.fixture(), slot)
                    .or(() -> octets.after(unit.fixture(), slot))
                    .orElseThrow();
            boolean own = said.containsKey(slot) || channel.cell() == unit.cell();
            if (own && (said.containsKey(slot) || !sent.equals(atRest.get(slot)))) {
                Attribute attribute = said.getOrDefault(slot, channel.attribute());
                byAspect.computeIfAbsent(aspect(unit, attribute, position), a -> new ArrayList<>())
                        .add("slot " + slot.offset() + " " + words(sent));
            }
        });
        Map<String, String> words = new LinkedHashMap<>();
        byAspect.forEach((aspect, slots) -> words.put(
                aspect, slots.stream().limit(MOST_TOLD).collect(Collectors.joining(", ")) + more(slots.size())));
        return words;
    }

    private static Map<StageOctets.Slot, Attribute> slots(At at, Set<Attribute> attributes) {
        Map<StageOctets.Slot, Attribute> bySlot = new HashMap<>();
        attributes.forEach(a -> at.parameter(a).ifPresent(p -> {
            Channel c = at.mode().channelOf(p);
            c.offsets().forEach(o -> bySlot.put(new StageOctets.Slot(c.breakNumber(), o), a));
        }));
        return bySlot;
    }

    /** As {@link Compared} calls it. */
    private String aspect(UnitId unit, Attribute attribute, boolean position) {
        if (attribute.equals(Attribute.DIMMER)) {
            return "Level";
        }
        if (attribute.isMix() || attribute.isColourWheel()) {
            return "Colour";
        }
        boolean head = attribute.equals(Attribute.PAN) || attribute.equals(Attribute.TILT);
        At was = At.of(before.patch(), unit);
        At named = was.mode().attributes().contains(attribute) ? was : At.of(after.patch(), unit);
        return position && head
                ? "Position"
                : named.profile().definition(attribute).pretty();
    }
}
