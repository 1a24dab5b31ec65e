package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Start;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Seconds;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Sets times, notes and what comes next, of one cue or of several alike. */
public record SetCues(List<CueId> cues, List<Change> changes) implements ShowEdit {

    /** One thing about a cue. */
    public sealed interface Change {

        Cue of(Cue before);

        /** A time. @param time absent: as usual */
        record Time(Which which, Optional<Seconds> time) implements Change {
            @Override
            public Cue of(Cue before) {
                return before.timed(
                        switch (which) {
                            case IN -> before.timing().in(time);
                            case OUT -> before.timing().out(time);
                            case REST -> before.timing().rest(time);
                            case WAIT -> before.timing().delay(time.orElse(Seconds.ZERO));
                        });
            }
        }

        /** What starts the cue after it. */
        record Next(Start start) implements Change {
            @Override
            public Cue of(Cue before) {
                return before.followed(start);
            }
        }

        /** Free text. */
        record Note(String text) implements Change {
            @Override
            public Cue of(Cue before) {
                return before.noted(text);
            }
        }

        /** What it is called. */
        record Name(String text) implements Change {
            @Override
            public Cue of(Cue before) {
                return before.named(text);
            }
        }
    }

    /** Which of its times. */
    public enum Which {
        IN,
        OUT,
        REST,
        WAIT
    }

    public SetCues {
        cues = List.copyOf(cues);
        changes = List.copyOf(changes);
    }

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        int changed = 0;
        for (CueId id : cues) {
            Cue before = show.get(PartKinds.CUES, id);
            draft.reads(PartKinds.CUES, id);
            Cue after = before;
            for (Change change : changes) {
                after = change.of(after);
            }
            if (!after.equals(before)) {
                draft.put(PartKinds.CUES, after);
                changed++;
                if (cues.size() == 1) {
                    String list = show.list(after.list()).map(CueList::toString).orElse("");
                    draft.say("Sets " + after + " of " + list + ": " + words(after));
                }
            }
        }
        if (changed == 0) {
            draft.say("Nothing changes: " + (cues.size() == 1 ? "it is" : "they are") + " so already");
        } else if (cues.size() > 1) {
            draft.say("Sets " + changed + " of " + cues.size() + " cues: "
                    + cues.stream()
                            .limit(8)
                            .map(id -> draft.show()
                                    .get(PartKinds.CUES, id)
                                    .number()
                                    .toString())
                            .collect(Collectors.joining(", "))
                    + (cues.size() > 8 ? " …" : ""));
        }
    }

    private static String words(Cue cue) {
        String times = cue.timing().toString();
        return (times.isEmpty() ? "at once" : times) + (cue.next().byItself() ? ", " + cue.next() : "");
    }
}
