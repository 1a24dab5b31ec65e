package app.loculus.app.api.profiles;

import app.loculus.core.colour.LinearRgb;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Family;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.profile.facts.BeamFacts;
import app.loculus.core.unit.Decimal;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A profile whole: slot charts, wheels, emitters, warnings. */
record ProfileView(
        String id,
        String maker,
        String name,
        List<ModeView> modes,
        List<WheelView> wheels,
        List<EmitterView> emitters,
        List<String> warnings,
        String description,
        double weightKg,
        double watts,
        String family) {

    /** A mode with its slot chart; virtual channels have no slot. */
    record ModeView(
            String name, int slots, int cells, List<ChannelView> channels, List<String> relations, String beam) {}

    record ChannelView(
            int breakNumber,
            String slots,
            int cell,
            String attribute,
            String label,
            String kind,
            int bits,
            String home,
            String highlight,
            String physical,
            String needs,
            List<String> ranges) {}

    record WheelView(String name, List<SlotView> slots) {}

    /** {@code picture} is empty when there is none. */
    record SlotView(int number, String name, String swatch, String picture, int facets) {}

    record EmitterView(String label, String colour, String swatch) {}

    static ProfileView of(Profile p, List<Problem> problems) {
        return new ProfileView(
                p.id().value(),
                p.maker(),
                p.name(),
                p.modes().stream().map(m -> mode(p, m)).toList(),
                p.wheels().stream()
                        .map(w -> new WheelView(w.name(), slots(p, w.slots())))
                        .toList(),
                emitters(p),
                Stream.concat(problems.stream(), p.warnings().stream())
                        .map(w -> w.place().subject() + ": " + w.words())
                        .toList(),
                p.facts().description(),
                p.facts().weightKg().orElse(0),
                p.modes().stream().mapToDouble(m -> m.beam().watts()).max().orElse(0),
                Family.of(p).words());
    }

    private static ModeView mode(Profile p, Mode m) {
        return new ModeView(
                m.name(),
                m.slots(),
                m.cells(),
                m.channels().stream().map(c -> channel(p, c)).toList(),
                m.relations().stream()
                        .map(r -> r.master() + " × " + r.follower() + " ("
                                + r.type().name().toLowerCase(java.util.Locale.ROOT) + ")")
                        .toList(),
                beam(m.beam()));
    }

    private static String beam(BeamFacts beam) {
        return Decimal.text(beam.lampKelvin(), 0) + " K"
                + (beam.angleDegrees() > 0 ? ", " + Decimal.text(beam.angleDegrees(), 1) + "°" : "");
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
                c.highlight().isPresent() ? String.valueOf(c.highlight().getAsLong()) : "",
                Decimal.text(f.physicalFrom(), 1) + " … " + Decimal.text(f.physicalTo(), 1),
                f.master()
                        .map(m -> m.channel().replaceAll(".*_", "") + " " + m.from() + "–" + m.to())
                        .orElse(""),
                c.functions().stream()
                        .flatMap(x -> x.ranges().stream())
                        .map(r -> r.from() + "–" + r.to() + " " + r.name())
                        .toList());
    }

    private static List<SlotView> slots(Profile p, List<WheelSlot> slots) {
        List<SlotView> out = new java.util.ArrayList<>();
        for (WheelSlot s : slots) {
            out.add(new SlotView(
                    out.size() + 1,
                    s.name(),
                    s.colour().map(ProfileView::hex).orElse(""),
                    s.picture()
                            .filter(n -> p.facts().pictures().names().contains(n))
                            .orElse(""),
                    s.facets()));
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
