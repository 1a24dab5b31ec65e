package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.value.PaletteId;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/** A numbered, named set of entries of one kind. Immutable. */
public final class Palette {

    private final PaletteId id;
    private final Kind kind;
    private final int number;
    private final String name;
    private final Optional<Chromaticity> intent;
    private final Map<ScopeKey, Map<Attribute, Entry>> byScope = new LinkedHashMap<>();

    /**
     * @param number 1 to 9999, unique within the kind
     * @param intent the colour it stands for; colour palettes only
     */
    public Palette(
            PaletteId id,
            Kind kind,
            int number,
            String name,
            Optional<Chromaticity> intent,
            Collection<Entry> entries) {
        if (number < 1 || number > 9999) {
            throw Refusal.of("palette.number", "palette", "Palette number " + number + " is outside 1 to 9999.");
        }
        this.id = id;
        this.kind = kind;
        this.number = number;
        this.name = name;
        this.intent = intent;
        entries.forEach(e ->
                byScope.computeIfAbsent(e.scope(), s -> new LinkedHashMap<>()).put(e.attribute(), e));
    }

    public PaletteId id() {
        return id;
    }

    public Kind kind() {
        return kind;
    }

    public int number() {
        return number;
    }

    public String name() {
        return name;
    }

    public Optional<Chromaticity> intent() {
        return intent;
    }

    public List<Entry> entries() {
        return byScope.values().stream().flatMap(m -> m.values().stream()).toList();
    }

    public Map<Attribute, Entry> entries(ScopeKey scope) {
        return byScope.getOrDefault(scope, Map.of());
    }

    /** The narrowest scope it has entries at; global when it holds an intent alone. */
    public Scope narrowest() {
        return byScope.keySet().stream()
                .map(ScopeKey::scope)
                .max(Comparator.naturalOrder())
                .orElse(Scope.GLOBAL);
    }

    public boolean mixedScopes() {
        return byScope.keySet().stream().map(ScopeKey::scope).distinct().count() > 1;
    }

    public boolean hasUnitEntries() {
        return byScope.keySet().stream().anyMatch(s -> s.ownUnit().isPresent());
    }

    /** Units it has entries of their own for. */
    public List<UnitId> units() {
        return byScope.keySet().stream().flatMap(s -> s.ownUnit().stream()).toList();
    }

    public Palette named(String newName) {
        return new Palette(id, kind, number, newName, intent, entries());
    }

    public Palette holding(Collection<Entry> newEntries) {
        return new Palette(id, kind, number, name, intent, newEntries);
    }

    /** The entries and intent become the new ones. */
    public Palette replaced(Recorded recorded) {
        return new Palette(id, kind, number, name, recorded.intent(), recorded.entries());
    }

    /** New entries win, others stay; a new intent wins, an old one stays when there is no new one. */
    public Palette merged(Recorded recorded) {
        List<Entry> all = java.util.stream.Stream.concat(entries().stream(), recorded.entries().stream())
                .toList();
        return new Palette(id, kind, number, name, intent.isPresent() ? intent : recorded.intent(), all);
    }

    @Override
    public boolean equals(Object other) {
        return other == this
                || other instanceof Palette p
                        && p.id.equals(id)
                        && p.kind == kind
                        && p.number == number
                        && p.name.equals(name)
                        && p.intent.equals(intent)
                        && p.byScope.equals(byScope);
    }

    @Override
    public int hashCode() {
        return Objects.hash(id, kind, number, name);
    }

    @Override
    public String toString() {
        return kind.word() + " " + number + " “" + name + "”";
    }
}
