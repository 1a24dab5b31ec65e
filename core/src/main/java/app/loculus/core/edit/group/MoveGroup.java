package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.selection.GroupId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.Optional;

/** Puts a group into another niche; whichever stands there comes here. */
public record MoveGroup(GroupId group, int to) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Group moved = draft.show().group(group).orElseThrow();
        Optional<Group> there = GroupFinder.numbered(draft.show(), to).filter(g -> g != moved);
        draft.put(moved.numbered(to));
        there.ifPresent(g -> draft.put(g.numbered(moved.number())));
        draft.say("Group " + moved + " is number " + to
                + there.map(g -> "; “" + g.name() + "” is number " + moved.number())
                        .orElse(""));
    }
}
