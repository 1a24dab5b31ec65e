package app.loculus.core.command;

import app.loculus.core.edit.look.CopyLook;
import app.loculus.core.edit.look.DeleteKept;
import app.loculus.core.edit.look.GiveInLook;
import app.loculus.core.edit.look.LookFinder;
import app.loculus.core.edit.look.MoveCue;
import app.loculus.core.edit.look.MoveKept;
import app.loculus.core.edit.look.OpenLook;
import app.loculus.core.edit.look.Place;
import app.loculus.core.edit.look.PrepareCue;
import app.loculus.core.edit.look.RecordLook;
import app.loculus.core.edit.look.RenameKept;
import app.loculus.core.edit.look.RenumberCues;
import app.loculus.core.edit.look.SetCues;
import app.loculus.core.edit.look.SetList;
import app.loculus.core.edit.look.SplitCue;
import app.loculus.core.edit.look.TakeOutOfLook;
import app.loculus.core.edit.look.Taking;
import app.loculus.core.edit.look.TidyLook;
import app.loculus.core.edit.look.UpdateLook;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.CueNumber;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Start;
import app.loculus.core.look.Tempo;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Kind;
import app.loculus.core.selection.Choice;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Seconds;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** The verbs of looks, cues, lists and submasters. */
final class LookClauses extends RoomClauses {

    /** Options of a recording. */
    private record Options(Taking what, RecordLook.Onto onto) {}

    private static Options options(List<LineParser.LookOptionContext> all) {
        Set<Kind> of = new LinkedHashSet<>();
        List<String> only = new ArrayList<>();
        List<String> without = new ArrayList<>();
        boolean everything = false;
        boolean selected = false;
        RecordLook.Onto onto = RecordLook.Onto.REFUSE;
        for (LineParser.LookOptionContext o : all) {
            everything |= o.ALL() != null;
            selected |= o.SELECTED() != null;
            if (o.kind() != null) {
                of.add(Kind.parse(o.kind().getText()));
            } else if (o.attributes() != null) {
                List<String> words = o.attributes().attribute().stream()
                        .map(LineParser.AttributeContext::getText)
                        .toList();
                (o.ONLY() != null ? only : without).addAll(words);
            } else if (o.onto() != null) {
                onto = o.onto().MERGE() != null ? RecordLook.Onto.MERGE : RecordLook.Onto.REPLACE;
            }
        }
        return new Options(new Taking(everything, selected, of, only, without), onto);
    }

    @Override
    public List<ShowEdit> visitRecordLook(LineParser.RecordLookContext c) {
        return record(new Place.Niche(Terms.maybe(c.integer())), c.text(), options(c.lookOption()), "");
    }

    @Override
    public List<ShowEdit> visitRecordSubmaster(LineParser.RecordSubmasterContext c) {
        return record(new Place.Under(Terms.maybe(c.integer())), c.text(), options(c.lookOption()), "");
    }

    private static List<ShowEdit> record(Place place, LineParser.TextContext name, Options options, String list) {
        return one(new RecordLook(place, Terms.maybe(name), options.what(), options.onto(), list));
    }

    @Override
    public List<ShowEdit> visitRecordCue(LineParser.RecordCueContext c) {
        Place.InList place = place(c.cueRef(), c.ofList());
        Options options = options(c.lookOption());
        List<SetCues.Change> changes =
                c.cueChange().stream().map(LookClauses::change).toList();
        ShowEdit recorded =
                record(place, c.text(), options, LineWords.of(c.ofList())).get(0);
        return List.of(recorded, draft -> {
            if (!changes.isEmpty()) {
                new SetCues(List.of(recordedCue(draft, place)), changes).on(draft);
            }
        });
    }

    /** The cue that was recorded just now: the one asked for, or the last of its list. */
    private static CueId recordedCue(Draft draft, Place.InList place) {
        Show show = draft.show();
        CueList list = place.list(show).orElseGet(() -> LookFinder.chosen(show));
        List<Cue> cues = show.cues(list.id());
        return place.number()
                .map(n -> LookFinder.cue(show, list, n).id())
                .orElseGet(() -> cues.get(cues.size() - 1).id());
    }

    private static Place.InList place(LineParser.CueRefContext cue, LineParser.OfListContext list) {
        return new Place.InList(
                Optional.ofNullable(list).map(l -> named(l.listRef())),
                Optional.ofNullable(cue).map(LookClauses::number));
    }

    private static Place.ListNamed named(LineParser.ListRefContext c) {
        return c.integer() != null
                ? new Place.ListNamed(Optional.of(Terms.integer(c.integer())), "")
                : new Place.ListNamed(Optional.empty(), Terms.text(c.text()));
    }

    static CueNumber number(LineParser.CueRefContext c) {
        return CueNumber.parse(c.getText());
    }

    static CueList list(Show show, LineParser.ListRefContext c) {
        return c.integer() != null
                ? LookFinder.list(show, Terms.integer(c.integer()))
                : LookFinder.list(show, Terms.text(c.text()));
    }

    /** The list that is named, or the one that is chosen. */
    static CueList list(Show show, LineParser.OfListContext c) {
        return c == null ? LookFinder.chosen(show) : list(show, c.listRef());
    }

    static List<LookId> looks(Draft draft, LineParser.FlipKeptContext c) {
        if (c.CUE() != null) {
            return cues(draft, c.cueRefs(), c.ofList()).stream().map(Cue::look).toList();
        }
        int number = Terms.integer(c.integer());
        return List.of(
                c.LOOK() != null
                        ? LookFinder.look(draft.show(), number).id()
                        : LookFinder.submaster(draft.show(), number).look());
    }

    private static LookId look(Draft draft, LineParser.LookRefContext c) {
        Show show = draft.show();
        if (c.CUE() != null) {
            return LookFinder.cue(show, list(show, c.ofList()), number(c.cueRef()))
                    .look();
        }
        int number = Terms.integer(c.integer());
        return c.LOOK() != null
                ? LookFinder.look(show, number).id()
                : LookFinder.submaster(show, number).look();
    }

    @Override
    public List<ShowEdit> visitTakeOutOfLook(LineParser.TakeOutOfLookContext c) {
        return later(draft -> new TakeOutOfLook(
                look(draft, c.lookRef()),
                new Choices(draft).visit(c.selection()),
                options(c.lookOption()).what()));
    }

    @Override
    public List<ShowEdit> visitGiveInLook(LineParser.GiveInLookContext c) {
        return later(draft -> new GiveInLook(
                look(draft, c.lookRef()),
                new Choices(draft).visit(c.selection()),
                PaletteClauses.palette(draft.show(), c.kind(), c.paletteRef()).id()));
    }

    @Override
    public List<ShowEdit> visitTidyLook(LineParser.TidyLookContext c) {
        return later(draft -> new TidyLook(look(draft, c.lookRef()), c.INTO() != null));
    }

    @Override
    public List<ShowEdit> visitOpenLook(LineParser.OpenLookContext c) {
        return later(draft -> new OpenLook(look(draft, c.lookRef())));
    }

    @Override
    public List<ShowEdit> visitCloseLook(LineParser.CloseLookContext c) {
        return one(new OpenLook.Close());
    }

    @Override
    public List<ShowEdit> visitUpdateLook(LineParser.UpdateLookContext c) {
        return later(draft -> new UpdateLook(look(draft, c.lookRef())));
    }

    /** In the order of the list; a range takes what there is in it. */
    private static List<Cue> cues(Draft draft, LineParser.CueRefsContext c, LineParser.OfListContext of) {
        Show show = draft.show();
        CueList list = list(show, of);
        Set<Cue> found = new LinkedHashSet<>();
        for (LineParser.CueRangeContext range : c.cueRange()) {
            CueNumber from = number(range.cueRef(0));
            if (range.cueRef().size() == 1) {
                found.add(LookFinder.cue(show, list, from));
            } else {
                CueNumber to = number(range.cueRef(1));
                CueNumber low = from.compareTo(to) < 0 ? from : to;
                CueNumber high = from.compareTo(to) < 0 ? to : from;
                List<Cue> between = show.cues(list.id()).stream()
                        .filter(q ->
                                q.number().compareTo(low) >= 0 && q.number().compareTo(high) <= 0)
                        .toList();
                if (between.isEmpty()) {
                    throw Refusal.of(
                            "cue.unknown", "cue", "There is no cue from " + low + " to " + high + " in " + list + ".");
                }
                found.addAll(between);
            }
        }
        return List.copyOf(found);
    }

    private static List<CueId> ids(List<Cue> cues) {
        return cues.stream().map(Cue::id).toList();
    }

    @Override
    public List<ShowEdit> visitSetCue(LineParser.SetCueContext c) {
        List<SetCues.Change> changes =
                c.cueChange().stream().map(LookClauses::change).toList();
        return later(draft -> new SetCues(ids(cues(draft, c.cueRefs(), c.ofList())), changes));
    }

    private static SetCues.Change change(LineParser.CueChangeContext c) {
        if (c instanceof LineParser.CueTimeContext t) {
            SetCues.Which which = t.IN() != null
                    ? SetCues.Which.IN
                    : t.OUT() != null ? SetCues.Which.OUT : t.REST() != null ? SetCues.Which.REST : SetCues.Which.WAIT;
            return new SetCues.Change.Time(which, Optional.ofNullable(t.time()).map(LookClauses::time));
        }
        if (c instanceof LineParser.CueByItselfContext i) {
            return new SetCues.Change.Next(
                    new Start(i.BEGIN() != null ? Start.Trigger.BEGAN : Start.Trigger.ENDED, time(i.time())));
        }
        return c instanceof LineParser.CueNoteContext n
                ? new SetCues.Change.Note(Terms.text(n.text()))
                : new SetCues.Change.Next(Start.PRESS);
    }

    private static Seconds time(LineParser.TimeContext c) {
        return Seconds.parse(c.getText());
    }

    @Override
    public List<ShowEdit> visitPrepareCue(LineParser.PrepareCueContext c) {
        return later(draft ->
                new PrepareCue(LookFinder.cue(draft.show(), list(draft.show(), c.ofList()), number(c.cueRef()))
                        .id()));
    }

    @Override
    public List<ShowEdit> visitMoveCue(LineParser.MoveCueContext c) {
        return later(draft -> {
            CueList list = list(draft.show(), c.ofList());
            CueId moved =
                    LookFinder.cue(draft.show(), list, number(c.cueRef(0))).id();
            CueNumber other = number(c.cueRef(1));
            return c.TO() != null
                    ? new MoveCue(moved, Optional.of(other), Optional.empty())
                    : new MoveCue(
                            moved,
                            Optional.empty(),
                            Optional.of(
                                    LookFinder.cue(draft.show(), list, other).id()));
        });
    }

    @Override
    public List<ShowEdit> visitCopyLook(LineParser.CopyLookContext c) {
        return later(draft -> new CopyLook(
                look(draft, c.lookRef()),
                c.CUE() != null
                        ? place(c.cueRef(), c.ofList())
                        : c.LOOK() != null
                                ? new Place.Niche(Terms.maybe(c.integer()))
                                : new Place.Under(Terms.maybe(c.integer()))));
    }

    @Override
    public List<ShowEdit> visitSplitCue(LineParser.SplitCueContext c) {
        Set<Kind> kinds = new LinkedHashSet<>();
        c.kind().forEach(k -> kinds.add(Kind.parse(k.getText())));
        return later(draft -> new SplitCue(
                LookFinder.cue(draft.show(), list(draft.show(), c.ofList()), number(c.cueRef()))
                        .id(),
                Optional.ofNullable(c.selection()).<Choice>map(s -> new Choices(draft).visit(s)),
                new Taking(true, false, kinds, List.of(), List.of())));
    }

    @Override
    public List<ShowEdit> visitRenumberCues(LineParser.RenumberCuesContext c) {
        return later(draft -> new RenumberCues(
                list(draft.show(), c.ofList()).id(),
                number(c.cueRef(0)),
                c.cueRef().size() > 1 ? number(c.cueRef(1)) : CueNumber.of(1)));
    }

    @Override
    public List<ShowEdit> visitDeleteCues(LineParser.DeleteCuesContext c) {
        return later(draft -> new DeleteKept.Cues(ids(cues(draft, c.cueRefs(), c.ofList()))));
    }

    @Override
    public List<ShowEdit> visitDeleteList(LineParser.DeleteListContext c) {
        return later(
                draft -> new DeleteKept.OfList(list(draft.show(), c.listRef()).id()));
    }

    @Override
    public List<ShowEdit> visitDeleteLooks(LineParser.DeleteLooksContext c) {
        return later(draft -> new DeleteKept.Looks(c.integer().stream()
                .map(i -> LookFinder.look(draft.show(), Terms.integer(i)).id())
                .distinct()
                .toList()));
    }

    @Override
    public List<ShowEdit> visitDeleteSubmasters(LineParser.DeleteSubmastersContext c) {
        return later(draft -> new DeleteKept.Submasters(c.integer().stream()
                .map(i -> LookFinder.submaster(draft.show(), Terms.integer(i)).id())
                .distinct()
                .toList()));
    }

    @Override
    public List<ShowEdit> visitSetList(LineParser.SetListContext c) {
        List<UnaryOperator<CueList>> changes =
                c.listChange().stream().map(LookClauses::change).toList();
        return later(draft -> new SetList(
                c.listRef().integer() != null
                        ? Terms.integer(c.listRef().integer())
                        : list(draft.show(), c.listRef()).number(),
                Terms.maybe(c.text()),
                changes));
    }

    private static UnaryOperator<CueList> change(LineParser.ListChangeContext c) {
        if (c instanceof LineParser.ListWayContext w) {
            return l -> l.asChase(w.CHASE() != null);
        }
        if (c instanceof LineParser.ListJoinContext j) {
            return l -> l.joined(
                    j.CARRYING() != null || j.TRACKING() != null
                            ? CueList.Join.CARRYING_ON
                            : CueList.Join.STANDING_ALONE);
        }
        if (c instanceof LineParser.ListRateContext r) {
            return l -> l.at(l.tempo().rate(Terms.number(r.number())));
        }
        if (c instanceof LineParser.ListCrossfadeContext x) {
            return l -> l.at(l.tempo().crossfade(Fraction.ofPercent(Terms.number(x.number()))));
        }
        if (c instanceof LineParser.ListReleaseContext r) {
            return l -> l.releasing(time(r.time()));
        }
        if (c instanceof LineParser.ListNoteContext n) {
            return l -> l.noted(Terms.text(n.text()));
        }
        LineParser.ListDirectionContext d = (LineParser.ListDirectionContext) c;
        Tempo.Direction direction = d.FORWARDS() != null
                ? Tempo.Direction.FORWARDS
                : d.BACKWARDS() != null
                        ? Tempo.Direction.BACKWARDS
                        : d.BOUNCE() != null ? Tempo.Direction.BOUNCE : Tempo.Direction.RANDOM;
        return l -> l.at(l.tempo()
                .direction(direction)
                .seed(d.integer() == null ? l.tempo().seed() : Terms.integer(d.integer())));
    }

    @Override
    public List<ShowEdit> visitMoveKept(LineParser.MoveKeptContext c) {
        int from = Terms.integer(c.integer(0));
        int to = Terms.integer(c.integer(1));
        MoveKept.What what =
                c.LIST() != null ? MoveKept.What.LIST : c.LOOK() != null ? MoveKept.What.LOOK : MoveKept.What.SUBMASTER;
        return one(new MoveKept(what, from, to));
    }

    @Override
    public List<ShowEdit> visitRename(LineParser.RenameContext c) {
        if (c.CUE() != null) {
            return later(draft -> new SetCues(
                    List.of(LookFinder.cue(draft.show(), list(draft.show(), c.ofList()), number(c.cueRef()))
                            .id()),
                    List.of(new SetCues.Change.Name(Terms.text(c.text())))));
        }
        if (c.integer() == null) {
            return null;
        }
        RenameKept.Of of =
                c.LIST() != null ? RenameKept.Of.LIST : c.LOOK() != null ? RenameKept.Of.LOOK : RenameKept.Of.SUBMASTER;
        return one(new RenameKept(of, Terms.integer(c.integer()), Terms.text(c.text())));
    }
}
