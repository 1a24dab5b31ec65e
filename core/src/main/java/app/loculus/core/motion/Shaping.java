package app.loculus.core.motion;

import app.loculus.core.effect.Movement;
import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import java.util.Optional;

/** Shapes on pan or on tilt. */
final class Shaping {

    private Shaping() {}

    private static double phase(double turns) {
        return turns - Math.floor(turns);
    }

    /** In degrees relative to what lies below. */
    record Around(Movement.Shape shape, Parameter parameter) implements Move {

        @Override
        public FunctionValue at(FunctionValue below, double turns, Optional<Double> size) {
            ChannelFunction function = below.function();
            double range = function.physicalTo() - function.physicalFrom();
            if (!function.attribute().equals(parameter.attribute()) || range == 0) {
                return below;
            }
            double phase = phase(turns);
            double along = parameter.attribute().equals(Attribute.PAN) ? shape.across(phase) : shape.along(phase);
            double degrees = size.orElse(shape.size()) / 2 * along;
            return new FunctionValue(function, Fraction.clamp(below.fraction().value() + degrees / range));
        }

        @Override
        public boolean relative() {
            return true;
        }
    }

    /**
     * In metres around a mark, at its height: every head works out its own angles, as near as it can to those at which it
     * hits the mark itself.
     */
    record AtMark(
            Movement.Shape shape,
            Mode mode,
            Parameter parameter,
            Pose pose,
            Aiming.Reach reach,
            Vector3 mark,
            Aiming.Aim middle)
            implements Move {

        @Override
        public FunctionValue at(FunctionValue below, double turns, Optional<Double> size) {
            double phase = phase(turns);
            double half = size.orElse(shape.size()) / 2;
            Vector3 point =
                    new Vector3(mark.x() + half * shape.across(phase), mark.y() + half * shape.along(phase), mark.z());
            Aiming.Aim aim = Aiming.nearest(pose, point, reach, middle.pan(), middle.tilt());
            double degrees = parameter.attribute().equals(Attribute.PAN) ? aim.pan() : aim.tilt();
            return new AttributeValue.Physical(degrees).in(mode, parameter).orElse(below);
        }

        @Override
        public boolean relative() {
            return false;
        }
    }
}
