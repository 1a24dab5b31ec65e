package app.loculus.app.api.check;

import app.loculus.app.store.MendedStore.Mended;
import app.loculus.core.finding.Finding;
import app.loculus.core.finding.Findings;
import app.loculus.core.finding.Severity;
import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.ledger.Signature;
import app.loculus.core.patch.UnitId;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import app.loculus.formats.showfile.ChapterPrint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What there is to look at.
 *
 * @param open how many are open, those beyond the rows too
 * @param setAside how many are set aside as they are
 * @param rows by chapter, the worst first
 * @param paper name of the paper the patch is held to, empty for none
 */
record CheckView(
        long revision,
        int open,
        int setAside,
        List<CheckRow> rows,
        List<MendedView> mended,
        List<SignedView> chapters,
        String paper,
        String paperSince) {

    /** More rows are counted; nobody reads them. */
    private static final int MOST_ROWS = 500;

    /** First rows whose ways out come along, where they are found in a moment; those of the others are asked for. */
    private static final int MOST_WAYS = 20;

    /** More units are counted. */
    private static final int MOST_UNITS = 500;

    /** @param line what one press does; empty for advice */
    record WayView(String words, String line) {

        static List<WayView> of(Findings findings, Finding f) {
            return findings.waysOut(f).stream()
                    .map(w -> new WayView(w.words(), w.line().orElse("")))
                    .toList();
        }
    }

    /** Where it is to be seen; see the core's Spot. */
    record FoundAt(String what, String name, String list) {}

    record AsideView(String reason, String on) {}

    /**
     * @param severity wrong or needs-an-eye
     * @param units labels of the first of them; @param count of all
     * @param ways absent where they are still to be asked for
     * @param aside what was said when just this was set aside
     * @param changed what was said when it was set aside and was about something else
     */
    record CheckRow(
            String key,
            String chapter,
            String severity,
            String words,
            String beside,
            List<String> units,
            int count,
            Optional<FoundAt> spot,
            Optional<List<WayView>> ways,
            Optional<AsideView> aside,
            Optional<AsideView> changed) {

        static CheckRow of(Show show, Findings findings, Finding f, boolean ways) {
            return new CheckRow(
                    f.key().value(),
                    f.chapter().words(),
                    f.severity() == Severity.WRONG ? "wrong" : "needs-an-eye",
                    f.words(),
                    f.beside(),
                    f.who().stream().limit(MOST_UNITS).map(show::label).toList(),
                    (int) f.who().stream().map(UnitId::fixture).distinct().count(),
                    f.spot().map(s -> new FoundAt(s.what(), s.name(), s.list())),
                    ways ? Optional.of(WayView.of(findings, f)) : Optional.empty(),
                    findings.aside(f).map(CheckRow::aside),
                    findings.before(f).map(CheckRow::aside));
        }

        private static AsideView aside(Aside a) {
            return new AsideView(a.reason(), a.on());
        }
    }

    /** @param deed what did it, as the history has it; empty when it was several things */
    record MendedView(String finding, String words, String deed, String at) {

        static MendedView of(Mended m) {
            return new MendedView(m.finding(), m.words(), m.deed(), m.at().toString());
        }
    }

    /**
     * One chapter, and who put a name to it.
     *
     * @param by empty when nobody did
     * @param openThen how many findings were open then
     * @param changed whether anything of it is another than then
     */
    record SignedView(String chapter, int open, int setAside, String by, String on, int openThen, boolean changed) {

        static SignedView of(Show show, Findings findings, ChapterName chapter) {
            Optional<Signature> signed = show.find(PartKinds.SIGNATURES, chapter);
            int all = (int)
                    findings.all().stream().filter(f -> f.chapter() == chapter).count();
            int open = findings.open(chapter).size();
            return new SignedView(
                    chapter.words(),
                    open,
                    all - open,
                    signed.map(Signature::by).orElse(""),
                    signed.map(Signature::on).orElse(""),
                    signed.map(Signature::open).orElse(0),
                    signed.filter(s -> !s.print().equals(ChapterPrint.of(show, chapter)))
                            .isPresent());
        }
    }

    static CheckView of(Show show, long revision, Findings findings, List<Mended> mended) {
        List<CheckRow> rows = new ArrayList<>();
        for (Finding f :
                findings.all().subList(0, Math.min(MOST_ROWS, findings.all().size()))) {
            rows.add(CheckRow.of(show, findings, f, rows.size() < MOST_WAYS && findings.quick(f)));
        }
        List<SignedView> chapters = new ArrayList<>();
        for (ChapterName chapter : ChapterName.signed()) {
            chapters.add(SignedView.of(show, findings, chapter));
        }
        Paperwork paper = show.get(PartKinds.PAPERWORK, Whole.SHOW);
        int open = findings.open().size();
        return new CheckView(
                revision,
                open,
                findings.all().size() - open,
                rows,
                mended.stream().map(MendedView::of).toList(),
                chapters,
                paper.name(),
                paper.on());
    }
}
