package app.loculus.app.store;

import app.loculus.core.geometry.Pose;
import app.loculus.core.group.Group;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Step;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;

/** Writes changed parts: the old rows out, the new ones in. */
@Component
class PartWriter {

    /** Rows of one statement; enough to be quick, few enough for its size. */
    private static final int BATCH = 250;

    private final PatchMapper patch;
    private final GroupMapper groups;
    private final PaletteMapper palettes;
    private final ProgrammerMapper programmer;

    PartWriter(PatchMapper patch, GroupMapper groups, PaletteMapper palettes, ProgrammerMapper programmer) {
        this.patch = patch;
        this.groups = groups;
        this.palettes = palettes;
        this.programmer = programmer;
    }

    void write(long show, Delta delta) {
        fixtures(show, only(delta, Change.OfFixture.class));
        only(delta, Change.OfGroup.class).forEach(c -> group(show, c));
        only(delta, Change.OfPalette.class).forEach(c -> palette(show, c));
        values(show, only(delta, Change.OfValues.class));
        only(delta, Change.OfUniverse.class).forEach(c -> universe(show, c));
    }

    private void universe(long show, Change.OfUniverse change) {
        patch.deleteUniverse(show, change.universe());
        change.after()
                .ifPresent(u -> patch.insertUniverse(
                        show,
                        new Rows.UniverseRow(
                                u.universe(),
                                u.name(),
                                u.on(),
                                u.port(),
                                u.priority(),
                                u.route().kind().name(),
                                u.route().target(),
                                u.route().name())));
    }

    private static <T extends Change> List<T> only(Delta delta, Class<T> type) {
        return delta.changes().stream().filter(type::isInstance).map(type::cast).toList();
    }

    private static <T> void batches(List<T> rows, Consumer<List<T>> statement) {
        for (int i = 0; i < rows.size(); i += BATCH) {
            statement.accept(rows.subList(i, Math.min(rows.size(), i + BATCH)));
        }
    }

    private void fixtures(long show, List<Change.OfFixture> changes) {
        List<Integer> ids = changes.stream()
                .filter(c -> c.before().isPresent())
                .map(c -> c.id().value())
                .toList();
        List<Fixture> put = changes.stream().flatMap(c -> c.after().stream()).toList();
        batches(ids, batch -> patch.delete(show, batch));
        batches(put.stream().map(PartWriter::row).toList(), batch -> patch.insert(show, batch));
        batches(put.stream().flatMap(f -> addresses(f).stream()).toList(), batch -> patch.insertAddresses(show, batch));
    }

    private static Rows.FixtureRow row(Fixture f) {
        Pose pose = f.pose().orElse(Pose.at(0, 0, 0));
        return new Rows.FixtureRow(
                f.id().value(),
                f.number(),
                f.name(),
                f.profile().value(),
                f.mode(),
                f.position(),
                f.purpose(),
                f.pose().isPresent(),
                pose.place().x(),
                pose.place().y(),
                pose.place().z(),
                pose.rotation().x(),
                pose.rotation().y(),
                pose.rotation().z(),
                f.notes(),
                f.bringUp().answer().name(),
                f.bringUp().note());
    }

    private static List<Rows.AddressRow> addresses(Fixture f) {
        List<Rows.AddressRow> rows = new ArrayList<>();
        for (PatchedAddress a : f.addresses()) {
            rows.add(new Rows.AddressRow(
                    f.id().value(),
                    rows.size(),
                    a.breakNumber(),
                    a.address().universe(),
                    a.address().slot(),
                    a.shared()));
        }
        return rows;
    }

    private void group(long show, Change.OfGroup change) {
        groups.delete(show, change.id().value());
        change.after().ifPresent(g -> {
            groups.insert(show, new Rows.GroupRow(g.id().value(), g.number(), g.name()));
            batches(members(g), batch -> groups.insertMembers(show, batch));
        });
    }

    private static List<Rows.MemberRow> members(Group group) {
        List<Rows.MemberRow> rows = new ArrayList<>();
        List<Step> steps = group.content().selection().steps();
        for (int step = 0; step < steps.size(); step++) {
            for (UnitId unit : steps.get(step).units()) {
                rows.add(new Rows.MemberRow(
                        group.id().value(), step, rows.size(), unit.fixture().value(), unit.cell()));
            }
        }
        return rows;
    }

    private void palette(long show, Change.OfPalette change) {
        palettes.delete(show, change.id().value());
        change.after().ifPresent(p -> {
            palettes.insert(
                    show,
                    new Rows.PaletteRow(
                            p.id().value(),
                            p.kind().name(),
                            p.number(),
                            p.name(),
                            p.intent().map(c -> c.x()).orElse(null),
                            p.intent().map(c -> c.y()).orElse(null)));
            batches(entries(p), batch -> palettes.insertEntries(show, batch));
        });
    }

    private static List<Rows.EntryRow> entries(Palette palette) {
        List<Rows.EntryRow> rows = new ArrayList<>();
        palette.entries().forEach(e -> rows.add(row(palette, rows.size(), e)));
        return rows;
    }

    private static Rows.EntryRow row(Palette palette, int seq, Entry e) {
        String scope = "global";
        String profile = null;
        String mode = null;
        UnitId unit = null;
        if (e.scope() instanceof ScopeKey.Unit u) {
            scope = "unit";
            unit = u.unit();
        } else if (e.scope() instanceof ScopeKey.TypeMode m) {
            scope = "mode";
            profile = m.profile().value();
            mode = m.mode();
        } else if (e.scope() instanceof ScopeKey.Type t) {
            scope = "type";
            profile = t.profile().value();
        }
        Values v = Values.of(e.value());
        return new Rows.EntryRow(
                palette.id().value(),
                seq,
                scope,
                profile,
                mode,
                unit == null ? null : unit.fixture().value(),
                unit == null ? null : unit.cell(),
                e.attribute().name(),
                v.form(),
                v.number(),
                v.text(),
                e.companion());
    }

    private void values(long show, List<Change.OfValues> changes) {
        List<ProgrammerMapper.UnitKey> units = changes.stream()
                .map(c -> new ProgrammerMapper.UnitKey(
                        c.unit().fixture().value(), c.unit().cell()))
                .toList();
        batches(units, batch -> programmer.delete(show, batch));
        batches(changes.stream().flatMap(c -> rows(c).stream()).toList(), batch -> programmer.insert(show, batch));
    }

    private static List<Rows.ValueRow> rows(Change.OfValues change) {
        List<Rows.ValueRow> rows = new ArrayList<>();
        change.after().byAttribute().forEach((attribute, touched) -> {
            Values v = Values.of(touched.value());
            rows.add(new Rows.ValueRow(
                    change.unit().fixture().value(),
                    change.unit().cell(),
                    rows.size(),
                    attribute.name(),
                    v.form(),
                    v.number(),
                    v.text(),
                    touched.touched(),
                    touched.companion()));
        });
        return rows;
    }
}
