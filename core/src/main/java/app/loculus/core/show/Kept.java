package app.loculus.core.show;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ControlCommand;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.unit.Quoted;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What working values and palettes may hold: commands such as a reset are sent, and never stay. */
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

    /**
     * A palette of commands is made as one, and only sent; no other becomes one, since lights may follow it.
     *
     * @throws Refusal when it would
     */
    static void check(Show show, Palette before, Palette after) {
        if (before.kind() != Kind.CONTROL || before.command()) {
            return;
        }
        Set<Entry> old = new HashSet<>(before.entries());
        for (Entry entry : after.entries()) {
            if (!old.contains(entry)) {
                show.patch().fixtures().stream()
                        .filter(f -> of(entry.scope(), f))
                        .flatMap(f -> command(show.patch().modeOf(f), entry).stream())
                        .findFirst()
                        .ifPresent(range -> {
                            throw Refusal.of(
                                    "value.command",
                                    "value",
                                    "“" + range.name() + "” is a command. " + before
                                            + " is no palette of commands, and what follows it would do it.",
                                    WayOut.advice("Send it by its name, or from a palette of its own:"
                                            + " Starter palettes makes one for each command."));
                        });
            }
        }
    }

    private static boolean of(ScopeKey scope, Fixture fixture) {
        return scope.scope() == Scope.GLOBAL
                || scope.isOf(fixture.profile(), fixture.mode())
                || scope.ownUnit().filter(u -> u.fixture().equals(fixture.id())).isPresent();
    }

    private static Optional<NamedRange> command(Mode mode, Entry entry) {
        return mode.commands().contains(entry.attribute())
                ? mode.homesOf(0, entry.attribute()).stream()
                        .flatMap(cell -> mode.parameter(cell, entry.attribute()).stream())
                        .flatMap(p -> entry.value().in(mode, p).stream())
                        .flatMap(place -> ControlCommand.at(place).stream())
                        .findFirst()
                : Optional.empty();
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
                WayOut.line("Send it now to the selection", "send " + Quoted.of(range.name()) + " now"));
    }
}
