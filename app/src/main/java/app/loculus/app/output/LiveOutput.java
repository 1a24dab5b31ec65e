package app.loculus.app.output;

import app.loculus.app.session.NobodyLooks;
import app.loculus.app.session.PageGone;
import app.loculus.app.session.ShowChanged;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.app.store.SettingStore;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.edit.hand.Sending;
import app.loculus.core.edit.hand.Solo;
import app.loculus.core.effect.Beats;
import app.loculus.core.look.CueList;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.play.Playing;
import app.loculus.core.play.Press;
import app.loculus.core.play.Repertoire;
import app.loculus.core.play.Runs;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.resolve.Layer;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Universes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * The rendered frames of the live show under the layers that pages have laid over it. Rendered when they are asked for,
 * so that no edit waits for them. A layer goes when its show is no longer live or its page has gone; a fixture that is
 * patched elsewhere meanwhile takes its light along.
 */
@Component
public class LiveOutput {

    /** Fixtures being brought up for a page, in one show. Worked out anew when the patch has changed. */
    private static final class BringingUp {
        private final String page;
        private final long show;
        private final List<FixtureId> fixtures;
        private final Solo.Look look;
        private final double percent;
        private final long sinceMillis;
        private Patch worked;
        private List<Layer> layers = List.of();

        BringingUp(String page, long show, List<FixtureId> fixtures, Solo.Look look, double percent, long since) {
            this.page = page;
            this.show = show;
            this.fixtures = fixtures;
            this.look = look;
            this.percent = percent;
            this.sinceMillis = since;
        }

        List<Layer> layers(Show now) {
            if (worked != now.patch()) {
                List<FixtureId> there = fixtures.stream()
                        .filter(id -> now.patch().find(id).isPresent())
                        .toList();
                layers = Solo.layers(now, there, look, percent, "bring-up", sinceMillis);
                worked = now.patch();
            }
            return layers;
        }
    }

    /** Slots that a page drives itself, above everything, whichever show is live. */
    private record Strip(String page, Layer.Driven layer) {}

    /** Under which it is kept whether working values are kept from the output. */
    private static final String BLIND = "play.blind";

    private static final String ON = "on";

    /** Steps that come faster are not told one by one. */
    private static final long STEP_MICROS = 100_000;

    /** While no show is live. */
    private static final Scene NOTHING = Show.empty("").scene();

    private final FrameRenderer renderer = new FrameRenderer();
    private final Shows shows;
    private final OutputClock clock;
    private final ApplicationEventPublisher events;
    private final SettingStore settings;
    private volatile Snapshot live;
    private volatile Optional<BringingUp> bringUp = Optional.empty();
    private volatile Optional<Strip> strip = Optional.empty();
    private volatile Commands commands = Commands.NONE;
    private Playing playing = Playing.NOTHING;
    private long playingIn;
    private Snapshot playingOf;
    private Repertoire repertoire;
    /** Whether an effect moves something that is set. */
    private boolean handMoves;

    private Playing told = Playing.NOTHING;
    private boolean toldStill = true;
    private int toldSteps;
    private long toldMicros;
    private Snapshot renderedLive;
    private Playing renderedPlaying = Playing.NOTHING;
    private long renderedMicros;

    private Optional<BringingUp> renderedBringUp = Optional.empty();
    private Optional<Strip> renderedStrip = Optional.empty();
    private Commands renderedCommands = Commands.NONE;
    private Frames frames = Frames.NONE;

    LiveOutput(Shows shows, OutputClock clock, ApplicationEventPublisher events, SettingStore settings) {
        this.shows = shows;
        this.events = events;
        this.settings = settings;
        // After a crash nothing appears on stage that was kept from it.
        playing = Playing.NOTHING.blind(settings.find(BLIND).filter(ON::equals).isPresent());
        this.clock = clock;
        shows.live().ifPresent(s -> live = s);
        shows.layersAround(this::around);
    }

    /** What lies around a show while it is live. */
    private synchronized ShowEdit.Around around(long show) {
        Snapshot now = live;
        if (now == null || now.id() != show) {
            return ShowEdit.Around.NOTHING;
        }
        long micros = clock.micros();
        Playing runs = running(now, micros);
        return new ShowEdit.Around(
                runs.nothing() && !handMoves ? List.of() : List.of(runs.layer(micros)),
                bringUp.filter(b -> b.show == show)
                        .map(b -> b.layers(now.show()))
                        .orElse(List.of()));
    }

    /** What runs at a time, in the show as it is. */
    private Playing running(Snapshot now, long micros) {
        if (now == null) {
            return Playing.NOTHING;
        }
        if (playingIn != now.id()) {
            playing = Playing.NOTHING.blind(playing.blind());
            repertoire = null;
            playingIn = now.id();
        }
        if (playingOf != now) {
            Repertoire today = now.show().repertoire();
            if (repertoire == null || !today.sameAs(repertoire)) {
                playing = (repertoire == null ? playing : playing.at(micros, repertoire)).on(today, micros);
            }
            repertoire = today;
            playingOf = now;
            handMoves = now.show().programmer().moves();
        }
        playing = playing.at(micros, repertoire);
        return playing;
    }

    /**
     * Plays something in the live show.
     *
     * @return whether anything runs otherwise after it
     * @throws Refusal when the show is not live
     */
    public boolean press(long show, Press press) {
        boolean changed;
        synchronized (this) {
            Snapshot now = live;
            if (now == null || now.id() != show) {
                throw notLive();
            }
            long micros = clock.micros();
            Playing before = running(now, micros);
            Playing after = playing.after(press, micros, repertoire);
            if (after.blind() != playing.blind()) {
                settings.put(BLIND, after.blind() ? ON : "off");
            }
            changed = !after.equals(before);
            playing = after;
        }
        clock.wake();
        tell();
        return changed;
    }

    /** Sends a command for its time, above all that plays. @throws Refusal when the show is not live */
    public void send(long show, Sending sending) {
        synchronized (this) {
            Snapshot now = live;
            if (now == null || now.id() != show) {
                throw notLive();
            }
            commands = commands.at(clock.micros()).with(show, sending, clock.micros(), clock.millis());
        }
        clock.wake();
    }

    private static Refusal notLive() {
        return Refusal.of(
                "play.live", "show", "This show is not open, so nothing of it plays.", WayOut.advice("Open it first."));
    }

    /** @throws Refusal when it would do nothing, because its list does not run or has no cues */
    public synchronized void check(long show, Press press) {
        if (live != null && live.id() == show && press instanceof Press.Go go) {
            live.show()
                    .list(go.list())
                    .filter(l -> live.show().cues(l.id()).isEmpty())
                    .ifPresent(l -> {
                        throw Refusal.of(
                                "list.empty",
                                "list",
                                l + " has no cues yet.",
                                WayOut.advice("Record one: “record cue 1 of list " + l.number() + "”."));
                    });
        }
        Optional<CueList> list = Optional.ofNullable(live)
                .filter(now -> now.id() == show)
                .flatMap(now -> press.ofRunning().flatMap(now.show()::list));
        boolean runs = list.isEmpty()
                || runs(show).all().stream()
                        .anyMatch(r -> (r.kind() == Runs.Kind.LIST || r.kind() == Runs.Kind.CHASE)
                                && r.id() == list.get().id().value());
        if (!runs) {
            throw Refusal.of(
                    "play.runs",
                    "list",
                    list.get() + " does not run, so nothing of it changes.",
                    WayOut.line("Start it", "go list " + list.get().number()));
        }
    }

    /** How far everything that moves has turned now; where it begins in a show that is not live. */
    public synchronized Beats beats(long show) {
        Snapshot now = live;
        long micros = clock.micros();
        return now == null || now.id() != show
                ? Beats.STILL
                : running(now, micros).layer(micros).beats().orElse(Beats.STILL);
    }

    /** What runs now, for whoever looks. */
    public synchronized Runs runs(long show) {
        Snapshot now = live;
        if (now == null || now.id() != show) {
            return Runs.NOTHING;
        }
        long micros = clock.micros();
        Playing runs = running(now, micros);
        return Runs.of(runs, micros, repertoire);
    }

    /** Nanoseconds until what runs changes what goes out; a long time when nothing moves. */
    synchronized long dueNanos() {
        long micros = clock.micros();
        long next = Math.min(commands.ends(), handMoves && !playing.blind() ? micros : playing.next(micros));
        return next == Long.MAX_VALUE ? Long.MAX_VALUE : (next - micros) * 1000;
    }

    /** Tells whoever looks when something runs otherwise than before, by a press or by itself. */
    private void tell() {
        Snapshot now;
        boolean otherwise;
        boolean stepped;
        synchronized (this) {
            now = live;
            long micros = clock.micros();
            boolean still = playing.next(micros) > micros;
            int steps = Runs.steps(playing, micros);
            // A chase comes to rest and goes on within each of its steps.
            otherwise = now != null && (playing != told || still != toldStill && steps == 0);
            stepped = now != null && steps != toldSteps && micros - toldMicros > STEP_MICROS;
            if (otherwise || stepped) {
                toldSteps = steps;
                toldMicros = micros;
            }
            told = playing;
            toldStill = still;
        }
        if (otherwise || stepped) {
            events.publishEvent(new RunsChanged(now.id(), now.show().byLight(), !otherwise));
        }
    }

    /** What goes out now, and whoever looks is told when it comes from something else than before. */
    public Frames frames() {
        Frames now = rendered();
        tell();
        return now;
    }

    private synchronized Frames rendered() {
        Snapshot now = live;
        Optional<BringingUp> up = bringUp;
        Optional<Strip> over = strip;
        long micros = clock.micros();
        commands = commands.at(micros);
        Commands sent = commands;
        Playing runs = running(now, micros);
        if (now != renderedLive
                || up != renderedBringUp
                || over != renderedStrip
                || sent != renderedCommands
                || runs != renderedPlaying
                || runs.moves(renderedMicros, micros)
                || handMoves && micros != renderedMicros) {
            frames = renderer.update(scene(now, runs, micros, sent, up, over));
            renderedLive = now;
            renderedBringUp = up;
            renderedStrip = over;
            renderedCommands = sent;
            renderedPlaying = runs;
            renderedMicros = micros;
        }
        return frames;
    }

    /** The whole stack: what runs, the show's own layers, the grand master, bringing up, commands, slots driven by hand. */
    private static Scene scene(
            Snapshot now, Playing runs, long micros, Commands sent, Optional<BringingUp> up, Optional<Strip> over) {
        List<Layer> above = new ArrayList<>();
        if (now != null) {
            up.filter(b -> b.show == now.id()).ifPresent(b -> above.addAll(b.layers(now.show())));
            above.addAll(sent.layers(now.id(), now.show().patch()));
        }
        over.ifPresent(s -> above.add(s.layer()));
        Scene own = now == null ? NOTHING : now.show().scene();
        return own.played(runs.layer(micros), runs.blind(), runs.master()).under(above);
    }

    /** What a universe is called and where it goes. */
    public UniverseSetup setup(int universe) {
        Snapshot now = live;
        return now == null ? UniverseSetup.usual(universe) : Universes.at(now.show(), universe);
    }

    /** Lights fixtures of the live show alone, for a page. */
    public void bringUp(String page, long show, List<FixtureId> fixtures, Solo.Look look, double percent) {
        bringUp = Optional.of(new BringingUp(page, show, fixtures, look, percent, clock.millis()));
        clock.wake();
    }

    public void endBringUp() {
        bringUp = Optional.empty();
        clock.wake();
    }

    /** Drives slots, for a page. */
    public void strip(String page, Address at, List<Integer> octets) {
        strip = Optional.of(new Strip(page, new Layer.Driven("strip", clock.millis(), at, octets)));
        clock.wake();
    }

    public void endStrip() {
        strip = Optional.empty();
        clock.wake();
    }

    /** The frames of any show, as they would go out. */
    public Frames frames(Snapshot snapshot) {
        return shows.isLive(snapshot.id())
                ? frames()
                : new FrameRenderer().render(snapshot.show().scene());
    }

    /** Nobody is left who could end what was laid over the show. */
    @EventListener
    void alone(NobodyLooks event) {
        endBringUp();
        endStrip();
    }

    @EventListener
    void gone(PageGone event) {
        bringUp.filter(b -> b.page.equals(event.page())).ifPresent(b -> endBringUp());
        strip.filter(s -> s.page().equals(event.page())).ifPresent(s -> endStrip());
    }

    @EventListener
    @Order(1)
    void changed(ShowChanged event) {
        if (event.live()) {
            live = event.snapshot();
            bringUp.filter(b -> b.show != event.snapshot().id()).ifPresent(b -> endBringUp());
            clock.wake();
        }
    }
}
