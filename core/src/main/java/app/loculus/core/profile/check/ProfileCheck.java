package app.loculus.core.profile.check;

import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.Profile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Finds what cannot be right in a profile, mode by mode. All of it is advice: the profile stays usable. */
public final class ProfileCheck {

    private final List<Problem> found = new ArrayList<>();

    private ProfileCheck() {}

    public static List<Problem> of(Profile profile) {
        ProfileCheck check = new ProfileCheck();
        check.pictures(profile);
        profile.modes().forEach(check::mode);
        return List.copyOf(check.found);
    }

    /** Pictures that came with no file, so that none goes out with one either. */
    private void pictures(Profile profile) {
        List<String> missing = profile.wheels().stream()
                .flatMap(w -> w.slots().stream())
                .flatMap(s -> s.picture().stream())
                .distinct()
                .filter(p -> !profile.facts().pictures().names().contains(p))
                .toList();
        if (!missing.isEmpty()) {
            say(
                    "profile.picture",
                    "Wheels",
                    (missing.size() == 1 ? "The picture “" : "The pictures “") + String.join("”, “", missing)
                            + (missing.size() == 1 ? "” is" : "” are") + " named, but not there.");
        }
    }

    private void say(String code, String subject, String words) {
        found.add(Problem.warning(code, subject, words));
    }

    private void mode(Mode mode) {
        String at = "Mode “" + mode.name() + "”";
        offsets(mode, at);
        mode.channels().stream().filter(c -> c.cell() <= 1).forEach(c -> channel(mode, c, at + ", " + c.attribute()));
        boolean light = mode.attributes().stream().anyMatch(a -> a.equals(Attribute.DIMMER) || a.isVisibleAdditive());
        boolean smoke = mode.attributes().stream().anyMatch(a -> a.name().matches("(Haze|Fog|Fan|Blower)\\d*"));
        if (!light && !smoke) {
            say("profile.dark", at, "It has neither a dimmer nor emitters, so no intensity can be set.");
        }
    }

    private void offsets(Mode mode, String at) {
        Map<List<Integer>, Channel> holders = new HashMap<>();
        for (Channel channel : mode.channels()) {
            for (int offset : channel.offsets()) {
                Channel other = holders.putIfAbsent(List.of(channel.breakNumber(), offset), channel);
                if (other != null) {
                    say(
                            "profile.overlap",
                            at,
                            "Slot " + offset + inBreak(mode, channel) + " belongs to " + other.attribute() + " and to "
                                    + channel.attribute() + ".");
                }
            }
        }
        mode.footprint().forEach((number, slots) -> {
            List<Integer> free = new ArrayList<>();
            for (int slot = 1; slot <= slots; slot++) {
                if (!holders.containsKey(List.of(number, slot))) {
                    free.add(slot);
                }
            }
            if (!free.isEmpty()) {
                say(
                        "profile.gap",
                        at,
                        (free.size() == 1 ? "Slot " : "Slots ") + runs(free)
                                + " of its " + slots + (mode.footprint().size() > 1 ? " in break " + number : "")
                                + (free.size() == 1 ? " is" : " are") + " used by nothing.");
            }
        });
    }

    /** {@code 2, 5 to 9}. */
    private static String runs(List<Integer> numbers) {
        List<String> runs = new ArrayList<>();
        for (int i = 0; i < numbers.size(); ) {
            int end = i;
            while (end + 1 < numbers.size() && numbers.get(end + 1) == numbers.get(end) + 1) {
                end++;
            }
            runs.add(end == i ? "" + numbers.get(i) : numbers.get(i) + " to " + numbers.get(end));
            i = end + 1;
        }
        return String.join(", ", runs);
    }

    private static String inBreak(Mode mode, Channel channel) {
        return mode.footprint().size() > 1 ? " of break " + channel.breakNumber() : "";
    }

    private void channel(Mode mode, Channel channel, String at) {
        Map<Optional<ModeMaster>, List<ChannelFunction>> byMaster =
                channel.functions().stream().collect(Collectors.groupingBy(ChannelFunction::master));
        byMaster.forEach((master, functions) -> {
            if (master.isEmpty()) {
                spans(
                        "Function",
                        at,
                        0,
                        channel.resolution().max(),
                        functions.stream()
                                .map(f -> new Span(f.name(), f.from(), f.to()))
                                .toList());
            }
            master.ifPresent(m -> master(mode, m, at));
        });
        channel.functions().forEach(f -> {
            List<Span> ranges = f.ranges().stream()
                    .map(r -> new Span(r.name(), r.from(), r.to()))
                    .toList();
            if (!ranges.isEmpty()) {
                spans("Range", at, f.from(), f.to(), ranges);
            }
        });
        if (channel.home() > channel.resolution().max()) {
            say(
                    "profile.home",
                    at,
                    "Home " + channel.home() + " is above "
                            + channel.resolution().max() + ".");
        }
    }

    private void master(Mode mode, ModeMaster master, String at) {
        Optional<Channel> channel = mode.channels().stream()
                .filter(c -> c.key().equals(master.channel()))
                .findFirst();
        if (channel.isEmpty()) {
            say("profile.master", at, "It needs “" + master.channel() + "”, which is no channel of this mode.");
        } else if (master.from() > channel.get().resolution().max() || master.from() > master.to()) {
            say(
                    "profile.master",
                    at,
                    "It needs “" + master.channel() + "” in " + master.from() + " to " + master.to()
                            + ", which it never is.");
        }
    }

    private record Span(String name, long from, long to) {}

    /** Parts of a range that overlap, or leave values over. */
    private void spans(String what, String at, long from, long to, List<Span> all) {
        List<Span> sorted =
                all.stream().sorted(Comparator.comparingLong(Span::from)).toList();
        long next = from;
        for (Span span : sorted) {
            if (span.to() < span.from()) {
                say(
                        "profile.range",
                        at,
                        what + " “" + span.name() + "” runs from " + span.from() + " back to " + span.to() + ".");
            } else if (span.from() < next && span.from() >= from) {
                say(
                        "profile.range",
                        at,
                        what + " “" + span.name() + "” begins at " + span.from()
                                + ", inside the one before it, which ends at " + (next - 1) + ".");
            } else if (span.from() > next) {
                say(
                        "profile.range",
                        at,
                        "Values " + next + " to " + (span.from() - 1) + " have no "
                                + what.toLowerCase(java.util.Locale.ROOT) + ".");
            }
            if (span.to() > to) {
                say("profile.range", at, what + " “" + span.name() + "” ends at " + span.to() + ", above " + to + ".");
            }
            next = Math.max(next, span.to() + 1);
        }
        if (next <= to && !sorted.isEmpty()) {
            say(
                    "profile.range",
                    at,
                    "Values " + next + " to " + to + " have no " + what.toLowerCase(java.util.Locale.ROOT) + ".");
        }
    }
}
