package app.loculus.core.show;

import app.loculus.core.effect.Effect;
import app.loculus.core.group.Group;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.CueNumber;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Submaster;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.niche.NichePage;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Shelf;
import app.loculus.core.profile.Kind;
import app.loculus.core.selection.GroupId;
import app.loculus.core.value.CueListId;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;

/** The parts of a show by kind, and how they are found and listed. Two with equal parts are equal. */
public abstract sealed class Contents permits Show {

    private final PartMap parts;

    Contents(PartMap parts) {
        this.parts = parts;
    }

    final PartMap parts() {
        return parts;
    }

    /** Every part of a kind that is not as usual, in the order of keys. */
    public <K, V> SortedMap<K, V> all(PartKind<K, V> kind) {
        return parts.of(kind);
    }

    public <K, V> Optional<V> find(PartKind<K, V> kind, K key) {
        return parts.find(kind, key);
    }

    /** A key that no part of a kind has; for kinds whose keys are counted. */
    public <K, V> K next(PartKind<K, V> kind) {
        SortedMap<K, V> there = all(kind);
        int last = there.isEmpty() ? 0 : Integer.parseInt(kind.keys().text().apply(there.lastKey()));
        return kind.keys().read().apply(String.valueOf(last + 1));
    }

    /** A part, or what it is as long as nobody has said anything. */
    public <K, V> V get(PartKind<K, V> kind, K key) {
        return find(kind, key).or(() -> kind.usual(key)).orElseThrow();
    }

    public String name() {
        return get(PartKinds.NAME, Whole.SHOW);
    }

    /** In the order of their numbers. */
    public List<Group> groups() {
        return all(PartKinds.GROUPS).values().stream()
                .sorted(Comparator.comparingInt(Group::number))
                .toList();
    }

    public Optional<Group> group(GroupId id) {
        return find(PartKinds.GROUPS, id);
    }

    /** By kind, then by number. */
    public List<Palette> palettes() {
        return all(PartKinds.PALETTES).values().stream()
                .sorted(Comparator.comparing(Palette::kind).thenComparingInt(Palette::number))
                .toList();
    }

    public Optional<Palette> palette(PaletteId id) {
        return find(PartKinds.PALETTES, id);
    }

    public Optional<Palette> palette(Kind kind, int number) {
        return all(PartKinds.PALETTES).values().stream()
                .filter(p -> p.kind() == kind && p.number() == number)
                .findFirst();
    }

    /** By name. */
    public List<Mark> marks() {
        return all(PartKinds.MARKS).values().stream()
                .sorted(Comparator.comparing(Mark::name, String.CASE_INSENSITIVE_ORDER))
                .toList();
    }

    /** By where they begin. */
    public List<NichePage> nichePages() {
        return all(PartKinds.NICHE_PAGES).values().stream()
                .sorted(Comparator.comparingInt(NichePage::first).thenComparing(NichePage::name))
                .toList();
    }

    public Optional<Mark> mark(MarkId id) {
        return find(PartKinds.MARKS, id);
    }

    /** What values may refer to. */
    public Shelf shelf() {
        return new Shelf(all(PartKinds.PALETTES), all(PartKinds.MARKS), all(PartKinds.EFFECTS));
    }

    /** Whether any group is of those who are lit, or the like. */
    public boolean byLight() {
        return all(PartKinds.GROUPS).values().stream()
                .anyMatch(g -> g.content().choice().changesWithLight());
    }

    /** Those with a number, in its order. */
    public List<Effect> effects() {
        return all(PartKinds.EFFECTS).values().stream()
                .filter(e -> e.number().isPresent())
                .sorted(Comparator.comparing(e -> e.number().get()))
                .toList();
    }

    public Optional<Effect> effect(EffectId id) {
        return find(PartKinds.EFFECTS, id);
    }

    /** Those with a number, in its order. */
    public List<Look> looks() {
        return all(PartKinds.LOOKS).values().stream()
                .filter(l -> l.number().isPresent())
                .sorted(Comparator.comparing(l -> l.number().get()))
                .toList();
    }

    public Look look(LookId id) {
        return find(PartKinds.LOOKS, id).orElseThrow();
    }

    /** In the order of their numbers. */
    public List<CueList> lists() {
        return all(PartKinds.LISTS).values().stream()
                .sorted(Comparator.comparingInt(CueList::number))
                .toList();
    }

    public Optional<CueList> list(CueListId id) {
        return find(PartKinds.LISTS, id);
    }

    /** The cues of a list in the order of their numbers. */
    public List<Cue> cues(CueListId list) {
        return all(PartKinds.CUES).values().stream()
                .filter(c -> c.list().equals(list))
                .sorted(Comparator.comparing(Cue::number))
                .toList();
    }

    public Optional<Cue> cue(CueListId list, CueNumber number) {
        return all(PartKinds.CUES).values().stream()
                .filter(c -> c.list().equals(list) && c.number().equals(number))
                .findFirst();
    }

    /** In the order of their numbers. */
    public List<Submaster> submasters() {
        return all(PartKinds.SUBMASTERS).values().stream()
                .sorted(Comparator.comparingInt(Submaster::number))
                .toList();
    }

    @Override
    public final boolean equals(Object other) {
        return other instanceof Contents c && c.parts.equals(parts);
    }

    @Override
    public final int hashCode() {
        return parts.hashCode();
    }
}
