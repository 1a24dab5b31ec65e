package app.loculus.formats.gdtf;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.Channel;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.w3c.dom.Element;

/**
 * Tells attributes apart that several channels of one part have, so that each can be driven: the second pan is
 * {@code Pan_2}, the second {@code Gobo1} the next gobo that is free. A channel named by its attribute keeps the name
 * before one that has it as a further function.
 */
final class Repeats {

    /** Nothing can be set there, however often it occurs. */
    private static final Set<String> PLACEHOLDERS = Set.of("NoFeature", "Dummy");

    private final Map<Attribute, AttributeDefinition> declared = new HashMap<>();
    private final Map<Attribute, AttributeDefinition> added = new LinkedHashMap<>();
    private final Report report;

    Repeats(List<AttributeDefinition> attributes, Report report) {
        attributes.forEach(a -> declared.put(a.attribute(), a));
        this.report = report;
    }

    /** What the names that were given mean: the same as those they stand beside. */
    Collection<AttributeDefinition> definitions() {
        return added.values();
    }

    /** The channels of a mode with every attribute of a part and every key there once. */
    List<Channel> told(Element mode, List<Channel> channels) {
        List<Channel> out = new ArrayList<>(channels);
        Set<Attribute> used = new HashSet<>(declared.keySet());
        channels.forEach(c -> c.functions().forEach(f -> used.add(f.attribute())));
        Map<Integer, Map<Attribute, Integer>> holders = new HashMap<>();
        Set<String> said = new HashSet<>();
        for (boolean naming : new boolean[] {true, false}) {
            for (int i = 0; i < out.size(); i++) {
                Map<Attribute, Integer> taken =
                        holders.computeIfAbsent(out.get(i).cell(), c -> new HashMap<>());
                for (Attribute a : attributes(channels.get(i))) {
                    boolean meant = naming == a.equals(channels.get(i).attribute());
                    if (!meant || PLACEHOLDERS.contains(a.name()) || taken.getOrDefault(a, i) == i) {
                        if (meant) {
                            taken.putIfAbsent(a, i);
                        }
                        continue;
                    }
                    Attribute fresh = fresh(a, taken, used);
                    taken.put(fresh, i);
                    out.set(i, renamed(out.get(i), a, fresh));
                    if (said.add(fresh.name())) {
                        report.odd(mode, a + " is there for several channels of one part; one more is " + fresh + ".");
                    }
                }
            }
        }
        return unlike(out);
    }

    private static Set<Attribute> attributes(Channel channel) {
        Set<Attribute> found = new LinkedHashSet<>();
        channel.functions().forEach(f -> found.add(f.attribute()));
        return found;
    }

    private Attribute fresh(Attribute attribute, Map<Attribute, Integer> taken, Set<Attribute> used) {
        String name = attribute.name();
        String stem = name.replaceFirst("\\d{1,4}$", "");
        int first = stem.equals(name) ? 2 : Integer.parseInt(name.substring(stem.length())) + 1;
        String joint = stem.equals(name) ? "_" : "";
        for (int n = first; ; n++) {
            Attribute next = new Attribute(stem + joint + n);
            if (!used.contains(next) && !taken.containsKey(next)) {
                int number = n;
                AttributeDefinition like = declared.getOrDefault(
                        attribute, new AttributeDefinition(attribute, name, "Control.Control", "None"));
                added.computeIfAbsent(
                        next,
                        a -> new AttributeDefinition(
                                a,
                                like.pretty().replaceFirst(" ?\\d+$", "") + " " + number,
                                like.feature(),
                                like.unit()));
                return next;
            }
        }
    }

    private static Channel renamed(Channel channel, Attribute from, Attribute to) {
        return channel.with(channel.functions().stream()
                .map(f -> f.attribute().equals(from) ? f.with(to) : f)
                .toList());
    }

    /** Keys that occur twice get a number, so that what is received is read for each channel. */
    private static List<Channel> unlike(List<Channel> channels) {
        Set<String> seen = new HashSet<>();
        List<Channel> out = new ArrayList<>();
        for (Channel c : channels) {
            String key = c.key();
            for (int n = 2; !seen.add(key); n++) {
                key = c.plainKey() + " " + n + (c.cell() == 0 ? "" : "#" + c.cell());
            }
            out.add(c.with(key));
        }
        return out;
    }
}
