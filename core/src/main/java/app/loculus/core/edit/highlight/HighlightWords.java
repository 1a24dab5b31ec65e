package app.loculus.core.edit.highlight;

import app.loculus.core.edit.palette.PaletteWords;
import app.loculus.core.edit.palette.ValueWords;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** What highlight shows, as people read it. */
public final class HighlightWords {

    private HighlightWords() {}

    /** Value by value, for every type and for each that has something of its own; empty where only profiles speak. */
    public static List<String> lines(Show show, HighlightLook look) {
        Map<Optional<ProfileId>, List<String>> lines = new LinkedHashMap<>();
        look.colour()
                .ifPresent(c -> lines.computeIfAbsent(Optional.empty(), t -> new ArrayList<>())
                        .add("colour " + c));
        look.settings()
                .forEach(s -> lines.computeIfAbsent(s.type(), t -> new ArrayList<>())
                        .add(words(show, s.type(), s.attribute(), s.value())));
        return lines.entrySet().stream()
                .map(e -> name(show, e.getKey()) + ": " + String.join(", ", e.getValue()))
                .toList();
    }

    private static String name(Show show, Optional<ProfileId> type) {
        return type.map(t -> show.profiles().find(t).map(p -> p.name()).orElse("a type that is gone"))
                .orElse("every type");
    }

    private static String words(Show show, Optional<ProfileId> type, Attribute attribute, AttributeValue value) {
        ScopeKey of = type.<ScopeKey>map(ScopeKey.Type::new).orElseGet(ScopeKey.Global::new);
        return PaletteWords.label(show, of, attribute) + " " + ValueWords.of(show, value);
    }

    /** Types of the patch that cannot show some of it, and what: there the profile's own values count. */
    public static List<String> without(Show show, HighlightLook look) {
        return show.patch().fixtures().stream()
                .collect(Collectors.groupingBy(
                        f -> List.of(f.profile(), f.mode()), LinkedHashMap::new, Collectors.toList()))
                .values()
                .stream()
                .map(alike -> Map.entry(alike, lacks(show, look, alike.get(0))))
                .filter(e -> !e.getValue().isEmpty())
                .map(e -> e.getKey().size() + " × "
                        + show.patch().profileOf(e.getKey().get(0)).name() + " (" + String.join(", ", e.getValue())
                        + ")")
                .toList();
    }

    private static List<String> lacks(Show show, HighlightLook look, Fixture fixture) {
        Mode mode = show.patch().modeOf(fixture);
        List<String> lacks = new ArrayList<>();
        look.of(fixture.profile()).forEach((attribute, value) -> {
            boolean can = mode.homesOf(0, attribute).stream()
                    .anyMatch(cell ->
                            value.fits(mode, mode.parameter(cell, attribute).orElseThrow()));
            if (!can) {
                lacks.add(PaletteWords.label(show, new ScopeKey.Type(fixture.profile()), attribute));
            }
        });
        look.colour(fixture.profile())
                .filter(c -> IntStream.rangeClosed(0, mode.cells())
                        .noneMatch(cell ->
                                show.resolver().giver().answer(mode, cell, c).isPresent()))
                .ifPresent(c -> lacks.add("colour"));
        return lacks;
    }
}
