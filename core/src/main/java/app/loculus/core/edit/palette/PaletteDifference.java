package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.profile.Attribute;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Says what a palette gains, loses and hides, per type. */
public final class PaletteDifference {

    private PaletteDifference() {}

    /** @param before null for a palette that was not there */
    static String words(Show show, Palette before, Palette after) {
        Map<String, int[]> tallies = new LinkedHashMap<>();
        for (ScopeKey scope : scopes(before, after)) {
            int[] tally = tallies.computeIfAbsent(owner(show, scope), o -> new int[4]);
            count(before == null ? Map.of() : before.entries(scope), after.entries(scope), tally);
            tally[3] += shadowed(after, scope);
        }
        List<String> parts = new ArrayList<>();
        tallies.forEach((owner, tally) -> parts.add(owner + " " + words(tally)));
        return parts.isEmpty() ? "nothing changes" : String.join("; ", parts);
    }

    private static Set<ScopeKey> scopes(Palette before, Palette after) {
        Set<ScopeKey> scopes = new LinkedHashSet<>();
        if (before != null) {
            before.entries().forEach(e -> scopes.add(e.scope()));
        }
        after.entries().forEach(e -> scopes.add(e.scope()));
        return scopes;
    }

    private static void count(Map<Attribute, Entry> before, Map<Attribute, Entry> after, int[] tally) {
        after.forEach((attribute, entry) -> {
            if (!before.containsKey(attribute)) {
                tally[0]++;
            } else if (!before.get(attribute).value().equals(entry.value())) {
                tally[1]++;
            }
        });
        tally[2] += (int)
                before.keySet().stream().filter(a -> !after.containsKey(a)).count();
    }

    /** Global entries that a narrower one of the same attribute now hides from someone. */
    private static int shadowed(Palette palette, ScopeKey scope) {
        return scope.scope() == Scope.GLOBAL
                ? 0
                : (int) palette.entries(scope).keySet().stream()
                        .filter(palette.entries(new ScopeKey.Global())::containsKey)
                        .count();
    }

    private static String owner(Show show, ScopeKey scope) {
        return scope.words(profile -> show.profiles().get(profile).name());
    }

    private static String words(int[] tally) {
        List<String> parts = new ArrayList<>();
        String[] names = {"added", "changed", "removed", "hide a global value"};
        for (int i = 0; i < names.length; i++) {
            if (tally[i] > 0) {
                parts.add(tally[i] + " " + names[i]);
            }
        }
        return parts.isEmpty() ? "unchanged" : String.join(", ", parts);
    }
}
