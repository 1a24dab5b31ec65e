package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Patch;
import app.loculus.core.profile.Attribute;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Puts what was recorded onto a palette that is there: new entries win, others stay. */
public final class Joining {

    /** What becomes of the colour a palette stands for. */
    public enum Intent {
        /** It changes when every colour it stood over is replaced by one that was asked for, or is plainly another one. */
        AS_FITS,
        KEEP,
        NEW
    }

    /** In u′v′; what is matched by eye to a colour stays much nearer to it. */
    private static final double ANOTHER_COLOUR = 0.05;

    private Joining() {}

    public static Palette replaced(Palette before, Recorded recorded, Intent intent) {
        Optional<Chromaticity> stands = intent == Intent.KEEP ? before.intent() : recorded.intent();
        return before.holding(recorded.entries()).standingFor(stands);
    }

    public static Palette merged(
            Patch patch, Palette before, Recorded recorded, List<Contribution> contributions, Intent intent) {
        List<Entry> left = left(patch, before, recorded, contributions);
        List<Entry> all = new ArrayList<>(left);
        all.addAll(recorded.entries());
        return before.holding(all).standingFor(stands(before, recorded, intent));
    }

    /**
     * What the new entries leave of the old ones: neither the same, nor on the same channel, nor hiding them from those who
     * brought them.
     */
    private static List<Entry> left(Patch patch, Palette before, Recorded recorded, List<Contribution> contributions) {
        Set<String> gone = new HashSet<>();
        for (Entry e : recorded.entries()) {
            gone.add(place(e.scope(), e.attribute()));
        }
        for (Contribution c : contributions) {
            for (Attribute attribute : c.values().keySet()) {
                recorded.entries().stream()
                        .filter(e -> e.attribute().equals(attribute)
                                && e.scope().equals(c.key(e.scope().scope())))
                        .forEach(e -> {
                            List<Attribute> sharing = patch.modeOf(
                                            patch.get(c.unit().fixture()))
                                    .sharing(c.unit().cell(), attribute);
                            sharing.forEach(a -> gone.add(place(e.scope(), a)));
                            c.narrowerThan(e.scope().scope())
                                    .forEach(key -> sharing.forEach(a -> gone.add(place(key, a))));
                        });
            }
        }
        return before.entries().stream()
                .filter(e -> !gone.contains(place(e.scope(), e.attribute())))
                .toList();
    }

    /** The mix of a colour counts as one. */
    private static String place(ScopeKey scope, Attribute attribute) {
        return scope + " " + (attribute.isMix() ? "mix" : attribute.name());
    }

    private static Optional<Chromaticity> stands(Palette before, Recorded recorded, Intent intent) {
        Optional<Chromaticity> stood = before.intent();
        if (stood.isEmpty() || recorded.intent().isEmpty() || intent != Intent.AS_FITS) {
            return intent == Intent.NEW ? recorded.intent().or(() -> stood) : stood.or(recorded::intent);
        }
        List<Entry> stoodOver =
                before.entries().stream().filter(Joining::ofColour).toList();
        boolean allNew = !stoodOver.isEmpty() && stoodOver.stream().allMatch(e -> overwritten(e, recorded));
        boolean another = recorded.asked()
                || stood.get().differenceTo(recorded.intent().get()).deltaUv() > ANOTHER_COLOUR;
        return allNew && another ? recorded.intent() : stood;
    }

    private static boolean overwritten(Entry before, Recorded recorded) {
        return recorded.entries().stream()
                .anyMatch(e -> e.scope().equals(before.scope()) && e.attribute().equals(before.attribute()));
    }

    private static boolean ofColour(Entry entry) {
        return entry.attribute().makesColour() && !entry.companion();
    }
}
