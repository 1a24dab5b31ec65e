package app.loculus.core.edit.palette;

import app.loculus.core.effect.Effect;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.show.EffectUsers;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What palettes hold and who uses them, as people read it. */
public final class PaletteWords {

    private PaletteWords() {}

    /** For whom an entry holds: a type's name, a unit's number, {@code global}. */
    public static String owner(Show show, ScopeKey scope) {
        return scope.ownUnit()
                .map(u -> show.patch().find(u.fixture()).isPresent() ? show.label(u) : "a fixture that goes")
                .orElseGet(() -> scope.words(profile ->
                        show.profiles().find(profile).map(Profile::name).orElse("a type that goes")));
    }

    /** What an attribute is called by those it is for. */
    public static String label(Show show, ScopeKey scope, Attribute attribute) {
        Optional<ProfileId> type = scope.ownProfile()
                .or(() -> scope.ownUnit()
                        .flatMap(u -> show.patch().find(u.fixture()))
                        .map(Fixture::profile));
        return type.flatMap(t -> show.profiles().find(t))
                .or(() -> show.profiles().all().stream()
                        .filter(p -> p.attributes().stream()
                                .anyMatch(d -> d.attribute().equals(attribute)))
                        .findFirst())
                .map((Profile p) -> p.definition(attribute).pretty())
                .orElse(attribute.name());
    }

    /** Palettes, effects and looks that follow one, and groups that ask for those who use it. */
    public static List<String> usedBy(Show show, Palette palette) {
        Stream<String> palettes = show.palettes().stream()
                .filter(p -> p.followed().contains(palette.id()))
                .map(Palette::toString);
        Stream<String> groups = show.groups().stream()
                .filter(g -> g.content().choice().palettes().anyMatch(palette.id()::equals))
                .map(g -> "group " + g);
        Stream<String> looks =
                LookHolders.following(show, palette.id()).stream().map(l -> LookHolders.words(show, l));
        Stream<String> effects = EffectUsers.of(show, palette.id()).stream().map(Effect::toString);
        return Stream.of(palettes, effects, looks, groups).flatMap(s -> s).toList();
    }
}
