package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupId;

/** Gives a group another name. */
public record RenameGroup(GroupId group, String name) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Group before = draft.show().group(group).orElseThrow();
        draft.put(before.named(Names.checked(name)));
        draft.say("Group " + before.number() + " is called “" + name + "”");
    }
}
