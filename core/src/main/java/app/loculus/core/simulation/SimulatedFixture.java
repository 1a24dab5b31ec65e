package app.loculus.core.simulation;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.LinearRgb;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Cells;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A fixture that lights up by what it receives. Immutable; safe to share between threads. */
public final class SimulatedFixture {

    private static final Tristimulus PAPER_WHITE = Chromaticity.D65.withLuminance(100);

    private final Mode mode;
    private final Cells layout;
    private final Map<Attribute, Tristimulus> emitters;
    private final Map<String, Wheel> wheels;

    /**
     * @param emitters full light of each emitter by attribute
     * @param wheels by name
     */
    public SimulatedFixture(Mode mode, Map<Attribute, Tristimulus> emitters, Map<String, Wheel> wheels) {
        this.mode = mode;
        this.layout = mode.layout();
        this.emitters = Map.copyOf(emitters);
        this.wheels = Map.copyOf(wheels);
    }

    /**
     * The light of every part: cell 0 first, then each cell.
     *
     * @param breaks received slots by break number
     */
    public List<CellLight> light(Map<Integer, byte[]> breaks) {
        return light(breaks, false, false);
    }

    /**
     * The same of a head that is set to turn the other way round: its motors run from the other end.
     *
     * @param breaks received slots by break number
     */
    public List<CellLight> light(Map<Integer, byte[]> breaks, boolean panInverted, boolean tiltInverted) {
        List<CellLight> lights = asReceived(breaks);
        return panInverted || tiltInverted
                ? lights.stream()
                        .map(l -> l.turned(
                                panInverted
                                        ? otherEnd(breaks, l.cell(), Attribute.PAN) - l.panDegrees()
                                        : l.panDegrees(),
                                tiltInverted
                                        ? otherEnd(breaks, l.cell(), Attribute.TILT) - l.tiltDegrees()
                                        : l.tiltDegrees()))
                        .toList()
                : lights;
    }

    /** The two ends of what turns a part, in degrees, together; 0 where nothing does. */
    private double otherEnd(Map<Integer, byte[]> breaks, int cell, Attribute attribute) {
        Reading reading = new Reading(mode.channels(), breaks);
        return find(reading, cell, attribute)
                .flatMap(reading::active)
                .map(f -> f.physicalFrom() + f.physicalTo())
                .orElse(0.0);
    }

    private List<CellLight> asReceived(Map<Integer, byte[]> breaks) {
        Reading reading = new Reading(mode.channels(), breaks);
        List<CellLight> lights = new ArrayList<>();
        for (int cell = 0; cell <= mode.cells(); cell++) {
            lights.add(part(reading, cell));
        }
        for (int cell = 0; cell <= mode.cells(); cell++) {
            List<CellLight> inside = inside(cell, lights);
            if (!inside.isEmpty()) {
                lights.set(cell, together(lights.get(cell), inside));
            }
        }
        return lights;
    }

    /** What lights inside a cell that holds others, in its turn not divided. */
    private List<CellLight> inside(int cell, List<CellLight> lights) {
        return lights.stream()
                .filter(l -> l.cell() != cell && layout.innermost(l.cell()) && layout.within(l.cell(), cell))
                .toList();
    }

    /** Dimmers and shutters of a part and of everything it lies in. */
    private double gates(Reading reading, int cell) {
        double gate = 1;
        for (int outer : layout.outwards(cell)) {
            gate *= gate(reading, outer);
        }
        return gate;
    }

    /** Dimmer times shutter of one part, 1 where it has neither. */
    private double gate(Reading reading, int cell) {
        double gate = 1;
        for (Channel channel : reading.channels()) {
            Optional<ChannelFunction> function = reading.active(channel);
            if (channel.cell() == cell && function.isPresent()) {
                gate *= gate(reading, channel, function.get());
            }
        }
        return gate;
    }

    private static double gate(Reading reading, Channel channel, ChannelFunction function) {
        String name = function.attribute().name();
        if (name.equals("Dimmer") || name.matches("Shutter\\d+")) {
            return reading.open(channel, function);
        }
        return 1;
    }

    private CellLight part(Reading reading, int cell) {
        double gate = gates(reading, cell);
        Map<Attribute, Double> levels = emitterLevels(reading, cell);
        boolean additive = !levels.isEmpty();
        Tristimulus source = additive ? sum(levels) : filtered(reading, cell, mode.lamp());
        Tristimulus hue = throughWheels(reading, cell, source);
        double strongest =
                additive ? levels.values().stream().mapToDouble(d -> d).max().orElse(0) : lamp(reading);
        return new CellLight(
                cell,
                gate * strongest,
                hue.times(gate),
                hue,
                physical(reading, cell, Attribute.PAN),
                physical(reading, cell, Attribute.TILT),
                physical(reading, cell, Attribute.ZOOM),
                gobo(reading));
    }

    /** 1 for a fixture with a lamp; 0 for one that nothing dims or shuts, such as a hazer. */
    private static double lamp(Reading reading) {
        boolean lit = reading.channels().stream()
                .map(c -> c.attribute().name())
                .anyMatch(name -> name.equals("Dimmer") || name.matches("Shutter\\d+"));
        return lit ? 1 : 0;
    }

    /** Driven emitters; those that do not work in the present mode give nothing. */
    private Map<Attribute, Double> emitterLevels(Reading reading, int cell) {
        Map<Attribute, Double> levels = new LinkedHashMap<>();
        int source = emitting(reading, cell);
        for (Channel channel : reading.channels()) {
            if (channel.cell() == source && channel.attribute().isAdditive()) {
                // Which emitter a channel drives may hang on the mode that it is in.
                Attribute emitter = reading.active(channel)
                        .map(ChannelFunction::attribute)
                        .filter(Attribute::isAdditive)
                        .orElse(channel.attribute());
                levels.put(
                        emitter,
                        reading.active(channel)
                                .map(f -> reading.open(channel, f))
                                .orElse(0.0));
            }
        }
        return levels;
    }

    /** The nearest part outwards that has emitters: a beam with no colours of its own has those of its head. */
    private int emitting(Reading reading, int cell) {
        return layout.outwards(cell).stream()
                .filter(c -> reading.channels().stream()
                        .anyMatch(ch -> ch.cell() == c && ch.attribute().isAdditive()))
                .findFirst()
                .orElse(cell);
    }

    private Tristimulus sum(Map<Attribute, Double> levels) {
        Tristimulus total = Tristimulus.DARK;
        for (Map.Entry<Attribute, Double> level : levels.entrySet()) {
            total = total.plus(
                    emitters.getOrDefault(level.getKey(), Tristimulus.DARK).times(level.getValue()));
        }
        return total;
    }

    /** White light through the three flags: each takes away its own third of the spectrum. */
    private Tristimulus filtered(Reading reading, int cell, Tristimulus white) {
        double cyan = share(reading, cell, "ColorSub_C");
        double magenta = share(reading, cell, "ColorSub_M");
        double yellow = share(reading, cell, "ColorSub_Y");
        if (cyan == 0 && magenta == 0 && yellow == 0) {
            return white;
        }
        LinearRgb lamp = LinearRgb.of(white);
        return new LinearRgb(lamp.red() * (1 - cyan), lamp.green() * (1 - magenta), lamp.blue() * (1 - yellow))
                .toTristimulus();
    }

    private double share(Reading reading, int cell, String attribute) {
        return find(reading, cell, new Attribute(attribute))
                .flatMap(c -> reading.active(c).map(f -> reading.open(c, f)))
                .orElse(0.0);
    }

    private Tristimulus throughWheels(Reading reading, int cell, Tristimulus light) {
        Tristimulus out = light;
        for (Channel channel : reading.channels()) {
            if (layout.within(cell, channel.cell()) && channel.attribute().isColourWheel()) {
                out = slotColour(reading, channel).map(throughSlot(out)).orElse(out);
            }
        }
        return out;
    }

    private static java.util.function.Function<Tristimulus, Tristimulus> throughSlot(Tristimulus light) {
        return slot -> new Tristimulus(
                light.x() * (slot.x() / PAPER_WHITE.x()),
                light.y() * (slot.y() / PAPER_WHITE.y()),
                light.z() * (slot.z() / PAPER_WHITE.z()));
    }

    private Optional<Tristimulus> slotColour(Reading reading, Channel channel) {
        return slot(reading, channel).flatMap(WheelSlot::colour);
    }

    private Optional<WheelSlot> slot(Reading reading, Channel channel) {
        ChannelFunction function = reading.active(channel).orElse(null);
        if (function == null || function.wheel().isEmpty()) {
            return Optional.empty();
        }
        Wheel wheel = wheels.get(function.wheel().get());
        int number = function.ranges().stream()
                .filter(r -> reading.value(channel) >= r.from() && reading.value(channel) <= r.to())
                .mapToInt(NamedRange::wheelSlot)
                .findFirst()
                .orElse(0);
        return wheel == null || number < 1 || number > wheel.slots().size()
                ? Optional.empty()
                : Optional.of(wheel.slots().get(number - 1));
    }

    private Optional<String> gobo(Reading reading) {
        return reading.channels().stream()
                .filter(c -> c.attribute().name().matches("Gobo\\d+"))
                .flatMap(c -> slot(reading, c).stream())
                .map(WheelSlot::name)
                .filter(n -> !n.equalsIgnoreCase("Open"))
                .findFirst();
    }

    private double physical(Reading reading, int cell, Attribute attribute) {
        return find(reading, cell, attribute)
                .flatMap(c -> reading.active(c).map(f -> reading.physical(c, f)))
                .orElse(0.0);
    }

    /** On the part itself, else on the nearest one that it lies in. */
    private Optional<Channel> find(Reading reading, int cell, Attribute attribute) {
        return layout.outwards(cell).stream()
                .flatMap(c -> reading.channels().stream()
                        .filter(ch -> ch.cell() == c && ch.attribute().equals(attribute)))
                .findFirst();
    }

    /** A divided fixture as one: its brightest cell, and the mean of their light. */
    private static CellLight together(CellLight whole, List<CellLight> cells) {
        Tristimulus light = Tristimulus.DARK;
        Tristimulus hue = Tristimulus.DARK;
        for (CellLight cell : cells) {
            light = light.plus(cell.light().times(1.0 / cells.size()));
            hue = hue.plus(cell.hue().times(1.0 / cells.size()));
        }
        double intensity =
                cells.stream().mapToDouble(CellLight::intensity).max().orElse(0);
        return new CellLight(
                whole.cell(),
                intensity,
                light,
                hue,
                whole.panDegrees(),
                whole.tiltDegrees(),
                whole.beamDegrees(),
                whole.gobo());
    }
}
