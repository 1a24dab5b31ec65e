package app.loculus.core.edit.niche;

import app.loculus.core.niche.NichePage;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import java.util.Optional;

/**
 * Sets a page, or changes the one of that name.
 *
 * @param of palettes of this kind; groups when absent
 * @param columns as it is, or as usual, when absent; likewise the rows
 */
public record SetPage(Optional<Kind> of, String name, int first, Optional<Integer> columns, Optional<Integer> rows)
        implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Optional<NichePage> there = PageFinder.find(draft.show(), of, name);
        NichePage page = new NichePage(
                there.map(NichePage::id).orElseGet(() -> draft.show().next(PartKinds.NICHE_PAGES)),
                of,
                there.map(NichePage::name).orElse(name),
                first,
                columns.or(() -> there.map(NichePage::columns)).orElse(NichePage.USUAL_COLUMNS),
                rows.or(() -> there.map(NichePage::rows)).orElse(NichePage.USUAL_ROWS));
        draft.put(PartKinds.NICHE_PAGES, page);
        draft.say((there.isPresent() ? "Changes " : "Sets ") + page + ": " + page.first() + " to " + page.last() + ", "
                + page.columns() + " by " + page.rows());
    }
}
