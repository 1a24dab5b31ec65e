package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.profile.Profile;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Makes the show what another one is, part by part, as one edit that can be taken back.
 *
 * @param words what that is, for the history
 */
public record Become(Show target, String words) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show now = draft.show();
        each(
                now.profiles().all(),
                target.profiles().all(),
                Profile::id,
                (id, a, b) -> draft.change(new Change.OfProfile(id, a, b)));
        each(
                now.patch().fixtures(),
                target.patch().fixtures(),
                Fixture::id,
                (id, a, b) -> draft.change(new Change.OfFixture(id, a, b)));
        each(now.groups(), target.groups(), Group::id, (id, a, b) -> draft.change(new Change.OfGroup(id, a, b)));
        each(
                now.palettes(),
                target.palettes(),
                Palette::id,
                (id, a, b) -> draft.change(new Change.OfPalette(id, a, b)));
        each(
                now.universes(),
                target.universes(),
                UniverseSetup::universe,
                (u, a, b) -> draft.change(new Change.OfUniverse(u, a, b)));
        now.programmer()
                .values()
                .forEach((unit, values) -> draft.change(
                        new Change.OfValues(unit, values, target.programmer().of(unit))));
        target.programmer()
                .values()
                .forEach((unit, values) ->
                        draft.change(new Change.OfValues(unit, now.programmer().of(unit), values)));
        draft.change(new Change.OfHand(now.hand(), target.hand()));
        draft.say(words);
        Differences.words(now, draft.show()).forEach(draft::say);
    }

    private interface Changed<K, V> {
        void tell(K key, Optional<V> before, Optional<V> after);
    }

    private static <K, V> void each(
            Collection<V> before, Collection<V> after, Function<V, K> key, Changed<K, V> changed) {
        Map<K, V> were = new LinkedHashMap<>();
        before.forEach(v -> were.put(key.apply(v), v));
        Map<K, V> are = new LinkedHashMap<>();
        after.forEach(v -> are.put(key.apply(v), v));
        after.stream()
                .filter(v -> !v.equals(were.get(key.apply(v))))
                .forEach(v -> changed.tell(key.apply(v), Optional.ofNullable(were.get(key.apply(v))), Optional.of(v)));
        before.stream()
                .filter(v -> !are.containsKey(key.apply(v)))
                .forEach(v -> changed.tell(key.apply(v), Optional.of(v), Optional.empty()));
    }
}
