package app.loculus.app.api.carry;

import app.loculus.app.api.patch.Paper;
import app.loculus.app.library.Library;
import app.loculus.core.check.DrawingComparison;
import app.loculus.core.check.Hookup;
import app.loculus.core.check.RowVerdict;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Universes;
import app.loculus.core.unit.Limits;
import app.loculus.formats.mvr.SceneReader;
import app.loculus.formats.parcel.Parcel;
import app.loculus.formats.showfile.ShowArchive;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** Reads a rig from a file: a hookup with all rows that land, a scene with all that is drawn, or what a show file holds. */
@Component
class RigFiles {

    private final Library library;
    private final Clock clock;

    RigFiles(Library library, Clock clock) {
        this.library = library;
        this.clock = clock;
    }

    /** @throws Refusal when it is none of these, or nothing of it hangs anywhere */
    Show read(String fileName, byte[] octets) {
        String lower = fileName.toLowerCase(Locale.ROOT);
        if (Parcel.looksLikeOne(octets)) {
            return show(Parcel.showFile(octets));
        }
        if (lower.endsWith(ShowArchive.SUFFIX)) {
            return show(octets);
        }
        Show empty = Show.empty(Limits.name("show.name", "name", name(fileName)));
        return lower.endsWith(".mvr") ? drawn(empty, fileName, octets) : onPaper(empty, octets);
    }

    private static Show show(byte[] octets) {
        return Universes.keptInside(ShowArchive.readFile(octets).show());
    }

    private static String name(String fileName) {
        String plain = fileName.replaceAll("\\.[^.]*$", "").strip();
        String called = "Rig of " + (plain.isEmpty() ? "a file" : plain);
        return called.substring(0, Math.min(called.length(), Limits.NAME));
    }

    private Show drawn(Show empty, String fileName, byte[] octets) {
        DrawingComparison all = DrawingComparison.of(empty, library.profiles(), SceneReader.read(fileName, octets));
        String today = LocalDate.now(clock.withZone(ZoneId.systemDefault())).toString();
        return after(empty, all.taking(all.takeable(), today));
    }

    private Show onPaper(Show empty, byte[] octets) {
        List<RowVerdict> verdicts = Hookup.examine(
                empty, library.profiles(), Paper.ofFile(octets).hookup().rows(), Hookup.Clashing.UNPATCHED);
        if (verdicts.stream().noneMatch(v -> v.landing().isPresent())) {
            throw Refusal.of(
                    "carry.file",
                    "file",
                    "Not one row of this file can be taken in as a fixture.",
                    WayOut.advice(
                            "Start a new show with it as paperwork, say which columns are which, and choose that show."));
        }
        return after(empty, Hookup.takeIn(verdicts));
    }

    private static Show after(Show show, ShowEdit edit) {
        Outcome outcome = edit.apply(show);
        if (outcome.refused()) {
            throw new Refusal(outcome.problems());
        }
        return outcome.show();
    }
}
