package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Selection;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A show being edited: collects changes, words and warnings. Used by one thread and thrown away. */
public final class Draft {

    private final Show before;
    private Show now;
    private final List<Change> pending = new ArrayList<>();
    private final Map<Object, Change> net = new LinkedHashMap<>();
    private final List<String> words = new ArrayList<>();
    private final List<Problem> warnings = new ArrayList<>();

    public Draft(Show show) {
        this.before = show;
        this.now = show;
    }

    /** The show as edited so far. */
    public Show show() {
        if (!pending.isEmpty()) {
            now = now.with(new Delta(pending));
            pending.clear();
        }
        return now;
    }

    public Outcome outcome() {
        List<Change> changes = net.values().stream().filter(c -> !c.idle()).toList();
        return new Outcome(show(), new Delta(changes), words, warnings);
    }

    public void say(String sentence) {
        words.add(sentence);
    }

    public void warn(Problem warning) {
        warnings.add(warning);
    }

    void change(Change change) {
        pending.add(change);
        net.merge(change.part(), change, (earlier, later) -> later.following(earlier));
    }

    void rename(String name) {
        change(new Change.Name(show().name(), name));
    }

    /** Many at once, each part looked up in the show as it was before any of them. */
    void putAll(List<Fixture> fixtures) {
        Show base = show();
        fixtures.forEach(f -> change(new Change.OfFixture(f.id(), base.patch().find(f.id()), Optional.of(f))));
    }

    /** Gives the show its own copy of a profile, unless it has one. */
    void take(Profile profile) {
        if (show().profiles().find(profile.id()).isEmpty()) {
            change(new Change.OfProfile(profile.id(), Optional.empty(), Optional.of(profile)));
        }
    }

    void put(Group group) {
        change(new Change.OfGroup(group.id(), show().group(group.id()), Optional.of(group)));
    }

    void remove(Group group) {
        change(new Change.OfGroup(group.id(), Optional.of(group), Optional.empty()));
    }

    void put(Palette palette) {
        change(new Change.OfPalette(palette.id(), show().palette(palette.id()), Optional.of(palette)));
    }

    void remove(Palette palette) {
        change(new Change.OfPalette(palette.id(), Optional.of(palette), Optional.empty()));
    }

    void put(UniverseSetup setup) {
        int universe = setup.universe();
        Optional<UniverseSetup> before = show().universes().stream()
                .filter(u -> u.universe() == universe)
                .findFirst();
        boolean usual = setup.equals(UniverseSetup.usual(universe));
        change(new Change.OfUniverse(universe, before, usual ? Optional.empty() : Optional.of(setup)));
    }

    void hold(Hand hand) {
        change(new Change.OfHand(show().hand(), hand));
    }

    void setAll(Map<UnitId, UnitValues> values) {
        Show base = show();
        values.forEach(
                (unit, v) -> change(new Change.OfValues(unit, base.programmer().of(unit), v)));
    }

    /** Sets working values by the rules of touching, from what is set now. */
    Touching touching() {
        Show base = show();
        return new Touching(base.patch(), base.programmer(), base.resolver()::plain);
    }

    /** @throws Refusal when nothing is in hand */
    Selection held() {
        Selection selection = show().hand().selection();
        if (selection.isEmpty()) {
            throw Refusal.of(
                    "selection.empty",
                    "selection",
                    "Nothing is in hand.",
                    WayOut.advice("Choose fixtures first, for example 101 thru 112, or pick them on the plan."));
        }
        return selection;
    }
}
