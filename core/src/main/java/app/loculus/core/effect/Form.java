package app.loculus.core.effect;

import java.util.Locale;

/** The waveform of one round, from −1 to 1. */
public enum Form {
    SINE {
        @Override
        double wave(double phase, double duty) {
            return Math.sin(2 * Math.PI * phase);
        }
    },
    /** Corners at a quarter and at three quarters. */
    TRIANGLE {
        @Override
        double wave(double phase, double duty) {
            return phase < .25 ? 4 * phase : phase < .75 ? 2 - 4 * phase : 4 * phase - 4;
        }
    },
    RAMP {
        @Override
        double wave(double phase, double duty) {
            return 2 * phase - 1;
        }
    },
    FALL {
        @Override
        double wave(double phase, double duty) {
            return 1 - 2 * phase;
        }
    },
    SQUARE {
        @Override
        double wave(double phase, double duty) {
            return phase < duty ? 1 : -1;
        }
    },
    /** One value a round, see {@link Chance}. */
    RANDOM {
        @Override
        double wave(double phase, double duty) {
            throw new IllegalStateException("Goes by the round");
        }
    };

    /**
     * @param phase 0 to 1
     * @param duty of a square: the share of the round it is up
     */
    abstract double wave(double phase, double duty);

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
