package app.loculus.core.profile.facts;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Pictures of wheel slots and of the fixture, as PNG, by name without folder and suffix. */
public final class Pictures {

    public static final Pictures NONE = new Pictures(Map.of());

    private final Map<String, byte[]> byName;

    public Pictures(Map<String, byte[]> byName) {
        Map<String, byte[]> copy = new LinkedHashMap<>();
        byName.forEach((name, png) -> copy.put(name, png.clone()));
        this.byName = Collections.unmodifiableMap(copy);
    }

    public java.util.Set<String> names() {
        return byName.keySet();
    }

    public Optional<byte[]> find(String name) {
        return Optional.ofNullable(byName.get(name)).map(byte[]::clone);
    }
}
