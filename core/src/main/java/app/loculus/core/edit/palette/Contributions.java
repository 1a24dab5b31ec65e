package app.loculus.core.edit.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.palette.Contribution;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.WheelSystem;
import app.loculus.core.profile.words.AttributeWords;
import app.loculus.core.programmer.Companions;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Held;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.ShownColour;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What units selected, or all that are touched, bring to a palette of a kind. */
final class Contributions {

    private final Show show;
    private final Kind kind;
    private final What what;
    private final Resolver unlit;
    private final Map<Fixture, List<Resolved>> onStage = new LinkedHashMap<>();
    private final Set<String> stacking = new LinkedHashSet<>();

    private Contributions(Show show, Kind kind, What what) {
        this.show = show;
        this.kind = kind;
        this.what = what;
        this.unlit = show.unlit();
    }

    static List<Contribution> of(Draft draft, Kind kind, What what) {
        if (what.everybody() || draft.hand().selection().isEmpty()) {
            draft.reads(PartKinds.VALUES);
            return of(draft, kind, what, touched(draft.show()));
        }
        return of(draft, kind, what, units(draft.show()));
    }

    /** How many bring something that are not selected. */
    static int beside(Draft draft, Kind kind, What what) {
        Show show = draft.show();
        if (what.everybody() || draft.hand().selection().isEmpty()) {
            return 0;
        }
        draft.reads(PartKinds.VALUES);
        Contributions all = new Contributions(show, kind, what);
        Set<UnitId> selected = new LinkedHashSet<>(units(show));
        return (int) show.programmer().values().entrySet().stream()
                .filter(e -> !selected.contains(e.getKey()))
                .filter(e -> all.touches(e.getKey(), e.getValue()))
                .count();
    }

    private boolean touches(UnitId unit, UnitValues values) {
        Fixture fixture = show.patch().get(unit.fixture());
        Profile profile = show.patch().profileOf(fixture);
        Mode mode = show.patch().modeOf(fixture);
        return values.byAttribute().entrySet().stream()
                .anyMatch(e -> e.getValue().touched()
                        && !e.getValue().companion()
                        && !(e.getValue().value() instanceof AttributeValue.Released)
                        && wanted(profile, mode, e.getKey()));
    }

    private static List<UnitId> touched(Show show) {
        return List.copyOf(show.programmer().values().keySet());
    }

    /** What these bring, whatever is selected. */
    static List<Contribution> of(Draft draft, Kind kind, What what, List<UnitId> units) {
        return new Contributions(draft.show(), kind, what).read(draft, units);
    }

    private List<Contribution> read(Draft draft, List<UnitId> units) {
        List<Contribution> found = new ArrayList<>();
        for (UnitId unit : units) {
            reads(draft, unit);
            contribution(unit).ifPresent(found::add);
        }
        alongside(found);
        if (!stacking.isEmpty()) {
            draft.warn(Problem.warning(
                    "palette.wheel",
                    "palette",
                    "The colour wheel of " + String.join(", ", stacking) + " is left out and would stack on the mix.",
                    WayOut.advice("Record with “close wheel” to keep it open white.")));
        }
        return found;
    }

    /** Mode channels of the whole fixture come along in its own name, as they stand. */
    private void alongside(List<Contribution> found) {
        Map<UnitId, Map<Attribute, AttributeValue>> all = new LinkedHashMap<>();
        found.forEach(c -> c.beside()
                .forEach((unit, modes) ->
                        all.computeIfAbsent(unit, u -> new LinkedHashMap<>()).putAll(modes)));
        all.forEach((unit, modes) -> {
            int at = found.stream().map(Contribution::unit).toList().indexOf(unit);
            if (at >= 0) {
                found.set(at, found.get(at).along(show.patch(), modes));
            } else {
                Fixture fixture = show.patch().get(unit.fixture());
                Profile profile = show.patch().profileOf(fixture);
                Map<Attribute, Kind> kinds = new LinkedHashMap<>();
                modes.keySet().forEach(a -> kinds.put(a, profile.kindOf(a)));
                found.add(new Contribution(
                        unit,
                        show.label(unit),
                        profile.id(),
                        fixture.mode(),
                        kinds,
                        modes,
                        modes.keySet(),
                        Map.of(),
                        Optional.empty(),
                        Optional.empty()));
            }
        });
    }

    /** The selected with their cells, or all that have working values. */
    static List<UnitId> units(Show show) {
        return show.hand().selection().isEmpty()
                ? touched(show)
                : show.hand().selection().units().stream()
                        .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                        .distinct()
                        .toList();
    }

    /** What is recorded goes by the values set, what they follow, and what the fixture is. */
    private void reads(Draft draft, UnitId unit) {
        draft.reads(PartKinds.VALUES, unit);
        draft.reads(unit.fixture());
        show.programmer().of(unit).followed().forEach(p -> draft.reads(PartKinds.PALETTES, p));
    }

    private Optional<Contribution> contribution(UnitId unit) {
        Fixture fixture = show.patch().get(unit.fixture());
        Profile profile = show.patch().profileOf(fixture);
        Mode mode = show.patch().modeOf(fixture);
        UnitValues touched = show.programmer().of(unit);
        Map<Attribute, Held> held = unlit.held(unit, touched);
        Map<Attribute, AttributeValue> plain = new LinkedHashMap<>();
        Set<Attribute> companions = new LinkedHashSet<>();
        held.forEach((attribute, value) -> {
            if (value.touched()
                    && wanted(profile, mode, attribute)
                    && !value.companion()
                    // What moves relative to what lies below, or between two places of its own, stands nowhere itself.
                    && value.value().moved().isEmpty()
                    && value.moving().map(m -> m.move().relative()).orElse(true)) {
                plain.put(attribute, value.value());
            }
        });
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        held.forEach((attribute, value) -> {
            if (value.touched() && value.companion() && attribute.makesColour() && colours(plain.keySet())) {
                plain.put(attribute, value.value());
                companions.add(attribute);
            }
        });
        wheels(profile, mode, unit, plain, companions);
        Map<UnitId, Map<Attribute, AttributeValue>> beside = masters(fixture, mode, unit, plain, companions);
        Map<Attribute, Kind> kinds = new LinkedHashMap<>();
        plain.keySet().forEach(a -> kinds.put(a, profile.kindOf(a)));
        return Optional.of(new Contribution(
                unit,
                show.label(unit),
                profile.id(),
                mode.name(),
                kinds,
                what.keepReferences() ? kept(plain, held) : plain,
                companions,
                beside,
                asked(touched, held),
                shown(fixture, unit)));
    }

    private static boolean colours(Set<Attribute> attributes) {
        return attributes.stream().anyMatch(Attribute::makesColour);
    }

    private boolean wanted(Profile profile, Mode mode, Attribute attribute) {
        Kind of = profile.kindOf(attribute);
        boolean ofKind = of == kind || kind == Kind.COMBINED || what.with().contains(of);
        return ofKind
                && (what.only().isEmpty() || named(profile, mode, attribute, what.only()))
                && !named(profile, mode, attribute, what.without());
    }

    /** A mix is named by any of its emitters. */
    private static boolean named(Profile profile, Mode mode, Attribute attribute, List<String> words) {
        return words.stream()
                .flatMap(w -> AttributeWords.meant(profile, mode, w).stream())
                .anyMatch(a -> a.equals(attribute) || a.isMix() && attribute.isMix());
    }

    /** References to palettes in place of what they give now. */
    private static Map<Attribute, AttributeValue> kept(
            Map<Attribute, AttributeValue> plain, Map<Attribute, Held> held) {
        Map<Attribute, AttributeValue> kept = new LinkedHashMap<>();
        plain.forEach((attribute, value) -> kept.put(
                attribute,
                Optional.ofNullable(held.get(attribute))
                        .flatMap(Held::from)
                        .<AttributeValue>map(AttributeValue.Reference::new)
                        .orElse(value)));
        return kept;
    }

    private void wheels(
            Profile profile, Mode mode, UnitId unit, Map<Attribute, AttributeValue> values, Set<Attribute> companions) {
        if (values.keySet().stream().noneMatch(Attribute::isMix)) {
            return;
        }
        for (WheelSystem wheel : mode.colours(unit.cell()).wheels()) {
            if (!values.containsKey(wheel.attribute()) && what.closeWheel()) {
                values.put(
                        wheel.attribute(),
                        AttributeValue.home(
                                mode,
                                mode.parameter(unit.cell(), wheel.attribute()).orElseThrow()));
                companions.add(wheel.attribute());
            } else if (!values.containsKey(wheel.attribute())) {
                stacking.add(profile.name()
                        + (mode.colours(unit.cell()).wheels().size() > 1
                                ? " (" + profile.definition(wheel.attribute()).pretty() + ")"
                                : ""));
            }
        }
    }

    /** Mode channels that what is recorded hangs on, as they stand. @return those that belong to another part */
    private Map<UnitId, Map<Attribute, AttributeValue>> masters(
            Fixture fixture, Mode mode, UnitId unit, Map<Attribute, AttributeValue> values, Set<Attribute> companions) {
        Map<UnitId, Map<Attribute, AttributeValue>> beside = new LinkedHashMap<>();
        List<Resolved> channels = onStage(fixture);
        Companions.masters(mode, unit.cell(), values).forEach(channel -> {
            long dmx = channels.get(channel).place().dmx();
            Attribute attribute = mode.calledBy(channel, dmx);
            Channel master = mode.channels().get(channel);
            if (master.cell() != unit.cell()) {
                beside.computeIfAbsent(new UnitId(fixture.id(), master.cell()), u -> new LinkedHashMap<>())
                        .put(attribute, AttributeValue.sent(master, dmx));
            } else if (mode.sharing(unit.cell(), attribute).stream().noneMatch(values::containsKey)) {
                values.put(attribute, AttributeValue.sent(master, dmx));
                companions.add(attribute);
            }
        });
        return beside;
    }

    private List<Resolved> onStage(Fixture fixture) {
        return onStage.computeIfAbsent(fixture, unlit::resolve);
    }

    /** The colour that was asked for: by hand, or of the one palette that all of it comes from. */
    private Optional<Chromaticity> asked(UnitValues touched, Map<Attribute, Held> held) {
        List<Optional<PaletteId>> from = held.entrySet().stream()
                .filter(e -> e.getKey().makesColour() && !e.getValue().companion())
                .map(e -> e.getValue().from())
                .distinct()
                .toList();
        return from.size() == 1 && from.get(0).isPresent()
                ? show.palette(from.get(0).get()).flatMap(Palette::intent)
                : touched.asked();
    }

    /** The colour that is seen; what is shown off is not. */
    private Optional<Chromaticity> shown(Fixture fixture, UnitId unit) {
        List<Resolved> channels = onStage(fixture);
        return new ShownColour(
                        show.patch().modeOf(fixture),
                        unit.cell(),
                        channel -> channels.get(channel).place().dmx())
                .light()
                .flatMap(Tristimulus::chromaticity);
    }
}
