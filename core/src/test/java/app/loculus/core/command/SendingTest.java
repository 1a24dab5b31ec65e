package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.edit.hand.Sending;
import app.loculus.core.edit.palette.EditEntry;
import app.loculus.core.edit.starter.RecordStarterPalettes;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.play.Playing;
import app.loculus.core.play.Press;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.ControlCommand;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Layer;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Commands are sent for a moment; no way leads to a value that is kept. */
class SendingTest {

    /** Dimmer, and a control channel with a setting and two commands: 2 slots. */
    private static final Profile LAMP = Rig.profile(
            "Lamp",
            Rig.mode(
                    "plain",
                    0,
                    Rig.channel("Dimmer", 0, 0, Rig.function("Dimmer", 0, 255, 0, 1, null)),
                    Rig.channel("Control1", 0, 0, control())));

    /** The same with a setting on either side of its commands. */
    private static final Profile WIDE = Rig.profile(
            "Wide",
            Rig.mode(
                    "plain",
                    0,
                    Rig.channel("Dimmer", 0, 0, Rig.function("Dimmer", 0, 255, 0, 1, null)),
                    Rig.channel(
                            "Control1",
                            0,
                            0,
                            control(
                                    new NamedRange("Quiet", 0, 49, 0, 0, 0),
                                    new NamedRange("Reset", 50, 199, 0, 0, 0),
                                    new NamedRange("Fast", 200, 255, 0, 0, 0)))));

    private static ChannelFunction control() {
        return control(
                new NamedRange("No function", 0, 9, 0, 0, 0),
                new NamedRange("Fan silent", 10, 99, 0, 0, 0),
                new NamedRange("Lamp off (hold 3 s)", 100, 149, 0, 0, 0),
                new NamedRange("Reset", 150, 255, 0, 0, 0));
    }

    private static ChannelFunction control(NamedRange... ranges) {
        return new ChannelFunction(
                "Control",
                new Attribute("Control1"),
                0,
                255,
                0,
                1,
                0,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of(ranges));
    }

    private static final Show SHOW = Rig.of(LAMP, "1 thru 4 at full");

    @ParameterizedTest
    @CsvSource({
        "Control1, Reset, true",
        "Control2, Lamp on (5s), true",
        "Function1, Strike, true",
        "LampControl, Ignite, true",
        "PanReset, Go, true",
        "Control1, No function, false",
        "LampControl, Idle, false",
        "Control1, Fan silent, false",
        "Control1, Reset disabled, false",
        "Gobo1, Reset, false"
    })
    void resets_and_what_lamps_do_are_commands(String attribute, String range, boolean command) {
        assertThat(ControlCommand.is(new Attribute(attribute), range)).isEqualTo(command);
    }

    @Test
    void it_is_sent_for_as_long_as_its_name_says() {
        assertThat(ControlCommand.seconds("Lamp off (hold 3 s)")).contains(3.0);
        assertThat(ControlCommand.seconds("Reset, 2,5 sec")).contains(2.5);
        assertThat(ControlCommand.seconds("Reset")).isEmpty();
        assertThat(asked(SHOW, "send \"Lamp off (hold 3 s)\" now").sending().seconds())
                .isEqualTo(3);
        assertThat(asked(SHOW, "send \"reset\" now").sending().seconds()).isEqualTo(ControlCommand.USUAL_SECONDS);
    }

    @Test
    void it_is_asked_first_and_lies_over_the_show_without_changing_it() {
        Sending.Asked unsure = asked(SHOW, "send \"Reset\"");
        assertThatThrownBy(unsure::confirmed)
                .isInstanceOfSatisfying(
                        Refusal.class,
                        r -> assertThat(r.problems().get(0).waysOut().get(0).line())
                                .contains("send \"Reset\" now"));
        Sending sure = asked(SHOW, "send \"Reset\" now").confirmed();
        assertThat(sure.values()).hasSize(4);
        Layer layer = new Layer.Values("command", 0, Layer.Merge.COMMAND, false, sure.values());
        byte[] sent =
                new FrameRenderer().render(SHOW.scene().under(List.of(layer))).slots(1);
        assertThat(sent[1] & 0xFF).isBetween(150, 255);
        assertThat(sent[0] & 0xFF).as("its light").isEqualTo(255);
        assertThat(Rig.slots(SHOW, 2)).containsExactly(255, 0);
    }

    @Test
    void nobody_in_hand_or_nothing_of_that_name_is_refused() {
        assertThatThrownBy(() -> asked(SHOW, "send \"Fan silent\" now")).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> asked(Rig.after(SHOW, "clear"), "send \"Reset\" now"))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void a_setting_is_kept() {
        Show set = Rig.after(SHOW, "Control1 at \"Fan silent\"", "record cue 1", "clear all");
        assertThat(set.looks()).isNotNull();
        assertThat(Rig.slots(Rig.after(SHOW, "Control1 at \"Fan silent\""), 2)[1])
                .isBetween(10, 99);
    }

    @Test
    void no_effect_moves_through_a_command() {
        Outcome outcome = Rig.say(SHOW, "sine of Control1 at 0 thru 100");
        assertThat(outcome.refused()).isTrue();
        assertThat(outcome.problems().get(0).words()).contains("Control1 holds commands");
        assertThat(Rig.say(SHOW, "sine of dimmer at 0 thru 100").refused()).isFalse();
    }

    /** By name, by number, in steps, from palettes, recorded and played: no command ever goes out of what is kept. */
    @Test
    void no_way_of_setting_or_recording_keeps_a_command() {
        Random random = new Random(5);
        int refused = 0;
        Show show = SHOW;
        for (int i = 0; i < 400; i++) {
            String line = switch (random.nextInt(14)) {
                case 0 -> "Control1 at \"Reset\"";
                case 1 -> "Control1 at " + random.nextInt(256) + " dmx";
                case 2 -> "Control1 at " + random.nextInt(100) + " thru " + random.nextInt(100);
                case 3 -> "nudge Control1 by " + (random.nextInt(120) - 60);
                case 4 -> "home Control1";
                case 5 -> "1 thru " + (1 + random.nextInt(4));
                case 6 -> "record cue " + (1 + random.nextInt(4)) + " merge";
                case 7 -> "record control " + (1 + random.nextInt(3)) + " merge";
                case 8 -> "control " + (1 + random.nextInt(8));
                case 9 -> "update cue " + (1 + random.nextInt(4));
                case 10 -> "sine of Control1 at 0 thru 100";
                case 11 -> "release control";
                case 12 -> "starter palettes";
                default -> "invert Control1";
            };
            Outcome outcome = Rig.say(show, line);
            refused += outcome.refused() ? 1 : 0;
            show = outcome.show();
            byte[] sent = new FrameRenderer().render(show.scene()).slots(1);
            for (int fixture = 0; fixture < 4; fixture++) {
                assertThat(sent[2 * fixture + 1] & 0xFF).as(line).isLessThan(100);
            }
        }
        assertThat(refused).isBetween(40, 360);
        assertThat(show.cues(show.lists().get(0).id())).hasSizeGreaterThan(1);
        Show cleared = Rig.after(show, "clear all");
        Playing playing = Playing.NOTHING.on(cleared.repertoire(), 0);
        for (long at = 0; at < 60_000_000; at += 100_000) {
            if (at % 3_000_000 == 0) {
                playing = playing.after(press(cleared, "go"), at, cleared.repertoire());
            }
            byte[] sent = new FrameRenderer()
                    .render(cleared.playing(List.of(playing.layer(at))).scene())
                    .slots(1);
            for (int fixture = 0; fixture < 4; fixture++) {
                assertThat(sent[2 * fixture + 1] & 0xFF).isLessThan(100);
            }
        }
    }

    @Test
    void a_palette_of_a_command_is_sent_and_not_applied() {
        Show with = new RecordStarterPalettes(Optional.of(List.of("control Reset")))
                .apply(SHOW)
                .show();
        assertThat(with.palettes()).anyMatch(p -> p.name().equals("Reset") && p.command());
        int number = with.palettes().stream()
                .filter(p -> p.name().equals("Reset"))
                .findFirst()
                .orElseThrow()
                .number();
        assertThat(Rig.say(with, "control " + number).refused()).isTrue();
        assertThat(asked(with, "send control " + number + " now").confirmed().values())
                .hasSize(4);
    }

    @Test
    void a_palette_that_lights_may_follow_becomes_no_command() {
        Show quiet = Rig.after(SHOW, "Control1 at \"Fan silent\"", "record control 1 \"Quiet\"", "control 1");
        Palette palette = quiet.palettes().get(0);
        Entry held = palette.entries().stream().findFirst().orElseThrow();
        for (AttributeValue command :
                List.of(new AttributeValue.Named("Reset"), new AttributeValue.Physical(200 / 255.0))) {
            Outcome outcome =
                    new EditEntry(palette.id(), held.scope(), held.attribute(), Optional.of(command)).apply(quiet);
            assertThat(outcome.refused()).as(command.toString()).isTrue();
        }
        assertThat(new EditEntry(
                                palette.id(),
                                held.scope(),
                                held.attribute(),
                                Optional.of(new AttributeValue.Named("No function")))
                        .apply(quiet)
                        .refused())
                .isFalse();
    }

    @Test
    void a_fade_of_its_channel_jumps_over_what_lies_between() {
        Show show = Rig.after(
                Rig.of(WIDE, "1 at full"),
                "Control1 at 20 dmx",
                "record cue 1",
                "Control1 at 240 dmx",
                "record cue 2 in 4 out 4 rest 4",
                "clear all");
        Playing playing = Playing.NOTHING.on(show.repertoire(), 0);
        playing = playing.after(press(show, "go"), 0, show.repertoire());
        playing = playing.after(press(show, "go"), 10_000_000, show.repertoire());
        Set<Integer> seen = new TreeSet<>();
        for (long at = 9_000_000; at < 16_000_000; at += 20_000) {
            Scene scene = show.playing(List.of(playing.layer(at))).scene();
            seen.add(new FrameRenderer().render(scene).slots(1)[1] & 0xFF);
        }
        assertThat(seen).isSubsetOf(0, 20, 240).contains(20, 240);
    }

    /** A show of an earlier day may hold them in a cue: they are left out of what is sent. */
    @Test
    void a_command_that_a_look_holds_is_not_sent() {
        Show show = Rig.after(SHOW, "Control1 at \"Fan silent\"", "record cue 1", "clear all");
        Look look = show.look(show.cues(show.lists().get(0).id()).get(0).look());
        Map<UnitId, UnitValues> held = new LinkedHashMap<>(look.values());
        held.replaceAll((unit, values) ->
                new UnitValues(Map.of(new Attribute("Control1"), Touched.byHand(new AttributeValue.Named("Reset")))));
        Draft draft = new Draft(show);
        draft.put(PartKinds.LOOKS, look.holding(held));
        Show old = draft.outcome().show();
        assertThat(played(show)).as("a setting").isBetween(10, 99);
        assertThat(played(old)).as("a command").isZero();
    }

    /** What the control channel of the first fixture sends when the first cue has come. */
    private static int played(Show show) {
        Playing playing = Playing.NOTHING.on(show.repertoire(), 0).after(press(show, "go"), 0, show.repertoire());
        return Rig.slots(show.playing(List.of(playing.layer(20_000_000))), 2)[1];
    }

    private static Press press(Show show, String line) {
        return ((Command.Play) new LineReader(Rig.ALL).read(line)).press().apply(show);
    }

    private static Sending.Asked asked(Show show, String line) {
        return ((Command.Send) new LineReader(Rig.ALL).read(line)).asked().apply(show);
    }
}
