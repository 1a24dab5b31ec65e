package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** What a palette gave everybody before it was made anew, so that it gives them the same afterwards. */
final class GivenBefore {

    private final Show show;
    private final Map<UnitId, Given> given = new LinkedHashMap<>();

    GivenBefore(Show show, Palette palette) {
        this.show = show;
        for (Fixture fixture : show.patch().fixtures()) {
            for (int cell = 0; cell <= show.patch().modeOf(fixture).cells(); cell++) {
                UnitId unit = new UnitId(fixture.id(), cell);
                given.put(unit, show.resolver().giver().give(palette, unit));
            }
        }
    }

    /** With entries of their own for those who would be given something else. */
    Palette keptBy(Palette after) {
        Giver giver = new Giver(show.patch(), show.shelf(), show.answers());
        List<Entry> more = new ArrayList<>();
        given.forEach((unit, was) -> {
            if (was.follow() && !same(unit, was, giver.give(after, unit))) {
                ScopeKey own = new ScopeKey.Unit(unit);
                was.values()
                        .forEach((attribute, value) -> more.add(new Entry(
                                own, attribute, value, was.companions().contains(attribute))));
            }
        });
        if (more.isEmpty()) {
            return after;
        }
        List<ScopeKey> own = more.stream().map(Entry::scope).distinct().toList();
        return after.holding(Stream.concat(
                        after.entries().stream().filter(e -> !own.contains(e.scope())), more.stream())
                .toList());
    }

    private boolean same(UnitId unit, Given was, Given is) {
        return sent(unit, was.values()).equals(sent(unit, is.values()));
    }

    /** By channel. */
    private Map<Integer, Long> sent(UnitId unit, Map<Attribute, AttributeValue> values) {
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        Map<Integer, Long> sent = new HashMap<>();
        values.forEach((attribute, value) -> {
            Parameter parameter = mode.parameter(unit.cell(), attribute).orElse(null);
            if (parameter != null) {
                value.in(mode, parameter).ifPresent(place -> sent.put(parameter.channel(), place.dmx()));
            }
        });
        return sent;
    }
}
