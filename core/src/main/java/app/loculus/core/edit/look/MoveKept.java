package app.loculus.core.edit.look;

import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.Submaster;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToIntFunction;

/** Moves a list, a look or a submaster to another niche; what stands there changes places with it. */
public record MoveKept(What what, int from, int to) implements ShowEdit {

    /** What is moved. */
    public enum What {
        LIST,
        LOOK,
        SUBMASTER
    }

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        switch (what) {
            case LIST ->
                swap(
                        draft,
                        PartKinds.LISTS,
                        LookFinder.list(show, from),
                        show.lists(),
                        CueList::number,
                        CueList::numbered);
            case LOOK ->
                swap(
                        draft,
                        PartKinds.LOOKS,
                        LookFinder.look(show, from),
                        show.looks(),
                        l -> l.number().orElse(0),
                        Look::numbered);
            case SUBMASTER ->
                swap(
                        draft,
                        PartKinds.SUBMASTERS,
                        LookFinder.submaster(show, from),
                        show.submasters(),
                        Submaster::number,
                        Submaster::numbered);
        }
    }

    private <P> void swap(
            Draft draft,
            PartKind<?, P> kind,
            P moved,
            List<P> all,
            ToIntFunction<P> number,
            BiFunction<P, Integer, P> numbered) {
        Optional<P> there = all.stream()
                .filter(p -> number.applyAsInt(p) == to && from != to)
                .findFirst();
        draft.put(kind, numbered.apply(moved, to));
        there.ifPresent(p -> draft.put(kind, numbered.apply(p, from)));
        draft.say("Moves " + moved + ": " + numbered.apply(moved, to)
                + there.map(p -> "; " + p + " changes places with it").orElse(""));
    }
}
