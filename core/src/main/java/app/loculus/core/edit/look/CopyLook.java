package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.Optional;

/** Copies what a look holds to a place that is free; from cue to cue its times and note as well. */
public record CopyLook(LookId look, Place to) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Look from = show.look(look);
        draft.reads(PartKinds.LOOKS, look);
        if (to.there(show).isPresent()) {
            throw Refusal.of(
                    "look.exists",
                    "look",
                    to.words(show) + " exists already.",
                    WayOut.advice("Copy to a number that is free, or delete it first."));
        }
        Optional<Cue> cue = show.all(PartKinds.CUES).values().stream()
                .filter(c -> c.look().equals(look))
                .findFirst();
        Optional<String> name = cue.map(Cue::name)
                .or(() -> show.submasters().stream()
                        .filter(s -> s.look().equals(look))
                        .map(s -> s.name())
                        .findFirst())
                .or(() -> Optional.of(from.name()))
                .filter(n -> !n.isBlank());
        String words = to.put(draft, Look.held(show.next(PartKinds.LOOKS), from.values()), name);
        if (to instanceof Place.InList in) {
            cue.ifPresent(c -> in.cue(draft.show())
                    .ifPresent(copy -> draft.put(
                            PartKinds.CUES,
                            copy.noted(c.note()).timed(c.timing()).followed(c.next()))));
        }
        draft.say("Copies " + LookHolders.words(show, from) + " to " + words);
    }
}
