package app.loculus.core.play;

import app.loculus.core.look.CueId;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.selection.GroupId;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.CueListId;
import java.util.Optional;

/** Something that is pressed or moved while playing. None of it is an edit. */
public sealed interface Press {

    /** What each of them is in another form: words, a record. */
    interface Cases<R> {

        R go(CueListId list);

        R back(CueListId list);

        R pause(CueListId list);

        R jump(CueListId list, CueId cue);

        R release(CueListId list);

        R releaseAll();

        R level(CueListId list, Fraction level);

        R rate(CueListId list, double rate);

        R tap(CueListId list);

        R under(SubmasterId submaster, Fraction level);

        R flash(SubmasterId submaster, boolean held);

        R group(GroupId group, Fraction level);

        R master(Fraction level);

        R blind(boolean on);
    }

    /** The same in another form. */
    <R> R as(Cases<R> cases);

    /** The list that has to run for it to do anything. */
    default Optional<CueListId> ofRunning() {
        return Optional.empty();
    }

    /** The next cue; a chase begins or goes on. */
    record Go(CueListId list) implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.go(list);
        }
    }

    /** The cue before. */
    record Back(CueListId list) implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.back(list);
        }
    }

    /** Everything of a list stands still, or goes on where it stood. */
    record Pause(CueListId list) implements Press {
        @Override
        public Optional<CueListId> ofRunning() {
            return Optional.of(list);
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.pause(list);
        }
    }

    /** A cue out of turn. */
    record Jump(CueListId list, CueId cue) implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.jump(list, cue);
        }
    }

    /** Back to what lies below, in the list's own time. */
    record Release(CueListId list) implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.release(list);
        }
    }

    /** Everything that runs. */
    record ReleaseAll() implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.releaseAll();
        }
    }

    /** How bright a list is at its brightest. */
    record Level(CueListId list, Fraction level) implements Press {
        @Override
        public Optional<CueListId> ofRunning() {
            return Optional.of(list);
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.level(list, level);
        }
    }

    /** Steps a minute while it runs. @param rate above 0, at most 1200 */
    record Rate(CueListId list, double rate) implements Press {
        @Override
        public Optional<CueListId> ofRunning() {
            return Optional.of(list);
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.rate(list, rate);
        }
    }

    /** One beat of the tempo that is wanted. */
    record Tap(CueListId list) implements Press {
        @Override
        public Optional<CueListId> ofRunning() {
            return Optional.of(list);
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.tap(list);
        }
    }

    /** A submaster to a level. */
    record Under(SubmasterId submaster, Fraction level) implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.under(submaster, level);
        }
    }

    /** A submaster full up as long as it is held. */
    record Flash(SubmasterId submaster, boolean held) implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.flash(submaster, held);
        }
    }

    /** A group to a level, over what else lights it. */
    record Group(GroupId group, Fraction level) implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.group(group, level);
        }
    }

    /** Everything there is, scaled. */
    record Master(Fraction level) implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.master(level);
        }
    }

    /** Working values are kept from the output as long as it is on. */
    record Blind(boolean on) implements Press {
        @Override
        public <R> R as(Cases<R> cases) {
            return cases.blind(on);
        }
    }
}
