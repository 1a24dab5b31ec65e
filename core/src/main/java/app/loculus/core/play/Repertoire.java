package app.loculus.core.play;

import app.loculus.core.effect.Effect;
import app.loculus.core.group.Group;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Submaster;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Scene;
import app.loculus.core.selection.GroupId;
import app.loculus.core.value.CueListId;
import app.loculus.core.value.EffectId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Everything that can be played, as a show has it at one moment. Safe to share between threads. */
public final class Repertoire {

    /** The parts that a show has of it; the same objects as long as nobody changes them. */
    public record Parts(
            Map<LookId, Look> looks,
            Map<CueListId, CueList> lists,
            Map<CueId, Cue> cues,
            Map<SubmasterId, Submaster> submasters,
            Map<GroupId, Group> groups) {

        boolean sameAs(Parts other) {
            return looks == other.looks
                    && lists == other.lists
                    && cues == other.cues
                    && submasters == other.submasters
                    && groups == other.groups;
        }
    }

    /** What was worked out and may still hold at another moment; it knows nothing of the show that it was worked out for. */
    public static final class Worked {

        private final Resolver resolver;
        private final Contents contents;

        private Worked(Resolver resolver, Contents contents) {
            this.resolver = resolver;
            this.contents = contents;
        }

        /** Everything that can be played at another moment of a show, with what of this still holds. */
        public Repertoire on(Scene now, Parts parts, Function<GroupId, List<UnitId>> members) {
            return new Repertoire(now, parts, members, resolver.on(now.bare()), contents);
        }
    }

    private final Scene scene;
    private final Parts parts;
    private final Function<GroupId, List<UnitId>> members;
    private final Resolver resolver;
    private final Contents contents;
    private final Map<CueListId, List<Cue>> cues = new LinkedHashMap<>();

    /**
     * @param scene who hangs where, and what values may refer to; its layers do not matter
     * @param members who is in a group now
     */
    public Repertoire(Scene scene, Parts parts, Function<GroupId, List<UnitId>> members) {
        this(scene, parts, members, new Resolver(scene.bare()), null);
    }

    private Repertoire(
            Scene scene, Parts parts, Function<GroupId, List<UnitId>> members, Resolver resolver, Contents before) {
        this.scene = scene;
        this.parts = parts;
        this.members = members;
        this.resolver = resolver;
        this.contents = before == null
                ? new Contents(scene.patch(), scene.shelf(), resolver)
                : before.on(scene.patch(), scene.shelf(), resolver);
        sorted(parts.cues().values())
                .forEach(c ->
                        cues.computeIfAbsent(c.list(), l -> new ArrayList<>()).add(c));
    }

    private static List<Cue> sorted(Collection<Cue> all) {
        return all.stream().sorted(Comparator.comparing(Cue::number)).toList();
    }

    /** What may be carried to another moment of the show. */
    public Worked worked() {
        return new Worked(resolver, contents);
    }

    /** Whether nothing that matters here differs. */
    public boolean sameAs(Repertoire other) {
        return other == this
                || scene.patch() == other.scene.patch()
                        && scene.shelf().sameAs(other.scene.shelf())
                        && parts.sameAs(other.parts);
    }

    Map<EffectId, Effect> effects() {
        return scene.shelf().effects();
    }

    Patch patch() {
        return scene.patch();
    }

    /** Where a fixture stands when nobody says anything. */
    List<Resolved> home(Fixture fixture) {
        return resolver.resolve(fixture);
    }

    List<UnitId> members(GroupId group) {
        return members.apply(group);
    }

    /** In the order of their numbers. */
    List<Cue> cues(CueListId list) {
        return cues.getOrDefault(list, List.of());
    }

    Optional<CueList> list(CueListId list) {
        return Optional.ofNullable(parts.lists().get(list));
    }

    Optional<Submaster> submaster(SubmasterId id) {
        return Optional.ofNullable(parts.submasters().get(id));
    }

    Map<FixtureId, Placed[]> placed(LookId look) {
        return Optional.ofNullable(parts.looks().get(look)).map(contents::of).orElse(Map.of());
    }

    /**
     * What stands when a list has come to a cue: the merge of all up to it, or it alone.
     *
     * @param index of the cue in its list
     */
    Map<FixtureId, Aim[]> state(CueList list, int index) {
        List<Cue> all = cues(list.id());
        int from = list.join() == CueList.Join.CARRYING_ON ? 0 : index;
        return state(all.subList(from, Math.min(all.size(), index + 1)));
    }

    /** What stands when these cues have come one after the other. */
    Map<FixtureId, Aim[]> state(List<Cue> made) {
        Map<FixtureId, Aim[]> state = new LinkedHashMap<>();
        for (Cue cue : made) {
            placed(cue.look()).forEach((fixture, placed) -> {
                Aim[] aims = state.computeIfAbsent(fixture, f -> new Aim[placed.length]);
                for (int i = 0; i < placed.length; i++) {
                    aims[i] = placed[i] == null
                            ? aims[i]
                            : new Aim(placed[i].over(aims[i] == null ? null : aims[i].placed()), cue.id());
                }
            });
        }
        return state;
    }

    Optional<Cue> cue(CueId id) {
        return Optional.ofNullable(parts.cues().get(id));
    }

    /** What a channel is to come to. @param by the cue that says so */
    record Aim(Placed placed, CueId by) {}
}
