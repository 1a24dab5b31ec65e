package app.loculus.core.edit.carry;

import app.loculus.core.carry.Fate;
import app.loculus.core.carry.FateTaker;
import app.loculus.core.carry.Means;
import app.loculus.core.carry.Pairing;
import app.loculus.core.carry.PictureLikeness;
import app.loculus.core.carry.RigReport;
import app.loculus.core.carry.UnitPairs;
import app.loculus.core.carry.Verdict;
import app.loculus.core.effect.Effect;
import app.loculus.core.geometry.Displacement;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.look.Cue;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Submaster;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Universes;
import app.loculus.core.show.Whole;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The same show on another rig: a new one of the rig's fixtures, universes, drawings and paper, with the groups, palettes,
 * effects, looks, lists and pages of the show, each for the fixtures that stand for those it was made with. Neither of the
 * two is changed, and nothing of it is sent outside.
 */
public final class MoveToRig {

    /** Nobody measures finer than a tenth of a millimetre. */
    private static final double FINEST = 1e4;

    /**
     * How it is to be done.
     *
     * @param name of the new show
     * @param points places that are known in both rooms, one to three or more; without them marks of the same name are
     *     taken, and without any of those nothing is moved
     * @param byLight whether levels make the same light, where profiles say how much they give
     */
    public record Wishes(String name, List<Displacement.Known> points, boolean byLight) {
        public Wishes {
            points = List.copyOf(points);
        }
    }

    /** @param show the new one */
    public record Moved(Show show, RigReport report) {}

    private final Show from;
    private final Pairing pairing;
    private final Wishes wishes;
    private final Draft draft;
    private final Carry carry;
    private final List<Fate> fates = new ArrayList<>();
    private final List<String> said = new ArrayList<>();

    private MoveToRig(Show from, Show rig, Pairing pairing, Wishes wishes, PictureLikeness pictures) {
        Rehung rehung = new Rehung(from, rig, pairing);
        this.from = from;
        this.pairing = rehung.pairing();
        this.wishes = wishes;
        this.draft = new Draft(Universes.keptInside(rehung.show(wishes.name())));
        Optional<Displacement> moved = displacement();
        Means means = new Means(
                from.answers(),
                from.marks().stream().map(Mark::at).toList(),
                place -> moved.map(d -> rounded(d.move(place))).orElse(place),
                pictures,
                wishes.byLight());
        left(rig).ifPresent(said::add);
        this.carry = new Carry(
                from, draft, new UnitPairs(from.patch(), draft.show().patch(), this.pairing), means, new Ids());
    }

    /** @throws Refusal when the known points do not tell how the stage lies, or the name is none */
    public static Moved of(Show from, Show rig, Pairing pairing, Wishes wishes, PictureLikeness pictures) {
        return new MoveToRig(from, rig, pairing, wishes, pictures).moved();
    }

    /** What was prepared with the rig itself stays with it. */
    private static Optional<String> left(Show rig) {
        List<String> own = new ArrayList<>();
        Map.of(PartKinds.GROUPS, "group", PartKinds.PALETTES, "palette", PartKinds.LISTS, "cue list")
                .forEach((kind, word) -> {
                    if (!rig.all(kind).isEmpty()) {
                        own.add(Numbers.count(rig.all(kind).size(), word));
                    }
                });
        return own.isEmpty()
                ? Optional.empty()
                : Optional.of("Of “" + rig.name() + "” only the patch is taken; its "
                        + String.join(", ", own.stream().sorted().toList()) + " stay there.");
    }

    private Moved moved() {
        marks();
        CarriedGroups groups = new CarriedGroups(carry);
        CarriedPalettes palettes = new CarriedPalettes(carry);
        copy(PartKinds.NICHE_PAGES);
        palettes.put(from.all(PartKinds.PALETTES).values());
        from.all(PartKinds.EFFECTS)
                .values()
                .forEach(e -> draft.put(
                        PartKinds.EFFECTS,
                        e.moving(e.movements().stream().map(carry.ids()::of).toList())));
        groups.put(from.all(PartKinds.GROUPS).values());
        CarriedLooks looks = new CarriedLooks(carry);
        Map<LookId, Look> carried = new LinkedHashMap<>();
        from.all(PartKinds.LOOKS).values().forEach(l -> carried.put(l.id(), l.holding(looks.values(l))));
        carried.values().forEach(l -> draft.put(PartKinds.LOOKS, l));
        copy(PartKinds.LISTS);
        copy(PartKinds.CUES);
        copy(PartKinds.SUBMASTERS);
        highlight();
        Outcome outcome = draft.outcome();
        if (outcome.refused()) {
            throw new Refusal(outcome.problems());
        }
        from.groups().forEach(g -> fates.add(groups.fate(g)));
        from.palettes().forEach(p -> fates.add(palettes.fate(p)));
        Map<Effect, FateTaker> effects =
                new EffectFates(carry).of(from.all(PartKinds.LOOKS).values());
        effects.forEach((e, taker) -> fates.add(taker.fate(Fate.Sort.EFFECT, e.toString())));
        labels().forEach((id, label) -> fates.add(looks.fate(from.look(id), carried.get(id), label)));
        return new Moved(outcome.show(), report());
    }

    private <K, V> void copy(PartKind<K, V> kind) {
        from.all(kind).forEach((key, part) -> draft.put(kind, key, part));
    }

    private RigReport report() {
        Set<FixtureId> taken = pairing.taken().collect(Collectors.toSet());
        List<FixtureId> without = from.patch().fixtures().stream()
                .map(Fixture::id)
                .filter(id -> pairing.inPlaceOf(id).isEmpty())
                .toList();
        List<FixtureId> idle = draft.show().patch().fixtures().stream()
                .map(Fixture::id)
                .filter(id -> !taken.contains(id))
                .toList();
        return new RigReport(fates, without, idle, said);
    }

    /** In the order in which they are told: cues list by list, submasters, looks by number. */
    private Map<LookId, String> labels() {
        Map<LookId, String> labels = new LinkedHashMap<>();
        from.lists()
                .forEach(list -> from.cues(list.id())
                        .forEach((Cue cue) -> labels.put(cue.look(), "list " + list.number() + " " + cue)));
        from.all(PartKinds.SUBMASTERS).values().forEach((Submaster s) -> labels.put(s.look(), s.toString()));
        from.looks().forEach(l -> labels.put(l.id(), l.toString()));
        return labels;
    }

    private Optional<Displacement> displacement() {
        List<Displacement.Known> known = wishes.points().isEmpty() ? shared() : wishes.points();
        if (known.isEmpty()) {
            return Optional.empty();
        }
        Optional<Displacement> moved = Displacement.of(known);
        if (moved.isEmpty() && !wishes.points().isEmpty()) {
            throw Refusal.of(
                    "carry.points",
                    "points",
                    "These points do not tell how the stage lies there: take points that are well apart and not in one"
                            + " line.");
        }
        // Marks in one line tell the shift at least.
        Optional<Displacement> used = moved.or(() -> Displacement.of(known.subList(0, 1)));
        used.filter(d -> !d.still()).ifPresent(d -> {
            String turn = d.degrees() < 0.005
                    ? ""
                    : ", turned by " + app.loculus.core.unit.Decimal.text(d.degrees(), 1) + "°";
            said.add("The stage lies " + Mark.text(d.shift()) + " m from where it was" + turn + ", by "
                    + Numbers.count(known.size(), wishes.points().isEmpty() ? "mark of the same name" : "known point")
                    + ".");
        });
        return used.filter(d -> !d.still());
    }

    /** Marks of one name in both. */
    private List<Displacement.Known> shared() {
        Map<String, Mark> there = new LinkedHashMap<>();
        draft.show().marks().forEach(m -> there.put(name(m), m));
        return from.marks().stream()
                .filter(m -> there.containsKey(name(m)))
                .map(m -> new Displacement.Known(m.at(), there.get(name(m)).at()))
                .toList();
    }

    private static String name(Mark mark) {
        return mark.name().toLowerCase(Locale.ROOT);
    }

    private static Vector3 rounded(Vector3 at) {
        return new Vector3(
                Math.round(at.x() * FINEST) / FINEST,
                Math.round(at.y() * FINEST) / FINEST,
                Math.round(at.z() * FINEST) / FINEST);
    }

    private void marks() {
        Map<String, Mark> there = new LinkedHashMap<>();
        draft.show().marks().forEach(m -> there.put(name(m), m));
        for (Mark mark : from.marks()) {
            FateTaker taker = new FateTaker();
            Mark own = there.get(name(mark));
            Mark now = own != null
                    ? own
                    : new Mark(next(), mark.name(), carry.means().moved().apply(mark.at()));
            carry.ids().put(mark.id(), now.id());
            if (own == null) {
                draft.put(PartKinds.MARKS, now);
            }
            if (!now.at().equals(mark.at())) {
                taker.say(
                        Verdict.ANEW,
                        Mark.text(mark.at()) + " → " + Mark.text(now.at())
                                + (own != null ? ", where the rig has it" : ""));
            }
            fates.add(taker.fate(Fate.Sort.MARK, now.toString()));
        }
    }

    private MarkId next() {
        return draft.show().next(PartKinds.MARKS);
    }

    /** What is said for types that are not there any more goes. */
    private void highlight() {
        HighlightLook look = from.get(PartKinds.HIGHLIGHT, Whole.SHOW);
        Set<ProfileId> types = carry.types();
        draft.put(
                PartKinds.HIGHLIGHT,
                Whole.SHOW,
                new HighlightLook(
                        look.settings().stream()
                                .filter(s -> s.type().map(types::contains).orElse(true))
                                .toList(),
                        look.colour(),
                        look.rest()));
    }
}
