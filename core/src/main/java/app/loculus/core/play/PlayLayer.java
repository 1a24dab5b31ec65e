package app.loculus.core.play;

import app.loculus.core.effect.Beats;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.profile.Mode;
import app.loculus.core.resolve.Layer;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** All that runs at one moment, under the programmer. */
public final class PlayLayer implements Layer {

    /** Whose layer it is. */
    public static final String OWNER = "playing";

    private final List<Voice> voices;
    private final Beats beats;

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
        voices.stream().filter(v -> !holds(before.voices, v)).forEach(v -> all.addAll(v.fixtures()));
        before.voices.stream().filter(v -> !holds(voices, v)).forEach(v -> all.addAll(v.fixtures()));
        for (Voice voice : voices) {
            if (holds(before.voices, voice)) {
                all.addAll(voice.moved(before.beats.now(), beats.now()));
            }
        }
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
        if (!voices.isEmpty()) {
            new Mixing(voices, beats).lay(fixture, mode, channels);
        }
    }
}
