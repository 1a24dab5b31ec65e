package app.loculus.core.command;

import app.loculus.core.edit.group.GroupFinder;
import app.loculus.core.edit.look.LookFinder;
import app.loculus.core.look.CueList;
import app.loculus.core.play.Press;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.CueListId;

/** What is pressed or moved while playing, in one show. */
final class Presses extends LineBaseVisitor<Press> {

    private final Show show;

    Presses(Show show) {
        this.show = show;
    }

    private CueListId list(LineParser.ListRefContext c) {
        return c == null
                ? LookFinder.chosen(show).id()
                : LookClauses.list(show, c).id();
    }

    @Override
    public Press visitPlayGo(LineParser.PlayGoContext c) {
        CueListId list = list(c.listRef());
        if (show.cues(list).isEmpty()) {
            throw Refusal.of("list.empty", "list", show.list(list).orElseThrow() + " has no cues yet.");
        }
        return new Press.Go(list);
    }

    @Override
    public Press visitPlayBack(LineParser.PlayBackContext c) {
        return new Press.Back(list(c.listRef()));
    }

    @Override
    public Press visitPlayPause(LineParser.PlayPauseContext c) {
        return new Press.Pause(list(c.listRef()));
    }

    @Override
    public Press visitPlayJump(LineParser.PlayJumpContext c) {
        CueList list = LookClauses.list(show, c.ofList());
        return new Press.Jump(
                list.id(),
                LookFinder.cue(show, list, LookClauses.number(c.cueRef())).id());
    }

    @Override
    public Press visitPlayRelease(LineParser.PlayReleaseContext c) {
        return c.EVERYTHING() != null ? new Press.ReleaseAll() : new Press.Release(list(c.listRef()));
    }

    @Override
    public Press visitPlayLevel(LineParser.PlayLevelContext c) {
        return new Press.Level(list(c.listRef()), level(c.amount()));
    }

    @Override
    public Press visitPlayGroup(LineParser.PlayGroupContext c) {
        return new Press.Group(
                (c.groupRef().integer() != null
                                ? GroupFinder.number(
                                        show, Terms.integer(c.groupRef().integer()))
                                : GroupFinder.named(
                                        show, Terms.text(c.groupRef().text())))
                        .id(),
                level(c.amount()));
    }

    @Override
    public Press visitPlayRate(LineParser.PlayRateContext c) {
        CueList list = show.list(list(c.listRef())).orElseThrow();
        return new Press.Rate(
                list.id(), list.tempo().rate(Terms.number(c.number())).rate());
    }

    @Override
    public Press visitPlayTap(LineParser.PlayTapContext c) {
        return new Press.Tap(list(c.listRef()));
    }

    @Override
    public Press visitPlaySubmaster(LineParser.PlaySubmasterContext c) {
        return new Press.Under(
                LookFinder.submaster(show, Terms.integer(c.integer())).id(), level(c.amount()));
    }

    @Override
    public Press visitPlayMaster(LineParser.PlayMasterContext c) {
        return new Press.Master(level(c.amount()));
    }

    @Override
    public Press visitPlayBlind(LineParser.PlayBlindContext c) {
        return new Press.Blind(c.ON() != null);
    }

    private static Fraction level(LineParser.AmountContext c) {
        if (c.FULL() != null || c.OUT() != null) {
            return c.FULL() != null ? Fraction.FULL : Fraction.ZERO;
        }
        if (c.number().size() != 1 || c.measure() != null && c.measure().PERCENT() == null) {
            throw Refusal.of("play.level", "level", "“" + c.getText() + "” is no level: 0 to 100, full or out.");
        }
        return Fraction.ofPercent(Terms.number(c.number(0)));
    }
}
