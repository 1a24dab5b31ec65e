package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pages are told which views to look at again: nothing that looks otherwise is ever missing. */
class StaleViewsTest {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int LINES = Integer.getInteger("law.lines", 45);

    private static final long SEED = Long.getLong("law.seed", 11);

    /** What each view is asked for, by the word that pages are told. */
    private static final Map<String, List<String>> VIEWS = new LinkedHashMap<>();

    static {
        VIEWS.put("show", List.of(""));
        VIEWS.put("check", List.of("/check"));
        VIEWS.put("paper", List.of("/paper"));
        VIEWS.put("parcel", List.of("/parcel/contents"));
        VIEWS.put("patch", List.of("/patch"));
        VIEWS.put("groups", List.of("/groups"));
        VIEWS.put("starters", List.of("/groups/starters"));
        VIEWS.put("desk", List.of("/desk"));
        VIEWS.put("palettes", List.of("/palettes"));
        VIEWS.put("coverage", List.of("/coverage", "/coverage/colour/1?type=House%20Dimmer&mode=1-slot"));
        VIEWS.put("palette starters", List.of("/palettes/starters"));
        VIEWS.put(
                "contents",
                List.of("/palettes/colour/1", "/palettes/intensity/1", "/palettes/colour/1/against/colour/2"));
        VIEWS.put("marks", List.of("/marks"));
        VIEWS.put("pages", List.of("/pages"));
        VIEWS.put(
                "value table", List.of("/values?touched=false&from=0&rows=40", "/values?touched=true&from=0&rows=40"));
        VIEWS.put("match", List.of("/match/1"));
        VIEWS.put("holders", List.of("/play/holders"));
        VIEWS.put("looks", List.of("/looks"));
        VIEWS.put(
                "look contents",
                List.of(
                        "/cues/1",
                        "/cues/2",
                        "/cues/2/against/1",
                        "/cues/1/against/0",
                        "/kept/submaster/1",
                        "/kept/look/1"));
        VIEWS.put("look light", List.of("/cues/1/light", "/kept/submaster/1/light"));
        VIEWS.put("effects", List.of("/effects"));
        VIEWS.put("effect starters", List.of("/effects/starters"));
        VIEWS.put("scenery", List.of("/scenery"));
        VIEWS.put("devices", List.of("/devices?all=true"));
        VIEWS.put("versions", List.of("/versions"));
    }

    /** What goes on by itself, or counts edits: no view is told for it. */
    private static final Set<String> PASSING = Set.of("turns", "at", "chances", "revision", "seconds", "undo", "redo");

    private static final String SHOW = "patch 1 thru 4 as \"House Dimmer\" at 1.1\n"
            + "patch 11 thru 14 as \"Skiff Wash / extended\" at 2.1\npatch 21 + 22 as \"Gull Panel / 8-slot\" at 3.1\n"
            + "place 11 thru 14 at -3,2,6 thru 3,2,6\nmark \"Chair\" at 1, 2, 0\n"
            + "all at 60 colour xy 0.3, 0.2\nrecord group 1 \"All\"\nrecord colour 1 \"Plum\"\nrecord intensity 1 \"Glow\"\n"
            + "record cue 1 \"First\"\nall colour 1\nrecord colour 2 \"Like it\" keep references\n"
            + "record cue 2\nrecord submaster 1 \"Sub\"\nrecord look 1 \"Look\"\n"
            + "11 thru 14 sine of dimmer at 20 thru 80 offset round\nrecord effect 1 \"Swell\"\nclear all";

    @TempDir
    Path data;

    private final BlockingQueue<JsonNode> told = new LinkedBlockingQueue<>();

    private final class Listener implements WebSocket.Listener {
        private final StringBuilder text = new StringBuilder();

        @Override
        public CompletionStage<?> onText(WebSocket socket, CharSequence part, boolean last) {
            text.append(part);
            if (last) {
                try {
                    told.add(JSON.readTree(text.toString()));
                } catch (java.io.IOException e) {
                    throw new java.io.UncheckedIOException(e);
                }
                text.setLength(0);
            }
            socket.request(1);
            return null;
        }
    }

    @Test
    void nothing_that_looks_otherwise_is_missing() throws Exception {
        Random random = new Random(SEED);
        RandomEdits edits = new RandomEdits(SEED);
        Map<String, Integer> inVain = new TreeMap<>();
        List<String> missing = new ArrayList<>();
        int done = 0;
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "Stale"));
            app.line(1, SHOW);
            WebSocket socket = HttpClient.newHttpClient()
                    .newWebSocketBuilder()
                    .header("Origin", app.base())
                    .buildAsync(URI.create(app.base().replace("http://", "ws://") + "/live"), new Listener())
                    .join();
            Map<String, String> before = views(app);
            for (int i = 0; i < LINES; i++) {
                String line = random.nextBoolean() ? edits.any() : own(random);
                var answer = app.send("POST", "/api/shows/1/line", Map.of("text", line));
                if (answer.statusCode() != 200
                        || !JSON.readTree(answer.body()).path("changed").asBoolean(true)) {
                    continue;
                }
                Set<String> named = named();
                Map<String, String> after = views(app);
                for (String view : VIEWS.keySet()) {
                    boolean changed = !before.get(view).equals(after.get(view));
                    if (changed && !named.contains(view) && stands(app, view, after.get(view))) {
                        missing.add(line + " → " + view + " " + difference(before.get(view), after.get(view)));
                    }
                    if (!changed && named.contains(view)) {
                        inVain.merge(view, 1, Integer::sum);
                    }
                }
                before = after;
                done++;
            }
            socket.abort();
        }
        System.out.println(done + " edits; looked at again in vain: " + inVain);
        assertThat(missing).isEmpty();
        assertThat(done).isGreaterThan(LINES / 3);
    }

    /** All that was told since the views were looked at last, a moment of the answer included; rows are the patch. */
    private Set<String> named() throws InterruptedException {
        Set<String> named = new LinkedHashSet<>();
        JsonNode message = told.poll(400, TimeUnit.MILLISECONDS);
        while (message != null) {
            message.path("views").forEach(v -> named.add(v.asText()));
            if (message.path("all").asBoolean()) {
                named.addAll(VIEWS.keySet());
            }
            if (!message.path("fixtures").isEmpty()) {
                named.add("patch");
            }
            message = told.poll(40, TimeUnit.MILLISECONDS);
        }
        return named;
    }

    /** Of what moves by itself nothing can be said. */
    private static boolean stands(RunningApplication app, String view, String after) throws Exception {
        Thread.sleep(60);
        return view(app, view).equals(after);
    }

    private static Map<String, String> views(RunningApplication app) throws java.io.IOException {
        Map<String, String> all = new LinkedHashMap<>();
        for (String view : VIEWS.keySet()) {
            all.put(view, view(app, view));
        }
        return all;
    }

    private static String view(RunningApplication app, String view) throws java.io.IOException {
        StringBuilder text = new StringBuilder();
        for (String path : VIEWS.get(view)) {
            String body = view.equals("look light")
                    ? java.util.Arrays.toString(app.octets("/api/shows/1" + path))
                    : still(JSON.readTree(
                                    app.send("GET", "/api/shows/1" + path, null).body()))
                            .toString();
            text.append(body).append('\n');
        }
        return text.toString();
    }

    private static JsonNode still(JsonNode node) {
        if (node instanceof ObjectNode object) {
            object.remove(PASSING);
        }
        node.forEach(StaleViewsTest::still);
        return node;
    }

    private static String difference(String before, String after) {
        int at = 0;
        while (at < Math.min(before.length(), after.length()) && before.charAt(at) == after.charAt(at)) {
            at++;
        }
        int from = Math.max(0, at - 40);
        return "…" + before.substring(from, Math.min(before.length(), at + 60)) + "… → …"
                + after.substring(from, Math.min(after.length(), at + 60)) + "…";
    }

    private static String own(Random random) {
        int n = 1 + random.nextInt(3);
        String[] lines = {
            "undo",
            "redo",
            "go",
            "back",
            "release everything",
            "record cue " + n + " merge",
            "record cue " + n + "." + n,
            "update cue " + n,
            "cue " + n + " in " + n + " out 5",
            "rename cue " + n + " \"Night " + random.nextInt(9) + "\"",
            "delete cue " + n,
            "list 2 \"Other\"",
            "list 1",
            "record cue " + n + " of list 2",
            "list 2 as chase",
            "record submaster " + n + " \"S\"",
            "record look " + n + " replace",
            "delete submaster 2",
            "open cue " + n,
            "close look",
            "11 thru 14 effect 1",
            "edit effect 1 rate " + (5 + random.nextInt(40)),
            "edit effect 1 around 10",
            "rename effect 1 \"Sea " + n + "\"",
            "effects off",
            "rename colour 1 \"Plum " + random.nextInt(9) + "\"",
            "rename group 1 \"All " + random.nextInt(9) + "\"",
            "tint group 1 red",
            "update colour 1",
            "record colour 2 merge",
            "record position " + n + " merge",
            "mark \"Chair\" at " + n + ", 1, 0",
            "mark \"Table\" at 0, " + n + ", 0",
            "record position 3 at mark \"Chair\"",
            "page colour \"Act\" from " + (100 + n) + " of 3 by 2",
            "starter palettes",
            "starter effects",
            "name 11 \"Wash " + random.nextInt(9) + "\"",
            "hang 1 thru 4 on \"Bridge " + n + "\"",
            "11 thru 14",
            "1 thru 4 + 11",
            "all",
            "all at " + random.nextInt(101),
            "11 at full colour 1",
            "clear all",
            "clear",
            "save version \"V " + random.nextInt(99) + "\"",
            "record group 2 \"Lit\" as recipe",
            "all where lit",
            "record highlight",
            "highlight on",
            "delete 22"
        };
        return lines[random.nextInt(lines.length)];
    }
}
