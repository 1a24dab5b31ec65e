package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Companions;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.Programmer;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Layer;
import app.loculus.core.resolve.Lights;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Scene;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Selection;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A show being edited: collects changes, what was read, words and warnings. Used by one thread and thrown away. */
public final class Draft {

    private final Show first;
    private List<Layer> above = List.of();

    /** The show whose lights were looked at last through the layers above it. */
    private Show lit;

    private Lights lights;
    private Show now;
    private final List<Change<?, ?>> pending = new ArrayList<>();
    private final Joining net = new Joining();
    private final Reads reads = new Reads();
    private final List<String> words = new ArrayList<>();
    private String called = "";
    private final List<Problem> warnings = new ArrayList<>();

    public Draft(Show show) {
        this.first = show;
        this.now = show;
    }

    /** The show as edited so far. */
    public Show show() {
        if (!pending.isEmpty()) {
            now = now.drafted(new Delta(pending));
            pending.clear();
        }
        return now;
    }

    /** @throws Refusal when the edit would break what holds in every show */
    public Outcome outcome() {
        // Only what lets go of an effect can leave one that nobody refers to.
        if (net.delta().changes().stream().anyMatch(Draft::letsGo)) {
            EffectUsers.forgotten(show()).forEach(e -> remove(PartKinds.EFFECTS, e));
        }
        Delta delta = net.delta();
        Identity.of(show(), delta).throwIfRefused();
        Followers.told(first, show(), delta, this::say);
        Show after = show().playing(List.of());
        return called.isEmpty()
                ? new Outcome(after, delta, reads, words, warnings)
                : new Outcome(after, delta, reads, words, called, warnings);
    }

    private static boolean letsGo(Change<?, ?> change) {
        return change.kind() == PartKinds.EFFECTS
                || change.of(PartKinds.VALUES)
                        .flatMap(Change::before)
                        .filter(UnitValues::moves)
                        .isPresent()
                || change.of(PartKinds.LOOKS)
                        .flatMap(Change::before)
                        .filter(Look::moves)
                        .isPresent();
    }

    public void say(String sentence) {
        words.add(sentence);
    }

    /** What history and undo call it, where its first sentence does not say it; empty for that sentence. */
    public void call(String deed) {
        called = deed;
    }

    public void warn(Problem warning) {
        warnings.add(warning);
    }

    /** The edit goes by a part that it may leave alone; when it has changed since, the edit has to be looked at again. */
    public <K> void reads(PartKind<K, ?> kind, K key) {
        reads.add(kind.ref(key));
    }

    /** The edit goes by all parts of a kind. */
    public void reads(PartKind<?, ?> kind) {
        reads.add(kind);
    }

    public void change(Change<?, ?> change) {
        pending.add(change);
        net.add(change);
    }

    public <K, V> void put(PartKind<K, V> kind, K key, V part) {
        change(new Change<>(kind, key, show().find(kind, key), kind.stored(key, part)));
    }

    /** A part that knows its own key. */
    public <K, V> void put(PartKind<K, V> kind, V part) {
        put(kind, kind.keyOf(part).orElseThrow(), part);
    }

    public <K, V> void remove(PartKind<K, V> kind, K key) {
        change(new Change<>(kind, key, show().find(kind, key), Optional.empty()));
    }

    /** Many at once, each part looked up in the show as it was before any of them. */
    public <K, V> void putAll(PartKind<K, V> kind, Map<K, V> parts) {
        Show base = show();
        parts.forEach((key, part) -> change(new Change<>(kind, key, base.find(kind, key), kind.stored(key, part))));
    }

    public void putAll(Collection<Fixture> fixtures) {
        Show base = show();
        fixtures.forEach(f -> change(
                new Change<>(PartKinds.FIXTURES, f.id(), base.find(PartKinds.FIXTURES, f.id()), Optional.of(f))));
    }

    /** Gives the show its own copy of a profile, unless it has one. */
    public void take(Profile profile) {
        if (show().profiles().find(profile.id()).isEmpty()) {
            put(PartKinds.PROFILES, profile);
        }
    }

    public void put(Group group) {
        put(PartKinds.GROUPS, group);
    }

    public void put(Palette palette) {
        show().palette(palette.id()).ifPresent(before -> Kept.check(show(), before, palette));
        put(PartKinds.PALETTES, palette);
    }

    public void hold(Hand hand) {
        reads(PartKinds.HAND, Whole.SHOW);
        put(PartKinds.HAND, Whole.SHOW, hand);
    }

    public void setAll(Map<UnitId, UnitValues> values) {
        values.keySet().forEach(unit -> reads(PartKinds.VALUES, unit));
        Kept.check(show(), values);
        putAll(PartKinds.VALUES, values);
    }

    /** Sets working values by the rules of touching, from what is set now. */
    public Touching touching() {
        return touching(show().programmer().values());
    }

    /** The same for values that are kept elsewhere. */
    public Touching touching(Map<UnitId, UnitValues> values) {
        Show base = show();
        return new Touching(base.patch(), new Programmer(base.hand(), values), new OnStage(base.unlit()));
    }

    /** What values need beside them, and what they need no more. */
    public Companions companions() {
        return new Companions(show().patch(), new OnStage(show().unlit()));
    }

    /** The selection. @throws Refusal when nothing is */
    public Selection held() {
        Selection selection = hand().selection();
        if (selection.isEmpty()) {
            throw Refusal.of(
                    "selection.empty",
                    "selection",
                    "Nothing is selected.",
                    WayOut.advice("Choose fixtures first, for example 101 thru 112, or pick them on the plan."));
        }
        selection.units().stream().map(UnitId::fixture).distinct().forEach(this::reads);
        return selection;
    }

    /** Who a choice stands for now; the edit goes by what it names. */
    public Selection chosen(Choice choice) {
        choice.groups().forEach(g -> reads(PartKinds.GROUPS, g));
        choice.palettes().forEach(p -> reads(PartKinds.PALETTES, p));
        if (choice.changesWithLight()) {
            reads(PartKinds.VALUES);
        }
        Selection chosen = choice.in(new ShowGround(show(), this::lights));
        chosen.units().stream().map(UnitId::fixture).distinct().forEach(this::reads);
        return chosen;
    }

    /** Layers that lie around the show while it is edited. */
    void within(ShowEdit.Around around) {
        above = around.above();
        now = now.playing(around.below());
    }

    /** What the lights do, under all layers there are. */
    public Lights lights() {
        Show show = show();
        if (above.isEmpty()) {
            return show.lights();
        }
        if (lit != show) {
            Scene scene = show.scene().under(above);
            lit = show;
            lights = new Lights(scene, new Resolver(scene));
        }
        return lights;
    }

    /** The hand, which the edit goes by. */
    public Hand hand() {
        reads(PartKinds.HAND, Whole.SHOW);
        return show().hand();
    }

    /** The edit goes by what a fixture is and which number it has. */
    public void reads(FixtureId fixture) {
        reads(PartKinds.FIXTURES, fixture);
    }
}
