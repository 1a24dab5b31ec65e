package app.loculus.core.edit.highlight;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Whole;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ShownColour;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Makes what is touched on the units selected the look of highlight: for every type, or for the types selected alone. Of
 * several values of one attribute the first in the order of the selection counts. For every type a colour is the colour
 * that is seen, and each type shows it as well as it can.
 *
 * @param with kinds that are taken beside intensity, colour and beam: a highlight that moves heads has to be asked for
 */
public record RecordHighlight(boolean perType, Set<Kind> with) implements ShowEdit {

    private static final Set<Kind> ALWAYS = EnumSet.of(Kind.INTENSITY, Kind.COLOUR, Kind.BEAM);

    public RecordHighlight {
        with = Set.copyOf(with);
    }

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Map<Optional<ProfileId>, Map<Attribute, AttributeValue>> found = new LinkedHashMap<>();
        Set<String> left = new LinkedHashSet<>();
        Optional<Chromaticity> colour = Optional.empty();
        for (UnitId unit : units(draft)) {
            draft.reads(PartKinds.VALUES, unit);
            Optional<Chromaticity> own = perType ? Optional.empty() : colour(show, unit);
            collect(show, unit, own.isPresent(), found, left);
            colour = colour.or(() -> own);
        }
        if (found.isEmpty() && colour.isEmpty()) {
            throw Refusal.of(
                    "highlight.empty",
                    "selection",
                    left.isEmpty()
                            ? "Nothing is touched on the selection."
                            : "Only " + String.join(" and ", left) + " is touched on the selection.",
                    WayOut.advice(
                            left.isEmpty()
                                    ? "Set what highlight is to look like first, for example at full white at 5600 k."
                                    : "A highlight leaves heads where they are: add “with "
                                            + left.iterator().next() + "” if it is to move them."));
        }
        HighlightLook look = show.get(PartKinds.HIGHLIGHT, Whole.SHOW);
        if (!perType) {
            look = look.with(Optional.empty(), Map.of()).coloured(colour);
        }
        for (Map.Entry<Optional<ProfileId>, Map<Attribute, AttributeValue>> e : found.entrySet()) {
            look = look.with(e.getKey(), e.getValue());
        }
        draft.put(PartKinds.HIGHLIGHT, Whole.SHOW, look);
        HighlightWords.lines(show, look).forEach(line -> draft.say("Highlight of " + line));
        if (!left.isEmpty()) {
            draft.say("Leaves " + String.join(" and ", left) + " as it is; “with "
                    + left.iterator().next() + "” takes it too");
        }
        List<String> without = HighlightWords.without(show, look);
        if (!without.isEmpty()) {
            draft.warn(Problem.warning(
                    "highlight.without",
                    "highlight",
                    "As their profiles say, since they cannot: " + String.join("; ", without) + "."));
        }
    }

    /** The selected, and cells and wholes that their values live on. */
    private static Set<UnitId> units(Draft draft) {
        Patch patch = draft.show().patch();
        return draft.held().units().stream()
                .flatMap(
                        u -> Stream.concat(Touching.withCells(patch, u).stream(), Stream.of(UnitId.whole(u.fixture()))))
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private void collect(
            Show show,
            UnitId unit,
            boolean coloured,
            Map<Optional<ProfileId>, Map<Attribute, AttributeValue>> found,
            Set<String> left) {
        Profile type = show.patch().profileOf(show.patch().get(unit.fixture()));
        show.programmer().of(unit).byAttribute().forEach((attribute, touched) -> {
            Kind kind = type.kindOf(attribute);
            if (!sets(touched) || coloured && attribute.makesColour()) {
                return;
            }
            if (!ALWAYS.contains(kind) && !with.contains(kind)) {
                left.add(kind.word());
                return;
            }
            show.resolver()
                    .plain(unit, attribute, touched.value())
                    .ifPresent(value -> found.computeIfAbsent(
                                    perType ? Optional.of(type.id()) : Optional.empty(), t -> new LinkedHashMap<>())
                            .putIfAbsent(attribute, value));
        });
    }

    private static boolean sets(Touched touched) {
        return !touched.companion() && !(touched.value() instanceof AttributeValue.Released);
    }

    /** The colour that is seen of a unit whose colours are touched. */
    private static Optional<Chromaticity> colour(Show show, UnitId unit) {
        boolean touched = show.programmer().of(unit).byAttribute().entrySet().stream()
                .anyMatch(e -> e.getKey().makesColour() && sets(e.getValue()));
        if (!touched) {
            return Optional.empty();
        }
        Fixture fixture = show.patch().get(unit.fixture());
        List<Resolved> channels = show.unlit().resolve(fixture);
        return show.programmer()
                .of(unit)
                .asked()
                .or(() -> new ShownColour(
                                show.patch().modeOf(fixture),
                                unit.cell(),
                                channel -> channels.get(channel).place().dmx())
                        .light()
                        .flatMap(light -> light.chromaticity()));
    }
}
