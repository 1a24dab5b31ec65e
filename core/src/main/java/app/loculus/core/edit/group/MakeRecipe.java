package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Pattern;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.List;

/** Gives a group another recipe. */
public record MakeRecipe(GroupId group, Choice base, List<Pattern> patterns) implements ShowEdit {

    public MakeRecipe {
        patterns = List.copyOf(patterns);
    }

    @Override
    public void on(Draft draft) {
        Group before = draft.show().group(group).orElseThrow();
        int were = draft.show().units(before).size();
        draft.chosen(base);
        Group after = before.holding(new GroupContent.Recipe(base, patterns));
        draft.put(after);
        draft.say("Group " + before + " follows "
                + draft.show().words(after.content().choice()) + ": " + were + " → "
                + Numbers.count(draft.show().units(after).size(), "unit"));
    }
}
