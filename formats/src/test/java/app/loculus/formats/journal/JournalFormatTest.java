package app.loculus.formats.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Pattern;
import app.loculus.core.show.Delta;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class JournalFormatTest {

    private static final Profiles SHIPPED = ShippedProfiles.all();
    private static final LineReader LINES = new LineReader(SHIPPED);
    private static final JournalFormat FORMAT = new JournalFormat(SHIPPED::get);
    private static final Show SHOW = after("patch 1 thru 2000 as \"House Dimmer\" at 1.1\n3001 thru 3004")
            .show();

    private static Outcome after(String lines) {
        return LINES.readAll(List.of(lines.replace("\n3001 thru 3004", "").split("\n")))
                .apply(Show.empty("Test"));
    }

    private static Delta delta(Show show, String line) {
        Outcome outcome = ((Command.Edit) LINES.read(line)).edit().apply(show);
        assertThat(outcome.refused()).as("%s", outcome.problems()).isFalse();
        return outcome.delta();
    }

    private static String text(byte[] octets) throws IOException {
        assertThat(octets[0]).isEqualTo((byte) 2);
        return new String(
                new InflaterInputStream(new ByteArrayInputStream(octets, 1, octets.length - 1)).readAllBytes(),
                StandardCharsets.UTF_8);
    }

    private static byte[] octets(String text) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(2);
        try (DeflaterOutputStream deflated = new DeflaterOutputStream(out)) {
            deflated.write(text.getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }

    @Test
    void equal_values_of_many_units_are_written_once() throws IOException {
        Delta wide = delta(SHOW, "all at 50");
        byte[] octets = FORMAT.write(wide);
        assertThat(octets.length).isLessThan(400);
        assertThat(text(octets)).contains("{\"kind\":\"values\",\"keys\":[\"1-2000\"],\"after\":\"Dimmer t L0.5\"}");
        assertThat(FORMAT.read(octets)).isEqualTo(wide);
    }

    @Test
    void names_in_the_journal_stay_for_good() throws IOException {
        Delta named = delta(SHOW, "universe 2 name \"Bridge\"");
        assertThat(text(FORMAT.write(named)))
                .isEqualTo("{\"changes\":[{\"kind\":\"universes\",\"keys\":[\"2\"],\"after\":{\"universe\":2,"
                        + "\"name\":\"Bridge\",\"on\":true,\"port\":2,\"priority\":100,"
                        + "\"route\":{\"kind\":\"RIG\",\"target\":\"\",\"name\":\"\"},\"sync\":0}}]}");
        String before = text(FORMAT.write(named)).replace(",\"sync\":0", "");
        assertThat(FORMAT.read(octets(before)))
                .as("as written before universes changed together")
                .isEqualTo(named);
    }

    @Test
    void a_recipe_is_written_by_names_of_our_own() {
        Show held = ((Command.Edit) LINES.read("all where lit or unpatched every 2 from 2"))
                .edit()
                .apply(after("patch 1 thru 4 as \"House Dimmer\" at 1.1\n1 thru 4 at 50")
                        .show())
                .show();
        Delta delta = delta(held, "record group 3 \"Odd\" as recipe");
        assertThat(FORMAT.read(FORMAT.write(delta))).isEqualTo(delta);
        String content = FORMAT.writeContent(
                delta.of(PartKinds.GROUPS).get(0).after().orElseThrow().content());
        assertThat(content)
                .isEqualTo("{\"is\":\"Recipe\",\"base\":{\"is\":\"Where\",\"of\":{\"is\":\"Everything\"},\"state\":"
                        + "{\"is\":\"Or\",\"parts\":[{\"is\":\"Lit\"},{\"is\":\"Unpatched\"}]}},"
                        + "\"patterns\":[{\"is\":\"EveryNth\",\"n\":2,\"from\":2}]}");
        assertThat(FORMAT.readContent(content))
                .isEqualTo(
                        delta.of(PartKinds.GROUPS).get(0).after().orElseThrow().content());
    }

    @Test
    void a_hand_that_an_earlier_version_wrote_is_read_with_its_share_in_its_pattern() {
        String text =
                "{\"selection\":[\"2\",\"4\"],\"base\":[\"1-4\"],\"patterns\":[{\"is\":\"EveryNth\",\"n\":2,\"from\":1}],"
                        + "\"share\":1,\"last\":[\"9\"],\"highlight\":false}";
        Hand hand = FORMAT.readPart(PartKinds.HAND, text);
        assertThat(hand.selection().size()).isEqualTo(2);
        assertThat(hand.patterns()).containsExactly(new Pattern.EveryNth(2, 2));
        assertThat(hand.last().size()).isEqualTo(1);
        assertThat(hand.asked()).isEqualTo(new Choice.Units(hand.base()));
        assertThat(FORMAT.readPart(PartKinds.HAND, FORMAT.writePart(PartKinds.HAND, hand)))
                .isEqualTo(hand);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1", "1,2,3", "3,2,1", "51.1,51.2,51.3,52.1", "1,2,4.1,4.2,5,6,9"})
    void runs_of_keys_are_spelled_out_again(String keys) {
        List<String> all = List.of(keys.split(","));
        assertThat(KeyRuns.spelledOut(KeyRuns.shortened(all))).isEqualTo(all);
    }

    @Test
    void damaged_octets_are_told_as_that_and_never_fail_otherwise() {
        byte[] whole = FORMAT.write(delta(SHOW, "1 thru 9 at 20 thru 80"));
        Random random = new Random(5);
        for (int i = 0; i < 300; i++) {
            byte[] octets = whole.clone();
            octets[random.nextInt(octets.length)] ^= (byte) (1 + random.nextInt(255));
            try {
                FORMAT.read(octets);
            } catch (UnreadableEntry expected) {
                assertThat(expected.getMessage()).startsWith("it ");
            }
        }
        assertThatThrownBy(() -> FORMAT.read(new byte[0])).isInstanceOf(UnreadableEntry.class);
        assertThatThrownBy(() -> FORMAT.readFormat1("{\"changes\":[{\"is\":\"OfMark\"}]}"))
                .isInstanceOf(UnreadableEntry.class)
                .hasMessageContaining("OfMark");
        assertThatThrownBy(() -> FORMAT.readFormat1("{\"cha")).isInstanceOf(UnreadableEntry.class);
    }

    @Test
    void format_1_is_still_read() {
        String values = "{\"changes\":[{\"is\":\"Change$OfValues\",\"unit\":{\"fixture\":{\"value\":7},\"cell\":0},"
                + "\"before\":{\"byAttribute\":{}},\"after\":{\"byAttribute\":{\"Dimmer\":{\"value\":{\"is\":\"AttributeValue$Level\","
                + "\"fraction\":{\"value\":0.5}},\"touched\":true,\"companion\":false}}}}]}";
        Delta wide = delta(SHOW, "7 at 50");
        assertThat(FORMAT.readFormat1(values).changes())
                .allMatch(wide.changes()::contains)
                .hasSize(1);
    }

    @Test
    void values_of_every_form_are_read_as_they_are_written() {
        Map<Attribute, Touched> values = new LinkedHashMap<>();
        values.put(new Attribute("Zoom"), new Touched(new AttributeValue.Physical(-12.25), true, true));
        values.put(new Attribute("Dimmer"), new Touched(AttributeValue.level(1.0 / 3), false, false));
        values.put(new Attribute("Gobo1"), Touched.byHand(new AttributeValue.Named("A \\n b \n c")));
        values.put(new Attribute("Color1"), Touched.byHand(new AttributeValue.Reference(new PaletteId(7))));
        UnitValues all = new UnitValues(values);
        String text = FORMAT.writePart(PartKinds.VALUES, all);
        assertThat(text).startsWith("Color1 t R7\nDimmer - L0.333");
        assertThat(FORMAT.readPart(PartKinds.VALUES, text)).isEqualTo(all);
        assertThat(FORMAT.readPart(PartKinds.VALUES, "")).isEqualTo(UnitValues.NONE);
        assertThatThrownBy(() -> FORMAT.readPart(PartKinds.VALUES, "Dimmer")).isInstanceOf(UnreadableEntry.class);
    }
}
