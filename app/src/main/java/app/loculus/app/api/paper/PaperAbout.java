package app.loculus.app.api.paper;

import app.loculus.app.session.Overview;
import app.loculus.app.session.Snapshot;
import app.loculus.core.paper.PaperKind;
import app.loculus.core.paper.Sheet;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.formats.paper.About;
import app.loculus.formats.paper.Making;
import app.loculus.formats.showfile.ChapterPrint;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** What sheets are made from, and what stands on every page. */
@Component
public class PaperAbout {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private final Clock clock;

    PaperAbout(Clock clock) {
        this.clock = clock;
    }

    public About of(Snapshot snapshot) {
        return new About(
                snapshot.show().name(),
                snapshot.revision(),
                LocalDate.now(clock.withZone(ZoneId.systemDefault())).format(DAY));
    }

    /** Sheets in their order, each told when its turn comes; stopped within where it takes long. */
    public static List<Sheet> sheets(PaperKind.Material material, List<PaperKind> kinds, Making making) {
        List<Sheet> made = new ArrayList<>();
        for (PaperKind kind : kinds) {
            Runnable told = () -> making.at(made.size(), kinds.size(), kind.words());
            told.run();
            made.add(kind.of(material.wanted(told)));
        }
        return made;
    }

    public static PaperKind.Material material(Snapshot snapshot, Overview overview) {
        Show show = snapshot.show();
        return new PaperKind.Material(
                show,
                () -> overview.of(snapshot),
                chapter -> show.find(PartKinds.SIGNATURES, chapter)
                        .filter(s -> !s.print().equals(ChapterPrint.of(show, chapter)))
                        .isPresent());
    }
}
