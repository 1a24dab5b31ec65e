package app.loculus.core.check;

import app.loculus.core.drawing.Drawing;
import app.loculus.core.drawing.DrawnFixture;
import app.loculus.core.drawing.FocusPoint;
import app.loculus.core.drawing.KeptDrawing;
import app.loculus.core.drawing.KeptDrawing.Known;
import app.loculus.core.edit.drawing.TakeDrawing;
import app.loculus.core.edit.drawing.TakeDrawing.Hung;
import app.loculus.core.edit.drawing.TakeDrawing.TakenMark;
import app.loculus.core.edit.mark.MarkFinder;
import app.loculus.core.edit.patch.PlaceFixtures;
import app.loculus.core.edit.patch.ReviseFixtures;
import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Inverted;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.Starts;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Holds a drawing against the show. What is which is told by identity where the show knows the drawing, else by number,
 * else by where it hangs.
 */
public final class DrawingComparison {

    /** Two things this near to each other are one, where neither has a number to go by; metres. */
    private static final double ONE_PLACE = 0.05;

    /** Nobody hangs anything more exactly; metres, and the same turned: over a metre of arm. */
    private static final double SAME_PLACE = 0.001;

    private static final double SAME_TURN = 0.0017;

    private final Show show;
    private final Drawing drawing;
    private final Map<String, Integer> numbers = new HashMap<>();
    private final Map<Integer, Fixture> pairs = new LinkedHashMap<>();
    private final Map<Integer, DrawnFixture> drawn = new LinkedHashMap<>();
    private final Comparison rest;
    private final List<Difference> found = new ArrayList<>();

    private DrawingComparison(Show show, Profiles library, Drawing drawing) {
        this.show = show;
        this.drawing = drawing;
        pair();
        List<HookupRow> rows = drawing.fixtures().stream().map(this::numbered).toList();
        drawing.fixtures().forEach(f -> drawn.putIfAbsent(numbers.get(f.identity()), f));
        rest = Comparison.paired(
                show,
                library.orElse(drawing.profiles()),
                rows,
                EnumSet.complementOf(EnumSet.of(PaperField.PLACE, PaperField.INVERTED, PaperField.GEL)),
                new LinkedHashMap<>(pairs));
        rest.differences().stream().filter(this::tells).forEach(found::add);
        pairs.forEach((number, fixture) -> {
            place(fixture, drawn.get(number)).ifPresent(found::add);
            inverted(fixture, drawn.get(number)).ifPresent(found::add);
            gel(fixture, drawn.get(number)).ifPresent(found::add);
        });
        found.sort(Comparator.comparingInt(Difference::number));
    }

    /**
     * Whether a difference is one of the drawing: it has no place for further addresses, nobody leaves numbers out in it on
     * purpose, and what shares an address in the show as well is meant.
     */
    private boolean tells(Difference d) {
        boolean address = d.field().equals(Optional.of(PaperField.ADDRESS));
        Optional<Fixture> ours = show.patch().numbered(d.number());
        return switch (d.kind()) {
            case HOLE -> false;
            case DIFFERENT, DOUBLED ->
                !address
                        || ours.map(f -> !firsts(f).toString().equals(d.theirs()))
                                .orElse(true);
            default -> true;
        };
    }

    /** Where each break of a fixture starts, once. */
    private static Starts firsts(Fixture fixture) {
        Map<Integer, PatchedAddress> byBreak = new LinkedHashMap<>();
        fixture.addresses().forEach(a -> byBreak.putIfAbsent(a.breakNumber(), a));
        return Starts.of(byBreak.values());
    }

    public static DrawingComparison of(Show show, Profiles library, Drawing drawing) {
        return new DrawingComparison(show, library, drawing);
    }

    /** In the order of numbers. */
    public List<Difference> differences() {
        return List.copyOf(found);
    }

    /** Fixtures that agree in everything. */
    public int agreeing() {
        Set<Integer> differing = new HashSet<>();
        found.forEach(d -> differing.add(d.number()));
        return (int) pairs.values().stream()
                .filter(f -> !differing.contains(f.number()))
                .count();
    }

    /** What differs in marks. */
    public List<MarkDifference> marks() {
        return drawing.marks().stream().flatMap(m -> mark(m).stream()).toList();
    }

    /** Everything that can be taken, but for fixtures that the drawing lacks: those stay. */
    public List<String> takeable() {
        return Stream.concat(
                        found.stream()
                                .filter(d -> d.takeable() && d.kind() != Difference.Kind.EXTRA)
                                .map(Difference::key),
                        marks().stream().map(MarkDifference::key))
                .toList();
    }

    /** The one edit that takes the drawing's word in these, and keeps the drawing with the show. */
    public TakeDrawing taking(Collection<String> keys, String on) {
        Set<String> wanted = new HashSet<>(keys);
        ReviseFixtures revised = rest.taking(keys);
        Set<FixtureId> deleted = new HashSet<>(revised.deleted());
        List<Hung> hung = new ArrayList<>();
        drawn.forEach((number, f) -> {
            Optional<Fixture> pair = Optional.ofNullable(pairs.get(number));
            if (pair.isPresent()) {
                Fixture ours = pair.get();
                boolean renumbered = wanted.contains(key(ours, PaperField.NUMBER));
                boolean moved = wanted.contains(key(ours, PaperField.PLACE));
                if (!deleted.contains(ours.id())) {
                    boolean turned = wanted.contains(key(ours, PaperField.INVERTED));
                    hung.add(new Hung(
                            renumbered ? number : ours.number(),
                            f.identity(),
                            moved ? near(f) : Optional.empty(),
                            Optional.of(f.inverted()).filter(i -> turned),
                            Optional.of(f.gel()).filter(g -> wanted.contains(key(ours, PaperField.GEL))),
                            ""));
                }
            } else if (wanted.contains(number + " " + Difference.Kind.MISSING)) {
                hung.add(new Hung(
                        number, f.identity(), near(f), Optional.of(f.inverted()), Optional.of(f.gel()), f.notes()));
            }
        });
        List<TakenMark> marks = drawing.marks().stream()
                .map(m -> new TakenMark(m, known(m).map(Mark::id), wanted.contains(MarkDifference.key(m))))
                .toList();
        List<Integer> replaced = show.all(PartKinds.DRAWINGS).values().stream()
                .filter(k -> k.sameAs(drawing))
                .map(KeptDrawing::number)
                .toList();
        return new TakeDrawing(revised, hung, marks, drawing.scenery(), drawing.file(), on, replaced);
    }

    private static String key(Fixture fixture, PaperField field) {
        return fixture.number() + " " + Difference.Kind.DIFFERENT + " " + field;
    }

    private void pair() {
        Map<String, Fixture> byIdentity = new HashMap<>();
        show.all(PartKinds.DRAWINGS)
                .values()
                .forEach(kept -> kept.fixtures()
                        .forEach(k -> show.patch()
                                .find(new FixtureId(k.id()))
                                .ifPresent(f -> byIdentity.put(k.identity(), f))));
        Set<FixtureId> left = new HashSet<>();
        show.patch().fixtures().forEach(f -> left.add(f.id()));
        Map<String, Fixture> partners = new HashMap<>();
        for (DrawnFixture f : drawing.fixtures()) {
            Optional.ofNullable(byIdentity.get(f.identity()))
                    .filter(ours -> left.remove(ours.id()))
                    .ifPresent(ours -> partners.put(f.identity(), ours));
        }
        for (DrawnFixture f : drawing.fixtures()) {
            if (!partners.containsKey(f.identity())) {
                number(f)
                        .flatMap(show.patch()::numbered)
                        .filter(ours -> left.remove(ours.id()))
                        .ifPresent(ours -> partners.put(f.identity(), ours));
            }
        }
        for (DrawnFixture f : drawing.fixtures()) {
            if (!partners.containsKey(f.identity())) {
                nearest(f, left)
                        .filter(ours -> left.remove(ours.id()))
                        .ifPresent(ours -> partners.put(f.identity(), ours));
            }
        }
        number(partners);
    }

    /** What has no number in the drawing has the show's, or the next that neither has. */
    private void number(Map<String, Fixture> partners) {
        Set<Integer> taken = new HashSet<>();
        drawing.fixtures().forEach(f -> number(f).ifPresent(taken::add));
        show.patch().fixtures().forEach(f -> taken.add(f.number()));
        int next = 1;
        for (DrawnFixture f : drawing.fixtures()) {
            Optional<Fixture> ours = Optional.ofNullable(partners.get(f.identity()));
            Optional<Integer> number = number(f).or(() -> ours.map(Fixture::number));
            while (number.isEmpty() && !taken.add(next)) {
                next++;
            }
            int given = number.orElse(next);
            numbers.put(f.identity(), given);
            ours.ifPresent(o -> pairs.putIfAbsent(given, o));
        }
    }

    private static Optional<Integer> number(DrawnFixture f) {
        return PaperRow.number(f.row().number());
    }

    private Optional<Fixture> nearest(DrawnFixture f, Set<FixtureId> left) {
        return f.pose()
                .flatMap(pose -> show.patch().fixtures().stream()
                        .filter(ours -> left.contains(ours.id()) && ours.pose().isPresent())
                        .filter(ours -> away(ours, pose) < ONE_PLACE)
                        .min(Comparator.comparingDouble(ours -> away(ours, pose))));
    }

    private static double away(Fixture ours, Pose pose) {
        return ours.pose().orElseThrow().place().minus(pose.place()).length();
    }

    private HookupRow numbered(DrawnFixture f) {
        HookupRow r = f.row();
        return new HookupRow(
                r.line(),
                String.valueOf(numbers.get(f.identity())),
                r.name(),
                r.profile(),
                r.mode(),
                r.address(),
                r.position(),
                r.purpose());
    }

    private Optional<Difference> place(Fixture ours, DrawnFixture theirs) {
        if (theirs.pose().isEmpty()
                || ours.pose().map(p -> same(p, theirs.pose().get())).orElse(false)) {
            return Optional.empty();
        }
        Optional<String> far = near(theirs).isPresent()
                ? Optional.empty()
                : Optional.of("That is more than " + Decimal.text(PlaceFixtures.FURTHEST, 0)
                        + " m from the middle of the stage; have the drawing moved to it.");
        return Optional.of(new Difference(
                ours.number(),
                Difference.Kind.DIFFERENT,
                Optional.of(PaperField.PLACE),
                theirs.row().line(),
                ours.pose().map(DrawingComparison::words).orElse(""),
                words(theirs.pose().get()),
                Optional.empty(),
                far));
    }

    private static Optional<Difference> inverted(Fixture ours, DrawnFixture theirs) {
        return ours.inverted().equals(theirs.inverted())
                ? Optional.empty()
                : Optional.of(
                        drawn(ours, theirs, PaperField.INVERTED, words(ours.inverted()), words(theirs.inverted())));
    }

    private static Optional<Difference> gel(Fixture ours, DrawnFixture theirs) {
        return ours.gel().equals(theirs.gel())
                ? Optional.empty()
                : Optional.of(drawn(ours, theirs, PaperField.GEL, words(ours.gel()), words(theirs.gel())));
    }

    private static Difference drawn(Fixture ours, DrawnFixture theirs, PaperField field, String was, String is) {
        return new Difference(
                ours.number(),
                Difference.Kind.DIFFERENT,
                Optional.of(field),
                theirs.row().line(),
                was,
                is,
                Optional.empty(),
                Optional.empty());
    }

    private static String words(Optional<Gel> gel) {
        return gel.map(Gel::toString).orElse("none");
    }

    private static String words(Inverted inverted) {
        return inverted.none() ? "neither" : inverted.toString();
    }

    private static Optional<Pose> near(DrawnFixture f) {
        return f.pose()
                .filter(p -> Stream.of(p.place().x(), p.place().y(), p.place().z())
                        .allMatch(m -> Math.abs(m) <= PlaceFixtures.FURTHEST));
    }

    private static boolean same(Pose a, Pose b) {
        Placement one = Placement.of(a);
        Placement other = Placement.of(b);
        return one.o().minus(other.o()).length() < SAME_PLACE
                && one.u().minus(other.u()).length() < SAME_TURN
                && one.w().minus(other.w()).length() < SAME_TURN;
    }

    private static String words(Pose pose) {
        String turned = Stream.of(
                        pose.rotation().x(),
                        pose.rotation().y(),
                        pose.rotation().z())
                .map(a -> Decimal.text(a, 1))
                .map(a -> a.equals("-0") ? "0" : a)
                .reduce((a, b) -> a + ", " + b)
                .orElseThrow();
        return Mark.text(pose.place()) + (turned.equals("0, 0, 0") ? "" : " turned " + turned);
    }

    private Optional<Mark> known(FocusPoint point) {
        Optional<Mark> byIdentity = show.all(PartKinds.DRAWINGS).values().stream()
                .flatMap(kept -> kept.marks().stream())
                .filter(k -> k.identity().equals(point.identity()))
                .map(Known::id)
                .flatMap(id -> show.mark(new MarkId(id)).stream())
                .findFirst();
        return byIdentity.or(() -> MarkFinder.find(show, point.name()));
    }

    private Optional<MarkDifference> mark(FocusPoint point) {
        Optional<Mark> ours = known(point);
        boolean same = ours.map(m -> m.name().equals(point.name()) && near(m.at(), point.at()))
                .orElse(false);
        return same ? Optional.empty() : Optional.of(new MarkDifference(point, ours));
    }

    private static boolean near(Vector3 a, Vector3 b) {
        return a.minus(b).length() < SAME_PLACE;
    }
}
