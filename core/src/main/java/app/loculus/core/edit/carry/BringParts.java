package app.loculus.core.edit.carry;

import app.loculus.core.carry.Answering;
import app.loculus.core.carry.Fate;
import app.loculus.core.carry.Means;
import app.loculus.core.carry.PictureLikeness;
import app.loculus.core.carry.UnitPairs;
import app.loculus.core.carry.Verdict;
import app.loculus.core.effect.Effect;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.niche.NichePage;
import app.loculus.core.niche.NichePageId;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Limits;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Takes palettes, looks, effects, marks and pages of another show over, with all that they refer to: each for the fixtures
 * that answer to those it was made with. What is here already is not taken twice; what has a number or a name that is
 * taken gets the next free one.
 *
 * @param from the other show
 * @param wanted which of its parts
 * @param byType fixtures answer to each other as the first, second… of a type; else by their numbers
 * @param told which number of the other show which number here answers to, where somebody was asked
 */
public record BringParts(Show from, Wanted wanted, boolean byType, Map<Integer, Integer> told, PictureLikeness pictures)
        implements ShowEdit {

    /** As many as are told by name. */
    private static final int NAMED = 8;

    /** By the ids of the other show. */
    public record Wanted(
            Set<PaletteId> palettes,
            Set<EffectId> effects,
            Set<LookId> looks,
            Set<MarkId> marks,
            Set<NichePageId> pages) {

        public Wanted {
            palettes = Set.copyOf(palettes);
            effects = Set.copyOf(effects);
            looks = Set.copyOf(looks);
            marks = Set.copyOf(marks);
            pages = Set.copyOf(pages);
        }

        /** With everything that these refer to. */
        Wanted whole(Show show) {
            Set<EffectId> moved = new LinkedHashSet<>(effects);
            Set<PaletteId> followed = new LinkedHashSet<>(palettes);
            looks.stream().map(show::look).forEach(l -> {
                moved.addAll(l.moved());
                followed.addAll(l.followed());
            });
            Set<MarkId> places = new LinkedHashSet<>(marks);
            moved.stream().flatMap(e -> show.effect(e).stream()).forEach(e -> {
                followed.addAll(e.palettes());
                places.addAll(e.marks());
            });
            List<PaletteId> open = new ArrayList<>(followed);
            while (!open.isEmpty()) {
                Palette palette = show.palette(open.remove(0)).orElseThrow();
                palette.aim().ifPresent(places::add);
                palette.followed().stream().filter(followed::add).forEach(open::add);
            }
            return new Wanted(followed, moved, looks, places, pages);
        }

        boolean none() {
            return palettes.isEmpty() && effects.isEmpty() && looks.isEmpty() && marks.isEmpty() && pages.isEmpty();
        }
    }

    @Override
    public void on(Draft draft) {
        if (wanted.none()) {
            throw Refusal.of("carry.bring", "parts", "Nothing of the other show is chosen.");
        }
        List.of(
                        PartKinds.FIXTURES,
                        PartKinds.PALETTES,
                        PartKinds.EFFECTS,
                        PartKinds.LOOKS,
                        PartKinds.MARKS,
                        PartKinds.NICHE_PAGES)
                .forEach(draft::reads);
        new Bringing(draft, wanted.whole(from)).bring();
    }

    /** One time of it. */
    private final class Bringing {

        private final Draft draft;
        private final Wanted all;
        private final Show before;
        private final Carry carry;
        private final Ids alike = new Ids();
        private final List<String> brought = new ArrayList<>();
        private final List<String> merged = new ArrayList<>();
        private final List<Fate> fates = new ArrayList<>();

        Bringing(Draft draft, Wanted all) {
            this.draft = draft;
            this.all = all;
            this.before = draft.show();
            Means means = new Means(
                    before.answers(), from.marks().stream().map(Mark::at).toList(), place -> place, pictures, false);
            UnitPairs pairs = new UnitPairs(
                    from.patch(), before.patch(), Answering.of(from.patch(), before.patch(), byType, told));
            this.carry = new Carry(from, draft, pairs, means, new Ids());
            Map<Effect, EffectId> firsts = new HashMap<>();
            before.all(PartKinds.EFFECTS).values().stream()
                    .filter(e -> e.number().isEmpty())
                    .forEach(e -> alike.put(
                            e.id(), firsts.computeIfAbsent(e.as(new EffectId(1), e.number(), e.name()), x -> e.id())));
        }

        void bring() {
            from.marks().stream().filter(m -> all.marks().contains(m.id())).forEach(this::mark);
            CarriedPalettes palettes = new CarriedPalettes(carry);
            inOrder().forEach(p -> palette(p, palettes));
            from.all(PartKinds.EFFECTS).values().stream()
                    .filter(e -> all.effects().contains(e.id()))
                    .forEach(this::effect);
            CarriedLooks looks = new CarriedLooks(carry);
            from.all(PartKinds.LOOKS).values().stream()
                    .filter(l -> all.looks().contains(l.id()))
                    .forEach(l -> look(l, looks));
            from.nichePages().stream().filter(p -> all.pages().contains(p.id())).forEach(this::page);
            tell();
        }

        private void mark(Mark mark) {
            Optional<Mark> there = before.marks().stream()
                    .filter(m -> m.name().equalsIgnoreCase(mark.name()))
                    .findFirst();
            if (there.filter(m -> m.at().equals(mark.at())).isPresent()) {
                carry.ids().put(mark.id(), there.get().id());
                merged.add("mark " + mark);
                return;
            }
            String name = free(
                    mark.name(),
                    n -> draft.show().marks().stream().noneMatch(m -> m.name().equalsIgnoreCase(n)));
            Mark now = new Mark(draft.show().next(PartKinds.MARKS), name, mark.at());
            carry.ids().put(mark.id(), now.id());
            draft.put(PartKinds.MARKS, now);
            brought.add("mark " + now);
        }

        /** Those that others follow before these. */
        private List<Palette> inOrder() {
            List<Palette> left = new ArrayList<>(from.palettes().stream()
                    .filter(p -> all.palettes().contains(p.id()))
                    .toList());
            List<Palette> ordered = new ArrayList<>();
            while (!left.isEmpty()) {
                List<Palette> ready = left.stream()
                        .filter(p -> left.stream().noneMatch(o -> p.followed().contains(o.id())))
                        .toList();
                ordered.addAll(ready.isEmpty() ? left : ready);
                left.removeAll(ready.isEmpty() ? List.copyOf(left) : ready);
            }
            return ordered;
        }

        private void palette(Palette palette, CarriedPalettes palettes) {
            PaletteId id = draft.show().next(PartKinds.PALETTES);
            Kind kind = palette.kind();
            int number = numbered(
                    palette.number(), n -> draft.show().palette(kind, n).isEmpty());
            carry.ids().put(palette.id(), id, number);
            palettes.put(List.of(palette));
            Palette now = draft.show().palette(id).orElseThrow();
            Optional<Palette> same = before.palettes().stream()
                    .filter(p -> p.copied(id, number, p.name()).equals(now))
                    .findFirst();
            if (same.isPresent()) {
                draft.remove(PartKinds.PALETTES, id);
                carry.ids().put(palette.id(), same.get().id());
                merged.add(same.get().toString());
            } else {
                fates.add(palettes.fate(palette));
                brought.add(now.toString());
            }
        }

        private void effect(Effect effect) {
            EffectId id = draft.show().next(PartKinds.EFFECTS);
            Effect carried = effect.moving(
                    effect.movements().stream().map(carry.ids()::of).toList());
            Optional<Effect> same = before.all(PartKinds.EFFECTS).values().stream()
                    .filter(e -> e.number().isPresent() == effect.number().isPresent())
                    .filter(e -> carried.as(e.id(), e.number(), carried.name()).equals(e))
                    .findFirst();
            if (same.isPresent()) {
                carry.ids().put(effect.id(), same.get().id());
                same.get().number().ifPresent(n -> merged.add(same.get().toString()));
                return;
            }
            Optional<Integer> number = effect.number()
                    .map(wish -> numbered(
                            wish,
                            n -> draft.show().effects().stream()
                                    .noneMatch(e -> e.number().equals(Optional.of(n)))));
            Effect now = carried.as(id, number, carried.name());
            carry.ids().put(effect.id(), id);
            draft.put(PartKinds.EFFECTS, now);
            // One without a number is part of the look that uses it.
            number.ifPresent(n -> brought.add(now.toString()));
        }

        private void look(Look look, CarriedLooks looks) {
            Look carried = look.holding(looks.values(look));
            Optional<Look> same = before.looks().stream()
                    .filter(l -> carried.name().isBlank() || l.name().equals(carried.name()))
                    .filter(l -> l.values().equals(carried.values())
                            || l.moves() && alike(l.values()).equals(carried.values()))
                    .findFirst();
            if (same.isPresent()) {
                merged.add(same.get().toString());
                return;
            }
            int number = numbered(
                    look.number().orElse(1),
                    n -> draft.show().looks().stream().noneMatch(l -> l.number().equals(Optional.of(n))));
            String name = look.name().isBlank() ? "Look " + number : look.name();
            Look now = new Look(draft.show().next(PartKinds.LOOKS), Optional.of(number), name, carried.values());
            draft.put(PartKinds.LOOKS, now);
            fates.add(looks.fate(look, now, now.toString()));
            brought.add(now.toString());
        }

        /** With the first of all effects of looks that are equal: which of them moves it makes no difference. */
        private Map<UnitId, UnitValues> alike(Map<UnitId, UnitValues> values) {
            Map<UnitId, UnitValues> found = new LinkedHashMap<>();
            values.forEach((unit, all) -> {
                Map<Attribute, Touched> byAttribute = new LinkedHashMap<>();
                all.byAttribute()
                        .forEach((a, t) -> byAttribute.put(
                                a, new Touched(alike.of(t.value()), t.touched(), t.companion(), t.was())));
                found.put(unit, new UnitValues(byAttribute, all.asked()));
            });
            return found;
        }

        private void page(NichePage page) {
            Optional<NichePage> same = before.nichePages().stream()
                    .filter(p -> p.label().equals(page.label()))
                    .filter(p -> p.first() == page.first() && p.columns() == page.columns() && p.rows() == page.rows())
                    .findFirst();
            if (same.isPresent()) {
                merged.add(same.get().toString());
                return;
            }
            String name = free(
                    page.name(),
                    n -> draft.show().nichePages().stream()
                            .noneMatch(p -> p.label().equals(page.named(n).label())));
            NichePage now = new NichePage(
                    draft.show().next(PartKinds.NICHE_PAGES),
                    page.of(),
                    name,
                    page.first(),
                    page.columns(),
                    page.rows());
            draft.put(PartKinds.NICHE_PAGES, now);
            brought.add(now.toString());
        }

        private static int numbered(int wish, IntPredicate free) {
            return Stream.of(IntStream.of(wish), IntStream.rangeClosed(1, Look.LAST_NUMBER))
                    .flatMapToInt(s -> s)
                    .filter(free)
                    .findFirst()
                    .orElseThrow(() -> Refusal.of("carry.bring", "parts", "No number up to 9999 is free."));
        }

        private static String free(String name, java.util.function.Predicate<String> free) {
            return IntStream.iterate(1, i -> i + 1)
                    .mapToObj(i -> i == 1 ? name : shortened(name, " " + i))
                    .filter(free)
                    .findFirst()
                    .orElseThrow();
        }

        private static String shortened(String name, String behind) {
            return name.substring(0, Math.min(name.length(), Limits.NAME - behind.length())) + behind;
        }

        private void tell() {
            if (brought.isEmpty()) {
                throw Refusal.of("carry.bring", "parts", "This show has all of that already: " + named(merged) + ".");
            }
            draft.say("Imports " + Numbers.count(brought.size(), "part") + " of “" + from.name() + "”: "
                    + named(brought));
            if (!merged.isEmpty()) {
                draft.say("Already here: " + named(merged));
            }
            fates.stream()
                    .filter(f -> f.worst().compareTo(Verdict.NEAREST) >= 0)
                    .limit(NAMED)
                    .forEach(
                            f -> draft.warn(Problem.warning("carry.fate", "parts", f.label() + ": " + words(f) + ".")));
        }

        private static String words(Fate fate) {
            return fate.lines().stream()
                    .filter(l -> l.verdict().compareTo(Verdict.NEAREST) >= 0)
                    .limit(2)
                    .map(l -> (l.units() > 0 ? l.units() + " × " + l.types() + ", " : "") + l.words())
                    .collect(Collectors.joining("; "));
        }

        private static String named(List<String> parts) {
            return parts.stream().limit(NAMED).collect(Collectors.joining(", "))
                    + (parts.size() > NAMED ? " and " + (parts.size() - NAMED) + " more" : "");
        }
    }
}
