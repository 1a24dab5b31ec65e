package app.loculus.core.programmer;

import app.loculus.core.profile.Attribute;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** The working values of one unit, in the order they were set. */
public record UnitValues(Map<Attribute, Touched> byAttribute) {

    public static final UnitValues NONE = new UnitValues(Map.of());

    public UnitValues {
        byAttribute = Collections.unmodifiableMap(new LinkedHashMap<>(byAttribute));
    }

    public Optional<Touched> get(Attribute attribute) {
        return Optional.ofNullable(byAttribute.get(attribute));
    }

    public boolean isEmpty() {
        return byAttribute.isEmpty();
    }
}
