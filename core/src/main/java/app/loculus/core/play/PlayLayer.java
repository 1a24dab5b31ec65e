package app.loculus.core.play;

import app.loculus.core.effect.Beats;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.profile.Mode;
import app.loculus.core.resolve.Layer;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** All that runs at one moment, under the programmer. */
public final class PlayLayer implements Layer {

    /** Whose layer it is. */
    public static final String OWNER = "playing";

    private final List<Voice> voices;
    private final Beats beats;

    /** Who may say something about which fixture, in the order of voices; worked out once for as long as they are the same. */
    private volatile Map<FixtureId, List<Voice>> about;

    PlayLayer(List<Voice> voices, Beats beats) {
        this.voices = voices;
        this.beats = beats;
    }

    @Override
    public Optional<Beats> beats() {
        return Optional.of(beats);
    }

    @Override
    public String owner() {
        return OWNER;
    }

    @Override
    public long sinceMillis() {
        return 0;
    }

    @Override
    public Set<FixtureId> fixtures() {
        Set<FixtureId> all = new LinkedHashSet<>();
        voices.forEach(v -> all.addAll(v.fixtures()));
        return all;
    }

    @Override
    public Set<FixtureId> differing(Layer earlier) {
        Set<FixtureId> all = new LinkedHashSet<>();
        if (!(earlier instanceof PlayLayer before)) {
            all.addAll(fixtures());
            all.addAll(earlier.fixtures());
            return all;
        }
        if (sameVoices(before)) {
            about = before.about;
        }
        voices.stream().filter(v -> !holds(before.voices, v)).forEach(v -> all.addAll(v.fixtures()));
        before.voices.stream().filter(v -> !holds(voices, v)).forEach(v -> all.addAll(v.fixtures()));
        for (Voice voice : voices) {
            if (holds(before.voices, voice)) {
                all.addAll(voice.moved(before.beats.now(), beats.now()));
            }
        }
        return all;
    }

    private boolean sameVoices(PlayLayer before) {
        boolean same = before.voices.size() == voices.size();
        for (int i = 0; same && i < voices.size(); i++) {
            same = before.voices.get(i) == voices.get(i);
        }
        return same;
    }

    private static Map<FixtureId, List<Voice>> about(List<Voice> voices) {
        Map<FixtureId, List<Voice>> all = new HashMap<>();
        voices.forEach(v -> v.fixtures()
                .forEach(f -> all.computeIfAbsent(f, x -> new ArrayList<>(2)).add(v)));
        return all;
    }

    /** The very same one. */
    private static boolean holds(List<Voice> voices, Voice wanted) {
        for (Voice voice : voices) {
            if (voice == wanted) {
                return true;
            }
        }
        return false;
    }

    @Override
    public void lay(Fixture fixture, Mode mode, List<Resolved> channels, Resolver resolver) {
        Map<FixtureId, List<Voice>> known = about;
        if (known == null) {
            known = about(voices);
            about = known;
        }
        List<Voice> speaking = known.get(fixture.id());
        if (speaking != null) {
            new Mixing(speaking, beats).lay(fixture, mode, channels);
        }
    }
}
