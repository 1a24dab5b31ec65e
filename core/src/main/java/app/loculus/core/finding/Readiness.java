package app.loculus.core.finding;

import app.loculus.core.ledger.ChapterName;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.List;

/** How far each chapter of the work is: what there is, or how many findings are open, by the very rows that Check has. */
public final class Readiness {

    private final Show show;
    private final Findings findings;

    private Readiness(Show show, Findings findings) {
        this.show = show;
        this.findings = findings;
    }

    public static List<Chapter> of(Show show, Findings findings) {
        Readiness readiness = new Readiness(show, findings);
        int looks = show.all(PartKinds.LOOKS).size();
        int inUse = show.profiles().all().size();
        return List.of(
                readiness.chapter(ChapterName.PROFILES, inUse, inUse + " in use", inUse + " in use", "none in use"),
                readiness.chapter(
                        ChapterName.PATCH,
                        show.patch().size(),
                        Numbers.count(show.patch().size(), "fixture"),
                        Numbers.count(show.patch().size(), "fixture") + " in "
                                + Numbers.count(show.patch().claims().size(), "universe"),
                        "nothing yet"),
                readiness.chapter(
                        ChapterName.GROUPS,
                        show.groups().size(),
                        String.valueOf(show.groups().size()),
                        Numbers.count(show.groups().size(), "group"),
                        "none yet"),
                readiness.chapter(
                        ChapterName.PALETTES,
                        show.palettes().size(),
                        String.valueOf(show.palettes().size()),
                        Numbers.count(show.palettes().size(), "palette"),
                        "none yet"),
                readiness.chapter(
                        ChapterName.LOOKS,
                        looks,
                        show.lists().isEmpty()
                                ? Numbers.count(looks, "look")
                                : Numbers.count(show.lists().size(), "list"),
                        Numbers.count(show.lists().size(), "list") + ", "
                                + Numbers.count(show.all(PartKinds.CUES).size(), "cue") + ", "
                                + Numbers.count(show.submasters().size(), "submaster"),
                        "none yet"),
                readiness.check(),
                readiness.handOver());
    }

    /** @param fact how much there is, when nothing is open @param holds the same at length */
    private Chapter chapter(ChapterName name, int size, String fact, String holds, String none) {
        List<Finding> open = findings.open(name);
        long wrong = open.stream().filter(f -> f.severity() == Severity.WRONG).count();
        if (!open.isEmpty()) {
            return new Chapter(
                    name.words(),
                    wrong == 0
                            ? open.size() + " open"
                            : wrong == open.size()
                                    ? wrong + " wrong"
                                    : wrong + " wrong, " + (open.size() - wrong) + " open",
                    size == 0 ? "" : holds,
                    wrong == 0 ? Chapter.State.NEEDS_AN_EYE : Chapter.State.WRONG);
        }
        return size == 0
                ? new Chapter(name.words(), none, "", Chapter.State.NOT_BEGUN)
                : new Chapter(name.words(), fact, holds, Chapter.State.READY);
    }

    private boolean begun() {
        return show.patch().size() > 0;
    }

    private Chapter check() {
        int open = findings.open().size();
        return new Chapter(
                "Check",
                open > 0 ? open + " open" : begun() ? "nothing open" : "—",
                begun() ? open + " open, " + (findings.all().size() - open) + " set aside" : "",
                open > 0 ? Chapter.State.NEEDS_AN_EYE : begun() ? Chapter.State.READY : Chapter.State.NOT_BEGUN);
    }

    private static String signedWords(int signed, int all) {
        return signed + " of " + all + " signed";
    }

    private Chapter handOver() {
        int signed = show.all(PartKinds.SIGNATURES).size();
        int all = ChapterName.signed().size();
        int open = findings.open(ChapterName.HAND_OVER).size();
        if (open > 0) {
            return new Chapter("Hand over", open + " open", signedWords(signed, all), Chapter.State.NEEDS_AN_EYE);
        }
        return new Chapter(
                "Hand over",
                begun() ? signedWords(signed, all) : "—",
                begun() ? signedWords(signed, all) : "",
                signed == all
                        ? Chapter.State.READY
                        : begun() && signed > 0 ? Chapter.State.NEEDS_AN_EYE : Chapter.State.NOT_BEGUN);
    }
}
