package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.palette.Coverage;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.play.Repertoire;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.Programmer;
import app.loculus.core.resolve.Layer;
import app.loculus.core.resolve.Lights;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Scene;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.value.ColourAnswers;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * A whole show: its parts by kind, and what is worked out from them. Immutable; safe to share between threads. No edit
 * can make one with a number twice or a reference to what is gone.
 */
public final class Show extends Contents {

    /** Kinds of parts that only the lights and the hand go by. */
    private static final Set<PartKind<?, ?>> PASSING = Set.of(PartKinds.VALUES, PartKinds.HAND);

    private final Patch patch;
    private final Programmer programmer;
    private final ColourAnswers answers;
    private final Recipes recipes;

    /** What was worked out for a show before; what still holds of it is taken over. */
    private final Optional<Coverage> known;

    private final Optional<Resolver> resolved;

    private final Optional<Repertoire.Worked> played;

    /** Answers that hold as long as nothing but working values changes; handed on to the shows for which they do. */
    private final Map<Class<?>, Object> lasting;

    private final Answers grown;

    /** What runs under the programmer while this is looked at; no part of the show. */
    private final List<Layer> below;

    private volatile Coverage coverage;
    private volatile Resolver resolver;
    private volatile Lights lights;
    private volatile Repertoire repertoire;

    private Show(PartMap parts, Patch patch, Programmer programmer, ColourAnswers answers, Recipes recipes) {
        super(parts);
        this.recipes = recipes;
        this.known = Optional.empty();
        this.resolved = Optional.empty();
        this.played = Optional.empty();
        this.grown = new Answers();
        this.below = List.of();
        this.lasting = new ConcurrentHashMap<>();
        this.patch = patch;
        this.programmer = programmer;
        this.answers = answers;
    }

    /** The show after another one. */
    private Show(Show before, PartMap parts, Patch patch, Programmer programmer, Delta delta) {
        super(parts);
        this.patch = patch;
        this.programmer = programmer;
        this.answers = before.answers;
        this.known = Optional.ofNullable(before.coverage).or(() -> before.known);
        this.resolved = Optional.ofNullable(before.resolver).or(() -> before.resolved);
        this.played =
                Optional.ofNullable(before.repertoire).map(Repertoire::worked).or(() -> before.played);
        this.grown = before.grown.next();
        this.below = before.below;
        this.recipes = before.recipes.after(before, this, delta);
        this.lasting = PASSING.containsAll(delta.kinds()) && !byLight() ? before.lasting : new ConcurrentHashMap<>();
    }

    /** The same show while other things run under it. */
    private Show(Show same, List<Layer> below) {
        super(same.parts());
        this.patch = same.patch;
        this.programmer = same.programmer;
        this.answers = same.answers;
        this.known = Optional.ofNullable(same.coverage).or(() -> same.known);
        this.resolved = Optional.ofNullable(same.resolver).or(() -> same.resolved);
        this.played =
                Optional.ofNullable(same.repertoire).map(Repertoire::worked).or(() -> same.played);
        this.grown = same.grown.next();
        this.below = List.copyOf(below);
        this.recipes = byLight() ? same.recipes.underOtherLight(this) : same.recipes;
        this.lasting = byLight() ? new ConcurrentHashMap<>() : same.lasting;
    }

    /**
     * The same while that runs under its working values: what the lights do, what is touched and what is recorded goes by
     * it. No part of the show, which is equal to what it was.
     */
    public Show playing(List<Layer> layers) {
        return layers.equals(below) ? this : new Show(this, layers);
    }

    public static Show empty(String name) {
        PartMap none = PartMap.empty();
        Show nothing = new Show(none, patch(none), programmer(none), new ColourAnswers(), new Recipes());
        return nothing.drafted(
                new Delta(List.of(new Change<>(PartKinds.NAME, Whole.SHOW, Optional.empty(), Optional.of(name)))));
    }

    /**
     * A show from its parts, as they were stored: changes from nothing to each of them.
     *
     * @param said takes sentences about what referred to nothing and was let go of
     * @throws Refusal when its parts do not fit together
     */
    public static Show of(String name, List<Change<?, ?>> parts, List<String> said) {
        return Identity.settled(empty(name).drafted(new Delta(parts)), said);
    }

    /**
     * The show after changes.
     *
     * @throws Refusal when they would break what holds in every show
     */
    public Show with(Delta delta) {
        Show after = drafted(delta);
        Identity.of(after, delta).throwIfRefused();
        return after;
    }

    /** The same without a look at what holds: in the middle of an edit something may lead nowhere for a moment. */
    Show drafted(Delta delta) {
        PartMap next = parts().with(delta.changes());
        boolean samePatch = parts().same(next, PartKinds.FIXTURES) && parts().same(next, PartKinds.PROFILES);
        boolean sameProgrammer = parts().same(next, PartKinds.VALUES) && parts().same(next, PartKinds.HAND);
        return new Show(
                this,
                next,
                samePatch ? patch : patch(next, delta),
                sameProgrammer ? programmer : programmer(next),
                delta);
    }

    private static Patch patch(PartMap parts) {
        return new Patch(
                new Profiles(parts.of(PartKinds.PROFILES).values()),
                parts.of(PartKinds.FIXTURES).values());
    }

    /** With the same profiles, only what has changed is worked out anew. */
    private Patch patch(PartMap next, Delta delta) {
        if (!parts().same(next, PartKinds.PROFILES)) {
            return patch(next);
        }
        List<Change<FixtureId, Fixture>> changes = delta.of(PartKinds.FIXTURES);
        return patch.changed(
                patch.profiles(),
                changes.stream()
                        .filter(c -> c.after().isEmpty())
                        .map(Change::key)
                        .toList(),
                changes.stream().flatMap(c -> c.after().stream()).toList());
    }

    private static Programmer programmer(PartMap parts) {
        return new Programmer(parts.find(PartKinds.HAND, Whole.SHOW).orElse(Hand.EMPTY), parts.of(PartKinds.VALUES));
    }

    /** A copy under another name. */
    public Show named(String newName) {
        return with(new Delta(List.of(
                new Change<>(PartKinds.NAME, Whole.SHOW, find(PartKinds.NAME, Whole.SHOW), Optional.of(newName)))));
    }

    /** A copy that is told from this one wherever both are seen. */
    public Show known(String identity) {
        return with(new Delta(List.of(new Change<>(
                PartKinds.IDENTITY,
                Whole.SHOW,
                PartKinds.IDENTITY.stored(Whole.SHOW, get(PartKinds.IDENTITY, Whole.SHOW)),
                Optional.of(identity)))));
    }

    public Profiles profiles() {
        return patch.profiles();
    }

    public Patch patch() {
        return patch;
    }

    public Programmer programmer() {
        return programmer;
    }

    public Hand hand() {
        return programmer.hand();
    }

    /** The units of a group as they are now, in order. */
    public Selection units(Group group) {
        return recipes.of(group, new ShowGround(this, this::lights));
    }

    /** Who a choice stands for now. */
    public Selection chosen(Choice choice) {
        return choice.in(new ShowGround(this, this::lights));
    }

    /** A choice as the line writes it here. */
    public String words(Choice choice) {
        return choice.words(new Words(this));
    }

    /** How every type follows every palette. */
    public Coverage coverage() {
        if (coverage == null) {
            coverage = Coverage.of(patch, shelf(), resolver().giver(), known);
        }
        return coverage;
    }

    public ColourAnswers answers() {
        return answers;
    }

    public Scene scene() {
        Scene own = Scene.of(patch, shelf(), programmer, get(PartKinds.HIGHLIGHT, Whole.SHOW), answers);
        return below.isEmpty() ? own : own.over(below);
    }

    /**
     * An answer that goes by nothing that only the lights and the hand go by, worked out once for all shows between which
     * only that changes. It must not hold on to the show.
     *
     * @param question of which there is one answer
     */
    public <T> T lasting(Class<T> question, Supplier<T> work) {
        Object known = lasting.get(question);
        if (known == null) {
            known = work.get();
            lasting.put(question, known);
        }
        return question.cast(known);
    }

    /**
     * An answer that is worked out from the one for an earlier show, as far as that still holds. It must not hold on to the
     * show.
     *
     * @param question of which there is one answer
     * @param work takes the earlier answer, if there is one
     */
    public <T> T growing(Class<T> question, Function<Optional<T>, T> work) {
        return grown.of(question, work);
    }

    /** Everything that can be played. */
    public Repertoire repertoire() {
        if (repertoire == null) {
            Repertoire.Parts playable = new Repertoire.Parts(
                    all(PartKinds.LOOKS),
                    all(PartKinds.LISTS),
                    all(PartKinds.CUES),
                    all(PartKinds.SUBMASTERS),
                    all(PartKinds.GROUPS));
            repertoire = played.map(r -> r.on(scene(), playable, this::members))
                    .orElseGet(() -> new Repertoire(scene(), playable, this::members));
        }
        return repertoire;
    }

    private List<UnitId> members(GroupId id) {
        return group(id).map(g -> units(g).units()).orElse(List.of());
    }

    public Resolver resolver() {
        if (resolver == null) {
            resolver = resolved.map(r -> r.on(scene())).orElseGet(() -> new Resolver(scene()));
        }
        return resolver;
    }

    /** Resolves as if nothing were shown off: what is recorded goes by it. */
    public Resolver unlit() {
        return hand().highlight() ? resolver().on(scene().withoutHighlight()) : resolver();
    }

    /** What the lights do by this show alone. */
    public Lights lights() {
        if (lights == null) {
            lights = new Lights(scene(), resolver());
        }
        return lights;
    }

    /** How people call a unit: {@code 12} or {@code 12.3}. */
    public String label(UnitId unit) {
        int number = patch.get(unit.fixture()).number();
        return unit.cell() == 0 ? String.valueOf(number) : number + "." + unit.cell();
    }
}
