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
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What becomes of a palette: per owner and attribute, from what to what. */
public record PaletteDifference(List<Row> rows) {

    /** What happens to an entry. */
    public enum Happens {
        ADDED("added"),
        CHANGED("changed"),
        REMOVED("removed"),
        SHADOWED("hidden by narrower ones");

        private final String words;

        Happens(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * One entry.
     *
     * @param owner for whom it holds, in words: a type, a unit's number, {@code global}
     * @param from in words, empty for what is added; for what is hidden the hidden value
     * @param to in words, empty for what is removed
     */
    public record Row(Happens happens, String owner, String attribute, String from, String to) {}

    private static final int MOST_NAMED = 3;

    /** @param before absent for a palette that was not there */
    public static PaletteDifference of(Show show, Optional<Palette> before, Palette after) {
        List<Row> rows = new ArrayList<>();
        for (ScopeKey scope : scopes(before, after)) {
            Map<Attribute, Entry> were = before.map(p -> p.entries(scope)).orElse(Map.of());
            compare(show, scope, were, after.entries(scope), rows);
            shadowed(show, scope, before, after, rows);
        }
        return new PaletteDifference(List.copyOf(rows));
    }

    private static Set<ScopeKey> scopes(Optional<Palette> before, Palette after) {
        Set<ScopeKey> scopes = new LinkedHashSet<>(before.map(Palette::scopes).orElse(Set.of()));
        scopes.addAll(after.scopes());
        return scopes;
    }

    private static void compare(
            Show show, ScopeKey scope, Map<Attribute, Entry> were, Map<Attribute, Entry> are, List<Row> rows) {
        String owner = PaletteWords.owner(show, scope);
        are.forEach((attribute, entry) -> {
            Entry was = were.get(attribute);
            String to = ValueWords.of(show, entry.value());
            if (was == null) {
                rows.add(new Row(Happens.ADDED, owner, PaletteWords.label(show, scope, attribute), "", to));
            } else if (!was.value().equals(entry.value())) {
                String from = ValueWords.of(show, was.value());
                rows.add(new Row(Happens.CHANGED, owner, PaletteWords.label(show, scope, attribute), from, to));
            }
        });
        were.forEach((attribute, was) -> {
            if (!are.containsKey(attribute)) {
                String from = ValueWords.of(show, was.value());
                rows.add(new Row(Happens.REMOVED, owner, PaletteWords.label(show, scope, attribute), from, ""));
            }
        });
    }

    /** Broader entries that a narrower one hides now and did not hide before. */
    private static void shadowed(Show show, ScopeKey scope, Optional<Palette> before, Palette after, List<Row> rows) {
        for (ScopeKey broader : broader(show, scope)) {
            after.entries(scope).forEach((attribute, entry) -> {
                Entry hidden = after.entries(broader).get(attribute);
                boolean already = before.filter(p -> p.entries(scope).containsKey(attribute)
                                && p.entries(broader).containsKey(attribute))
                        .isPresent();
                if (hidden != null && !already) {
                    rows.add(new Row(
                            Happens.SHADOWED,
                            PaletteWords.owner(show, broader) + " for " + PaletteWords.owner(show, scope),
                            PaletteWords.label(show, scope, attribute),
                            ValueWords.of(show, hidden.value()),
                            ValueWords.of(show, entry.value())));
                }
            });
        }
    }

    private static List<ScopeKey> broader(Show show, ScopeKey scope) {
        List<ScopeKey> keys = new ArrayList<>();
        scope.ownUnit()
                .flatMap(u -> show.patch().find(u.fixture()))
                .ifPresent(f -> keys.addAll(
                        List.of(new ScopeKey.TypeMode(f.profile(), f.mode()), new ScopeKey.Type(f.profile()))));
        scope.ownMode().flatMap(m -> scope.ownProfile()).ifPresent(p -> keys.add(new ScopeKey.Type(p)));
        if (scope.scope() != Scope.GLOBAL) {
            keys.add(new ScopeKey.Global());
        }
        return keys;
    }

    /** By owner: how many of what, and what changes from what to what. */
    public String words() {
        Map<String, List<Row>> byOwner =
                rows.stream().collect(Collectors.groupingBy(Row::owner, LinkedHashMap::new, Collectors.toList()));
        Map<String, List<String>> alike = new LinkedHashMap<>();
        byOwner.forEach((owner, all) ->
                alike.computeIfAbsent(tally(all), t -> new ArrayList<>()).add(owner));
        String text = alike.entrySet().stream()
                .map(e -> owners(e.getValue()) + " " + e.getKey())
                .collect(Collectors.joining("; "));
        return text.isEmpty() ? "nothing changes" : text;
    }

    private static String owners(List<String> all) {
        return all.size() <= MOST_NAMED
                ? String.join(", ", all)
                : String.join(", ", all.subList(0, MOST_NAMED)) + " and " + (all.size() - MOST_NAMED) + " more";
    }

    private static String tally(List<Row> rows) {
        List<String> parts = new ArrayList<>();
        for (Happens happens : Happens.values()) {
            List<Row> of = rows.stream().filter(r -> r.happens() == happens).toList();
            if (!of.isEmpty()) {
                parts.add(of.size() + " " + happens.words() + details(happens, of));
            }
        }
        return String.join(", ", parts);
    }

    private static String details(Happens happens, List<Row> rows) {
        if (happens == Happens.ADDED) {
            return "";
        }
        String named = rows.stream()
                .limit(MOST_NAMED)
                .map(r ->
                        r.attribute() + (happens == Happens.CHANGED ? " " + r.from() + " → " + r.to() : " " + r.from()))
                .collect(Collectors.joining(", "));
        return " (" + named + (rows.size() > MOST_NAMED ? " …" : "") + ")";
    }
}
