package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.mark.MarkId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ControlCommand;
import app.loculus.core.profile.Kind;
import app.loculus.core.unit.Limits;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** A numbered, named set of entries of one kind. Immutable. */
public final class Palette {

    private final PaletteId id;
    private final Kind kind;
    private final int number;
    private final String name;
    private final Optional<Chromaticity> intent;
    private final Optional<MarkId> aim;
    private final Label label;
    private final Set<PaletteId> followed;
    private final int hash;
    private final Map<ScopeKey, Map<Attribute, Entry>> byScope = new LinkedHashMap<>();

    /** One without anything written beside it. */
    public Palette(
            PaletteId id,
            Kind kind,
            int number,
            String name,
            Optional<Chromaticity> intent,
            Collection<Entry> entries) {
        this(id, kind, number, name, intent, Optional.empty(), Label.NONE, entries);
    }

    /**
     * @param number 1 to 9999, unique within the kind
     * @param intent the colour it stands for; colour palettes only
     * @param aim the mark it stands at; position palettes only
     */
    public Palette(
            PaletteId id,
            Kind kind,
            int number,
            String name,
            Optional<Chromaticity> intent,
            Optional<MarkId> aim,
            Label label,
            Collection<Entry> entries) {
        if (number < 1 || number > 9999) {
            throw Refusal.of("palette.number", "palette", "Palette number " + number + " is outside 1 to 9999.");
        }
        this.id = id;
        this.kind = kind;
        this.number = number;
        this.name = Limits.text("palette.name", "name", name, Limits.NAME);
        this.intent = intent;
        // What earlier versions wrote has neither.
        this.aim = aim == null ? Optional.empty() : aim;
        this.label = label == null ? Label.NONE : label;
        entries.forEach(e ->
                byScope.computeIfAbsent(e.scope(), s -> new LinkedHashMap<>()).put(e.attribute(), e));
        this.hash = Objects.hash(id, kind, number, name);
        this.followed = entries.stream()
                .flatMap(e -> e.value().followed().stream())
                .collect(Collectors.toCollection(LinkedHashSet::new));
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

    public Optional<MarkId> aim() {
        return aim;
    }

    /** The same at a mark, or at none. */
    public Palette aimedAt(Optional<MarkId> mark) {
        return new Palette(id, kind, number, name, intent, mark, label, entries());
    }

    /** Whether each unit is given something of its own, though it has no entries of its own. */
    public boolean perUnit() {
        return refers() || aim.isPresent();
    }

    public Label label() {
        return label;
    }

    public Palette labelled(Label newLabel) {
        return new Palette(id, kind, number, name, intent, aim, newLabel, entries());
    }

    public List<Entry> entries() {
        return byScope.values().stream().flatMap(m -> m.values().stream()).toList();
    }

    /** Whether it does something that must not happen by a slip: a control palette that moves to named ranges. */
    public boolean guarded() {
        return kind == Kind.CONTROL
                && entries().stream().anyMatch(e -> !e.companion() && e.value() instanceof AttributeValue.Named);
    }

    /** Whether it is a command such as a reset: something that is sent, and never kept. */
    public boolean command() {
        return guarded()
                && entries().stream()
                        .anyMatch(e -> e.value() instanceof AttributeValue.Named n
                                && ControlCommand.is(e.attribute(), n.name()));
    }

    /** Whether it follows other palettes. */
    public boolean refers() {
        return !followed.isEmpty();
    }

    /** The palettes it follows itself. */
    public Set<PaletteId> followed() {
        return Collections.unmodifiableSet(followed);
    }

    public Set<ScopeKey> scopes() {
        return Collections.unmodifiableSet(byScope.keySet());
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
        return new Palette(id, kind, number, newName, intent, aim, label, entries());
    }

    public Palette numbered(int newNumber) {
        return new Palette(id, kind, newNumber, name, intent, aim, label, entries());
    }

    /** The same once more. */
    public Palette copied(PaletteId as, int newNumber, String newName) {
        return new Palette(as, kind, newNumber, newName, intent, aim, label, entries());
    }

    public Palette holding(Collection<Entry> newEntries) {
        return new Palette(id, kind, number, name, intent, aim, label, newEntries);
    }

    public Palette standingFor(Optional<Chromaticity> colour) {
        return new Palette(id, kind, number, name, colour, aim, label, entries());
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
                        && p.aim.equals(aim)
                        && p.label.equals(label)
                        && p.byScope.equals(byScope);
    }

    @Override
    public int hashCode() {
        return hash;
    }

    @Override
    public String toString() {
        return kind.word() + " " + number + " “" + name + "”";
    }
}
