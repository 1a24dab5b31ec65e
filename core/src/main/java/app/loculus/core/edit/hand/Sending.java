package app.loculus.core.edit.hand;

import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ControlCommand;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Parameter;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/**
 * A command on its way to fixtures: reset, lamp on. No edit: it lies over the show for as long as its profile says, and
 * nothing of it is kept.
 *
 * @param values with the mode channels that they need
 * @param seconds how long it is sent
 * @param what it is, to whom and for how long, in words
 */
public record Sending(Map<UnitId, UnitValues> values, double seconds, String what) {

    /** What it does. */
    public String words() {
        return "Sends " + what + "; it is not kept";
    }

    /** What is asked for where "now" was not said. */
    public record Asked(Sending sending, String line, boolean now) {

        /** @throws Refusal when it was not said that it is to happen now */
        public Sending confirmed() {
            if (!now) {
                throw Refusal.of(
                        "command.sure",
                        "value",
                        "Send " + sending.what() + "? It happens at once, whatever plays.",
                        WayOut.line("Send it now", line + " now"));
            }
            return sending;
        }
    }

    /** What a range of that name does on the selection. @throws Refusal when nothing selected has it */
    public static Sending of(Show show, String name) {
        return of(show, name, (unit, attribute) -> Optional.of(new AttributeValue.Named(name)));
    }

    /** What a palette of commands does on the selection. @throws Refusal when nothing selected follows it */
    public static Sending of(Show show, Palette palette) {
        return of(
                show,
                palette.name(),
                (unit, attribute) -> Optional.ofNullable(
                        show.resolver().giver().give(palette, unit).values().get(attribute)));
    }

    private static Sending of(Show show, String name, BiFunction<UnitId, Attribute, Optional<AttributeValue>> values) {
        Draft draft = new Draft(show);
        Touching touching = draft.touching(Map.of());
        Set<FixtureId> fixtures = new LinkedHashSet<>();
        double seconds = 0;
        boolean said = true;
        for (UnitId held : draft.held().units()) {
            for (UnitId unit : Touching.withCells(show.patch(), held)) {
                Fixture fixture = show.patch().get(unit.fixture());
                Mode mode = show.patch().modeOf(fixture);
                for (Attribute attribute : mode.commands()) {
                    Optional<Parameter> parameter = mode.parameter(unit.cell(), attribute);
                    Optional<AttributeValue> value =
                            parameter.flatMap(p -> values.apply(unit, attribute).filter(v -> v.fits(mode, p)));
                    Optional<NamedRange> range =
                            value.flatMap(v -> v.in(mode, parameter.get())).flatMap(ControlCommand::at);
                    if (range.isPresent() && touching.set(unit, attribute, value.get())) {
                        fixtures.add(unit.fixture());
                        Optional<Double> own =
                                ControlCommand.seconds(range.get().name());
                        said &= own.isPresent();
                        seconds = Math.max(seconds, own.orElse(ControlCommand.USUAL_SECONDS));
                    }
                }
            }
        }
        if (fixtures.isEmpty()) {
            throw Refusal.of(
                    "command.nobody",
                    "value",
                    "Nothing selected has a command called “" + name + "”.",
                    WayOut.advice("Commands are resets and what lamps do; other ranges are set as values."));
        }
        return new Sending(
                touching.changed(),
                seconds,
                "“" + name + "” to " + Numbers.count(fixtures.size(), "fixture") + " for " + Decimal.text(seconds, 1)
                        + " s" + (said ? "" : ", as is usual"));
    }
}
