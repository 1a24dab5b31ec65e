package app.loculus.core.carry;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Parameter;
import app.loculus.core.value.AttributeValue;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** How wide a beam opens, of zoom and iris together. An iris at home is open. */
final class Opening {

    private static final Attribute IRIS = new Attribute("Iris");

    private Opening() {}

    /** Full angle in degrees; empty where neither zoom nor profile tells it. */
    static OptionalDouble degrees(At at, Map<Attribute, AttributeValue> values) {
        double widest = at.parameter(Attribute.ZOOM)
                .flatMap(p -> place(at, p, values))
                .map(Opening::physical)
                .orElse(at.mode().beam().angleDegrees());
        double open = at.parameter(IRIS).map(p -> open(at, p, values)).orElse(1.0);
        return widest > 0 ? OptionalDouble.of(widest * open) : OptionalDouble.empty();
    }

    /** An iris opened by a share of its width. */
    static AttributeValue iris(At at, double share) {
        Parameter iris = at.parameter(IRIS).orElseThrow();
        FunctionValue home = home(at, iris);
        double from = home.fraction().value();
        double closed = from >= 0.5 ? 0 : 1;
        return AttributeValue.level(closed + share * (from - closed));
    }

    private static double open(At at, Parameter iris, Map<Attribute, AttributeValue> values) {
        double home = home(at, iris).fraction().value();
        double closed = home >= 0.5 ? 0 : 1;
        double now = place(at, iris, values).map(p -> p.fraction().value()).orElse(home);
        return home == closed ? 1 : Math.max(0, Math.min(1, (now - closed) / (home - closed)));
    }

    private static FunctionValue home(At at, Parameter parameter) {
        return AttributeValue.home(at.mode(), parameter)
                .in(at.mode(), parameter)
                .orElseThrow();
    }

    /** As it is set, else at home. */
    private static Optional<FunctionValue> place(At at, Parameter p, Map<Attribute, AttributeValue> values) {
        return Optional.ofNullable(values.get(p.attribute()))
                .orElseGet(() -> AttributeValue.home(at.mode(), p))
                .in(at.mode(), p);
    }

    private static double physical(FunctionValue place) {
        return place.function().physicalOf(place.fraction());
    }
}
