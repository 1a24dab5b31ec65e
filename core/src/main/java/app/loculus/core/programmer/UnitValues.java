package app.loculus.core.programmer;

import app.loculus.core.profile.Attribute;
import java.util.Collections;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** The working values of one unit, in the order of attribute names, whatever way they came there. */
public record UnitValues(Map<Attribute, Touched> byAttribute) {

    public static final UnitValues NONE = new UnitValues(Map.of());

    public UnitValues {
        Map<Attribute, Touched> sorted = new TreeMap<>(Comparator.comparing(Attribute::name));
        sorted.putAll(byAttribute);
        byAttribute = Collections.unmodifiableMap(sorted);
    }

    public Optional<Touched> get(Attribute attribute) {
        return Optional.ofNullable(byAttribute.get(attribute));
    }

    public boolean isEmpty() {
        return byAttribute.isEmpty();
    }
}
