package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Gives a type values of its own in a palette, without a light selected.
 *
 * @param mode for this mode of it alone; absent: for all
 */
public record FillGap(PaletteId palette, ProfileId type, Optional<String> mode, From from) implements ShowEdit {

    /** Where the values come from. */
    public sealed interface From {

        /** What it would be given now, as plain values. */
        record Now() implements From {}

        /** Where everything of the palette's kind is at home. */
        record Home() implements From {}

        /** Those of another type, as far as it has a place for them. */
        record Like(ProfileId type) implements From {}
    }

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette before = show.palette(palette).orElseThrow();
        List<Fixture> of = show.patch().fixtures().stream()
                .filter(f ->
                        f.profile().equals(type) && mode.map(f.mode()::equals).orElse(true))
                .toList();
        of.forEach(f -> draft.reads(f.id()));
        if (of.isEmpty()) {
            throw Refusal.of("palette.nobody", "type", "Nobody of this type is patched.");
        }
        String name = show.profiles().get(type).name();
        Map<Attribute, Entry> own = new LinkedHashMap<>(before.entries(scope()));
        Map<Attribute, Entry> found = found(show, before, of.get(0));
        if (found.isEmpty()) {
            throw Refusal.of(
                    "palette.nobody",
                    "type",
                    from instanceof From.Like like
                            ? "Nothing of " + show.profiles().get(like.type()).name() + " in " + before + " fits "
                                    + name + "."
                            : from instanceof From.Home
                                    ? name + " has nothing of " + before.kind().word() + " that could be at home."
                                    : before + " gives " + name + " nothing that could be kept.",
                    WayOut.advice("Set it on one of them and record with merge."));
        }
        found.forEach(own::putIfAbsent);
        List<Entry> all = new ArrayList<>(Stream.concat(
                        before.entries().stream().filter(e -> !e.scope().equals(scope())), own.values().stream())
                .toList());
        // Who was given something keeps it; a type that fills up from another one gets what it had none of.
        Palette after = new GivenBefore(show, before).keptBy(before.holding(all));
        draft.put(after);
        draft.say(before + ": "
                + PaletteDifference.of(show, Optional.of(before), after).words());
    }

    private ScopeKey scope() {
        return mode.<ScopeKey>map(m -> new ScopeKey.TypeMode(type, m)).orElseGet(() -> new ScopeKey.Type(type));
    }

    private Map<Attribute, Entry> found(Show show, Palette before, Fixture fixture) {
        if (from instanceof From.Like like) {
            return copied(show, before, like.type(), fixture);
        }
        return from instanceof From.Home ? home(show, before, fixture) : given(show, before, fixture);
    }

    /** What the palette holds for anybody, else all of its kind. */
    private Map<Attribute, Entry> home(Show show, Palette before, Fixture fixture) {
        Profile profile = show.patch().profileOf(fixture);
        Mode mode = show.patch().modeOf(fixture);
        Set<Attribute> held = before.entries().stream()
                .filter(e -> !e.companion())
                .map(Entry::attribute)
                .collect(Collectors.toSet());
        Map<Attribute, Entry> found = new LinkedHashMap<>();
        for (int cell = 0; cell <= mode.cells(); cell++) {
            mode.parameters(cell).forEach((attribute, parameter) -> {
                boolean of = profile.kindOf(attribute) == before.kind() || before.kind() == Kind.COMBINED;
                boolean only =
                        before.kind() == Kind.BEAM || before.kind() == Kind.SHAPE || before.kind() == Kind.COMBINED;
                if (of && (held.contains(attribute) || !only)) {
                    found.putIfAbsent(
                            attribute, new Entry(scope(), attribute, AttributeValue.home(mode, parameter), false));
                }
            });
        }
        return found;
    }

    private Map<Attribute, Entry> copied(Show show, Palette before, ProfileId like, Fixture fixture) {
        Mode mode = show.patch().modeOf(fixture);
        Map<Attribute, Entry> found = new LinkedHashMap<>();
        before.entries(new ScopeKey.Type(like)).forEach((attribute, e) -> {
            boolean fits = mode.homesOf(0, attribute).stream()
                    .anyMatch(cell ->
                            e.value().fits(mode, mode.parameter(cell, attribute).orElseThrow()));
            if (fits) {
                found.put(attribute, new Entry(scope(), attribute, e.value(), e.companion()));
            }
        });
        return found;
    }

    private Map<Attribute, Entry> given(Show show, Palette before, Fixture fixture) {
        Mode mode = show.patch().modeOf(fixture);
        Map<Attribute, Entry> found = new LinkedHashMap<>();
        Palette common = before.holding(before.entries().stream()
                .filter(e -> e.scope().ownUnit().isEmpty())
                .toList());
        Giver giver = new Giver(show.patch(), show.shelf(), show.answers());
        for (int cell = 0; cell <= mode.cells(); cell++) {
            Given given = giver.give(common, new UnitId(fixture.id(), cell));
            given.values()
                    .forEach((Attribute a, AttributeValue v) -> found.putIfAbsent(
                            a, new Entry(scope(), a, v, given.companions().contains(a))));
        }
        return found;
    }
}
