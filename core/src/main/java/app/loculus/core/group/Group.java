package app.loculus.core.group;

import app.loculus.core.problem.Refusal;
import app.loculus.core.selection.GroupId;
import app.loculus.core.unit.Limits;
import app.loculus.core.unit.Tint;

/**
 * A numbered, named group.
 *
 * @param number 1 and up, unique among groups; its niche
 * @param tint what its niche is marked with
 * @param note whatever the crew wants to remember, may be empty
 */
public record Group(GroupId id, int number, String name, GroupContent content, Tint tint, String note) {

    public static final int LAST_NUMBER = 9999;

    /** One without mark or note. */
    public Group(GroupId id, int number, String name, GroupContent content) {
        this(id, number, name, content, Tint.NONE, "");
    }

    public Group {
        if (number < 1 || number > LAST_NUMBER) {
            throw Refusal.of(
                    "group.number", "group", "Group number " + number + " is outside 1 to " + LAST_NUMBER + ".");
        }
        Limits.text("group.name", "name", name, Limits.NAME);
        // What earlier versions wrote has neither.
        tint = tint == null ? Tint.NONE : tint;
        note = note == null ? "" : Limits.text("group.note", "note", note, Limits.NOTES);
    }

    public Group named(String newName) {
        return new Group(id, number, newName, content, tint, note);
    }

    public Group numbered(int newNumber) {
        return new Group(id, newNumber, name, content, tint, note);
    }

    public Group holding(GroupContent newContent) {
        return new Group(id, number, name, newContent, tint, note);
    }

    public Group described(Tint newTint, String newNote) {
        return new Group(id, number, name, content, newTint, newNote);
    }

    /** {@code 4 “Bridge washes”}. */
    @Override
    public String toString() {
        return number + " “" + name + "”";
    }
}
