package app.loculus.core.profile.check;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Says in words how two profiles of the same fixture differ. */
public final class ProfileDifference {

    private ProfileDifference() {}

    /** From the older to the newer one; empty when all that can be patched is the same. */
    public static List<String> words(Profile older, Profile newer) {
        List<String> words = new ArrayList<>();
        for (Mode mode : newer.modes()) {
            Optional<Mode> was = older.findMode(mode.name());
            if (was.isEmpty()) {
                words.add("New mode “" + mode.name() + "” with " + mode.slots() + " slots");
            } else {
                modes(newer, was.get(), mode, words);
            }
        }
        older.modes().stream()
                .filter(m -> newer.findMode(m.name()).isEmpty())
                .forEach(m -> words.add("Mode “" + m.name() + "” is gone"));
        if (words.isEmpty()) {
            words.add("The same slots and values; the description differs");
        }
        return words;
    }

    private static void modes(Profile newer, Mode was, Mode is, List<String> words) {
        String at = "Mode “" + is.name() + "”: ";
        if (was.slots() != is.slots()) {
            words.add(at + was.slots() + " slots became " + is.slots());
        }
        Map<String, Channel> before = byKey(was);
        Map<String, Channel> after = byKey(is);
        after.forEach((key, c) -> {
            if (!before.containsKey(key)) {
                words.add(at + pretty(newer, c) + " is new");
            } else {
                channels(before.get(key), c, at + pretty(newer, c), words);
            }
        });
        before.forEach((key, c) -> {
            if (!after.containsKey(key)) {
                words.add(at + pretty(newer, c) + " is gone");
            }
        });
    }

    /** @param what its mode and name */
    private static void channels(Channel was, Channel is, String what, List<String> words) {
        if (!was.offsets().equals(is.offsets())) {
            words.add(what + " moved from slot " + slots(was) + " to " + slots(is));
        }
        if (was.home() != is.home()) {
            words.add(what + " is at home at " + is.home() + ", not " + was.home());
        }
        if (!was.functions().equals(is.functions())) {
            words.add(what + " has other ranges");
        }
    }

    private static String pretty(Profile profile, Channel channel) {
        return profile.definition(channel.attribute()).pretty();
    }

    private static String slots(Channel c) {
        return String.join("+", c.offsets().stream().map(String::valueOf).toList());
    }

    /** The first cell stands for all of them. */
    private static Map<String, Channel> byKey(Mode mode) {
        Map<String, Channel> all = new LinkedHashMap<>();
        mode.channels().stream()
                .filter(c -> c.cell() <= 1)
                .forEach(c -> all.putIfAbsent((c.cell() > 0 ? "cell " : "") + c.attribute(), c));
        return all;
    }
}
