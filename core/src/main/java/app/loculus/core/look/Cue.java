package app.loculus.core.look;

import app.loculus.core.unit.Limits;
import app.loculus.core.value.CueListId;

/**
 * One step of a list.
 *
 * @param name may be empty
 * @param note free text, may be empty
 * @param look what it holds
 * @param next what starts the cue after it
 */
public record Cue(
        CueId id, CueListId list, CueNumber number, String name, String note, LookId look, Timing timing, Start next) {

    public Cue {
        name = Limits.text("cue.name", "name", name, Limits.NAME).strip();
        Limits.text("cue.note", "note", note, Limits.NOTES);
    }

    public Cue numbered(CueNumber other) {
        return new Cue(id, list, other, name, note, look, timing, next);
    }

    public Cue named(String other) {
        return new Cue(id, list, number, other, note, look, timing, next);
    }

    public Cue noted(String other) {
        return new Cue(id, list, number, name, other, look, timing, next);
    }

    public Cue timed(Timing other) {
        return new Cue(id, list, number, name, note, look, other, next);
    }

    public Cue followed(Start other) {
        return new Cue(id, list, number, name, note, look, timing, other);
    }

    @Override
    public String toString() {
        return "cue " + number + (name.isEmpty() ? "" : " “" + name + "”");
    }
}
