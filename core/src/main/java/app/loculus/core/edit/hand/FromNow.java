package app.loculus.core.edit.hand;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.words.AttributeWords;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Sets values of the selection from where they are now, each unit from its own; highlight and effects aside. */
final class FromNow {

    /** Where one attribute of one unit stands. */
    record At(Profile profile, Mode mode, int cell, Attribute attribute, FunctionValue place) {

        boolean inDegrees() {
            return profile.definition(attribute).inDegrees();
        }

        double physical() {
            return place.function().physicalOf(place.fraction());
        }

        /** Lowest and highest physical value of all functions of the attribute. */
        double[] ends() {
            Parameter p = mode.parameter(cell, attribute).orElseThrow();
            return mode.channelOf(p).functions().stream()
                    .filter(f -> f.attribute().equals(attribute))
                    .map(f -> new double[] {
                        Math.min(f.physicalFrom(), f.physicalTo()), Math.max(f.physicalFrom(), f.physicalTo())
                    })
                    .reduce((a, b) -> new double[] {Math.min(a[0], b[0]), Math.max(a[1], b[1])})
                    .orElse(new double[] {0, 0});
        }
    }

    /** What becomes of it; empty when it stays. */
    interface Way {
        Optional<AttributeValue> from(At at);
    }

    private final Draft draft;
    private final Show show;
    private final Touching touching;
    private final Map<Fixture, List<Resolved>> now = new LinkedHashMap<>();

    FromNow(Draft draft) {
        this.draft = draft;
        this.show = draft.show();
        this.touching = draft.touching();
    }

    /** @return labels of the units that were set */
    Set<String> set(String word, Way way) {
        Set<String> labels = new LinkedHashSet<>();
        for (UnitId held : draft.held().units()) {
            Fixture fixture = show.patch().get(held.fixture());
            Profile profile = show.patch().profileOf(fixture);
            Mode mode = show.patch().modeOf(fixture);
            AttributeWords.meant(profile, mode, word)
                    .ifPresent(attribute -> mode.homesOf(held.cell(), attribute).forEach(cell -> {
                        UnitId unit = new UnitId(fixture.id(), cell);
                        at(fixture, profile, mode, cell, attribute)
                                .flatMap(way::from)
                                .filter(value -> touching.set(unit, attribute, value))
                                .ifPresent(value -> labels.add(show.label(unit)));
                    }));
        }
        return labels;
    }

    /** Where an attribute of a unit stands; empty when its channel does something else. */
    Optional<At> at(Fixture fixture, Profile profile, Mode mode, int cell, Attribute attribute) {
        List<Resolved> channels = now.computeIfAbsent(fixture, show.unlit().still()::resolve);
        return mode.parameter(cell, attribute)
                .map(p -> channels.get(p.channel()).place())
                .filter(place -> place.function().attribute().equals(attribute))
                .map(place -> new At(profile, mode, cell, attribute, place));
    }

    void keep(Set<String> labels, String word) {
        if (labels.isEmpty()) {
            throw Having.nobody(draft, word);
        }
        draft.setAll(touching.changed());
    }
}
