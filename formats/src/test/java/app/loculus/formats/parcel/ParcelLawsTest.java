package app.loculus.formats.parcel;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.edit.ledger.HoldToPaper;
import app.loculus.core.edit.ledger.SetAside;
import app.loculus.core.edit.ledger.SignChapter;
import app.loculus.core.finding.Finding;
import app.loculus.core.finding.Findings;
import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.ledger.Signature;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.formats.gdtf.ShippedProfiles;
import app.loculus.formats.paper.Making;
import app.loculus.formats.showfile.ChapterPrint;
import app.loculus.formats.showfile.ShowArchive;
import app.loculus.formats.showfile.ShowFile;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Any show that is packed with its versions comes out of the parcel as it went in. */
class ParcelLawsTest {

    private static final LineReader LINES = new LineReader(ShippedProfiles.all());

    /** Further seeds: {@code -Dlaw.seeds=400}. */
    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 10));
    }

    private static String line(Random random) {
        int a = 1 + random.nextInt(20);
        int n = 1 + random.nextInt(4);
        String range = a + " thru " + (a + n);
        String[] lines = {
            "patch " + range + " as \"House Dimmer\" at " + (1 + random.nextInt(3)) + "." + (1 + random.nextInt(400)),
            "patch " + range + " as \"Skiff Wash / extended\" at next gap",
            "patch " + range + " as \"Gull Panel / 8-slot\" at next gap",
            "patch " + a + " at 9." + (1 + random.nextInt(400)) + " also",
            "place " + range + " at -3,2,6 thru 3,2,6",
            "hang " + range + " on \"Bridge “" + n + "”\"",
            "note " + a + " \"spare\"",
            "mark " + a + " dead \"no light\"",
            "mark \"Chair\" at " + n + ", 2, 0",
            "universe " + n + " name \"Foyer\" off",
            range + " at " + random.nextInt(101) + " colour xy 0.3, 0.2" + n,
            range + " pan at " + (random.nextInt(200) - 100) + " tilt at 20",
            range + " sine of dimmer at 20 thru 80 offset round",
            range,
            "record group " + n + " \"Grüße " + n + "\" replace",
            "record colour " + n + " replace",
            "record position " + n + " \"Pos\" replace",
            "record position " + n + " at mark \"Chair\" replace",
            "record intensity " + n + " per type replace",
            "record effect " + n + " replace",
            "record cue " + n + " \"Cue\" replace in 3 next 1 after end",
            "record submaster " + n + " replace",
            "record look " + n + " replace",
            "list 1 as chase rate 90 bounce",
            "tidy cue " + n + " into palettes",
            "flip " + range + " in cue " + n,
            "fill colour " + n + " for type \"Skiff Wash / extended\"",
            "page colour \"Run\" from 11",
            "tint group " + n + " teal",
            "record highlight",
            "clear all",
        };
        return lines[random.nextInt(lines.length)];
    }

    private static Show after(Show show, ShowEdit edit) {
        try {
            var outcome = edit.apply(show);
            return outcome.refused() ? show : outcome.show();
        } catch (Refusal refused) {
            return show;
        }
    }

    private static Show step(Show show, Random random) {
        Findings findings = Findings.of(show, ShippedProfiles.all());
        int kind = random.nextInt(20);
        if (kind == 0 && !findings.all().isEmpty()) {
            Finding f = findings.all().get(random.nextInt(findings.all().size()));
            return after(
                    show, new SetAside(List.of(new Aside(f.key(), f.words(), f.matter(), "meant so", "2026-12-01"))));
        }
        if (kind == 1) {
            ChapterName chapter = ChapterName.signed().get(random.nextInt(5));
            return after(
                    show,
                    new SignChapter(new Signature(chapter, "Ada", "2026-12-01", ChapterPrint.of(show, chapter), 3)));
        }
        if (kind == 2) {
            return after(
                    show,
                    new HoldToPaper(new Paperwork(
                            "paper",
                            "2026-12-01",
                            Set.of(PaperField.values()),
                            List.of(new HookupRow(2, "7", "Key", "Wash", "", "1.1", "Bridge", "")))));
        }
        try {
            return LINES.read(line(random)) instanceof Command.Edit edit ? after(show, edit.edit()) : show;
        } catch (Refusal refused) {
            return show;
        }
    }

    private static <K, V> void same(PartKind<K, V> kind, Show before, Show after) {
        assertThat(after.all(kind)).as(kind.name()).isEqualTo(before.all(kind));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void it_opens_as_it_was_packed(long seed) {
        Random random = new Random(seed);
        Show show = Show.empty("Tide “" + seed + "”");
        Show version = show;
        for (int i = 0; i < 200; i++) {
            show = step(show, random);
            version = random.nextInt(40) == 0 ? show : version;
        }
        assertThat(show.patch().size()).isGreaterThan(5);
        ShowFile file = new ShowFile(
                show,
                List.of(new ShowFile.Version(
                        "Noon", 7, "2026-12-01T12:00:00Z", version.patch().size(), ShowArchive.write(version))));
        byte[] parcel = Parcel.pack(
                new Parcel.About(show.name(), 80, "2026-12-01T13:00:00Z", List.of()),
                List.of(
                        new Parcel.Part("Tide.loculus", "the show", () -> ShowArchive.write(file)),
                        new Parcel.Part("paper/Tide.csv", "paper", () -> "a,b".getBytes(StandardCharsets.UTF_8))),
                Making.UNWATCHED);
        ShowFile opened = ShowArchive.readFile(Parcel.showFile(parcel));
        Show again = opened.show();
        for (PartKind<?, ?> kind : PartKinds.ALL) {
            same(kind, show, again);
        }
        Show versionAgain = ShowArchive.read(opened.versions().get(0).octets());
        for (PartKind<?, ?> kind : PartKinds.ALL) {
            same(kind, version, versionAgain);
        }
        assertThat(Findings.of(again, ShippedProfiles.all()).all())
                .isEqualTo(Findings.of(show, ShippedProfiles.all()).all());
        assertThat(Findings.of(again, ShippedProfiles.all()).open())
                .isEqualTo(Findings.of(show, ShippedProfiles.all()).open());
        for (ChapterName chapter : ChapterName.signed()) {
            assertThat(ChapterPrint.of(again, chapter)).isEqualTo(ChapterPrint.of(show, chapter));
        }
    }
}
