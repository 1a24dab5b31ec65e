package app.loculus.core.carry;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.palette.Aimed;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Parameter;
import app.loculus.core.programmer.Companions;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ColourAnswer;
import app.loculus.core.value.Sent;
import app.loculus.core.value.ShownColour;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * What plain values of one unit are on another: the same level of light or the same share of it, the colour that is seen,
 * the spot that is hit, the angle of the beam, the picture in it, and everything else by what it is called and in its
 * physical unit. What the other has nothing for is left out. Between units of one type that hang alike nothing changes.
 */
public final class Counterpart {

    private static final Attribute IRIS = new Attribute("Iris");

    private final Means means;
    private final At was;
    private final At is;
    private final Map<Attribute, AttributeValue> values;
    private final Map<Attribute, AttributeValue> found = new LinkedHashMap<>();

    private Counterpart(Means means, At was, Map<Attribute, AttributeValue> values, At is) {
        this.means = means;
        this.was = was;
        this.is = is;
        this.values = values;
    }

    /**
     * @param values plain ones, that follow and are moved by nothing
     * @param along those of them that only come along: on another type others may have to
     * @param asked the colour that was asked for with them, if it was one
     */
    public static Map<Attribute, AttributeValue> of(
            Means means,
            At was,
            Map<Attribute, AttributeValue> values,
            Set<Attribute> along,
            Optional<Chromaticity> asked,
            At is) {
        Counterpart counterpart = new Counterpart(means, was, values, is);
        if (was.sameType(is)) {
            counterpart.found.putAll(values);
            counterpart.aim();
        } else {
            counterpart.rest(along);
            counterpart.slots();
            counterpart.opening();
            counterpart.light();
            counterpart.aim();
            counterpart.colour(asked);
        }
        return counterpart.found;
    }

    private static Optional<FunctionValue> place(At at, Attribute attribute, AttributeValue value) {
        return at.parameter(attribute).flatMap(p -> value.in(at.mode(), p));
    }

    /** By name, at home, by physical value, or by share, whichever holds first; what has means of its own goes over that. */
    private void rest(Set<Attribute> along) {
        values.forEach((attribute, value) -> place(was, attribute, value).ifPresent(place -> {
            Attribute does =
                    is.has(place.function().attribute()) ? place.function().attribute() : attribute;
            if (!along.contains(attribute) && !does.isMix() && !does.isColourWheel()) {
                is.parameter(does).ifPresent(p -> found.put(does, same(place, attribute, value, p)));
            }
        }));
    }

    private AttributeValue same(FunctionValue place, Attribute attribute, AttributeValue value, Parameter to) {
        Optional<AttributeValue> named = place.function()
                .rangeAt(place.fraction())
                .map(NamedRange::name)
                .filter(name -> !name.isBlank())
                .<AttributeValue>map(AttributeValue.Named::new)
                .filter(v -> v.fits(is.mode(), to));
        if (named.isPresent()) {
            return named.get();
        }
        if (was.home(attribute, value)) {
            return AttributeValue.home(is.mode(), to);
        }
        String unit = was.profile().definition(to.attribute()).unit();
        boolean measured = !unit.equals("None")
                && unit.equals(is.profile().definition(to.attribute()).unit())
                && place.function().physicalFrom() != place.function().physicalTo();
        return measured
                ? new AttributeValue.Physical(place.function().physicalOf(place.fraction()))
                : new AttributeValue.Level(place.share());
    }

    private void light() {
        Optional.ofNullable(values.get(Attribute.DIMMER))
                .flatMap(v -> place(was, Attribute.DIMMER, v))
                .filter(place -> is.has(Attribute.DIMMER))
                .ifPresent(place -> found.put(
                        Attribute.DIMMER,
                        new AttributeValue.Level(Fraction.clamp(place.share().value() * factor(means, was, is)))));
    }

    /** By how much a level grows so that it is as bright; 1 where that is not asked for, or not known. */
    static double factor(Means means, At was, At is) {
        double before = was.mode().beam().lumens();
        double after = is.mode().beam().lumens();
        return means.byLight() && before > 0 && after > 0 && !was.sameType(is) ? before / after : 1;
    }

    /** Where both pan and tilt are said, the spot they hit. */
    private void aim() {
        boolean here =
                was.sameType(is) && was.samePlace(is) && means.marks().stream().allMatch(m -> still(m));
        Optional<Aiming.Reach> reach = Aimed.reach(is.mode(), is.cell());
        if (here
                || reach.isEmpty()
                || was.fixture().pose().isEmpty()
                || is.fixture().pose().isEmpty()) {
            return;
        }
        Aimed.pointed(was.mode(), was.cell(), values).ifPresent(pointed -> {
            Vector3 target = means.moved().apply(Spot.of(beam(was, pointed), means.marks()));
            Aiming.Aim aim = Aiming.nearest(
                    is.fixture().pose().orElseThrow(), target, reach.get(), pointed.pan(), pointed.tilt());
            found.put(Attribute.PAN, new AttributeValue.Physical(aim.pan()));
            found.put(Attribute.TILT, new AttributeValue.Physical(aim.tilt()));
        });
    }

    /** Whether the room was not moved where a place of it is. */
    private boolean still(Vector3 place) {
        return means.moved().apply(place).equals(place);
    }

    static Aiming.Beam beam(At at, Aiming.PanTilt pointed) {
        var pose = at.fixture().pose().orElseThrow();
        return new Aiming.Beam(pose.place(), pose.beam(pointed.pan(), pointed.tilt()));
    }

    /** The colour that is seen, as well as the other makes it; of additive mixes the share of its brightest as well. */
    private void colour(Optional<Chromaticity> asked) {
        boolean said = values.keySet().stream().anyMatch(a -> a.isMix() || a.isColourWheel());
        Optional<Tristimulus> light = said ? light(was, values) : Optional.empty();
        Optional<Chromaticity> target = asked.filter(a -> said).or(() -> light.flatMap(Tristimulus::chromaticity));
        target.flatMap(c -> means.answers().answer(is.mode(), is.cell(), c)).ifPresent(answer -> {
            double share = light.map(l -> share(l, target.get())).orElse(1.0);
            answer.closings().forEach(found::putIfAbsent);
            answer.values().forEach((a, v) -> found.put(a, dimmed(a, v, share)));
            // How the mix is switched on here is this type's own.
            Set<Integer> masters = Companions.masters(is.mode(), is.cell(), answer.values());
            found.keySet()
                    .removeIf(a -> !answer.values().containsKey(a)
                            && is.parameter(a)
                                    .filter(p -> masters.contains(p.channel()))
                                    .isPresent());
        });
        if (said && target.isEmpty()) {
            is.mode().colours(is.cell()).additive().stream()
                    .flatMap(s -> s.attributes().stream())
                    .forEach(a -> found.put(a, AttributeValue.level(0)));
        }
    }

    /** What light a cell gives with these values and all else at home, before its dimmer; empty where it makes no colour. */
    public static Optional<Tristimulus> light(At at, Map<Attribute, AttributeValue> values) {
        Sent sent = Sent.overHome(at.mode(), at.cell(), values);
        sent.masters().forEach(sent::set);
        return new ShownColour(at.mode(), at.cell(), sent::at).light();
    }

    /** How bright a colour is beside the brightest that the unit makes of it. */
    private double share(Tristimulus light, Chromaticity colour) {
        Optional<ColourAnswer> best = was.mode().colours(was.cell()).additive().isEmpty()
                ? Optional.empty()
                : means.answers().answer(was.mode(), was.cell(), colour);
        return best.flatMap(b -> light(was, b.values()))
                .filter(b -> b.y() > 0)
                .map(b -> Math.min(1, light.y() / b.y()))
                .filter(s -> s < 0.99)
                .orElse(1.0);
    }

    private AttributeValue dimmed(Attribute attribute, AttributeValue value, double share) {
        return !attribute.isVisibleAdditive() || share == 1
                ? value
                : place(is, attribute, value)
                        .map(p -> AttributeValue.level(p.light() * share))
                        .orElse(value);
    }

    /** Of zoom and iris, where the other has but one of the two. */
    private void opening() {
        boolean zoomed = values.containsKey(Attribute.ZOOM) && was.has(Attribute.ZOOM);
        boolean closed = values.containsKey(IRIS) && was.has(IRIS);
        boolean crossed =
                zoomed && !is.has(Attribute.ZOOM) && is.has(IRIS) || closed && !is.has(IRIS) && is.has(Attribute.ZOOM);
        OptionalDouble angle = crossed ? Opening.degrees(was, values) : OptionalDouble.empty();
        if (angle.isPresent() && is.has(Attribute.ZOOM)) {
            found.put(Attribute.ZOOM, new AttributeValue.Physical(angle.getAsDouble()));
        } else if (angle.isPresent() && is.mode().beam().angleDegrees() > 0) {
            double share = Math.min(1, angle.getAsDouble() / is.mode().beam().angleDegrees());
            found.put(IRIS, Opening.iris(is, share));
        }
    }

    /** The slot of the same name; for a prism that with as many images, else the one whose picture is nearest. */
    private void slots() {
        List<Slot> there = Slot.all(is);
        values.forEach((attribute, value) -> place(was, attribute, value)
                .flatMap(place -> Slot.of(was, place))
                .ifPresent(slot -> {
                    found.remove(attribute);
                    standingFor(slot, there)
                            .ifPresentOrElse(
                                    s -> found.putIfAbsent(s.attribute(), s.value()),
                                    () -> is.parameter(attribute)
                                            .ifPresent(p -> found.put(attribute, AttributeValue.home(is.mode(), p))));
                }));
    }

    private Optional<Slot> standingFor(Slot slot, List<Slot> there) {
        if (slot.open()) {
            return Optional.empty();
        }
        Optional<Slot> called = there.stream()
                .filter(slot::called)
                .max(Comparator.comparing(s -> s.attribute().equals(slot.attribute())));
        return called.or(() -> there.stream().filter(slot::facetted).findFirst())
                .or(() -> there.stream()
                        .filter(s -> apart(slot, s).isPresent())
                        .min(Comparator.comparingDouble(s -> apart(slot, s).getAsDouble())));
    }

    private OptionalDouble apart(Slot one, Slot other) {
        Optional<byte[]> a = one.picture();
        Optional<byte[]> b = other.picture();
        return a.isPresent() && b.isPresent() ? means.pictures().apart(a.get(), b.get()) : OptionalDouble.empty();
    }
}
