package app.loculus.core.colour;

import java.util.SortedMap;

/**
 * Light by its wavelengths, as an eye sees it. The colour matching functions of the CIE 1931 observer stand as sums of
 * lobes, within some percent of the tables between 380 and 780 nm (Wyman, Sloan, Shirley: Simple Analytic Approximations to
 * the CIE XYZ Color Matching Functions, 2013).
 */
public final class Spectrum {

    /** Nobody sees beyond; nanometres. */
    private static final double SHORTEST = 380;

    private static final double LONGEST = 780;

    /** Nanometres between two places at which a spectrum is looked at. */
    private static final double STEP = 1;

    /** What the brightest wavelength comes to, as luminances of emitters are written. */
    private static final double BRIGHTEST = 100;

    private Spectrum() {}

    /** Light of one wavelength; dark where nobody sees it. @param nanometres of it */
    public static Tristimulus of(double nanometres) {
        if (nanometres < SHORTEST || nanometres > LONGEST) {
            return Tristimulus.DARK;
        }
        return new Tristimulus(x(nanometres), y(nanometres), z(nanometres)).times(BRIGHTEST);
    }

    /** Light of many wavelengths. @param energy by nanometres, in any unit; straight between them, nothing beyond */
    public static Tristimulus of(SortedMap<Double, Double> energy) {
        if (energy.size() < 2) {
            return energy.isEmpty() || energy.get(energy.firstKey()) <= 0 ? Tristimulus.DARK : of(energy.firstKey());
        }
        Tristimulus sum = Tristimulus.DARK;
        double all = 0;
        for (double at = Math.max(SHORTEST, energy.firstKey()); at <= Math.min(LONGEST, energy.lastKey()); at += STEP) {
            double here = Math.max(0, at(energy, at));
            sum = sum.plus(of(at).times(here));
            all += here;
        }
        return all == 0 ? Tristimulus.DARK : sum.times(1 / all);
    }

    private static double at(SortedMap<Double, Double> energy, double nanometres) {
        Double exact = energy.get(nanometres);
        if (exact != null) {
            return exact;
        }
        double below = energy.headMap(nanometres).lastKey();
        double above = energy.tailMap(nanometres).firstKey();
        double share = (nanometres - below) / (above - below);
        return energy.get(below) * (1 - share) + energy.get(above) * share;
    }

    private static double x(double l) {
        return 1.056 * lobe(l, 599.8, 37.9, 31.0)
                + 0.362 * lobe(l, 442.0, 16.0, 26.7)
                - 0.065 * lobe(l, 501.1, 20.4, 26.2);
    }

    private static double y(double l) {
        return 0.821 * lobe(l, 568.8, 46.9, 40.5) + 0.286 * lobe(l, 530.9, 16.3, 31.1);
    }

    private static double z(double l) {
        return 1.217 * lobe(l, 437.0, 11.8, 36.0) + 0.681 * lobe(l, 459.0, 26.0, 13.8);
    }

    /** @param below its width to shorter wavelengths; @param above to longer ones */
    private static double lobe(double l, double middle, double below, double above) {
        double t = (l - middle) / (l < middle ? below : above);
        return Math.exp(-t * t / 2);
    }
}
