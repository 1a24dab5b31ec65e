package app.loculus.core.edit.look;

import app.loculus.core.look.CueList;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * Sets how a list is played, or makes one. One that is named and no more is the chosen one from then on.
 *
 * @param number of the list; a new one when there is none
 * @param changes each what becomes of it
 */
public record SetList(int number, Optional<String> name, List<UnaryOperator<CueList>> changes) implements ShowEdit {

    public SetList {
        changes = List.copyOf(changes);
    }

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Optional<CueList> there =
                show.lists().stream().filter(l -> l.number() == number).findFirst();
        if (there.isEmpty() && name.isEmpty() && !changes.isEmpty()) {
            // It would be made by a slip of the finger.
            LookFinder.list(show, number);
        }
        CueList before =
                there.orElseGet(() -> CueList.of(show.next(PartKinds.LISTS), number, name.orElse("List " + number)));
        CueList after = name.map(before::named).orElse(before);
        for (UnaryOperator<CueList> change : changes) {
            after = change.apply(after);
        }
        boolean chosen = name.isEmpty() && changes.isEmpty();
        if (chosen) {
            draft.hold(draft.hand().onList(before.id()));
        }
        if (there.isPresent() && chosen) {
            draft.say("Chooses " + before + ": what names no list is recorded and played there");
            return;
        }
        draft.put(PartKinds.LISTS, after);
        draft.say((there.isEmpty() ? "Makes " : "Sets ") + after + ": " + words(after));
        if (chosen) {
            draft.say("What names no list is recorded and played there");
        }
    }

    /** How a list is played. */
    public static String words(CueList list) {
        return list.join().words() + (list.chase() ? ", as a chase, " + list.tempo() : "") + ", released in "
                + list.release() + " s";
    }
}
