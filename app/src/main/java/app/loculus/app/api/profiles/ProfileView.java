package app.loculus.app.api.profiles;

import app.loculus.core.colour.LinearRgb;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.unit.Decimal;
import java.util.List;
import java.util.stream.Collectors;

/** A profile whole: slot charts, wheels, emitters, warnings. */
record ProfileView(
        String id,
        String maker,
        String name,
        List<ModeView> modes,
        List<WheelView> wheels,
        List<EmitterView> emitters,
        List<String> warnings) {

    /** A mode with its slot chart; virtual channels have no slot. */
    record ModeView(String name, int slots, int cells, List<ChannelView> channels) {}

    record ChannelView(
            int breakNumber,
            String slots,
            int cell,
            String attribute,
            String label,
            String kind,
            int bits,
            String home,
            String physical,
            String needs,
            List<String> ranges) {}

    record WheelView(String name, List<SlotView> slots) {}

    record SlotView(int number, String name, String swatch, String picture) {}

    record EmitterView(String label, String colour, String swatch) {}

    static ProfileView of(Profile p) {
        return new ProfileView(
                p.id().value(),
                p.maker(),
                p.name(),
                p.modes().stream().map(m -> mode(p, m)).toList(),
                p.wheels().stream()
                        .map(w -> new WheelView(w.name(), slots(w.slots())))
                        .toList(),
                emitters(p),
                p.warnings().stream()
                        .map(w -> w.place().subject() + ": " + w.words())
                        .toList());
    }

    private static ModeView mode(Profile p, Mode m) {
        return new ModeView(
                m.name(),
                m.slots(),
                m.cells(),
                m.channels().stream().map(c -> channel(p, c)).toList());
    }

    private static ChannelView channel(Profile p, Channel c) {
        ChannelFunction f = c.homeFunction();
        String slots = c.offsets().stream().map(String::valueOf).collect(Collectors.joining(", "));
        String home = f.rangeAt(f.fractionOfDmx(c.home())).map(r -> r.name()).orElse(String.valueOf(c.home()));
        return new ChannelView(
                c.breakNumber(),
                slots,
                c.cell(),
                c.attribute().name(),
                p.definition(c.attribute()).pretty(),
                p.kindOf(c.attribute()).word(),
                8 * c.resolution().octets(),
                home,
                Decimal.text(f.physicalFrom(), 1) + " … " + Decimal.text(f.physicalTo(), 1),
                f.master()
                        .map(m -> m.channel().replaceAll(".*_", "") + " " + m.from() + "–" + m.to())
                        .orElse(""),
                c.functions().stream()
                        .flatMap(x -> x.ranges().stream())
                        .map(r -> r.from() + "–" + r.to() + " " + r.name())
                        .toList());
    }

    private static List<SlotView> slots(List<WheelSlot> slots) {
        List<SlotView> out = new java.util.ArrayList<>();
        for (WheelSlot s : slots) {
            out.add(new SlotView(
                    out.size() + 1,
                    s.name(),
                    s.colour().map(ProfileView::hex).orElse(""),
                    s.picture().orElse("")));
        }
        return out;
    }

    private static List<EmitterView> emitters(Profile p) {
        return p.modes().stream()
                .flatMap(m -> m.emitters().entrySet().stream())
                .map(e -> new EmitterView(
                        p.definition(e.getKey()).pretty(),
                        e.getValue().chromaticity().map(Object::toString).orElse("not visible"),
                        hex(e.getValue())))
                .distinct()
                .sorted(java.util.Comparator.comparing(EmitterView::label))
                .toList();
    }

    private static String hex(Tristimulus light) {
        return LinearRgb.of(light).normalised().hex();
    }
}
