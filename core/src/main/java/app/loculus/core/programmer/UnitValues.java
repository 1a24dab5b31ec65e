package app.loculus.core.programmer;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.profile.Attribute;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The working values of one unit, in the order of attribute names, whatever way they came there.
 *
 * @param asked the colour that was asked for, as long as nobody has changed by hand what was made of it
 */
public record UnitValues(Map<Attribute, Touched> byAttribute, Optional<Chromaticity> asked) {

    public static final UnitValues NONE = new UnitValues(Map.of());

    /** Attributes in order, never changed any more: what is worked out for looking it up among thousands is kept. */
    private static final class Settled extends LinkedHashMap<Attribute, Touched> {

        private static final long serialVersionUID = 1;

        /** 0 until it is asked for. */
        private transient int hash;

        Settled(int size) {
            super(2 * size);
        }

        @Override
        public boolean equals(Object other) {
            return other == this || other instanceof Map<?, ?> && other.hashCode() == hashCode() && super.equals(other);
        }

        @Override
        public int hashCode() {
            if (hash == 0) {
                hash = super.hashCode();
            }
            return hash;
        }
    }

    public UnitValues {
        Attribute[] names = byAttribute.keySet().toArray(Attribute[]::new);
        Arrays.sort(names, Comparator.comparing(Attribute::name));
        // Looked up for each unit of each frame, so hashed; put in order once.
        Map<Attribute, Touched> sorted = new Settled(names.length);
        for (Attribute name : names) {
            sorted.put(name, byAttribute.get(name));
        }
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
        List<PaletteId> found = List.of();
        for (Touched t : byAttribute.values()) {
            Optional<PaletteId> palette = t.value().followed();
            if (palette.isPresent() && !found.contains(palette.get())) {
                found = with(found, palette.get());
            }
        }
        return found;
    }

    /** Asked for each unit of each frame; nearly always there is one. */
    private static List<PaletteId> with(List<PaletteId> found, PaletteId more) {
        return found.isEmpty()
                ? List.of(more)
                : Stream.concat(found.stream(), Stream.of(more))
                        .sorted(Comparator.comparingInt(PaletteId::value))
                        .toList();
    }

    /** Its places in effects, one for each of them. */
    public List<Use> moved() {
        Map<EffectId, Use> found = new LinkedHashMap<>();
        byAttribute.values().forEach(t -> t.value().moved().ifPresent(u -> found.putIfAbsent(u.effect(), u)));
        return List.copyOf(found.values());
    }

    /** Whether an effect moves any of them; asked for each unit of each frame. */
    public boolean moves() {
        for (Touched t : byAttribute.values()) {
            if (t.value().moved().isPresent()) {
                return true;
            }
        }
        return false;
    }

    /** Whether any of them only came along with another one. */
    public boolean accompanied() {
        for (Touched t : byAttribute.values()) {
            if (t.companion()) {
                return true;
            }
        }
        return false;
    }

    public boolean isEmpty() {
        return byAttribute.isEmpty();
    }
}
