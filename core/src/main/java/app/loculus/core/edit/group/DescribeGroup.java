package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.selection.GroupId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Tint;
import java.util.List;
import java.util.Optional;

/** Marks groups with a tint, or writes a note beside them; what is absent stays. */
public record DescribeGroup(List<GroupId> groups, Optional<Tint> tint, Optional<String> note) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        groups.forEach(id -> {
            Group before = draft.show().group(id).orElseThrow();
            draft.put(before.described(tint.orElse(before.tint()), note.orElse(before.note())));
        });
        draft.say(Numbers.count(groups.size(), "group")
                + tint.map(t -> t == Tint.NONE ? " without a mark" : " marked " + t.word())
                        .orElse("")
                + note.map(n -> n.isEmpty() ? " without a note" : " with the note “" + n + "”")
                        .orElse(""));
    }
}
