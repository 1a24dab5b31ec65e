package app.loculus.core.profile.words;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A word for an end or the middle of what moves without steps, where the profile names none: a zoom is narrow, an iris
 * open.
 *
 * @param name in lower case
 * @param physical in the unit of the profile
 */
public record Stop(String name, double physical) {

    /** From the lowest physical value to the highest. */
    private static final Map<String, List<String>> RISING = Map.of(
            "Zoom", List.of("narrow", "middle", "wide"),
            "Shutter1Strobe", List.of("slow", "middle", "fast"));

    /** From the end that is home, as it lets through what it gets, to the other one. */
    private static final Map<String, List<String>> FROM_HOME = Map.of(
            "Iris", List.of("open", "half", "closed"),
            "Frost1", List.of("out", "half", "full"));

    /** From the lower DMX end. */
    private static final Map<String, List<String>> ALONG = Map.of("Focus1", List.of("near", "middle", "far"));

    public static List<Stop> of(Mode mode, Parameter parameter) {
        String attribute = parameter.attribute().name();
        ChannelFunction function = parameter.function();
        double from = function.physicalFrom();
        double to = function.physicalTo();
        if (RISING.containsKey(attribute)) {
            return between(RISING.get(attribute), Math.min(from, to), Math.max(from, to));
        }
        if (FROM_HOME.containsKey(attribute)) {
            boolean first = homeIsFirst(mode.channelOf(parameter), function, attribute.equals("Iris"));
            return between(FROM_HOME.get(attribute), first ? from : to, first ? to : from);
        }
        return ALONG.containsKey(attribute) ? between(ALONG.get(attribute), from, to) : List.of();
    }

    public static Optional<Stop> called(String name, Mode mode, Parameter parameter) {
        return of(mode, parameter).stream()
                .filter(s -> s.name().equalsIgnoreCase(name))
                .findFirst();
    }

    /** Home lets the light through. A home that is no end tells nothing: physical values are shares then. */
    private static boolean homeIsFirst(Channel channel, ChannelFunction function, boolean opensUpwards) {
        double home = channel.homeFunction().equals(function)
                ? function.fractionOfDmx(channel.home()).value()
                : 0.5;
        if (home == 0 || home == 1) {
            return home == 0;
        }
        boolean rises = function.physicalFrom() <= function.physicalTo();
        return rises != opensUpwards;
    }

    private static List<Stop> between(List<String> names, double first, double last) {
        int end = names.size() - 1;
        return IntStream.rangeClosed(0, end)
                .mapToObj(i -> new Stop(names.get(i), first + (last - first) * i / end))
                .toList();
    }
}
