package app.loculus.core.edit.look;

import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.Submaster;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.Optional;

/** Moves a list, a look or a submaster to another niche; what stands there changes places with it. */
public sealed interface MoveKept extends ShowEdit {

    /** A list. */
    record OfList(int from, int to) implements MoveKept {
        @Override
        public void on(Draft draft) {
            Show show = draft.show();
            CueList moved = LookFinder.list(show, from);
            Optional<CueList> there = show.lists().stream()
                    .filter(l -> l.number() == to && from != to)
                    .findFirst();
            draft.put(PartKinds.LISTS, moved.numbered(to));
            there.ifPresent(l -> draft.put(PartKinds.LISTS, l.numbered(from)));
            say(draft, moved, moved.numbered(to), there);
        }
    }

    /** A look. */
    record OfLook(int from, int to) implements MoveKept {
        @Override
        public void on(Draft draft) {
            Show show = draft.show();
            Look moved = LookFinder.look(show, from);
            Optional<Look> there = show.looks().stream()
                    .filter(l -> l.number().equals(Optional.of(to)) && from != to)
                    .findFirst();
            draft.put(PartKinds.LOOKS, moved.numbered(to));
            there.ifPresent(l -> draft.put(PartKinds.LOOKS, l.numbered(from)));
            say(draft, moved, moved.numbered(to), there);
        }
    }

    /** A submaster. */
    record OfSubmaster(int from, int to) implements MoveKept {
        @Override
        public void on(Draft draft) {
            Show show = draft.show();
            Submaster moved = LookFinder.submaster(show, from);
            Optional<Submaster> there = show.submasters().stream()
                    .filter(s -> s.number() == to && from != to)
                    .findFirst();
            draft.put(PartKinds.SUBMASTERS, moved.numbered(to));
            there.ifPresent(s -> draft.put(PartKinds.SUBMASTERS, s.numbered(from)));
            say(draft, moved, moved.numbered(to), there);
        }
    }

    private static void say(Draft draft, Object from, Object to, Optional<?> there) {
        draft.say("Moves " + from + ": " + to
                + there.map(t -> "; " + t + " changes places with it").orElse(""));
    }
}
