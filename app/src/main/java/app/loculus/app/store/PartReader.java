package app.loculus.app.store;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Rotation;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.group.GroupId;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.Route;
import app.loculus.core.patch.UnitId;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.Programmer;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Step;
import app.loculus.core.show.Show;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Puts a show together from its rows. */
@Component
class PartReader {

    private final PatchMapper patch;
    private final GroupMapper groups;
    private final PaletteMapper palettes;
    private final ProgrammerMapper programmer;

    PartReader(PatchMapper patch, GroupMapper groups, PaletteMapper palettes, ProgrammerMapper programmer) {
        this.patch = patch;
        this.groups = groups;
        this.palettes = palettes;
        this.programmer = programmer;
    }

    Show read(long id, String name, Profiles profiles, Optional<Hand> hand) {
        return Show.of(
                name,
                profiles,
                fixtures(id),
                groups(id),
                palettes(id),
                universes(id),
                new Programmer(hand.orElse(Hand.EMPTY), values(id)));
    }

    private List<Fixture> fixtures(long show) {
        Map<Integer, List<Rows.AddressRow>> addresses =
                patch.addresses(show).stream().collect(Collectors.groupingBy(Rows.AddressRow::fixtureId));
        return patch.fixtures(show).stream()
                .map(f -> fixture(f, addresses.getOrDefault(f.id(), List.of())))
                .toList();
    }

    private static Fixture fixture(Rows.FixtureRow f, List<Rows.AddressRow> addresses) {
        Optional<Pose> pose = f.placed()
                ? Optional.of(new Pose(new Vector3(f.x(), f.y(), f.z()), new Rotation(f.rx(), f.ry(), f.rz())))
                : Optional.empty();
        List<PatchedAddress> at = addresses.stream()
                .map(a -> new PatchedAddress(a.breakNumber(), new Address(a.universe(), a.slot()), a.shared()))
                .toList();
        return new Fixture(
                new FixtureId(f.id()),
                f.number(),
                f.name(),
                new ProfileId(f.profileId()),
                f.mode(),
                at,
                pose,
                f.position(),
                f.purpose(),
                f.notes(),
                new BringUp(BringUp.Answer.valueOf(f.answer()), f.answerNote()));
    }

    private List<UniverseSetup> universes(long show) {
        return patch.universes(show).stream()
                .map(u -> new UniverseSetup(
                        u.universe(),
                        u.name(),
                        u.isOn(),
                        u.port(),
                        u.priority(),
                        new Route(Route.Kind.valueOf(u.route()), u.target(), u.targetName())))
                .toList();
    }

    private List<Group> groups(long show) {
        Map<Integer, List<Rows.MemberRow>> members =
                groups.members(show).stream().collect(Collectors.groupingBy(Rows.MemberRow::groupId));
        return groups.groups(show).stream()
                .map(g -> new Group(
                        new GroupId(g.id()),
                        g.number(),
                        g.name(),
                        new GroupContent.Fixed(selection(members.getOrDefault(g.id(), List.of())))))
                .toList();
    }

    private static Selection selection(List<Rows.MemberRow> members) {
        Map<Integer, List<UnitId>> steps = new TreeMap<>();
        members.forEach(m -> steps.computeIfAbsent(m.step(), s -> new ArrayList<>())
                .add(new UnitId(new FixtureId(m.fixtureId()), m.cell())));
        return new Selection(steps.values().stream().map(Step::new).toList());
    }

    private List<Palette> palettes(long show) {
        Map<Integer, List<Rows.EntryRow>> entries =
                palettes.entries(show).stream().collect(Collectors.groupingBy(Rows.EntryRow::paletteId));
        return palettes.palettes(show).stream()
                .map(p -> new Palette(
                        new PaletteId(p.id()),
                        Kind.valueOf(p.kind()),
                        p.number(),
                        p.name(),
                        Optional.ofNullable(p.intentX()).map(x -> new Chromaticity(x, p.intentY())),
                        entries.getOrDefault(p.id(), List.of()).stream()
                                .map(PartReader::entry)
                                .toList()))
                .toList();
    }

    private static Entry entry(Rows.EntryRow e) {
        return new Entry(
                scope(e),
                new Attribute(e.attribute()),
                new Values(e.valueForm(), e.valueNumber(), e.valueText()).value(),
                e.companion());
    }

    private static ScopeKey scope(Rows.EntryRow e) {
        return switch (e.scope()) {
            case "unit" -> new ScopeKey.Unit(new UnitId(new FixtureId(e.scopeFixture()), e.scopeCell()));
            case "mode" -> new ScopeKey.TypeMode(new ProfileId(e.scopeProfile()), e.scopeMode());
            case "type" -> new ScopeKey.Type(new ProfileId(e.scopeProfile()));
            default -> new ScopeKey.Global();
        };
    }

    private Map<UnitId, UnitValues> values(long show) {
        Map<UnitId, Map<Attribute, Touched>> found = new LinkedHashMap<>();
        for (Rows.ValueRow v : programmer.values(show)) {
            found.computeIfAbsent(new UnitId(new FixtureId(v.fixtureId()), v.cell()), u -> new LinkedHashMap<>())
                    .put(
                            new Attribute(v.attribute()),
                            new Touched(
                                    new Values(v.valueForm(), v.valueNumber(), v.valueText()).value(),
                                    v.touched(),
                                    v.companion()));
        }
        Map<UnitId, UnitValues> values = new LinkedHashMap<>();
        found.forEach((unit, v) -> values.put(unit, new UnitValues(v)));
        return values;
    }
}
