package app.loculus.core.edit.drawing;

import app.loculus.core.drawing.DrawingFile;
import app.loculus.core.drawing.FocusPoint;
import app.loculus.core.drawing.KeptDrawing;
import app.loculus.core.drawing.KeptDrawing.Known;
import app.loculus.core.drawing.Scenery;
import app.loculus.core.edit.mark.MarkFinder;
import app.loculus.core.edit.mark.SetMark;
import app.loculus.core.edit.patch.AddressAsSaid;
import app.loculus.core.edit.patch.PlaceFixtures;
import app.loculus.core.edit.patch.ReviseFixtures;
import app.loculus.core.edit.patch.ReviseFixtures.Revision;
import app.loculus.core.geometry.Pose;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Inverted;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Takes of a drawing what somebody chose, and keeps the rest of it for the stage and for going out again.
 *
 * @param revised what becomes of fixtures, but for where they hang
 * @param hung every fixture that is in both afterwards
 * @param marks those that are taken
 * @param kept what the show has kept of the same drawing before, to be kept no longer
 */
public record TakeDrawing(
        ReviseFixtures revised,
        List<Hung> hung,
        List<TakenMark> marks,
        List<Scenery> scenery,
        DrawingFile file,
        String on,
        List<Integer> kept)
        implements ShowEdit {

    /**
     * @param number in the show, when it is done
     * @param pose where it is to hang; empty to leave it where it is
     * @param inverted which ways it is to be inverted; empty to leave that as it is
     * @param gel what is to be in front of it: empty to leave that as it is, with nothing in it for none
     * @param notes written where there are none
     */
    public record Hung(
            int number,
            String identity,
            Optional<Pose> pose,
            Optional<Inverted> inverted,
            Optional<Optional<Gel>> gel,
            String notes) {}

    /** @param known the mark that it is in the show; @param taken whether its name and place are */
    public record TakenMark(FocusPoint point, Optional<MarkId> known, boolean taken) {}

    @Override
    public void on(Draft draft) {
        List<Revision> rest = revised.revisions().stream()
                .map(TakeDrawing::withoutStarts)
                .filter(r -> !r.equals(Revision.of(r.number())))
                .toList();
        if (!rest.isEmpty() || !revised.deleted().isEmpty()) {
            new ReviseFixtures(rest, revised.deleted()).on(draft);
        }
        new AddressAsSaid(revised.revisions(), "as drawn", "drawing.address", "Correct it in Patch, or in the drawing.")
                .on(draft);
        List<KeptDrawing> before = kept.stream()
                .flatMap(n -> draft.show().find(PartKinds.DRAWINGS, n).stream())
                .toList();
        List<Known> fixtures = hang(draft);
        List<Known> known = marks(draft);
        int inBoth = fixtures.size();
        int marksInBoth = known.size();
        before.forEach(k -> {
            remember(k.fixtures(), fixtures);
            remember(k.marks(), known);
        });
        kept.forEach(number -> draft.remove(PartKinds.DRAWINGS, number));
        int number =
                kept.stream().min(Integer::compare).orElseGet(() -> draft.show().next(PartKinds.DRAWINGS));
        draft.put(PartKinds.DRAWINGS, new KeptDrawing(number, on, file, fixtures, known, scenery));
        draft.say("Keeps “" + file.name() + "” with the show: " + Numbers.count(inBoth, "fixture") + " and "
                + Numbers.count(marksInBoth, "mark") + " are in both"
                + (scenery.isEmpty() ? "" : ", " + Numbers.count(scenery.size(), "thing") + " of scenery"));
    }

    /** What an earlier state of the drawing knew and this one lacks: that it was deleted, or what it is known by. */
    private static void remember(List<Known> earlier, List<Known> now) {
        Set<String> identities = now.stream().map(Known::identity).collect(Collectors.toSet());
        Set<Integer> ids = now.stream().map(Known::id).collect(Collectors.toSet());
        earlier.stream()
                .filter(k -> !identities.contains(k.identity()) && (k.gone() || !ids.contains(k.id())))
                .forEach(now::add);
    }

    private static Revision withoutStarts(Revision r) {
        return new Revision(
                r.number(), r.renumbered(), r.name(), r.type(), Optional.empty(), r.position(), r.purpose(), r.notes());
    }

    private List<Known> hang(Draft draft) {
        List<Known> known = new ArrayList<>();
        List<Fixture> changed = new ArrayList<>();
        int placed = 0;
        for (Hung h : hung) {
            Optional<Fixture> found = draft.show().patch().numbered(h.number());
            if (found.isEmpty()) {
                continue;
            }
            Fixture before = found.get();
            h.pose().ifPresent(p -> PlaceFixtures.check(p.place()));
            Fixture after = h.pose().map(before::placed).orElse(before);
            after = h.inverted().map(after::turning).orElse(after);
            after = h.gel().map(after::gelled).orElse(after);
            after = after.notes().isEmpty() && !h.notes().isEmpty() ? after.noted(h.notes()) : after;
            if (!after.equals(before)) {
                changed.add(after);
                placed += after.pose().equals(before.pose()) ? 0 : 1;
            }
            known.add(new Known(before.id().value(), h.identity()));
        }
        draft.putAll(changed);
        if (placed > 0) {
            draft.say("Hangs " + Numbers.count(placed, "fixture") + " where the drawing has them");
        }
        return known;
    }

    private List<Known> marks(Draft draft) {
        // All names at once: two may have changed theirs between them.
        Map<MarkId, Mark> renamed = new LinkedHashMap<>();
        for (TakenMark m : marks) {
            m.known()
                    .filter(id -> m.taken())
                    .flatMap(draft.show()::mark)
                    .filter(mark -> !mark.name().equals(m.point().name()))
                    .ifPresent(
                            mark -> renamed.put(mark.id(), mark.named(m.point().name())));
        }
        draft.putAll(PartKinds.MARKS, renamed);
        List<Known> known = new ArrayList<>();
        for (TakenMark m : marks) {
            if (m.taken()) {
                new SetMark(m.point().name(), m.point().at()).on(draft);
            }
            Show now = draft.show();
            (m.taken() ? MarkFinder.find(now, m.point().name()) : m.known().flatMap(now::mark))
                    .ifPresent(mark ->
                            known.add(new Known(mark.id().value(), m.point().identity())));
        }
        return known;
    }
}
