package app.loculus.app;

import static org.junit.jupiter.api.Assumptions.assumeTrue;

import app.loculus.core.profile.Profile;
import app.loculus.formats.gdtf.ArchiveWriter;
import app.loculus.formats.gdtf.DescriptionReader;
import app.loculus.formats.gdtf.ShippedProfiles;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.microsoft.playwright.Page;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Measures the packaged application over HTTP and writes a row for each figure into {@code target/figures.md}. No law: it
 * is run by {@code ./loculus figures}, which puts the rows into {@code docs/performance.md}.
 */
class FiguresIT {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int WARM_UP = 12;

    @TempDir
    Path folder;

    private final HttpClient http = HttpClient.newHttpClient();
    private final List<String> rows = new ArrayList<>();
    private String url = "";

    private void row(String what, String size, String goal, String measured) throws IOException {
        rows.add("| " + String.join(" | ", what, size, goal, measured) + " |");
        // Row by row, so that a run that ends early leaves what it has measured.
        Files.writeString(Path.of("target", "figures.md"), String.join("\n", rows) + "\n");
    }

    private interface Doing {
        void once(int i) throws IOException, InterruptedException;
    }

    private static String spread(List<Double> millis) {
        return String.format(
                Locale.ROOT, "p50 %.0f, p95 %.0f ms", LongDay.percentile(millis, 50), LongDay.percentile(millis, 95));
    }

    /** What takes its time is done; what comes before it is not counted. */
    private List<Double> timed(int times, Doing before, Doing what) throws IOException, InterruptedException {
        List<Double> millis = new ArrayList<>();
        for (int i = 0; i < times + WARM_UP; i++) {
            before.once(i);
            long begun = System.nanoTime();
            what.once(i);
            if (i >= WARM_UP) {
                millis.add((System.nanoTime() - begun) / 1e6);
            }
        }
        return millis;
    }

    private static final Doing NOTHING = i -> {};

    private Doing line(String text) {
        return i -> LongDay.say(http, url, text.replace("%d", String.valueOf(20 + i % 45)));
    }

    private Doing get(String view) {
        return i -> octets("/api/shows/1" + view);
    }

    private byte[] octets(String path) throws IOException, InterruptedException {
        HttpResponse<byte[]> answer = http.send(
                HttpRequest.newBuilder(URI.create(url + path)).build(), HttpResponse.BodyHandlers.ofByteArray());
        if (answer.statusCode() != 200) {
            throw new IOException(path + ": " + answer.statusCode());
        }
        return answer.body();
    }

    private void timedRow(String what, String size, String goal, int times, Doing before, Doing doing)
            throws IOException, InterruptedException {
        row(what, size, goal, spread(timed(times, before, doing)));
    }

    @Test
    void measures() throws Exception {
        assumeTrue(Boolean.getBoolean("loculus.figures"), "run by ./loculus figures");
        try (PackagedApplication app = new PackagedApplication(
                Files.createDirectory(folder.resolve("one")), List.of(), PackagedApplication.AS_STARTED)) {
            app.start();
            url = app.url();
            corrected();
        }
        try (Beat beat = new Beat(1);
                PackagedApplication app = new PackagedApplication(
                        Files.createDirectory(folder.resolve("two")), List.of(), PackagedApplication.AS_STARTED)) {
            app.start("--loculus.e131[0]=127.0.0.1:" + beat.port());
            url = app.url();
            LongDay.make(url, 2_000);
            edits();
            four();
            wide(app, folder.resolve("two"));
            file();
            scene(app, folder.resolve("two"));
            devices();
            beat(beat, app, folder.resolve("two"));
            firstScreen();
            anotherRig();
        }
        try (PackagedApplication app = new PackagedApplication(
                Files.createDirectory(folder.resolve("five")), List.of(), PackagedApplication.AS_STARTED)) {
            app.start();
            url = app.url();
            LongDay.make(url, 5_000);
            five();
        }
        try (PackagedApplication app = new PackagedApplication(
                Files.createDirectory(folder.resolve("ten")), List.of(), PackagedApplication.AS_STARTED)) {
            app.start();
            url = app.url();
            LongDay.make(url, 10_000);
            String size = "10,000 fixtures";
            timedRow("a name, over HTTP, synced", size, "–", 30, NOTHING, line("name 5 \"Lamp %d\""));
            line("1 thru 10000").once(0);
            timedRow("`all at N`", size, "–", 20, NOTHING, line("all at %d"));
            row(
                    "what that process takes",
                    size,
                    "< 400 MB",
                    Vitals.of(app.pid(), folder.resolve("ten")).words());
        }
    }

    private void edits() throws IOException, InterruptedException {
        String size = "2,000 fixtures";
        line("clear all").once(0);
        timedRow("a name, over HTTP, synced", size, "p95 < 40 ms", 60, NOTHING, line("name 5 \"Lamp %d\""));
        timedRow("a value of one fixture", size, "p95 < 40 ms", 60, NOTHING, line("5 at %d"));
        line("1 thru 2000").once(0);
        timedRow("`all at N`", size, "< 60 ms", 40, NOTHING, line("all at %d"));
        timedRow("a colour palette on all", size, "< 60 ms", 30, line("all colour xy 0.%d, 0.3"), line("all colour 4"));
        timedRow("a colour asked for on all", size, "–", 30, NOTHING, line("all colour xy 0.%d, 0.3"));
        timedRow("a spread over all", size, "< 120 ms", 30, NOTHING, line("all at 10 thru %d"));
        line("all pan at -90 thru 90").once(0);
        line("record position 30 \"Own\" per fixture").once(0);
        timedRow(
                "a position palette of own values on all",
                size,
                "< 120 ms",
                30,
                line("all pan at %d"),
                line("all position 30"));
        timedRow("all aim at a mark", size, "–", 30, NOTHING, line("all aim at mark \"Chair\""));
        timedRow(
                "a colour palette recorded from all",
                size,
                "–",
                20,
                line("all colour xy 0.%d, 0.3"),
                line("record colour 5 replace"));
        timedRow(
                "coverage after a recording",
                size + ", 40 palettes",
                "–",
                20,
                line("record colour 5 replace"),
                get("/coverage"));
        for (String view : List.of("", "/desk", "/palettes", "/groups", "/looks", "/check", "/effects")) {
            timedRow(
                    "`GET /api/shows/1" + view + "` after an edit of values on all",
                    size,
                    "–",
                    20,
                    line("all at %d"),
                    get(view));
        }
        line("clear all").once(0);
    }

    private void four() throws IOException, InterruptedException {
        List<Thread> threads = new ArrayList<>();
        List<Double> millis = java.util.Collections.synchronizedList(new ArrayList<>());
        for (int t = 0; t < 4; t++) {
            int from = 1 + t * 400;
            threads.add(new Thread(() -> {
                try {
                    millis.addAll(timed(60, NOTHING, i -> LongDay.say(http, url, from + i + " at " + i)));
                } catch (IOException e) {
                    throw new java.io.UncheckedIOException(e);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            }));
        }
        threads.forEach(Thread::start);
        for (Thread thread : threads) {
            thread.join();
        }
        row("the same by four clients at once", "2,000 fixtures", "p95 < 40 ms", spread(millis));
    }

    private void wide(PackagedApplication app, Path data) throws IOException, InterruptedException {
        Vitals before = Vitals.of(app.pid(), data);
        for (int i = 0; i < 1_000; i++) {
            line(i % 2 == 0 ? "all at %d" : "all colour xy 0.%d, 0.3").once(i);
        }
        Vitals after = Vitals.of(app.pid(), data);
        row(
                "1,000 wide edits, all of them to be taken back",
                "2,000 fixtures",
                "< 40 MB, heap flat",
                "before: " + before.words() + "; after: " + after.words());
    }

    private void file() throws IOException, InterruptedException {
        for (int i = 0; i < 5; i++) {
            line("all at 10 thru %d colour xy 0.%d, 0.3").once(i);
            LongDay.say(http, url, "record cue " + (20 + i) + " of list 1");
        }
        for (int i = 0; i < 3; i++) {
            LongDay.post(http, url + "/api/shows/1/versions", Map.of("name", "Version " + i));
        }
        List<Double> out = timed(5, NOTHING, get("/file"));
        byte[] file = octets("/api/shows/1/file");
        List<Double> in = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            long begun = System.nanoTime();
            upload(file);
            in.add((System.nanoTime() - begun) / 1e6);
        }
        LongDay.post(http, url + "/api/shows/1/live", Map.of());
        String size = "2,000 fixtures, 3 versions, 15 wide cues; " + file.length / 1000 + " kB";
        row("a show file out", size, "–", spread(out));
        row(
                "a show file in, shown",
                size,
                "< 2 s",
                String.format(
                        Locale.ROOT,
                        "%.1f s the first time, then %.1f s",
                        in.get(0) / 1000,
                        LongDay.percentile(in.subList(1, in.size()), 50) / 1000));
    }

    /** Drawn from the show, and taken into an empty one. */
    private void scene(PackagedApplication app, Path data) throws IOException, InterruptedException {
        LongDay.say(http, url, "place 1 thru 2000 at -20,2,6 thru 20,12,6");
        List<Double> out = timed(5, NOTHING, get("/scene.mvr"));
        byte[] file = octets("/api/shows/1/scene.mvr");
        String size = "2,000 fixtures; " + file.length / 1000 + " kB";
        HttpResponse<String> made = LongDay.post(http, url + "/api/shows", Map.of("name", "Drawn"));
        long empty = new ObjectMapper().readTree(made.body()).get("id").asLong();
        Vitals before = Vitals.of(app.pid(), data);
        String at = "/api/shows/" + empty + "/scene";
        List<Double> looked = timed(5, NOTHING, i -> upload(at + "/preview", file, 200));
        List<Double> taken = timed(1, NOTHING, i -> upload(at, file, 200));
        Vitals after = Vitals.of(app.pid(), data);
        LongDay.post(http, url + "/api/shows/1/live", Map.of());
        row("a scene out", size, "–", spread(out));
        row("a scene held against an empty show", size, "< 3 s", spread(looked));
        row(
                "that scene taken in",
                size,
                "< 3 s, < 300 MB above rest",
                String.format(
                        Locale.ROOT, "%.0f ms; before: %s; after: %s", taken.get(0), before.words(), after.words()));
    }

    /** Everything is found anew the first time, and asked after by its identity then. */
    private void devices() throws IOException, InterruptedException {
        String size = "2,000 fixtures, 2,000 devices";
        List<Double> found = timed(6, NOTHING, i -> LongDay.post(http, url + "/api/shows/1/devices/search", Map.of()));
        row(
                "devices searched for and read",
                size,
                "–",
                String.format(
                        Locale.ROOT,
                        "%.0f ms the first time, then %.0f ms",
                        found.get(0),
                        LongDay.percentile(found.subList(1, found.size()), 50)));
    }

    private long made(String name) throws IOException, InterruptedException {
        return JSON.readTree(LongDay.post(http, url + "/api/shows", Map.of("name", name))
                        .body())
                .get("id")
                .asLong();
    }

    private void say(long show, String text) throws IOException, InterruptedException {
        HttpResponse<String> answer = LongDay.post(http, url + "/api/shows/" + show + "/line", Map.of("text", text));
        if (answer.statusCode() != 200) {
            throw new IOException(text + ": " + answer.body());
        }
    }

    /** What the show would become on a rig of other types that stands elsewhere. */
    private void anotherRig() throws IOException, InterruptedException {
        long rig = made("The house");
        say(rig, "patch 1 thru 1000 as \"Gull Panel / 8-slot\" at 1.1");
        say(rig, "patch 1001 thru 2000 as \"Skiff Wash / basic\" at 41.1");
        say(rig, "place 1 thru 2000 at -9,0,6 thru 9,12,6");
        LongDay.post(http, url + "/api/shows/1/live", Map.of());
        List<Double> millis =
                timed(3, NOTHING, i -> LongDay.post(http, url + "/api/shows/1/rig/preview", Map.of("rig", rig)));
        row(
                "what another rig does to a show",
                "2,000 fixtures of 10 types on 2,000 of 2, 15 wide cues",
                "–",
                spread(millis));
    }

    /** What a profile that came anew does to a show that has the old one everywhere. */
    private void corrected() throws IOException, InterruptedException {
        long show = made("Corrected");
        say(show, "patch 1 thru 2000 as \"Ember Par / 8-slot\" at 1.1 gap 8");
        for (int i = 1; i <= 12; i++) {
            say(show, "1 thru 2000 at " + i * 7 + " colour xy 0." + (25 + i) + ", 0.33");
            say(show, "record cue " + i);
            say(show, "record colour " + i);
        }
        Profile held = ShippedProfiles.all().all().stream()
                .filter(p -> p.name().equals("Ember Par"))
                .findFirst()
                .orElseThrow();
        String id = "";
        for (JsonNode listed : JSON.readTree(octets("/api/profiles"))) {
            id = listed.get("name").asText().equals(held.name())
                    ? listed.get("id").asText()
                    : id;
        }
        upload(
                "/api/profiles/files",
                "files",
                ArchiveWriter.write(DescriptionReader.read(held.source().replaceFirst("Offset=\"1\"", "Offset=\"9\""))),
                200);
        String newer = "/api/shows/" + show + "/profiles/" + id + "/newer";
        if (JSON.readTree(octets(newer)).get("fates").isEmpty()) {
            throw new IllegalStateException("Nothing would change, so nothing is measured");
        }
        row(
                "what a corrected profile changes on stage",
                "2,000 fixtures of one type, 12 wide cues, 12 palettes",
                "–",
                spread(timed(3, NOTHING, i -> octets(newer))));
    }

    private void upload(byte[] file) throws IOException, InterruptedException {
        upload("/api/shows/file", file, 201);
    }

    private void upload(String path, byte[] file, int wanted) throws IOException, InterruptedException {
        upload(path, "file", file, wanted);
    }

    private void upload(String path, String field, byte[] file, int wanted) throws IOException, InterruptedException {
        ByteArrayOutputStream form = new ByteArrayOutputStream();
        form.writeBytes(
                ("--b\r\nContent-Disposition: form-data; name=\"" + field + "\"; filename=\"x.loculus\"\r\n\r\n")
                        .getBytes(StandardCharsets.UTF_8));
        form.writeBytes(file);
        form.writeBytes("\r\n--b--\r\n".getBytes(StandardCharsets.UTF_8));
        HttpResponse<String> answer = http.send(
                HttpRequest.newBuilder(URI.create(url + path))
                        .header("Content-Type", "multipart/form-data; boundary=b")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(form.toByteArray()))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != wanted) {
            throw new IOException(answer.body());
        }
    }

    private void beat(Beat beat, PackagedApplication app, Path data) throws IOException, InterruptedException {
        line("clear all").once(0);
        for (String going : LongDay.going()) {
            LongDay.say(http, url, going);
        }
        for (int i = 1; i <= 20; i++) {
            LongDay.say(http, url, "group " + i + " effect " + i);
        }
        Thread.sleep(20_000);
        beat.gaps();
        List<Double> edits = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            long begun = System.nanoTime();
            LongDay.say(http, url, (i + 1) + " at " + i);
            edits.add((System.nanoTime() - begun) / 1e6);
            Thread.sleep(500);
        }
        List<Double> gaps = beat.gaps();
        row(
                "the beat with five fades and twenty effects, an edit every half second",
                "2,000 fixtures, 88 universes, 20 s",
                "44 Hz",
                String.format(
                        Locale.ROOT,
                        "%.1f Hz: gaps p50 %.1f, p99 %.1f, at worst %.0f ms; edits %s; %s",
                        gaps.size() * 1000 / gaps.stream().mapToDouble(g -> g).sum(),
                        LongDay.percentile(gaps, 50),
                        LongDay.percentile(gaps, 99),
                        LongDay.percentile(gaps, 100),
                        spread(edits),
                        Vitals.of(app.pid(), data).words()));
        line("clear all").once(0);
    }

    private void firstScreen() throws IOException {
        List<Double> millis = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Page page = InBrowser.cold();
            long begun = System.nanoTime();
            page.navigate(url + "/patch");
            page.getByText("Skiff Wash").first().waitFor();
            millis.add((System.nanoTime() - begun) / 1e6);
            page.context().close();
        }
        row(
                "first screen, cold browser: Patch until its rows stand",
                "2,000 fixtures",
                "< 1.5 s",
                String.format(Locale.ROOT, "%.2f s", LongDay.percentile(millis, 50) / 1000));
    }

    private void five() throws IOException, InterruptedException {
        String size = "5,000 fixtures";
        timedRow("choose a range of 2,000", size, "< 60 ms", 40, line("clear"), line("1 thru 2000"));
        timedRow("a moved fixture", size, "p95 < 40 ms", 30, line("shift 25 by 1"), line("shift 25 by -1"));
        line("all at 50").once(0);
        timedRow("the patch table", size, "< 150 ms", 20, line("5 at %d"), get("/patch"));
        timedRow(
                "the table of values",
                size,
                "< 150 ms",
                20,
                line("5 at %d"),
                get("/values?touched=true&from=0&rows=60"));
        JsonNode show = JSON.readTree(octets("/api/shows/1"));
        if (show.get("fixtures").asInt() != 5_000) {
            throw new IllegalStateException(show.toString());
        }
    }
}
