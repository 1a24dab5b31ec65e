package app.loculus.core.chart;

import app.loculus.core.colour.LinearRgb;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Turns a profile back into a draft, to be adapted. */
public final class Cloning {

    private final Profile profile;
    private final Map<String, Wheel> wheels;
    private final Set<String> losses = new LinkedHashSet<>();

    private Cloning(Profile profile) {
        this.profile = profile;
        this.wheels = Profile.byName(profile.wheels());
    }

    /**
     * A draft, and what a draft cannot hold.
     *
     * @param losses sentences, empty when nothing is lost
     */
    public record Clone(ProfileDraft draft, List<String> losses) {}

    public static Clone of(Profile profile) {
        Cloning cloning = new Cloning(profile);
        Mode first = profile.modes().get(0);
        ProfileDraft draft = new ProfileDraft(
                profile.maker(),
                profile.name(),
                profile.facts().weightKg().orElse(0),
                first.beam().watts(),
                first.beam().angleDegrees(),
                first.beam().lampKelvin(),
                profile.modes().stream().map(cloning::mode).toList());
        if (!profile.source().isEmpty()) {
            cloning.losses.add("Geometry, models, macros and revisions of the original are not copied.");
        }
        if (!profile.facts().pictures().names().isEmpty()) {
            cloning.losses.add("Pictures of wheel slots stay with the original.");
        }
        if (profile.modes().stream().anyMatch(m -> m.beam().lumens() > 0)) {
            cloning.losses.add("How much light it gives is not copied.");
        }
        return new Clone(draft, List.copyOf(cloning.losses));
    }

    /** Cells as a block that is repeated; where they are not like that, channel by channel. */
    private DraftMode mode(Mode mode) {
        List<DraftChannel> block = new ArrayList<>();
        List<DraftChannel> all = new ArrayList<>();
        for (Channel channel : bySlot(mode)) {
            if (channel.virtual()) {
                if (!channel.key().startsWith("virtual dimmer")) {
                    losses.add("Mode “" + mode.name() + "”: the channel " + channel.attribute()
                            + " without a slot is left out.");
                }
                continue;
            }
            DraftChannel drafted = channel(mode, channel);
            all.add(drafted.alone());
            if (channel.cell() <= 1) {
                block.add(drafted);
            }
        }
        if (!mode.relations().isEmpty()) {
            losses.add("Mode “" + mode.name() + "”: its relations are left out.");
        }
        DraftMode repeated = new DraftMode(mode.name(), mode.cells(), block);
        if (slots(repeated).equals(slots(mode.channels()))) {
            return repeated;
        }
        DraftMode flat = new DraftMode(mode.name(), 0, all);
        if (mode.cells() > 0) {
            losses.add("Mode “" + mode.name()
                    + "”: its cells are not one block that is repeated; they are copied channel by channel.");
        }
        if (!slots(flat).equals(slots(mode.channels()))) {
            losses.add("Mode “" + mode.name() + "”: slots that nothing uses, or two channels use, are closed up.");
        }
        return flat;
    }

    private static List<Channel> bySlot(Mode mode) {
        return mode.channels().stream()
                .sorted(Comparator.comparing((Channel c) -> c.virtual() ? Integer.MAX_VALUE : c.breakNumber())
                        .thenComparing(c -> c.virtual() ? 0 : c.offsets().get(0)))
                .toList();
    }

    private static Map<List<Integer>, String> slots(DraftMode mode) {
        return slots(new DraftChannels(mode, "", DraftChannels.Parts.NONE).channels());
    }

    /** What each slot belongs to, by break and offset. */
    private static Map<List<Integer>, String> slots(List<Channel> channels) {
        Map<List<Integer>, String> found = new HashMap<>();
        for (Channel c : channels) {
            for (int i = 0; i < c.offsets().size(); i++) {
                found.merge(
                        List.of(c.breakNumber(), c.offsets().get(i)), c.attribute() + " " + i, (a, b) -> a + ", " + b);
            }
        }
        return found;
    }

    private DraftChannel channel(Mode mode, Channel c) {
        ChannelFunction first = c.functions().get(0);
        Optional<ModeMaster> master = first.master();
        int shift = 8 * (c.resolution().octets() - 1);
        if (c.functions().stream().map(ChannelFunction::master).distinct().count() > 1) {
            losses.add("Mode “" + mode.name() + "”, " + c.attribute()
                    + ": functions that depend on other channels are joined into one.");
        }
        boolean inverted =
                first.physicalFrom() > first.physicalTo() && c.attribute().isMix();
        String colour = c.attribute().isVisibleAdditive()
                ? Optional.ofNullable(mode.emitters().get(c.attribute()))
                        .map(t -> LinearRgb.of(t).normalised().hex())
                        .orElse("")
                : "";
        Optional<Channel> needed = master.flatMap(m -> mode.channels().stream()
                .filter(x -> x.key().equals(m.channel()))
                .findFirst());
        int neededShift = needed.map(n -> 8 * (n.resolution().octets() - 1)).orElse(0);
        return new DraftChannel(
                label(c),
                c.attribute().name(),
                c.resolution().octets(),
                c.breakNumber(),
                c.cell() > 0,
                (int) (c.home() >> shift),
                c.highlight().isPresent() ? (int) (c.highlight().getAsLong() >> shift) : -1,
                inverted,
                inverted ? first.physicalTo() : first.physicalFrom(),
                inverted ? first.physicalFrom() : first.physicalTo(),
                colour,
                first.wheel().isPresent(),
                needed.map(this::label).orElse(""),
                master.map(m -> (int) (m.from() >> neededShift)).orElse(0),
                master.map(m -> (int) (m.to() >> neededShift)).orElse(255),
                ranges(c, shift));
    }

    private String label(Channel c) {
        Optional<String> wheel = c.functions().get(0).wheel();
        return wheel.orElseGet(() -> profile.definition(c.attribute()).pretty());
    }

    private List<DraftRange> ranges(Channel c, int shift) {
        List<DraftRange> out = new ArrayList<>();
        for (ChannelFunction f : c.functions()) {
            String attribute =
                    f.attribute().equals(c.attribute()) ? "" : f.attribute().name();
            f.ranges().forEach(r -> out.add(range(f, r, attribute, shift)));
            if (f.ranges().isEmpty() && c.functions().size() > 1) {
                out.add(new DraftRange(
                        f.name(),
                        (int) (f.from() >> shift),
                        (int) (f.to() >> shift),
                        attribute,
                        f.physicalFrom(),
                        f.physicalTo(),
                        ""));
            }
        }
        return out;
    }

    private DraftRange range(ChannelFunction f, NamedRange r, String attribute, int shift) {
        Optional<WheelSlot> slot = f.wheel()
                .map(wheels::get)
                .filter(w -> r.wheelSlot() > 0 && r.wheelSlot() <= w.slots().size())
                .map(w -> w.slots().get(r.wheelSlot() - 1));
        String colour = slot.flatMap(WheelSlot::colour)
                .map(t -> LinearRgb.of(t).normalised().hex())
                .orElse("");
        return new DraftRange(
                r.name(),
                (int) (r.from() >> shift),
                (int) (r.to() >> shift),
                attribute,
                attribute.isEmpty() ? 0 : f.physicalFrom(),
                attribute.isEmpty() ? 1 : f.physicalTo(),
                colour);
    }
}
