package app.loculus.core.edit.ledger;

import app.loculus.core.ledger.Aside;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.List;

/** Leaves findings as they are, with a reason. @param asides at least one */
public record SetAside(List<Aside> asides) implements ShowEdit {

    public SetAside {
        asides = List.copyOf(asides);
    }

    public SetAside(Aside aside) {
        this(List.of(aside));
    }

    @Override
    public void on(Draft draft) {
        asides.forEach(aside -> draft.put(PartKinds.ASIDES, aside));
        Aside first = asides.get(0);
        draft.say("Sets aside: "
                + (asides.size() == 1 ? first.words() : Numbers.count(asides.size(), "finding"))
                + (first.reason().isEmpty() ? "" : " “" + first.reason() + "”"));
    }
}
