package app.loculus.app.store;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Step;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Tint;
import app.loculus.formats.journal.JournalFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** Groups and their members. */
@Component
class GroupStore implements PartStore<GroupId, Group> {

    record GroupRow(long showId, int id, int number, String name, Tint tint, String note, String recipe) {}

    /** A unit of a group: the step it stands in, and its place among all. */
    record MemberRow(long showId, int groupId, int step, int seq, int fixtureId, int cell) {}

    interface Rows {
        @Select("select * from show_group where show_id = #{show} order by id")
        List<GroupRow> groups(@Param("show") long show);

        @Select("select * from group_member where show_id = #{show} order by group_id, step, seq")
        List<MemberRow> members(@Param("show") long show);

        @Delete("delete from show_group where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into show_group ({columns}) values ({values})")
        void insert(GroupRow row);

        @Lang(RowColumns.class)
        @Insert("insert into group_member ({columns}) values ({values})")
        void insertMember(MemberRow row);
    }

    private final Rows rows;

    private final JournalFormat format;

    GroupStore(Mappers mappers, JournalFormat format) {
        this.rows = mappers.of(Rows.class);
        this.format = format;
    }

    @Override
    public PartKind<GroupId, Group> kind() {
        return PartKinds.GROUPS;
    }

    @Override
    public List<Change<GroupId, Group>> read(long show, Losses losses) {
        Map<Integer, List<MemberRow>> members =
                rows.members(show).stream().collect(Collectors.groupingBy(MemberRow::groupId));
        List<Change<GroupId, Group>> all = new ArrayList<>();
        for (GroupRow row : rows.groups(show)) {
            losses.attempt(kind(), () -> group(row, members.getOrDefault(row.id(), List.of())))
                    .ifPresent(g -> all.add(new Change<>(kind(), g.id(), Optional.empty(), Optional.of(g))));
        }
        return all;
    }

    private Group group(GroupRow row, List<MemberRow> members) {
        Map<Integer, List<UnitId>> steps = new TreeMap<>();
        members.forEach(m -> steps.computeIfAbsent(m.step(), s -> new ArrayList<>())
                .add(new UnitId(new FixtureId(m.fixtureId()), m.cell())));
        Selection selection =
                new Selection(steps.values().stream().map(Step::new).toList());
        GroupContent content =
                row.recipe().isEmpty() ? new GroupContent.Fixed(selection) : format.readContent(row.recipe());
        return new Group(new GroupId(row.id()), row.number(), row.name(), content, row.tint(), row.note());
    }

    @Override
    public void write(long show, Show after, List<Change<GroupId, Group>> changes) {
        for (Change<GroupId, Group> c : changes) {
            c.before().ifPresent(g -> rows.delete(show, c.key().value()));
            c.after().ifPresent(g -> put(show, g));
        }
    }

    private void put(long show, Group group) {
        int id = group.id().value();
        boolean recipe = group.content().recipe();
        rows.insert(new GroupRow(
                show,
                id,
                group.number(),
                group.name(),
                group.tint(),
                group.note(),
                recipe ? format.writeContent(group.content()) : ""));
        List<Step> steps = recipe ? List.of() : fixed(group);
        int seq = 0;
        for (int step = 0; step < steps.size(); step++) {
            for (UnitId unit : steps.get(step).units()) {
                rows.insertMember(
                        new MemberRow(show, id, step, seq++, unit.fixture().value(), unit.cell()));
            }
        }
    }

    private static List<Step> fixed(Group group) {
        return ((GroupContent.Fixed) group.content()).selection().steps();
    }
}
