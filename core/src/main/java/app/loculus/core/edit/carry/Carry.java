package app.loculus.core.edit.carry;

import app.loculus.core.carry.At;
import app.loculus.core.carry.Counterpart;
import app.loculus.core.carry.Means;
import app.loculus.core.carry.UnitPairs;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What everything that is carried over goes by.
 *
 * @param from the show that parts come from
 * @param draft the one that they go to
 */
record Carry(Show from, Draft draft, UnitPairs pairs, Means means, Ids ids) {

    At was(UnitId unit) {
        return At.of(from.patch(), unit);
    }

    At is(UnitId unit) {
        return At.of(draft.show().patch(), unit);
    }

    /** Types that hang there now. */
    Set<ProfileId> types() {
        return draft.show().patch().fixtures().stream().map(Fixture::profile).collect(Collectors.toSet());
    }

    /** Plain values of one unit, and which of them only come along. */
    record Plain(Map<Attribute, AttributeValue> values, Set<Attribute> companions, Optional<Chromaticity> asked) {}

    /**
     * What the plain values of a source are on a unit: of its first unit all of them, of the others what nothing else of
     * the fixture takes.
     *
     * @param plain of each unit of the source
     */
    Map<Attribute, AttributeValue> counterpart(UnitPairs.Source source, UnitId to, Function<UnitId, Plain> plain) {
        At is = is(to);
        Map<Attribute, AttributeValue> found = new LinkedHashMap<>();
        for (UnitId unit : source.units()) {
            At was = was(unit);
            Plain values = plain.apply(unit);
            if (answers(unit, to) || !was.mode().equals(is.mode())) {
                Counterpart.of(means, was, values.values(), values.companions(), values.asked(), is)
                        .forEach((a, v) -> {
                            if (takes(unit, to, a)) {
                                found.putIfAbsent(a, v);
                            }
                        });
            }
        }
        return found;
    }

    /** Whether both are whole fixtures, or both are cells. */
    private static boolean answers(UnitId was, UnitId is) {
        return (was.cell() == 0) == (is.cell() == 0);
    }

    /** Whether an attribute of a source's unit goes to this one, and not to another of its fixture. */
    boolean takes(UnitId was, UnitId is, Attribute attribute) {
        return answers(was, is) || pairs.takes(is, attribute);
    }

    /** The units of a source that have something to say to one. */
    List<UnitId> telling(UnitPairs.Source source, UnitId to) {
        At is = is(to);
        return source.units().stream()
                .filter(u -> answers(u, to) || !was(u).mode().equals(is.mode()))
                .toList();
    }
}
