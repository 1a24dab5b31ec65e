package app.loculus.formats.showfile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;

import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.edit.ledger.HoldToPaper;
import app.loculus.core.edit.ledger.SetAside;
import app.loculus.core.edit.ledger.SignChapter;
import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.FindingKey;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.ledger.Signature;
import app.loculus.core.palette.Label;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Universes;
import app.loculus.core.show.Whole;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ShowArchiveTest {

    private static final LineReader LINES = new LineReader(ShippedProfiles.all());

    private static Show after(Show show, String... lines) {
        Show now = show;
        for (String line : lines) {
            Outcome outcome = ((Command.Edit) LINES.read(line)).edit().apply(now);
            assertThat(outcome.problems()).filteredOn(p -> p.refuses()).as(line).isEmpty();
            now = outcome.show();
        }
        return now;
    }

    private static Show show() {
        return after(
                Show.empty("Größe “7”"),
                "patch 1 thru 12 as \"Skiff Wash / extended\" at 1.1",
                "patch 21 as \"Tideline Batten\" at 2.1".replace("\"Tideline Batten\"", batten()),
                "patch 1 at 3.1 also",
                "hang 1 thru 6 on \"Bridge 1\"",
                "purpose 1 \"front\"",
                "note 2 \"new lamp\"",
                "hang 3 invert pan",
                "gel 4 xy 0.45, 0.41 at 60",
                "mark 3 wrong \"blinks\"",
                "place 1 thru 12 at -5,2,6 thru 5,2,6",
                "universe 3 number 0:0:0 sync 7000 to art-net \"192.0.2.7\" as \"Dimmers\"",
                "universe 2 name \"Floor\" to unicast \"192.0.2.9\" as \"Node\"",
                "1 thru 6 mirror at 20 thru 80 colour xy 0.3, 0.4",
                "record colour \"Sea\" global",
                "record intensity \"Steps\"",
                "record group \"Half\"",
                "type \"Skiff Wash\" & position \"Bridge 1\" sort by outward from 1, 2.5 every 2 from 2",
                "record group 7 \"Inner\" as recipe",
                "(group 7 reverse) - 3 where (lit and at 40 thru 60) or not uses colour 1 or dead",
                "record group 8 as recipe",
                "all where in group 7 and universe 1 and purpose \"front\" rows of 3",
                "record group 9 \"Rows\" as recipe",
                "21 cells columns within 0.2 step 1",
                "record group 10 as recipe",
                "1 at full",
                "record highlight per type",
                "highlight rest 20",
                "7 thru 12 colour 1",
                "21.2 at 40");
    }

    private static String batten() {
        Profiles all = ShippedProfiles.all();
        return "\"Tideline Batten / "
                + all.all().stream()
                        .filter(p -> p.name().equals("Tideline Batten"))
                        .findFirst()
                        .orElseThrow()
                        .modes()
                        .get(0)
                        .name()
                + "\"";
    }

    @Test
    void a_show_comes_back_equal_and_gives_the_same_octets_each_time() {
        Show show = show();
        byte[] file = ShowArchive.write(show);
        Show read = ShowArchive.read(file);
        assertThat(read).isEqualTo(show);
        assertThat(read.hand()).isEqualTo(show.hand());
        assertThat(read.profiles().all())
                .containsExactlyInAnyOrderElementsOf(show.profiles().all());
        assertThat(ShowArchive.write(read)).isEqualTo(file);
    }

    /** Written by version 2, before groups could follow anything. */
    @Test
    void a_file_of_an_earlier_version_is_read_with_what_came_later_as_usual() throws IOException {
        Show show;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-2.loculus")) {
            show = ShowArchive.read(in.readAllBytes());
        }
        assertThat(show.groups()).extracting(Object::toString).containsExactly("5 “Backwards”");
        assertThat(show.units(show.groups().get(0)).units())
                .extracting(show::label)
                .startsWith("8", "7");
        assertThat(show.hand().selection().units()).extracting(show::label).containsExactly("2", "4", "6", "8");
        assertThat(show.words(show.hand().asked())).isEqualTo("1 thru 8");
        assertThat(show.hand().last().size()).isEqualTo(8);
        assertThat(show.hand().patterns().get(0).words()).isEqualTo("every 2 from 2");
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    /** Written by version 3, before a colour that was asked for was remembered. */
    @Test
    void values_and_palettes_of_an_earlier_version_stay() throws IOException {
        Show show;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-3.loculus")) {
            show = ShowArchive.read(in.readAllBytes());
        }
        assertThat(show.palettes())
                .extracting(Object::toString)
                .containsExactly("intensity 1 “Rise”", "colour 3 “Verdigris”");
        assertThat(show.palettes()).allMatch(p -> p.label().equals(Label.NONE));
        assertThat(show.programmer().values())
                .isNotEmpty()
                .allSatisfy((unit, values) -> assertThat(values.asked()).isEmpty());
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    @Test
    void what_was_written_before_there_were_pages_of_niches_has_none_and_loses_nothing() throws IOException {
        Show show;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-4.loculus")) {
            show = ShowArchive.read(in.readAllBytes());
        }
        assertThat(show.nichePages()).isEmpty();
        assertThat(show.marks()).extracting(Object::toString).containsExactly("“Slip foot”");
        assertThat(show.palettes().get(0).label().seconds()).contains(2.5);
        assertThat(show.groups()).extracting(Object::toString).containsExactly("1 “Four”");
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    @Test
    void what_was_written_before_there_were_looks_has_none_and_loses_nothing() throws IOException {
        Show show;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-5.loculus")) {
            show = ShowArchive.read(in.readAllBytes());
        }
        assertThat(show.lists()).isEmpty();
        assertThat(show.looks()).isEmpty();
        assertThat(show.submasters()).isEmpty();
        assertThat(show.nichePages()).extracting(Object::toString).containsExactly("intensity page “Act two”");
        assertThat(show.palettes()).extracting(Object::toString).containsExactly("intensity 3 “Rise”");
        assertThat(show.programmer().values()).hasSize(4);
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    @Test
    void what_was_written_before_there_were_effects_has_none_and_loses_nothing() throws IOException {
        Show show;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-6.loculus")) {
            show = ShowArchive.read(in.readAllBytes());
        }
        assertThat(show.all(app.loculus.core.show.PartKinds.EFFECTS)).isEmpty();
        assertThat(show.lists()).extracting(Object::toString).containsExactly("list 1 “Main”");
        assertThat(show.submasters()).extracting(Object::toString).containsExactly("submaster 2 “Two”");
        assertThat(show.looks()).extracting(Object::toString).containsExactly("look 3 “Three”");
        assertThat(show.programmer().values()).hasSize(4);
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    @Test
    void what_was_written_before_values_stood_as_texts_loses_nothing() throws IOException {
        ShowFile file;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-7.loculus")) {
            file = ShowArchive.readFile(in.readAllBytes());
        }
        Show show = file.show();
        assertThat(file.versions()).extracting(ShowFile.Version::name).containsExactly("first");
        assertThat(show.patch().size()).isEqualTo(10);
        assertThat(show.effects()).extracting(Object::toString).containsExactly("effect 1 “Swell”");
        assertThat(show.cues(show.lists().get(0).id())).hasSize(2);
        assertThat(show.programmer().values()).hasSize(3);
        assertThat(show.programmer().values().values())
                .as("a colour that was asked for, and one that follows a palette")
                .anyMatch(v -> v.asked().isPresent())
                .anyMatch(v -> !v.followed().isEmpty());
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
        assertThat(ShowArchive.read(file.versions().get(0).octets())).isEqualTo(show);
    }

    @Test
    void what_was_written_before_a_list_was_chosen_loses_nothing() throws IOException {
        ShowFile file;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-8.loculus")) {
            file = ShowArchive.readFile(in.readAllBytes());
        }
        Show show = file.show();
        assertThat(show.hand().list()).isEmpty();
        assertThat(show.get(PartKinds.HIGHLIGHT, Whole.SHOW).settings()).hasSize(5);
        assertThat(show.get(PartKinds.HIGHLIGHT, Whole.SHOW).colour()).isEmpty();
        assertThat(show.palettes()).hasSize(1).noneMatch(p -> p.label().starter());
        assertThat(show.palettes().get(0).label().note()).isEqualTo("dim");
        assertThat(show.effects()).hasSize(1);
        assertThat(show.lists()).hasSize(2);
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
        assertThat(ShowArchive.read(file.versions().get(0).octets()).groups()).hasSize(1);
    }

    @Test
    void what_was_written_before_anything_was_set_aside_loses_nothing() throws IOException {
        Show show;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-9.loculus")) {
            show = ShowArchive.read(in.readAllBytes());
        }
        assertThat(show.all(PartKinds.ASIDES)).isEmpty();
        assertThat(show.all(PartKinds.SIGNATURES)).isEmpty();
        assertThat(show.get(PartKinds.PAPERWORK, Whole.SHOW).none()).isTrue();
        assertThat(show.patch().size()).isEqualTo(6);
        assertThat(show.lists()).hasSize(2);
        assertThat(show.effects()).hasSize(1);
        assertThat(show.palettes()).hasSizeGreaterThan(5);
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    @Test
    void what_was_written_before_drawings_were_kept_loses_nothing() throws IOException {
        ShowFile file;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-10.loculus")) {
            file = ShowArchive.readFile(in.readAllBytes());
        }
        Show show = file.show();
        assertThat(show.all(PartKinds.DRAWINGS)).isEmpty();
        assertThat(show.get(PartKinds.IDENTITY, Whole.SHOW)).isEmpty();
        assertThat(show.patch().size()).isEqualTo(5);
        assertThat(show.marks()).hasSize(1);
        assertThat(file.versions()).hasSize(1);
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    @Test
    void what_was_written_before_universes_changed_together_goes_where_it_went() throws IOException {
        Show show;
        try (InputStream in = getClass().getResourceAsStream("/golden/version-11.loculus")) {
            show = ShowArchive.read(in.readAllBytes());
        }
        assertThat(Universes.of(show))
                .extracting(Object::toString)
                .containsExactly(
                        "Universe 2 “Floor”: on, number 12, priority 120, unicast to “Node” (127.0.0.1:7000)",
                        "Universe 3: off, number 3, priority 100, multicast to “Here” (127.0.0.1)");
        assertThat(Universes.of(show)).allMatch(u -> u.sync() == 0);
        assertThat(show.patch().fixtures()).allMatch(f -> f.inverted().none());
        assertThat(show.patch().size()).isEqualTo(4);
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    @Test
    void what_was_set_aside_and_signed_goes_along() {
        Aside aside = new Aside(new FindingKey("no-address:7"), "7 has no address.", "1a2b", "spare", "2026-11-27");
        Signature signature = new Signature(ChapterName.PATCH, "R. Ohm", "2026-11-28", "f00d", 1);
        Paperwork paper = new Paperwork(
                "hookup.csv",
                "2026-11-24",
                Set.of(PaperField.NUMBER, PaperField.ADDRESS),
                List.of(new HookupRow(2, "1", "", "Skiff Wash", "", "1.1", "", "")));
        Show show = new HoldToPaper(paper)
                .apply(new SignChapter(signature)
                        .apply(new SetAside(aside).apply(show()).show())
                        .show())
                .show();
        Show read = ShowArchive.read(ShowArchive.write(show));
        assertThat(read).isEqualTo(show);
        assertThat(read.all(PartKinds.ASIDES)).containsValue(aside);
        assertThat(read.all(PartKinds.SIGNATURES)).containsValue(signature);
        assertThat(read.get(PartKinds.PAPERWORK, Whole.SHOW)).isEqualTo(paper);
    }

    @Test
    void effects_go_out_and_come_in_the_same() {
        Show show = after(
                show(),
                "clear all",
                "mark \"Slip\" at 0, 3, 0",
                "all at 50",
                "record intensity 11 \"Half\"",
                "all at 90",
                "record intensity 12 \"Most\"",
                "clear all",
                "all random of dimmer at intensity 11 thru intensity 12 seed 7 rate 90 offset round 2 blocks of 2 mirror",
                "record effect 3 \"Swell\"",
                "record cue 1 \"One\"",
                "all at 40 sine of dimmer size 12.5 offset 10 thru 60",
                "all run intensity 11 + 12 crossfade 30",
                "record effect 4 \"Round\"",
                "edit effect 4 square of dimmer at 0 thru 100 duty 20",
                "all effect 4 rate 12 size 7",
                "all where uses effect 4");
        assertThat(show.effects()).hasSize(2);
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    @Test
    void looks_cues_and_submasters_go_out_and_come_in_the_same() {
        Show show = after(
                show(),
                "clear all",
                "all at 50",
                "record cue 1 \"One\" in 3 rest 2 next 4 after end note \"slowly\"",
                "record submaster 4 \"Gallery\"",
                "record look 7 \"Night\"",
                "list 1 as chase rate 96 random seed 9",
                "open cue 1");
        assertThat(ShowArchive.read(ShowArchive.write(show))).isEqualTo(show);
    }

    @Test
    void an_empty_show_is_a_show_too() {
        assertThat(ShowArchive.read(ShowArchive.write(Show.empty("New")))).isEqualTo(Show.empty("New"));
    }

    @Test
    void a_show_file_holds_the_versions_of_the_show() {
        byte[] old = ShowArchive.write(Show.empty("Before"));
        ShowFile file = new ShowFile(
                show(),
                List.of(
                        new ShowFile.Version("Second", 9, "2026-11-25T08:04Z", 3, ShowArchive.write(show())),
                        new ShowFile.Version("First, “old”", 2, "2026-11-24T08:04Z", 0, old)));
        ShowFile read = ShowArchive.readFile(ShowArchive.write(file));
        assertThat(read.show()).isEqualTo(file.show());
        assertThat(read.versions()).usingRecursiveComparison().isEqualTo(file.versions());
        assertThat(ShowArchive.read(read.versions().get(1).octets())).isEqualTo(Show.empty("Before"));
        assertThat(ShowArchive.write(read)).isEqualTo(ShowArchive.write(file));
    }

    @Test
    void the_newest_versions_are_held_as_far_as_they_fit_and_a_broken_one_is_refused() {
        assertThat(ShowArchive.holds(List.of(10L << 20, 7L << 20, 2L << 20, 1L)))
                .isEqualTo(2);
        ShowFile broken = new ShowFile(
                show(), List.of(new ShowFile.Version("Broken", 1, "2026-11-24T08:04Z", 0, new byte[] {1, 2, 3})));
        byte[] octets = ShowArchive.write(broken);
        assertThatThrownBy(() -> ShowArchive.readFile(octets)).isInstanceOf(Refusal.class);
    }

    /** A file with another entry in place of one of its own, and a checksum that fits. */
    private static byte[] resealed(byte[] file, String entry, UnaryOperator<String> change) throws Exception {
        java.util.TreeMap<String, byte[]> parts = new java.util.TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                byte[] content = in.readAllBytes();
                parts.put(
                        e.getName(),
                        e.getName().equals(entry)
                                ? change.apply(new String(content, StandardCharsets.UTF_8))
                                        .getBytes(StandardCharsets.UTF_8)
                                : content);
            }
        }
        byte[] manifest = parts.remove("manifest.json");
        java.security.MessageDigest digest = java.security.MessageDigest.getInstance("SHA-256");
        parts.forEach((name, content) -> {
            digest.update(name.getBytes(StandardCharsets.UTF_8));
            digest.update(content);
        });
        String sum = java.util.HexFormat.of().formatHex(digest.digest());
        parts.put(
                "manifest.json",
                new String(manifest, StandardCharsets.UTF_8)
                        .replaceAll("\"sha256\":\"\\w+\"", "\"sha256\":\"" + sum + "\"")
                        .getBytes(StandardCharsets.UTF_8));
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (java.util.Map.Entry<String, byte[]> part : parts.entrySet()) {
                out.putNextEntry(new ZipEntry(part.getKey()));
                out.write(part.getValue());
            }
        }
        return bytes.toByteArray();
    }

    @Test
    void a_version_that_is_listed_again_and_again_is_refused() throws Exception {
        byte[] one = ShowArchive.write(new ShowFile(
                show(), List.of(new ShowFile.Version("One", 1, "2026-11-24T08:04Z", 0, ShowArchive.write(show())))));
        byte[] often = resealed(one, "versions.json", text -> {
            String listed = text.substring(text.indexOf('{'), text.lastIndexOf('}') + 1);
            return "[" + String.join(",", java.util.Collections.nCopies(200, listed)) + "]";
        });
        assertThatThrownBy(() -> ShowArchive.readFile(often))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("lists the version")
                .hasMessageContaining("twice");
    }

    @Test
    void an_address_from_which_a_fixture_runs_out_of_its_universe_is_refused() throws Exception {
        byte[] file =
                resealed(ShowArchive.write(show()), "show.json", t -> t.replaceFirst("\"slot\":\\d+", "\"slot\":512"));
        assertThatThrownBy(() -> ShowArchive.readFile(file))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("leaves 1");
    }

    /** The file with the text of one entry changed; the checksum left as it is or made to fit. */
    private static byte[] changed(byte[] file, String entry, UnaryOperator<String> change) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(file));
                ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                byte[] content = in.readAllBytes();
                out.putNextEntry(new ZipEntry(e.getName()));
                out.write(
                        e.getName().equals(entry)
                                ? change.apply(new String(content, StandardCharsets.UTF_8))
                                        .getBytes(StandardCharsets.UTF_8)
                                : content);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    @Test
    void a_file_that_was_changed_newer_or_something_else_is_refused_in_words() {
        byte[] file = ShowArchive.write(show());
        assertThatThrownBy(() -> ShowArchive.read(changed(file, "show.json", t -> t.replace("Bridge 1", "Bridge 2"))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("checksum does not fit");
        assertThatThrownBy(() -> ShowArchive.read(
                        changed(file, "manifest.json", t -> t.replace("\"version\":12", "\"version\":13"))))
                .hasMessageContaining("of version 13; up to 12 is understood");
        assertThatThrownBy(() -> ShowArchive.read(changed(file, "manifest.json", t -> "{}")))
                .hasMessageContaining("no show file");
        assertThatThrownBy(() -> ShowArchive.read(changed(file, "manifest.json", t -> "{")))
                .hasMessageContaining("cannot be read");
        assertThatThrownBy(() -> ShowArchive.read(new byte[] {1, 2, 3})).hasMessageContaining("no ZIP archive");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"number\" : 2,|\"number\" : 1,|given twice",
                "\"mode\" : \"extended\"|\"mode\" : \"nothing\"|profile or mode"
            })
    void a_show_that_does_not_fit_together_is_refused_even_with_a_fitting_checksum(String how) {
        String[] parts = how.split("\\|");
        ShowDocumentTampering.check(show(), t -> t.replaceFirst(parts[0], parts[1]), parts[2]);
    }

    @Test
    void a_value_left_out_or_beyond_its_range_is_refused_in_words_or_taken_never_a_fault() {
        assertThat(ShowDocumentTampering.eachValue(show())).isGreaterThan(200);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void octets_changed_anywhere_are_refused_or_read_but_never_fail_otherwise(long seed) {
        Random random = new Random(seed);
        byte[] file = ShowArchive.write(show());
        for (int i = 0; i < 25; i++) {
            byte[] changed = file.clone();
            changed[random.nextInt(changed.length)] ^= (byte) (1 + random.nextInt(255));
            Throwable thrown = catchThrowable(() -> ShowArchive.read(changed));
            assertThat(thrown)
                    .satisfiesAnyOf(
                            t -> assertThat(t).isNull(), t -> assertThat(t).isInstanceOf(Refusal.class));
        }
    }
}
