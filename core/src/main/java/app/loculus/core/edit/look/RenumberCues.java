package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueNumber;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.CueListId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Gives all cues of a list even numbers, in their order. @param by the step from one to the next */
public record RenumberCues(CueListId list, CueNumber from, CueNumber by) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        List<Cue> cues = draft.show().cues(list);
        Map<app.loculus.core.look.CueId, Cue> after = new LinkedHashMap<>();
        int changed = 0;
        for (int i = 0; i < cues.size(); i++) {
            CueNumber number =
                    CueNumber.parse(java.math.BigDecimal.valueOf(from.thousandths() + (long) i * by.thousandths(), 3)
                            .toPlainString());
            changed += number.equals(cues.get(i).number()) ? 0 : 1;
            after.put(cues.get(i).id(), cues.get(i).numbered(number));
            draft.reads(PartKinds.CUES, cues.get(i).id());
        }
        draft.putAll(PartKinds.CUES, after);
        draft.say("Renumbers " + Numbers.count(changed, "cue") + " from " + from + " by " + by);
    }
}
