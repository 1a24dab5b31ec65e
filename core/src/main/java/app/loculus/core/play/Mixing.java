package app.loculus.core.play;

import app.loculus.core.effect.Beats;
import app.loculus.core.look.Fade;
import app.loculus.core.patch.Fixture;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.resolve.Resolved;
import java.util.List;

/**
 * All that runs, at one moment, laid over each other: intensity by the highest, everything else by the latest. Not for
 * sharing between threads.
 */
final class Mixing {

    private final List<? extends Voice> voices;
    private final Beats beats;
    private final long now;
    /** Those that have something to say about the fixture, what each knows about it, and room for what they want. */
    private final Voice[] speaking;

    private final Object[] lanes;
    private final Wish[] wishes;
    private int speakers;

    Mixing(List<? extends Voice> voices, Beats beats) {
        this.voices = voices;
        this.beats = beats;
        this.now = beats.now();
        this.speaking = new Voice[voices.size()];
        this.lanes = new Object[voices.size()];
        this.wishes = new Wish[voices.size()];
    }

    /** Lays them over what lies below. */
    void lay(Fixture fixture, Mode mode, List<Resolved> channels) {
        if (enter(fixture)) {
            for (int channel = 0; channel < channels.size(); channel++) {
                int count = read(channel);
                if (count > 0) {
                    channels.set(channel, mixed(count, channels.get(channel)));
                }
            }
        }
    }

    /**
     * Where each channel stands, for one of them that is pressed.
     *
     * @param voice the one; null when it does not run yet
     * @param channels what lies below all of them
     */
    Stood[] standing(Voice voice, Fixture fixture, List<Resolved> channels) {
        Stood[] standing = new Stood[channels.size()];
        enter(fixture);
        for (int channel = 0; channel < channels.size(); channel++) {
            int count = read(channel);
            Resolved below = channels.get(channel);
            FunctionValue own = null;
            boolean snaps = false;
            for (int i = 0; i < count; i++) {
                if (voice != null && wishes[i].label.equals(voice.label())) {
                    own = alone(i, count, below);
                    snaps = wishes[i].snaps;
                }
            }
            FunctionValue stage =
                    count == 0 ? below.place() : mixed(count, below).place();
            standing[channel] = new Stood(own, stage, snaps);
        }
        return standing;
    }

    private boolean enter(Fixture fixture) {
        speakers = 0;
        for (Voice voice : voices) {
            Object lane = voice.lane(fixture.id(), now);
            if (lane != null) {
                if (wishes[speakers] == null) {
                    wishes[speakers] = new Wish();
                }
                speaking[speakers] = voice;
                lanes[speakers++] = lane;
            }
        }
        return speakers > 0;
    }

    /** Reads who wants something, in the order in which they were started. @return how many */
    private int read(int channel) {
        int count = 0;
        for (int i = 0; i < speakers; i++) {
            wishes[count].beats = beats;
            if (speaking[i].read(lanes[i], channel, now, wishes[count])) {
                wishes[count].label = speaking[i].label();
                count++;
            }
        }
        for (int i = 1; i < count; i++) {
            for (int j = i; j > 0 && wishes[j].since < wishes[j - 1].since; j--) {
                Wish later = wishes[j - 1];
                wishes[j - 1] = wishes[j];
                wishes[j] = later;
            }
        }
        return count;
    }

    private Resolved mixed(int count, Resolved below) {
        return intensity(count) ? highest(count, below) : latest(count, below);
    }

    private boolean intensity(int count) {
        for (int i = 0; i < count; i++) {
            if (!wishes[i].intensity()) {
                return false;
            }
        }
        return true;
    }

    private Resolved latest(int count, Resolved below) {
        FunctionValue value = below.place();
        for (int i = 0; i < count; i++) {
            value = wishes[i].over(value);
        }
        Wish top = wishes[count - 1];
        return new Resolved(value.function(), value.fraction(), top.source, top.label);
    }

    /**
     * Home counts as far as nobody says anything: it goes as light comes in and comes back as light goes out, so that none
     * of them jumps, however many come and go at once. What moves relative to what lies below does so around the highest of all
     * that stands.
     */
    private Resolved highest(int count, Resolved below) {
        double highest = -1;
        Wish winner = null;
        for (int i = 0; i < count; i++) {
            double light = wishes[i].around() ? -1 : wishes[i].brings() * wishes[i].level;
            if (light >= 0 && light >= highest) {
                highest = light;
                winner = wishes[i];
            }
        }
        double open = open(count);
        double home = open > 0 ? below.place().light() * open : 0;
        FunctionValue lit = winner == null
                ? below.place()
                : FunctionValue.lit(winner.function(below.function()), Math.min(1, highest + home));
        for (int i = 0; i < count; i++) {
            if (wishes[i].around()) {
                double light = Fade.between(lit.light(), wishes[i].light(lit), wishes[i].level);
                lit = FunctionValue.lit(lit.function(), light);
                winner = wishes[i];
            }
        }
        return new Resolved(lit.function(), lit.fraction(), winner.source, winner.label);
    }

    /** How far home shows through, 0 to 1: as far as it does through the one that covers it most. */
    private double open(int count) {
        double least = 1;
        for (int i = 0; i < count; i++) {
            least = wishes[i].around() ? least : Math.min(least, wishes[i].open());
        }
        return least;
    }

    private FunctionValue alone(int which, int count, Resolved below) {
        if (intensity(count)) {
            Wish own = wishes[which];
            // Where home shows through, it is what all of them make of it together that goes on.
            boolean home = below.place().light() * open(count) > 0;
            double light = home
                    ? highest(count, below).place().light()
                    : own.around() ? own.light(below.place()) : own.brings();
            return FunctionValue.lit(own.function(below.function()), light);
        }
        FunctionValue value = below.place();
        for (int i = 0; i <= which; i++) {
            value = wishes[i].over(value);
        }
        return value;
    }
}
