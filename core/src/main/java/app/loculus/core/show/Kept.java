package app.loculus.core.show;

import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ControlCommand;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.unit.Quoted;
import java.util.Map;
import java.util.Optional;

/** What working values may hold: commands such as a reset are sent, and never stay. */
final class Kept {

    private Kept() {}

    /** @throws Refusal when one of them would be set to a command, or moved through one */
    static void check(Show show, Map<UnitId, UnitValues> values) {
        values.forEach((unit, held) -> show.patch().find(unit.fixture()).ifPresent(fixture -> {
            Mode mode = show.patch().modeOf(fixture);
            for (Attribute attribute : mode.commands()) {
                Optional<Touched> touched = held.get(attribute);
                if (touched.isPresent()
                        && !touched.equals(show.programmer().of(unit).get(attribute))) {
                    if (touched.get().value().moved().isPresent()) {
                        throw Refusal.of(
                                "value.command",
                                "attribute",
                                attribute.name()
                                        + " holds commands such as a reset, and an effect would pass through them.",
                                WayOut.advice("Let it move something else."));
                    }
                    command(show, unit, mode, attribute, touched.get()).ifPresent(Kept::refuse);
                }
            }
        }));
    }

    private static Optional<NamedRange> command(
            Show show, UnitId unit, Mode mode, Attribute attribute, Touched touched) {
        return mode.parameter(unit.cell(), attribute)
                .flatMap(p ->
                        show.resolver().plain(unit, attribute, touched.value()).flatMap(value -> value.in(mode, p)))
                .flatMap(ControlCommand::at);
    }

    private static void refuse(NamedRange range) {
        throw Refusal.of(
                "value.command",
                "value",
                "“" + range.name() + "” is a command: it is sent for a moment and never kept, so that no cue does it.",
                WayOut.line("Send it now to what is in hand", "send " + Quoted.of(range.name()) + " now"));
    }
}
