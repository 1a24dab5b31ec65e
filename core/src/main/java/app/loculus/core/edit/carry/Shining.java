package app.loculus.core.edit.carry;

import app.loculus.core.carry.At;
import app.loculus.core.carry.Counterpart;
import app.loculus.core.carry.UnitPairs;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What a type needs to shine where the one it stands for shone by itself: a lamp has its colour at home, emitters may be
 * dark there; what has a mix and no dimmer gets by with that, what has both needs both.
 */
final class Shining {

    private final Carry carry;
    private final Set<FixtureId> coloured;

    /** @param coloured fixtures of whose colour the look says something, or a cue that it tracks */
    Shining(Carry carry, Set<FixtureId> coloured) {
        this.carry = carry;
        this.coloured = coloured;
    }

    /** For each look the fixtures of whose colour it says something, or a cue that it tracks. */
    static Map<LookId, Set<FixtureId>> coloured(Show show) {
        Map<LookId, Set<FixtureId>> found = new HashMap<>();
        show.all(PartKinds.LOOKS).values().forEach(look -> found.put(look.id(), coloured(look)));
        for (CueList list : show.lists()) {
            Set<FixtureId> tracked = new HashSet<>();
            for (Cue cue : list.join() == CueList.Join.CARRYING_ON ? show.cues(list.id()) : List.<Cue>of()) {
                tracked.addAll(found.get(cue.look()));
                found.put(cue.look(), Set.copyOf(tracked));
            }
        }
        return found;
    }

    private static Set<FixtureId> coloured(Look look) {
        Set<FixtureId> found = new HashSet<>();
        look.values().forEach((unit, values) -> {
            if (values.byAttribute().keySet().stream().anyMatch(Shining::colours)) {
                found.add(unit.fixture());
            }
        });
        return found;
    }

    private static boolean colours(Attribute attribute) {
        return attribute.isMix() || attribute.isColourWheel();
    }

    void fill(LookParts.Part part, UnitId is, Touching touching) {
        UnitPairs.Source source = part.source();
        At at = carry.is(is);
        boolean level = said(part, Attribute.DIMMER);
        if (level && !coloured.contains(source.was()) && dark(at)) {
            shone(source)
                    .flatMap(c -> carry.means().answers().answer(at.mode(), at.cell(), c))
                    .ifPresent(answer -> {
                        Map<Attribute, AttributeValue> values = new LinkedHashMap<>(answer.closings());
                        values.putAll(answer.values());
                        touching.setTogether(is, values, answer.closings().keySet(), Optional.empty());
                    });
        }
        boolean without =
                !carry.was(UnitId.whole(source.was())).mode().attributes().contains(Attribute.DIMMER);
        if (without && coloured.contains(source.was()) && shutAtHome(at) && saysColour(part)) {
            touching.setTogether(is, Map.of(Attribute.DIMMER, AttributeValue.level(1)), Set.of(), Optional.empty());
        }
    }

    private Stream<UnitValues> values(LookParts.Part part) {
        FixtureId was = part.source().was();
        int cells = carry.was(UnitId.whole(was)).mode().cells();
        return IntStream.rangeClosed(0, cells).mapToObj(cell -> part.of(new UnitId(was, cell)));
    }

    private boolean said(LookParts.Part part, Attribute attribute) {
        return values(part).anyMatch(v -> v.get(attribute).isPresent());
    }

    private boolean saysColour(LookParts.Part part) {
        return values(part).anyMatch(v -> v.byAttribute().keySet().stream().anyMatch(Shining::colours));
    }

    /** Whether it makes colours and gives no light at home. */
    private static boolean dark(At at) {
        return Counterpart.light(at, Map.of()).filter(l -> l.y() <= 0).isPresent();
    }

    /** The colour that the other one has at home. */
    private Optional<Chromaticity> shone(UnitPairs.Source source) {
        for (UnitId unit : source.units()) {
            At was = carry.was(unit);
            Optional<Tristimulus> light = Counterpart.light(was, Map.of());
            if (light.isPresent()) {
                return light.filter(l -> l.y() > 0).flatMap(Tristimulus::chromaticity);
            }
        }
        return carry.was(source.units().get(0)).mode().lamp().chromaticity();
    }

    private static boolean shutAtHome(At at) {
        return at.parameter(Attribute.DIMMER)
                .flatMap(p -> AttributeValue.home(at.mode(), p).in(at.mode(), p))
                .map(FunctionValue::light)
                .filter(l -> l < 0.01)
                .isPresent();
    }
}
