package app.loculus.core.edit.hand;

import app.loculus.core.group.Group;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Spread;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import java.util.Optional;

/** Sets the intensity of a group; the selection stays there. @param percent 0 to 100 */
public record LevelOf(GroupId group, double percent) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.reads(PartKinds.GROUPS, group);
        Group of = draft.show().group(group).orElseThrow();
        Selection units = draft.show().units(of);
        if (units.isEmpty()) {
            throw Refusal.of(
                    "group.nobody",
                    "group",
                    "Nothing is in group " + of + ".",
                    WayOut.advice("Take lights into it, or change what it follows."));
        }
        Hand held = draft.hand();
        draft.hold(held.choosing(units));
        new SetSpread("Dimmer", Spread.of(percent), Amount.PERCENT, Optional.empty()).on(draft);
        draft.hold(held);
    }
}
