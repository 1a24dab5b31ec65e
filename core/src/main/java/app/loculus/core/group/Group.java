package app.loculus.core.group;

import app.loculus.core.problem.Refusal;

/**
 * A numbered, named group.
 *
 * @param number 1 and up, unique among groups
 */
public record Group(GroupId id, int number, String name, GroupContent content) {

    public Group {
        if (number < 1 || number > 9999) {
            throw Refusal.of("group.number", "group", "Group number " + number + " is outside 1 to 9999.");
        }
    }

    public Group named(String newName) {
        return new Group(id, number, newName, content);
    }

    public Group holding(GroupContent newContent) {
        return new Group(id, number, name, newContent);
    }
}
