package app.loculus.core.palette;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Pose;
import app.loculus.core.mark.Mark;
import app.loculus.core.patch.Fixture;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.unit.Decimal;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.DoubleStream;

/** How one head hits a mark: on the way that was chosen when it was recorded, else on the one nearest to its home. */
public final class Aimed {

    static final String OUT_OF_REACH = "does not reach";

    private final Mark mark;
    private final Fixture fixture;
    private final Mode mode;
    private final int cell;
    private final Optional<Aiming.Way> chosen;

    /** @param own the palette's entries for the unit alone */
    Aimed(Mark mark, Fixture fixture, Mode mode, int cell, Map<Attribute, Entry> own) {
        this.mark = mark;
        this.fixture = fixture;
        this.mode = mode;
        this.cell = cell;
        this.chosen = Optional.ofNullable(own.get(Attribute.PAN))
                .map(Entry::value)
                .filter(AttributeValue.Aimed.class::isInstance)
                .map(v -> ((AttributeValue.Aimed) v).way());
    }

    /** How far a head goes; empty when it does not both pan and tilt. */
    public static Optional<Aiming.Reach> reach(Mode mode, int cell) {
        return mode.parameter(cell, Attribute.PAN)
                .flatMap(pan -> mode.parameter(cell, Attribute.TILT)
                        .map(tilt -> new Aiming.Reach(
                                end(mode, pan, false),
                                end(mode, pan, true),
                                end(mode, tilt, false),
                                end(mode, tilt, true))));
    }

    /** Degrees that a value stands for on a head; empty when it holds none of its own for the attribute. */
    public static Optional<Double> degrees(
            Mode mode, int cell, Map<Attribute, AttributeValue> values, Attribute attribute) {
        return mode.parameter(cell, attribute)
                .flatMap(p -> Optional.ofNullable(values.get(attribute)).flatMap(v -> v.in(mode, p)))
                .map(place -> place.function().physicalOf(place.fraction()));
    }

    /** Where values point a head; empty when they do not hold both pan and tilt. */
    public static Optional<Aiming.PanTilt> pointed(Mode mode, int cell, Map<Attribute, AttributeValue> values) {
        return degrees(mode, cell, values, Attribute.PAN)
                .flatMap(pan -> degrees(mode, cell, values, Attribute.TILT).map(tilt -> new Aiming.PanTilt(pan, tilt)));
    }

    /** Over all functions of the attribute. */
    private static double end(Mode mode, Parameter p, boolean upper) {
        DoubleStream ends = mode.channelOf(p).functions().stream()
                .filter(f -> f.attribute().equals(p.attribute()))
                .flatMapToDouble((ChannelFunction f) -> DoubleStream.of(f.physicalFrom(), f.physicalTo()));
        return (upper ? ends.max() : ends.min()).orElse(0);
    }

    private static double home(Mode mode, int cell, Attribute attribute) {
        return mode.parameter(cell, attribute)
                .flatMap(p -> AttributeValue.home(mode, p).in(mode, p))
                .map(place -> place.function().physicalOf(place.fraction()))
                .orElse(0.0);
    }

    /** Empty when it has no place, or does not both pan and tilt. */
    Optional<Aiming.Aim> aim() {
        Pose pose = fixture.pose().orElse(null);
        if (pose == null) {
            return Optional.empty();
        }
        return reach(mode, cell)
                .map(reach -> chosen.map(way -> Aiming.along(pose, mark.at(), reach, way))
                        .orElseGet(() -> Aiming.nearest(
                                pose,
                                mark.at(),
                                reach,
                                home(mode, cell, Attribute.PAN),
                                home(mode, cell, Attribute.TILT))));
    }

    Map<Attribute, AttributeValue> values(Aiming.Aim aim) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        values.put(Attribute.PAN, new AttributeValue.Physical(aim.pan()));
        values.put(Attribute.TILT, new AttributeValue.Physical(aim.tilt()));
        return values;
    }

    String words(Aiming.Aim aim) {
        return aim.reached()
                ? "aimed at " + mark
                : OUT_OF_REACH + " " + mark + ", " + Decimal.text(aim.off(), 1) + "° off";
    }

    String whyNot(String type) {
        return reach(mode, cell).isEmpty() ? type + " does not pan and tilt" : "it has no place on the plan";
    }
}
