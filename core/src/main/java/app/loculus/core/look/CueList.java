package app.loculus.core.look;

import app.loculus.core.unit.Limits;
import app.loculus.core.unit.Seconds;
import app.loculus.core.value.CueListId;

/**
 * What joins cues.
 *
 * @param number unlike that of any other list
 * @param chase whether it is played by tempo; its cues and their times are kept either way
 * @param tempo how it runs as a chase
 * @param release how long it takes to give back what it holds
 */
public record CueList(
        CueListId id, int number, String name, String note, Join join, boolean chase, Tempo tempo, Seconds release) {

    /** How cues join. */
    public enum Join {
        /** What an earlier cue set stays until a later one says otherwise. */
        CARRYING_ON,
        /** Each cue is all there is. */
        STANDING_ALONE;

        public String words() {
            return this == CARRYING_ON ? "tracking" : "each cue complete";
        }
    }

    /** How long a list lets go unless another time is set. */
    public static final Seconds USUAL_RELEASE = new Seconds(2000);

    public CueList {
        name = Limits.name("list.name", "name", name);
        KeptNumber.check("list", number);
        Limits.text("list.note", "note", note, Limits.NOTES);
    }

    /** A new one. */
    public static CueList of(CueListId id, int number, String name) {
        return new CueList(id, number, name, "", Join.CARRYING_ON, false, Tempo.USUAL, USUAL_RELEASE);
    }

    public CueList numbered(int other) {
        return new CueList(id, other, name, note, join, chase, tempo, release);
    }

    public CueList named(String other) {
        return new CueList(id, number, other, note, join, chase, tempo, release);
    }

    public CueList noted(String other) {
        return new CueList(id, number, name, other, join, chase, tempo, release);
    }

    public CueList joined(Join other) {
        return new CueList(id, number, name, note, other, chase, tempo, release);
    }

    public CueList asChase(boolean other) {
        return new CueList(id, number, name, note, join, other, tempo, release);
    }

    public CueList at(Tempo other) {
        return new CueList(id, number, name, note, join, chase, other, release);
    }

    public CueList releasing(Seconds other) {
        return new CueList(id, number, name, note, join, chase, tempo, other);
    }

    @Override
    public String toString() {
        return "list " + number + " “" + name + "”";
    }
}
