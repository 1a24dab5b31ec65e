package app.loculus.core.edit.niche;

import app.loculus.core.niche.NichePage;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import java.util.Optional;

/** Calls a page otherwise. @param of palettes of this kind; groups when absent */
public record RenamePage(Optional<Kind> of, String name, String other) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        NichePage page = PageFinder.named(draft, of, name);
        NichePage renamed = page.named(other);
        draft.put(PartKinds.NICHE_PAGES, renamed);
        draft.say(page + " is called “" + renamed.name() + "”");
    }
}
