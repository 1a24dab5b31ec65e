package app.loculus.core.edit.niche;

import app.loculus.core.niche.NichePage;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import java.util.Optional;

/** Takes a page away; what stands in its niches stays where it is. @param of palettes of this kind; groups when absent */
public record DeletePage(Optional<Kind> of, String name) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        NichePage page = PageFinder.named(draft, of, name);
        draft.remove(PartKinds.NICHE_PAGES, page.id());
        draft.say("Takes " + page + " away; its niches stay");
    }
}
