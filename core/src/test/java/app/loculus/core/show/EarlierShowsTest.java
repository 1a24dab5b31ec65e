package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.play.Playing;
import app.loculus.core.play.Press;
import app.loculus.core.play.Repertoire;
import java.lang.ref.Reference;
import java.lang.ref.WeakReference;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * No value of a show reaches an earlier show, whatever was edited and asked of it: else a long day fills the memory. What
 * the garbage collector cannot take is reached.
 */
class EarlierShowsTest {

    private static final int EDITS = 200;

    /** The show itself and one that something carried over was worked out for. */
    private static final int MOST = 2;

    private final List<WeakReference<Show>> all = new ArrayList<>();
    private final FrameRenderer renderer = new FrameRenderer();
    private Playing playing = Playing.NOTHING;
    private Repertoire repertoire;
    private long now;

    /** Everything that an application asks of a show after an edit. */
    private Show asked(Show show) {
        if (all.stream().noneMatch(s -> s.refersTo(show))) {
            all.add(new WeakReference<>(show));
        }
        now += 100_000;
        show.coverage();
        show.lights();
        show.groups().forEach(show::units);
        Repertoire today = show.repertoire();
        if (repertoire == null || !today.sameAs(repertoire)) {
            playing = (repertoire == null ? playing : playing.at(now, repertoire)).on(today, now);
        }
        repertoire = today;
        if (!show.lists().isEmpty() && all.size() % 5 == 0) {
            playing = playing.after(new Press.Go(show.lists().get(0).id()), now, today);
        }
        renderer.update(show.scene().played(playing.layer(now), false, 1));
        show.playing(List.of(playing.layer(now))).lights();
        return show;
    }

    private long reached() {
        long alive = all.size();
        for (int i = 0; i < 20 && alive > MOST; i++) {
            System.gc();
            alive = all.stream().filter(s -> s.get() != null).count();
        }
        return alive;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void after_two_hundred_edits_of_all_kinds_no_more_than_two_shows_are_reached(long seed) {
        Show show = asked(Rig.everyKind());
        for (int i = 0; i < EDITS; i++) {
            show = asked(new RandomLines(seed * 1000 + i).step(show));
        }
        long reached = reached();
        Reference.reachabilityFence(show);
        assertThat(reached).isLessThanOrEqualTo(MOST);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"all at %d", "all colour xy 0.%d, 0.3", "record colour 1 replace", "record cue 1 replace", "next"
            })
    void nor_after_the_same_edit_again_and_again(String line) {
        Show show =
                asked(Rig.say(Rig.everyKind(), "all at 50 colour xy 0.3, 0.3").show());
        for (int i = 0; i < EDITS; i++) {
            show = asked(Rig.say(show, String.format(line, 20 + i % 20)).show());
        }
        long reached = reached();
        Reference.reachabilityFence(show);
        assertThat(reached).isLessThanOrEqualTo(MOST);
    }

    @ParameterizedTest
    @ValueSource(longs = {7, 8})
    void nor_after_edits_are_taken_back_and_done_again(long seed) {
        Show show = asked(Rig.everyKind());
        for (int i = 0; i < EDITS / 2; i++) {
            RandomLines lines = new RandomLines(seed * 1000 + i);
            show = asked(lines.step(show));
            if (!lines.outcomes().isEmpty()) {
                Delta delta = lines.outcomes().get(0).delta();
                show = asked(show.with(delta.reversed()));
                show = i % 3 == 0 ? asked(show.with(delta)) : show;
            }
        }
        long reached = reached();
        Reference.reachabilityFence(show);
        assertThat(reached).isLessThanOrEqualTo(MOST);
    }
}
