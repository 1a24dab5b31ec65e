package app.loculus.app.api.paper;

import app.loculus.app.session.Overview;
import app.loculus.app.session.Snapshot;
import app.loculus.core.finding.LastVersion;
import app.loculus.core.paper.PaperKind;
import app.loculus.core.paper.Sheet;
import app.loculus.core.problem.Refusal;
import app.loculus.formats.paper.Making;
import app.loculus.formats.paper.PagePictures;
import app.loculus.formats.paper.PaperOptions;
import app.loculus.formats.paper.PaperWriter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Keeps the documents that were looked at last, so that turning a page does not set them anew. */
@Component
class PaperDrawer {

    private static final int MOST_KEPT = 4;

    /** @param last changes without the revision when a version is kept */
    private record Key(
            long show,
            long revision,
            List<PaperKind> kinds,
            PaperOptions options,
            String day,
            Optional<LastVersion> last) {}

    /** @param width in points */
    record Drawn(byte[] document, int pages, double width, double height) {

        byte[] page(int page) {
            if (page < 1 || page > pages) {
                throw Refusal.of("paper.page", "page", "It has pages 1 to " + pages + ".");
            }
            return PagePictures.png(document, page);
        }
    }

    private final Map<Key, Drawn> kept = new LinkedHashMap<>(MOST_KEPT, 1, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Drawn> eldest) {
            return size() > MOST_KEPT;
        }
    };

    private final Overview overview;
    private final PaperAbout abouts;

    PaperDrawer(Overview overview, PaperAbout abouts) {
        this.overview = overview;
        this.abouts = abouts;
    }

    /** One after the other: what is turned to while it is made is wanted from the same document. */
    synchronized Drawn drawn(Snapshot snapshot, List<PaperKind> kinds, PaperOptions options) {
        Key key = new Key(
                snapshot.id(),
                snapshot.revision(),
                kinds,
                options,
                abouts.of(snapshot).on(),
                overview.last(snapshot));
        Drawn known = kept.get(key);
        if (known == null) {
            PaperKind.Material material = PaperAbout.material(snapshot, overview);
            List<Sheet> sheets = kinds.stream().map(k -> k.of(material)).toList();
            byte[] document = PaperWriter.write(sheets, abouts.of(snapshot), options, Making.UNWATCHED);
            PagePictures.Measures measures = PagePictures.measures(document);
            known = new Drawn(document, measures.pages(), measures.width(), measures.height());
            kept.put(key, known);
        }
        return known;
    }
}
