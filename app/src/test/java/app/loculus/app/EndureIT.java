package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.Socket;
import java.net.http.HttpClient;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.function.ToDoubleFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A long day: 2,000 fixtures, effects and fades running, three clients that edit, a page that looks, one that stands still.
 * The law: at the end it takes what it took after the first tenth, and answers as quickly. Half a minute on a
 * quarter of them here; {@code ./loculus endure} for longer.
 */
class EndureIT {

    private static final int CLIENTS = 3;
    private static final int TENTHS = 10;

    /** Looked at once everything has been done that only happens once. */
    private static final int WARM_UP_EDITS = 200;

    /** In a run of the tests there is time for less: what grows with each edit is seen all the same. */
    private static final int SHORT_TENTHS = 3;

    private static final int SHORT_WARM_UP_EDITS = 40;

    /** A quarter of them is edited four times as often, so that as much grows in that time. */
    private static final int SHORT_FIXTURES = LongDay.FIXTURES / 4;

    /** Minutes from which on times are held, too; before, whatever else the machine does would count for more. */
    private static final double LONG_ENOUGH = 5;

    /** Beside a frame's own 22.7 ms. */
    private static final double LATE_MS = 25;

    private static final double FRAME_MS = 22.73;

    @TempDir
    Path data;

    /** What was seen in a tenth of the time. */
    private record Tenth(Vitals vitals, List<Double> edits, List<Double> gaps) {

        double p50() {
            return LongDay.percentile(edits, 50);
        }

        double p95() {
            return LongDay.percentile(edits, 95);
        }

        double late() {
            return gaps.stream().filter(g -> g > FRAME_MS + LATE_MS).count() * 100.0 / Math.max(1, gaps.size());
        }

        String words() {
            return String.format(
                    "%s; %d edits, p50 %.0f ms, p95 %.0f ms; %d frames, %.2f %% late, longest gap %.0f ms",
                    vitals.words(), edits.size(), p50(), p95(), gaps.size(), late(), LongDay.percentile(gaps, 100));
        }
    }

    @Test
    void at_the_end_of_a_long_day_it_is_as_it_was_in_the_morning() throws Exception {
        double minutes = Double.parseDouble(System.getProperty("loculus.endure.minutes", "0.3"));
        boolean whole = minutes >= LONG_ENOUGH;
        int fixtures = whole ? LongDay.FIXTURES : SHORT_FIXTURES;
        int tenthsThere = whole ? TENTHS : SHORT_TENTHS;
        int warmUp = whole ? WARM_UP_EDITS : SHORT_WARM_UP_EDITS;
        long pause = Long.getLong("loculus.endure.pause", minutes >= LONG_ENOUGH ? 800 : 100);
        long seed = Long.getLong("loculus.endure.seed", new Random().nextLong());
        System.out.println("Enduring for " + minutes + " minutes, seed " + seed);
        try (Beat beat = new Beat(1);
                PackagedApplication app = new PackagedApplication(data, List.of(), PackagedApplication.AS_STARTED)) {
            app.start("--loculus.e131[0]=127.0.0.1:" + beat.port());
            HttpClient http = HttpClient.newHttpClient();
            LongDay.make(app.url(), fixtures);
            for (String line : whole ? LongDay.filled() : List.<String>of()) {
                LongDay.say(http, app.url(), line);
            }
            for (String line : LongDay.going()) {
                LongDay.say(http, app.url(), line);
            }
            List<LongDay.Client> clients = new ArrayList<>();
            for (int i = 0; i < CLIENTS; i++) {
                clients.add(new LongDay.Client(app.url(), fixtures, seed + i, pause));
            }
            List<Tenth> tenths = new ArrayList<>();
            try (LongDay.Page page = new LongDay.Page(http, app.url());
                    Socket stalled = LongDay.stalled(app.url())) {
                clients.forEach(Thread::start);
                while (clients.stream().mapToInt(LongDay.Client::done).sum() < warmUp) {
                    Thread.sleep(100);
                }
                for (int i = 0; i < tenthsThere; i++) {
                    clients.forEach(LongDay.Client::millis);
                    beat.gaps();
                    Thread.sleep((long) (TimeUnit.MINUTES.toMillis(1) * minutes / tenthsThere));
                    List<Double> edits = new ArrayList<>();
                    clients.forEach(c -> edits.addAll(c.millis()));
                    List<Double> gaps = beat.gaps();
                    // What random edits have left would weigh more than what is looked for: the same show each time.
                    clients.forEach(c -> c.hold(whole));
                    for (String line : whole ? LongDay.filled() : List.<String>of()) {
                        LongDay.say(http, app.url(), line);
                    }
                    tenths.add(new Tenth(Vitals.of(app.pid(), data), edits, gaps));
                    clients.forEach(c -> c.hold(false));
                    System.out.println(tenths.get(i).words());
                    for (String line : LongDay.going()) {
                        LongDay.say(http, app.url(), line);
                    }
                }
                assertThat(page.frames()).isPositive();
            }
            for (LongDay.Client client : clients) {
                client.end();
                assertThat(client.failed()).as("seed %d", seed).isEmpty();
            }
            hold(tenths, whole);
            assertThat(Files.readString(data.resolve("loculus.log"))).doesNotContain("Exception");
        }
    }

    /** Nothing has grown since the first tenth by more than what a collection or a housekeeping round leaves open. */
    private static void hold(List<Tenth> tenths, boolean times) {
        Tenth first = tenths.get(0);
        Tenth last = tenths.get(tenths.size() - 1);
        flat("heap", tenths, t -> t.vitals().heap(), 1.2, 24 << 20);
        flat("disk", tenths, t -> t.vitals().disk(), 1.5, 48 << 20);
        flat("resident", tenths, t -> t.vitals().resident(), 1.15, 64 << 20);
        flat("threads", tenths, t -> t.vitals().threads(), 1, 12);
        flat("handles", tenths, t -> t.vitals().handles(), 1, 12);
        if (!times) {
            return;
        }
        assertThat(last.p95()).as("p95 of an edit").isLessThan(2 * first.p95() + 100);
        assertThat(last.late()).as("frames late, percent").isLessThan(2 * first.late() + 5);
    }

    /** By the smaller of the last two, for what is measured in the middle of something counts for nothing. */
    private static void flat(String what, List<Tenth> all, ToDoubleFunction<Tenth> of, double times, double more) {
        int n = all.size();
        double last = Math.min(of.applyAsDouble(all.get(n - 1)), of.applyAsDouble(all.get(n - 2)));
        assertThat(last).as(what).isLessThanOrEqualTo(of.applyAsDouble(all.get(0)) * times + more);
    }
}
