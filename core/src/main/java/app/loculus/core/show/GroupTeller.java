package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.selection.GroupId;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Says what became of groups: how they are asked for now, who came and went, what they are called. */
final class GroupTeller implements Teller<GroupId, Group> {

    @Override
    public void tell(
            Show before,
            Show after,
            SortedMap<GroupId, Group> were,
            SortedMap<GroupId, Group> are,
            Consumer<String> words) {
        Teller.<GroupId, Group>comings("group", Group::toString).tell(before, after, were, are, words);
        List<String> changed = new ArrayList<>();
        are.forEach((id, is) -> {
            Group was = were.get(id);
            List<String> parts = was == null ? List.of() : parts(before, after, was, is);
            if (!parts.isEmpty()) {
                changed.add("Group " + is + ": " + String.join("; ", parts));
            }
        });
        changed.stream().limit(MOST_NAMED).forEach(words);
        if (changed.size() > MOST_NAMED) {
            words.accept((changed.size() - MOST_NAMED) + " more groups changed");
        }
    }

    private static List<String> parts(Show before, Show after, Group was, Group is) {
        List<String> parts = new ArrayList<>();
        if (!was.name().equals(is.name())) {
            parts.add("called “" + was.name() + "” before");
        }
        if (was.number() != is.number()) {
            parts.add("number " + was.number() + " before");
        }
        String asked = asked(before, was);
        String asks = asked(after, is);
        if (!asked.equals(asks)) {
            parts.add(asked + " → " + asks);
        }
        units(before, after, was, is, parts);
        if (was.tint() != is.tint()) {
            parts.add("another mark");
        }
        if (!was.note().equals(is.note())) {
            parts.add("another note");
        }
        return parts;
    }

    private static String asked(Show show, Group group) {
        return group.content().recipe() ? show.words(group.content().choice()) : "a fixed order";
    }

    private static void units(Show before, Show after, Group was, Group is, List<String> parts) {
        List<String> had = labels(before, was);
        List<String> has = labels(after, is);
        List<String> came = has.stream().filter(u -> !had.contains(u)).toList();
        List<String> went = had.stream().filter(u -> !has.contains(u)).toList();
        if (!came.isEmpty()) {
            parts.add("+ " + named(came));
        }
        if (!went.isEmpty()) {
            parts.add("− " + named(went));
        }
        boolean other = !before.units(was).steps().equals(after.units(is).steps());
        if (came.isEmpty() && went.isEmpty() && other && !had.equals(has)) {
            parts.add("in another order");
        } else if (came.isEmpty() && went.isEmpty() && other) {
            parts.add("in other steps");
        }
    }

    private static List<String> labels(Show show, Group group) {
        return show.units(group).units().stream().map(show::label).toList();
    }

    private static String named(List<String> units) {
        return units.stream().limit(MOST_NAMED).collect(Collectors.joining(" "))
                + (units.size() > MOST_NAMED ? " and " + (units.size() - MOST_NAMED) + " more" : "");
    }
}
