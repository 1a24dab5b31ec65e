package app.loculus.core.command;

import app.loculus.core.edit.niche.DeletePage;
import app.loculus.core.edit.niche.RenamePage;
import app.loculus.core.edit.niche.SetPage;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Optional;

/** The verbs of pages of niches. */
final class NicheClauses extends RoomClauses {

    @Override
    public List<ShowEdit> visitSetPage(LineParser.SetPageContext c) {
        boolean sized = c.integer().size() > 1;
        return one(new SetPage(
                of(c.pageOf()),
                Terms.text(c.text()),
                Terms.integer(c.integer(0)),
                sized ? Optional.of(Terms.integer(c.integer(1))) : Optional.empty(),
                sized ? Optional.of(Terms.integer(c.integer(2))) : Optional.empty()));
    }

    @Override
    public List<ShowEdit> visitRenamePage(LineParser.RenamePageContext c) {
        return one(new RenamePage(of(c.pageOf()), Terms.text(c.text(0)), Terms.text(c.text(1))));
    }

    @Override
    public List<ShowEdit> visitDeletePage(LineParser.DeletePageContext c) {
        return one(new DeletePage(of(c.pageOf()), Terms.text(c.text())));
    }

    private static Optional<Kind> of(LineParser.PageOfContext c) {
        return Optional.ofNullable(c.kind()).map(k -> Kind.parse(k.getText()));
    }
}
