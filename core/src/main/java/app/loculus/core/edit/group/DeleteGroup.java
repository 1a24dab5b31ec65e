package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;

/** Removes a group; its fixtures stay. */
public record DeleteGroup(GroupId group) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Group gone = draft.show().group(group).orElseThrow();
        draft.remove(PartKinds.GROUPS, group);
        draft.say("Deletes group " + gone.number() + " “" + gone.name() + "”; its fixtures stay");
    }
}
