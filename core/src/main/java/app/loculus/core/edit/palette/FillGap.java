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
import app.loculus.core.profile.Mode;
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
import java.util.stream.Stream;

/**
 * Gives a type values of its own in a palette, without a light in hand.
 *
 * @param from the type whose values it takes as far as it has a place for them; absent: what it would be given now, as
 *     plain values of its own
 */
public record FillGap(PaletteId palette, ProfileId type, Optional<ProfileId> from) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette before = show.palette(palette).orElseThrow();
        List<Fixture> of = show.patch().fixtures().stream()
                .filter(f -> f.profile().equals(type))
                .toList();
        of.forEach(f -> draft.reads(f.id()));
        if (of.isEmpty()) {
            throw Refusal.of("palette.nobody", "type", "Nobody of this type is patched.");
        }
        String name = show.profiles().get(type).name();
        Map<Attribute, Entry> own = new LinkedHashMap<>(before.entries(new ScopeKey.Type(type)));
        Map<Attribute, Entry> found =
                from.map(f -> copied(show, before, f, of.get(0))).orElseGet(() -> given(show, before, of.get(0)));
        if (found.isEmpty()) {
            throw Refusal.of(
                    "palette.nobody",
                    "type",
                    from.isPresent()
                            ? "Nothing of " + show.profiles().get(from.get()).name() + " in " + before + " fits " + name
                                    + "."
                            : before + " gives " + name + " nothing that could be kept.",
                    WayOut.advice("Set it on one of them and record with merge."));
        }
        found.forEach(own::putIfAbsent);
        List<Entry> all = new ArrayList<>(Stream.concat(
                        before.entries().stream().filter(e -> !e.scope().equals(new ScopeKey.Type(type))),
                        own.values().stream())
                .toList());
        // Who was given something keeps it; a type that fills up from another one gets what it had none of.
        Palette after = new GivenBefore(show, before).keptBy(before.holding(all));
        draft.put(after);
        draft.say(before + ": "
                + PaletteDifference.of(show, Optional.of(before), after).words());
    }

    private Map<Attribute, Entry> copied(Show show, Palette before, ProfileId like, Fixture fixture) {
        Mode mode = show.patch().modeOf(fixture);
        Map<Attribute, Entry> found = new LinkedHashMap<>();
        before.entries(new ScopeKey.Type(like)).forEach((attribute, e) -> {
            boolean fits = mode.homesOf(0, attribute).stream()
                    .anyMatch(cell ->
                            e.value().fits(mode, mode.parameter(cell, attribute).orElseThrow()));
            if (fits) {
                found.put(attribute, new Entry(new ScopeKey.Type(type), attribute, e.value(), e.companion()));
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
                            a,
                            new Entry(
                                    new ScopeKey.Type(type),
                                    a,
                                    v,
                                    given.companions().contains(a))));
        }
        return found;
    }
}
