package app.loculus.core.look;

import app.loculus.core.unit.Limits;
import app.loculus.core.unit.Tint;

/**
 * One look under a level.
 *
 * @param number unlike that of any other submaster
 */
public record Submaster(SubmasterId id, int number, String name, Tint tint, String note, LookId look) {

    public Submaster {
        name = Limits.name("submaster.name", "name", name);
        KeptNumber.check("submaster", number);
        Limits.text("submaster.note", "note", note, Limits.NOTES);
    }

    public Submaster numbered(int other) {
        return new Submaster(id, other, name, tint, note, look);
    }

    public Submaster named(String other) {
        return new Submaster(id, number, other, tint, note, look);
    }

    @Override
    public String toString() {
        return "submaster " + number + " “" + name + "”";
    }
}
