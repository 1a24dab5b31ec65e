package app.loculus.core.edit.carry;

import app.loculus.core.carry.At;
import app.loculus.core.carry.Compared;
import app.loculus.core.carry.Counterpart;
import app.loculus.core.carry.Means;
import app.loculus.core.carry.UnitPairs;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.HashMap;
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
 * @param draft the one that they go to; its patch is as it will be
 * @param before units that were looked at; @param after likewise, there
 * @param known what was compared already
 */
record Carry(
        Show from,
        Draft draft,
        UnitPairs pairs,
        Means means,
        Ids ids,
        Map<UnitId, At> before,
        Map<UnitId, At> after,
        Map<Alike, List<Compared.Told>> known) {

    /** What two units are told by that hang anywhere: nothing but their types and values counts, unless they are aimed. */
    record Alike(
            Mode was,
            int from,
            Map<Attribute, AttributeValue> values,
            Set<Attribute> asked,
            Mode is,
            int to,
            Map<Attribute, AttributeValue> there) {}

    Carry(Show from, Draft draft, UnitPairs pairs, Means means, Ids ids) {
        this(from, draft, pairs, means, ids, new HashMap<>(), new HashMap<>(), new HashMap<>());
    }

    At was(UnitId unit) {
        return before.computeIfAbsent(unit, u -> At.of(from.patch(), u));
    }

    At is(UnitId unit) {
        return after.computeIfAbsent(unit, u -> At.of(draft.show().patch(), u));
    }

    /** What is seen of values on a unit, against what was seen of others where they come from. */
    List<Compared.Told> compared(
            UnitId was,
            Map<Attribute, AttributeValue> values,
            Set<Attribute> asked,
            UnitId is,
            Map<Attribute, AttributeValue> there) {
        At from = was(was);
        At to = is(is);
        boolean aimed = asked.contains(Attribute.PAN) || asked.contains(Attribute.TILT);
        return aimed
                ? Compared.of(means, from, values, asked, to, there)
                : known.computeIfAbsent(
                        new Alike(from.mode(), from.cell(), values, asked, to.mode(), to.cell(), there),
                        k -> Compared.of(means, from, values, asked, to, there));
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
