package app.loculus.core.edit.group;

import app.loculus.core.selection.Choice;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Change;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.References;
import app.loculus.core.show.Refit;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.stream.Collectors;

/** Removes groups; their fixtures stay, and recipes made from them keep the units they have now. */
public record DeleteGroup(List<GroupId> groups) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        String names =
                groups.stream().map(g -> show.group(g).orElseThrow().toString()).collect(Collectors.joining(", "));
        List<Change<?, ?>> left = References.refitted(show, without(show)).stream()
                .filter(c -> c.of(PartKinds.GROUPS)
                        .filter(g -> groups.contains(g.key()))
                        .isEmpty())
                .toList();
        left.forEach(draft::change);
        groups.forEach(g -> draft.remove(PartKinds.GROUPS, g));
        draft.say("Deletes " + (groups.size() == 1 ? "group " : "groups ") + names + "; "
                + (groups.size() == 1 ? "its" : "their") + " fixtures stay");
        String users = References.groups(left);
        if (!users.isEmpty()) {
            draft.say(
                    "Made from " + (groups.size() == 1 ? "it" : "them") + ", and now of the units there are: " + users);
        }
    }

    private Refit without(Show show) {
        return new Refit() {
            @Override
            public boolean keepsGroup(GroupId group) {
                return !groups.contains(group);
            }

            @Override
            public Selection standing(Choice choice) {
                return show.chosen(choice);
            }
        };
    }
}
