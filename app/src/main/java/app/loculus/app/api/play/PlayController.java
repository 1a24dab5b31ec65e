package app.loculus.app.api.play;

import app.loculus.app.output.LiveOutput;
import app.loculus.app.session.Shows;
import app.loculus.core.desk.Holders;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.play.Press;
import app.loculus.core.play.Runs;
import app.loculus.core.problem.Refusal;
import app.loculus.core.selection.GroupId;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.CueListId;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What is pressed while playing, and what runs. */
@RestController
class PlayController {

    /**
     * Something that is pressed or moved.
     *
     * @param press go, back, pause, jump, release, release-all, level, rate, tap, submaster, flash, group, master or blind
     * @param list id of the list it is about; @param cue id of the cue that is jumped to
     * @param submaster its id; @param group its id
     * @param value a level in percent, or steps a minute
     * @param on whether it is held, or on
     */
    record PressRequest(
            String press, Integer list, Integer cue, Integer submaster, Integer group, Double value, Boolean on) {

        Press asked(Show show) {
            return switch (press == null ? "" : press) {
                case "go" -> new Press.Go(inList());
                case "back" -> new Press.Back(inList());
                case "pause" -> new Press.Pause(inList());
                case "jump" -> new Press.Jump(inList(), new CueId(needed(cue, "cue")));
                case "release" -> new Press.Release(inList());
                case "release-all" -> new Press.ReleaseAll();
                case "level" -> new Press.Level(inList(), level());
                case "rate" ->
                    new Press.Rate(
                            inList(),
                            show.list(inList())
                                    .orElseThrow(() -> Refusal.of("list.unknown", "list", "There is no such list."))
                                    .tempo()
                                    .rate(needed(value, "value"))
                                    .rate());
                case "tap" -> new Press.Tap(inList());
                case "submaster" -> new Press.Under(new SubmasterId(needed(submaster, "submaster")), level());
                case "flash" ->
                    new Press.Flash(new SubmasterId(needed(submaster, "submaster")), Boolean.TRUE.equals(on));
                case "group" -> new Press.Group(new GroupId(needed(group, "group")), level());
                case "master" -> new Press.Master(level());
                case "blind" -> new Press.Blind(Boolean.TRUE.equals(on));
                default -> throw Refusal.of("play.press", "press", "“" + press + "” is nothing that can be pressed.");
            };
        }

        private CueListId inList() {
            return new CueListId(needed(list, "list"));
        }

        private Fraction level() {
            return Fraction.ofPercent(needed(value, "value"));
        }

        private static <T> T needed(T value, String what) {
            if (value == null) {
                throw Refusal.of("play.press", what, "The press names no " + what + ".");
            }
            return value;
        }
    }

    /**
     * One of the things that run.
     *
     * @param kind list, chase, submaster or group
     * @param id of the list, the submaster or the group; @param number its number
     * @param cue id of the cue it stands at, 0 for none; @param cueNumber its number; @param cueName its name
     * @param next number of the cue behind it, empty when there is none
     * @param seconds since the cue began; @param length how long it takes
     * @param follows seconds at which the next starts by itself; below 0 when it waits for a press
     * @param level in percent
     * @param rate steps a minute; @param position steps since it began; @param step where it stands, from 0
     */
    record RunView(
            String kind,
            int id,
            int number,
            String name,
            int cue,
            String cueNumber,
            String cueName,
            String next,
            double seconds,
            double length,
            double follows,
            double level,
            boolean paused,
            boolean releasing,
            double rate,
            double position,
            int step) {}

    /** @param master in percent */
    record PlayView(boolean blind, double master, List<RunView> runs) {}

    private final Shows shows;
    private final LiveOutput output;

    PlayController(Shows shows, LiveOutput output) {
        this.shows = shows;
        this.output = output;
    }

    @GetMapping("/api/shows/{id}/play")
    PlayView runs(@PathVariable long id) {
        return view(shows.get(id).show(), output.runs(id));
    }

    /** @param layer a list, a submaster, the group faders, the programmer; @param holds kinds with how many units */
    record HolderView(String layer, String holds) {}

    /** Who decides over what goes out now. */
    @GetMapping("/api/shows/{id}/play/holders")
    List<HolderView> holders(@PathVariable long id) {
        return Holders.of(shows.seen(id)).entrySet().stream()
                .map(e -> new HolderView(e.getKey(), e.getValue()))
                .toList();
    }

    @PostMapping("/api/shows/{id}/play")
    PlayView press(@PathVariable long id, @RequestBody PressRequest request) {
        Show show = shows.get(id).show();
        Press press = request.asked(show);
        output.check(id, press);
        output.press(id, press);
        return view(show, output.runs(id));
    }

    private static PlayView view(Show show, Runs runs) {
        return new PlayView(
                runs.blind(),
                runs.master() * 100,
                runs.all().stream().flatMap(r -> view(show, r).stream()).toList());
    }

    private static Optional<RunView> view(Show show, Runs.One run) {
        return switch (run.kind()) {
            case LIST, CHASE -> show.list(new CueListId(run.id())).map(l -> list(show, l, run));
            case SUBMASTER ->
                show.find(PartKinds.SUBMASTERS, new SubmasterId(run.id())).map(s -> plain(run, s.number(), s.name()));
            case GROUP -> show.group(new GroupId(run.id())).map(g -> plain(run, g.number(), g.name()));
        };
    }

    private static RunView plain(Runs.One run, int number, String name) {
        return view(run, number, name, Optional.empty(), "");
    }

    private static RunView list(Show show, CueList list, Runs.One run) {
        List<Cue> cues = show.cues(list.id());
        Optional<Cue> cue = run.cue()
                .flatMap(id -> cues.stream().filter(c -> c.id().equals(id)).findFirst());
        String next = cue.map(cues::indexOf)
                .filter(i -> i + 1 < cues.size())
                .map(i -> cues.get(i + 1).number().toString())
                .orElse("");
        return view(run, list.number(), list.name(), cue, next);
    }

    private static RunView view(Runs.One run, int number, String name, Optional<Cue> cue, String next) {
        return new RunView(
                run.kind().name().toLowerCase(java.util.Locale.ROOT),
                run.id(),
                number,
                name,
                cue.map(c -> c.id().value()).orElse(0),
                cue.map(c -> c.number().toString()).orElse(""),
                cue.map(Cue::name).orElse(""),
                next,
                run.seconds(),
                run.length(),
                run.follows(),
                run.level() * 100,
                run.paused(),
                run.releasing(),
                run.rate(),
                run.position(),
                run.step());
    }
}
