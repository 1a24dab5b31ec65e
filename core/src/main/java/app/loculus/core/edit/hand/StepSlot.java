package app.loculus.core.edit.hand;

import app.loculus.core.profile.ControlCommand;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Goes on by one place of a wheel, each unit from its own: to the next slot, or the one before; behind the last comes the
 * first. Without a wheel the named places of the attribute are gone through.
 */
public record StepSlot(String word, boolean forward) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        FromNow hand = new FromNow(draft);
        Set<String> reached = new TreeSet<>();
        Set<String> stepped = hand.set(
                word,
                at -> next(at).map(name -> {
                    reached.add(name);
                    return new AttributeValue.Named(name);
                }));
        hand.keep(stepped, word);
        draft.say((forward ? "Next " : "Previous ") + word + " of " + Numbers.count(stepped.size(), "unit") + ": "
                + String.join(", ", reached));
    }

    private Optional<String> next(FromNow.At at) {
        List<NamedRange> places = places(at);
        if (places.isEmpty()) {
            return Optional.empty();
        }
        long now = at.place().dmx();
        int index = -1;
        for (int i = 0; i < places.size(); i++) {
            // Beyond the last place that begins below it: between two places the lower one counts.
            index = places.get(i).from() <= now ? i : index;
        }
        boolean before = index < 0;
        int step = before ? (forward ? 0 : places.size() - 1) : index + (forward ? 1 : -1);
        return Optional.of(places.get(Math.floorMod(step, places.size())).name());
    }

    /** By where they lie, each name once; those of a wheel where there is one, and never a command. */
    private static List<NamedRange> places(FromNow.At at) {
        List<NamedRange> all = new ArrayList<>();
        at.mode().channelOf(at.mode().parameter(at.cell(), at.attribute()).orElseThrow()).functions().stream()
                .filter(f -> f.attribute().equals(at.attribute()))
                .forEach(f -> all.addAll(f.ranges()));
        boolean wheel = all.stream().anyMatch(r -> r.wheelSlot() > 0);
        Map<String, NamedRange> byName = new LinkedHashMap<>();
        all.stream()
                .filter(r -> !wheel || r.wheelSlot() > 0)
                .filter(r -> !ControlCommand.is(at.attribute(), r.name()))
                .sorted(Comparator.comparingLong(NamedRange::from))
                .forEach(r -> byName.putIfAbsent(r.name(), r));
        return List.copyOf(byName.values());
    }
}
