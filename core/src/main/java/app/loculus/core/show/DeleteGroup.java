package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupId;

/** Removes a group; its fixtures stay. */
public record DeleteGroup(GroupId group) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Group gone = draft.show().group(group).orElseThrow();
        draft.remove(gone);
        draft.say("Deletes group " + gone.number() + " “" + gone.name() + "”; its fixtures stay");
    }
}
