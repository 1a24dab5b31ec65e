package app.loculus.core.check;

import app.loculus.core.edit.look.Plain;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Clash;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** How far each chapter of the work is. */
public final class Readiness {

    private final Show show;

    private Readiness(Show show) {
        this.show = show;
    }

    /** For as long as they hold. */
    private record Chapters(List<Chapter> all) {}

    public static List<Chapter> of(Show show) {
        return show.lasting(Chapters.class, () -> new Chapters(chapters(show))).all();
    }

    private static List<Chapter> chapters(Show show) {
        Readiness readiness = new Readiness(show);
        return List.of(
                readiness.profiles(),
                readiness.patch(),
                readiness.groups(),
                readiness.palettes(),
                readiness.looks(),
                readiness.check());
    }

    private Chapter profiles() {
        int inUse = show.profiles().all().size();
        return new Chapter(
                "Profiles",
                inUse == 0 ? "none in use" : inUse + " in use",
                inUse == 0 ? Chapter.State.NOT_BEGUN : Chapter.State.READY);
    }

    private Chapter patch() {
        Map<Boolean, Long> clashes = show.patch().clashes().stream()
                .collect(Collectors.partitioningBy(Clash::shared, Collectors.counting()));
        int open = clashes.get(false).intValue();
        int shared = clashes.get(true).intValue();
        long unpatched =
                show.patch().fixtures().stream().filter(f -> !f.patched()).count();
        if (show.patch().size() == 0) {
            return new Chapter("Patch", "nothing yet", Chapter.State.NOT_BEGUN);
        }
        if (open > 0) {
            return new Chapter("Patch", open + (open == 1 ? " clash" : " clashes"), Chapter.State.WRONG);
        }
        long wrong = marked();
        if (wrong > 0) {
            return new Chapter("Patch", wrong + " wrong or dead", Chapter.State.NEEDS_AN_EYE);
        }
        if (unpatched > 0) {
            return new Chapter("Patch", unpatched + " unpatched", Chapter.State.NEEDS_AN_EYE);
        }
        return shared > 0
                ? new Chapter("Patch", shared + " shared", Chapter.State.NEEDS_AN_EYE)
                : new Chapter("Patch", Numbers.count(show.patch().size(), "fixture"), Chapter.State.READY);
    }

    private Chapter groups() {
        int groups = show.groups().size();
        return new Chapter(
                "Groups",
                groups == 0 ? "none yet" : String.valueOf(groups),
                groups == 0 ? Chapter.State.NOT_BEGUN : Chapter.State.READY);
    }

    private Chapter palettes() {
        int palettes = show.palettes().size();
        long lacking = palettes == 0 ? 0 : show.coverage().lacking();
        if (lacking > 0) {
            return new Chapter(
                    "Palettes",
                    lacking + (lacking == 1 ? " misses a type" : " miss a type"),
                    Chapter.State.NEEDS_AN_EYE);
        }
        return new Chapter(
                "Palettes",
                palettes == 0 ? "none yet" : String.valueOf(palettes),
                palettes == 0 ? Chapter.State.NOT_BEGUN : Chapter.State.READY);
    }

    private Chapter looks() {
        int looks = show.all(PartKinds.LOOKS).size();
        if (looks == 0) {
            return new Chapter("Looks", "none yet", Chapter.State.NOT_BEGUN);
        }
        long plain = show.all(PartKinds.LOOKS).values().stream()
                .filter(l -> !Plain.of(show, l.values()).isEmpty())
                .count();
        String fact = show.lists().isEmpty()
                ? Numbers.count(looks, "look")
                : Numbers.count(show.lists().size(), "list");
        return new Chapter(
                "Looks",
                plain == 0 ? fact : fact + " · " + plain + " plain",
                plain == 0 ? Chapter.State.READY : Chapter.State.NEEDS_AN_EYE);
    }

    private Chapter check() {
        int gaps = gaps();
        boolean begun = show.patch().size() > 0;
        String fact = gaps > 0 ? gaps + " to see" : begun ? "nothing to see" : "—";
        return new Chapter(
                "Check",
                fact,
                gaps > 0 ? Chapter.State.NEEDS_AN_EYE : begun ? Chapter.State.READY : Chapter.State.NOT_BEGUN);
    }

    /** Fixtures that did not answer as they should when they were brought up. */
    private long marked() {
        return show.patch().fixtures().stream()
                .map(f -> f.bringUp().answer())
                .filter(a -> a == BringUp.Answer.WRONG || a == BringUp.Answer.DEAD)
                .count();
    }

    /** As many as Check lists. */
    private int gaps() {
        return Gaps.of(show).size();
    }
}
