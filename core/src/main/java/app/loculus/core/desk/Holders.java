package app.loculus.core.desk;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.show.Show;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Who holds what: of which units each layer decides over which kinds, as it goes out now. */
public final class Holders {

    private Holders() {}

    /**
     * By the name of the layer ({@code list 1}, {@code submaster 4}, {@code programmer}): {@code intensity of 24, position
     * of 12}; layers that hold nothing are left out.
     *
     * @param show as its lights are seen
     */
    public static Map<String, String> of(Show show) {
        Map<String, Map<Kind, Set<UnitId>>> held = new LinkedHashMap<>();
        for (Fixture fixture : show.patch().fixtures()) {
            Profile profile = show.patch().profileOf(fixture);
            Mode mode = show.patch().modeOf(fixture);
            List<Resolved> channels = show.resolver().resolve(fixture);
            for (int i = 0; i < channels.size(); i++) {
                Resolved r = channels.get(i);
                if (!r.layer().equals(Resolved.HOME)) {
                    held.computeIfAbsent(r.layer(), l -> new TreeMap<>())
                            .computeIfAbsent(profile.kindOf(r.function().attribute()), k -> new LinkedHashSet<>())
                            .add(new UnitId(fixture.id(), mode.channels().get(i).cell()));
                }
            }
        }
        Map<String, String> words = new LinkedHashMap<>();
        held.forEach((layer, kinds) -> words.put(
                layer,
                kinds.entrySet().stream()
                        .map(e -> e.getKey().word() + " of " + e.getValue().size())
                        .collect(Collectors.joining(", "))));
        return words;
    }
}
