package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Turns what units contribute into entries.
 *
 * <p>Without a scope asked for: intensity and position per fixture; everything else global if all agree on each
 * attribute, else per type if units of each type agree, else per fixture.
 */
public final class Recorder {

    private Recorder() {}

    /** @throws Refusal when the asked-for scope is not supported by the values, naming attributes and units */
    public static Recorded record(Kind kind, Optional<Scope> asked, List<Contribution> contributions) {
        Scope scope = asked.orElseGet(() -> automatic(kind, contributions));
        asked.ifPresent(wanted -> refuseDisagreement(wanted, contributions));
        Map<String, Entry> entries = new LinkedHashMap<>();
        for (Contribution c : contributions) {
            ScopeKey key = key(scope, c);
            c.values()
                    .forEach((attribute, value) -> entries.putIfAbsent(
                            key + " " + attribute,
                            new Entry(key, attribute, value, c.companions().contains(attribute))));
        }
        Optional<Chromaticity> intent = kind == Kind.COLOUR ? intent(contributions) : Optional.empty();
        return new Recorded(scope, intent, List.copyOf(entries.values()));
    }

    private static Scope automatic(Kind kind, List<Contribution> contributions) {
        if (kind == Kind.INTENSITY || kind == Kind.POSITION) {
            return Scope.PER_FIXTURE;
        }
        if (disagreements(Scope.GLOBAL, contributions).isEmpty()) {
            return Scope.GLOBAL;
        }
        return disagreements(Scope.PER_TYPE, contributions).isEmpty() ? Scope.PER_TYPE : Scope.PER_FIXTURE;
    }

    private static ScopeKey key(Scope scope, Contribution c) {
        return switch (scope) {
            case GLOBAL -> new ScopeKey.Global();
            case PER_TYPE -> new ScopeKey.Type(c.type());
            case PER_FIXTURE -> new ScopeKey.Unit(c.unit());
        };
    }

    /** The colour they all show, if they agree within a match. */
    private static Optional<Chromaticity> intent(List<Contribution> contributions) {
        List<Chromaticity> shown =
                contributions.stream().flatMap(c -> c.shown().stream()).toList();
        boolean agree = shown.stream()
                .allMatch(c -> c.differenceTo(shown.get(0)).grade().compareTo(ColourDifference.Grade.MATCH) <= 0);
        return agree && !shown.isEmpty() ? Optional.of(shown.get(0)) : Optional.empty();
    }

    private static void refuseDisagreement(Scope scope, List<Contribution> contributions) {
        Map<Attribute, Set<String>> differ = disagreements(scope, contributions);
        if (differ.isEmpty()) {
            return;
        }
        List<Problem> problems = new ArrayList<>();
        differ.forEach((attribute, units) -> problems.add(Problem.refusal(
                "palette.scope",
                "scope",
                attribute + " differs between " + String.join(", ", units) + ", so it cannot be recorded "
                        + scope.words() + ".",
                WayOut.advice("Record per fixture, or make them agree first."))));
        throw new Refusal(problems);
    }

    private static Map<Attribute, Set<String>> disagreements(Scope scope, List<Contribution> contributions) {
        Function<Contribution, Object> key = c -> key(scope, c);
        Map<Object, Map<Attribute, Contribution>> first = new LinkedHashMap<>();
        Map<Attribute, Set<String>> differ = new LinkedHashMap<>();
        for (Contribution c : contributions) {
            Map<Attribute, Contribution> seen = first.computeIfAbsent(key.apply(c), k -> new LinkedHashMap<>());
            for (Map.Entry<Attribute, AttributeValue> value : c.values().entrySet()) {
                Contribution other = seen.putIfAbsent(value.getKey(), c);
                if (other != null && !other.values().get(value.getKey()).equals(value.getValue())) {
                    Set<String> units = differ.computeIfAbsent(value.getKey(), a -> new LinkedHashSet<>());
                    units.add(other.label());
                    units.add(c.label());
                }
            }
        }
        return differ;
    }
}
