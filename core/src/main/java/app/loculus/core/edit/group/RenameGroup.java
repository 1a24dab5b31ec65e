package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.selection.GroupId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Names;
import app.loculus.core.show.ShowEdit;

/** Gives a group another name. */
public record RenameGroup(GroupId group, String name) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Group before = draft.show().group(group).orElseThrow();
        draft.put(before.named(Names.checked(name)));
        draft.say("Group " + before.number() + " is called “" + name + "”");
    }
}
