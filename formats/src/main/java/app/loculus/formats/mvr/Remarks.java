package app.loculus.formats.mvr;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Sentences about what was odd, each once, with whom it is about. */
final class Remarks {

    private static final int MOST_NAMED = 5;

    private final Map<String, List<String>> about = new LinkedHashMap<>();

    /** @param sentence without its full stop; those it is about are named behind it */
    void odd(String sentence, String who) {
        about.computeIfAbsent(sentence, s -> new ArrayList<>()).add(who);
    }

    void say(String sentence) {
        about.computeIfAbsent(sentence, s -> new ArrayList<>());
    }

    List<String> all() {
        return about.entrySet().stream()
                .map(e -> words(e.getKey(), e.getValue()))
                .toList();
    }

    private static String words(String sentence, List<String> who) {
        if (who.isEmpty()) {
            return sentence + ".";
        }
        String named = String.join(", ", who.subList(0, Math.min(MOST_NAMED, who.size())));
        return sentence + ": " + named + (who.size() > MOST_NAMED ? " and " + (who.size() - MOST_NAMED) + " more" : "")
                + ".";
    }
}
