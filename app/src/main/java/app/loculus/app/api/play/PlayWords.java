package app.loculus.app.api.play;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.play.Press;
import app.loculus.core.selection.GroupId;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.CueListId;

/** What was pressed, in words. */
public final class PlayWords implements Press.Cases<String> {

    private final Show show;

    private PlayWords(Show show) {
        this.show = show;
    }

    public static String of(Show show, Press press) {
        return press.as(new PlayWords(show));
    }

    private String list(CueListId id) {
        return show.list(id).map(CueList::toString).orElse("a list that is gone");
    }

    @Override
    public String go(CueListId list) {
        return "Goes on: " + list(list);
    }

    @Override
    public String back(CueListId list) {
        return "Goes back: " + list(list);
    }

    @Override
    public String pause(CueListId list) {
        return "Pauses, or goes on: " + list(list);
    }

    @Override
    public String jump(CueListId list, app.loculus.core.look.CueId cue) {
        return "Goes to " + show.find(PartKinds.CUES, cue).map(Cue::toString).orElse("a cue that is gone") + " of "
                + list(list);
    }

    @Override
    public String release(CueListId list) {
        return "Releases " + list(list);
    }

    @Override
    public String releaseAll() {
        return "Releases everything";
    }

    @Override
    public String level(CueListId list, Fraction level) {
        return list(list) + " at " + level;
    }

    @Override
    public String rate(CueListId list, double rate) {
        return list(list) + " at " + Decimal.text(rate, 1) + " a minute";
    }

    @Override
    public String tap(CueListId list) {
        return "Taps " + list(list);
    }

    @Override
    public String under(SubmasterId id, Fraction level) {
        return show.find(PartKinds.SUBMASTERS, id).map(Object::toString).orElse("a submaster that is gone") + " at "
                + level;
    }

    @Override
    public String flash(SubmasterId id, boolean held) {
        return (held ? "Flashes " : "Releases ")
                + show.find(PartKinds.SUBMASTERS, id).map(Object::toString).orElse("a submaster that is gone");
    }

    @Override
    public String group(GroupId id, Fraction level) {
        return "Group " + show.group(id).map(Object::toString).orElse("that is gone") + " at " + level;
    }

    @Override
    public String master(Fraction level) {
        return "Everything at " + level;
    }

    @Override
    public String blind(boolean on) {
        return on ? "Blind: working values are kept from the output" : "Live: working values go out";
    }
}
