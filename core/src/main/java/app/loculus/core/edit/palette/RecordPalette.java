package app.loculus.core.edit.palette;

import app.loculus.core.colour.Tristimulus;
import app.loculus.core.palette.Contribution;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Recorded;
import app.loculus.core.palette.Recorder;
import app.loculus.core.palette.Scope;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Names;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ShownColour;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Records touched values of one kind as a palette.
 *
 * @param number the next free one of the kind when absent
 * @param scope worked out from the values when absent
 * @param onto what to do with a palette that has the number already
 * @param closeWheel whether untouched colour wheels are recorded at home, so that they cannot stack on the mix
 */
public record RecordPalette(
        Kind kind,
        Optional<Integer> number,
        Optional<String> name,
        Optional<Scope> scope,
        Onto onto,
        boolean closeWheel)
        implements ShowEdit {

    /** What becomes of a palette that is there already. */
    public enum Onto {
        REFUSE,
        MERGE,
        REPLACE
    }

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        List<Contribution> contributions = contributions(draft);
        if (contributions.isEmpty()) {
            throw Refusal.of(
                    "palette.nothing",
                    "palette",
                    "Nothing of " + kind.word() + " has been touched, so there is nothing to record.",
                    WayOut.advice("Set a " + kind.word() + " first; values at home are not recorded."));
        }
        Recorded recorded = Recorder.record(kind, scope, contributions);
        int into = number.orElseGet(() -> PaletteFinder.nextFree(show, kind));
        Optional<Palette> existing = show.palette(kind, into);
        existing.filter(p -> onto == Onto.REFUSE).ifPresent(p -> refuse(show, p, recorded));
        Palette after = existing.map(p -> changed(p, recorded)).orElseGet(() -> created(show, into, recorded));
        draft.put(after);
        tell(draft, existing, after, recorded, contributions);
    }

    private Palette changed(Palette palette, Recorded recorded) {
        Palette after = onto == Onto.MERGE ? palette.merged(recorded) : palette.replaced(recorded);
        return name.map(Names::checked).map(after::named).orElse(after);
    }

    private Palette created(Show show, int into, Recorded recorded) {
        String called = name.map(Names::checked)
                .orElse(kind.word().substring(0, 1).toUpperCase(java.util.Locale.ROOT)
                        + kind.word().substring(1) + " " + into);
        return new Palette(show.nextPaletteId(), kind, into, called, recorded.intent(), recorded.entries());
    }

    private void refuse(Show show, Palette existing, Recorded recorded) {
        String line = "record " + kind.word() + " " + existing.number()
                + name.map(n -> " " + Quoted.of(n)).orElse("")
                + scope.map(s -> " " + s.words()).orElse("");
        throw Refusal.of(
                "palette.exists",
                "palette",
                existing + " exists already; say what shall become of it.",
                WayOut.line(
                        "Merge: " + PaletteDifference.words(show, existing, existing.merged(recorded)),
                        line + " merge"),
                WayOut.line(
                        "Replace: " + PaletteDifference.words(show, existing, existing.replaced(recorded)),
                        line + " replace"));
    }

    private void tell(
            Draft draft, Optional<Palette> before, Palette after, Recorded recorded, List<Contribution> contributions) {
        draft.say((before.isPresent() ? (onto == Onto.MERGE ? "Merges into " : "Replaces ") : "Records ") + after + ", "
                + recorded.scope().words() + ", from " + Numbers.count(contributions.size(), "unit"));
        draft.say(PaletteDifference.words(draft.show(), before.orElse(null), after));
        recorded.intent().ifPresent(c -> draft.say("Stands for " + c));
    }

    private List<Contribution> contributions(Draft draft) {
        Show show = draft.show();
        List<UnitId> units = show.hand().selection().isEmpty()
                ? List.copyOf(show.programmer().values().keySet())
                : show.hand().selection().units().stream()
                        .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                        .distinct()
                        .toList();
        List<Contribution> found = new ArrayList<>();
        Set<String> stacking = new LinkedHashSet<>();
        if (draft.hand().selection().isEmpty()) {
            draft.reads(PartKinds.VALUES);
        }
        units.forEach(unit -> read(draft, show, unit));
        for (UnitId unit : units) {
            contribution(show, unit, stacking).ifPresent(found::add);
        }
        if (!stacking.isEmpty()) {
            draft.warn(Problem.warning(
                    "palette.wheel",
                    "palette",
                    "The colour wheel of " + String.join(", ", stacking) + " is left out and would stack on the mix.",
                    WayOut.advice("Record with “close wheel” to keep it open white.")));
        }
        return found;
    }

    /** What is recorded goes by the values set, what they follow, and what the fixture is. */
    private static void read(Draft draft, Show show, UnitId unit) {
        draft.reads(PartKinds.VALUES, unit);
        draft.reads(unit.fixture());
        show.programmer()
                .of(unit)
                .byAttribute()
                .values()
                .forEach(t -> t.value().followed().ifPresent(p -> draft.reads(PartKinds.PALETTES, p)));
    }

    private Optional<Contribution> contribution(Show show, UnitId unit, Set<String> stacking) {
        Fixture fixture = show.patch().get(unit.fixture());
        Profile profile = show.patch().profileOf(fixture);
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        Set<Attribute> companions = new LinkedHashSet<>();
        boolean any = false;
        for (Map.Entry<Attribute, Touched> set :
                show.programmer().of(unit).byAttribute().entrySet()) {
            boolean ofKind = profile.kindOf(set.getKey()) == kind || kind == Kind.COMBINED;
            if (set.getValue().touched() && (ofKind || set.getValue().companion())) {
                show.resolver()
                        .plain(unit, set.getKey(), set.getValue().value())
                        .ifPresent(v -> values.put(set.getKey(), v));
                if (!ofKind) {
                    companions.add(set.getKey());
                }
                any |= ofKind;
            }
        }
        if (!any) {
            return Optional.empty();
        }
        wheel(show, fixture, unit, values, companions, stacking);
        return Optional.of(
                new Contribution(unit, show.label(unit), profile.id(), values, companions, shown(show, fixture, unit)));
    }

    private void wheel(
            Show show,
            Fixture fixture,
            UnitId unit,
            Map<Attribute, AttributeValue> values,
            Set<Attribute> companions,
            Set<String> stacking) {
        Mode mode = show.patch().modeOf(fixture);
        boolean mixRecorded = values.keySet().stream().anyMatch(Attribute::isMix);
        mode.colours(unit.cell())
                .wheel()
                .filter(w -> mixRecorded && !values.containsKey(w.attribute()))
                .ifPresent(w -> {
                    if (closeWheel) {
                        Parameter parameter =
                                mode.parameter(unit.cell(), w.attribute()).orElseThrow();
                        values.put(
                                w.attribute(),
                                new AttributeValue.Level(parameter.function().homeFraction()));
                        companions.add(w.attribute());
                    } else {
                        stacking.add(show.patch().profileOf(fixture).name());
                    }
                });
    }

    /** The colour that is meant: what is shown off is not. */
    private static Optional<app.loculus.core.colour.Chromaticity> shown(Show show, Fixture fixture, UnitId unit) {
        List<Resolved> channels = show.unlit().resolve(fixture);
        return new ShownColour(
                        show.patch().modeOf(fixture),
                        unit.cell(),
                        p -> channels.get(p.channel()).fraction())
                .light()
                .flatMap(Tristimulus::chromaticity);
    }
}
