package app.loculus.core.programmer;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.profile.Attribute;
import app.loculus.core.value.PaletteId;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The working values of one unit, in the order of attribute names, whatever way they came there.
 *
 * @param asked the colour that was asked for, as long as nobody has changed by hand what was made of it
 */
public record UnitValues(Map<Attribute, Touched> byAttribute, Optional<Chromaticity> asked) {

    public static final UnitValues NONE = new UnitValues(Map.of());

    public UnitValues {
        Map<Attribute, Touched> sorted = new TreeMap<>(Comparator.comparing(Attribute::name));
        sorted.putAll(byAttribute);
        byAttribute = Collections.unmodifiableMap(sorted);
        // What earlier versions wrote does not have it.
        asked = asked == null ? Optional.empty() : asked;
    }

    public UnitValues(Map<Attribute, Touched> byAttribute) {
        this(byAttribute, Optional.empty());
    }

    public Optional<Touched> get(Attribute attribute) {
        return Optional.ofNullable(byAttribute.get(attribute));
    }

    /** The palettes it follows, each once, the lowest id first. */
    public List<PaletteId> followed() {
        return byAttribute.values().stream()
                .flatMap(t -> t.value().followed().stream())
                .distinct()
                .sorted(Comparator.comparingInt(PaletteId::value))
                .toList();
    }

    public boolean isEmpty() {
        return byAttribute.isEmpty();
    }
}
