package app.loculus.core.show;

import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.WayOut;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What holds in every show, whatever edit led to it: no number twice, every fixture of a type that is held, nothing
 * that refers to a unit, a type or a palette that is not there. No show is made past it.
 */
final class Identity {

    /** What others refer to by its id. */
    private static final Set<PartKind<?, ?>> NAMED = Set.of(
            PartKinds.PALETTES, PartKinds.GROUPS, PartKinds.LOOKS, PartKinds.LISTS, PartKinds.EFFECTS, PartKinds.MARKS);

    private final Show show;
    private final Refit standing;
    private final Problems problems = new Problems();

    private Identity(Show show) {
        this.show = show;
        this.standing = References.standing(show);
    }

    /** What would be wrong with a show after a delta that led to it; only what the delta can have broken is looked at. */
    static Problems of(Show show, Delta delta) {
        Identity identity = new Identity(show);
        delta.kinds().forEach(kind -> identity.numbers(kind, delta));
        boolean everywhere = delta.changes().stream().anyMatch(Identity::takesAway);
        if (everywhere) {
            PartKinds.ALL.forEach(identity::all);
        } else {
            delta.changes().forEach(identity::changed);
        }
        return identity.problems;
    }

    /** Whether others may have referred to what the change takes away. */
    private static boolean takesAway(Change<?, ?> change) {
        return change.before().isPresent()
                && change.noticed()
                && (change.kind() == PartKinds.PROFILES
                        || change.kind() == PartKinds.FIXTURES
                        || NAMED.contains(change.kind()) && change.after().isEmpty());
    }

    /** Everything that is wrong with a show. */
    static Problems ofAll(Show show) {
        Identity identity = new Identity(show);
        PartKinds.ALL.forEach(identity::twice);
        PartKinds.ALL.forEach(identity::all);
        return identity.problems;
    }

    /** The same for a show of which nothing leads nowhere. */
    private static Problems ofFitting(Show show) {
        Identity identity = new Identity(show);
        PartKinds.ALL.forEach(identity::twice);
        PartKinds.ALL.forEach(identity::broken);
        return identity.problems;
    }

    private <K, V> void numbers(PartKind<K, V> kind, Delta delta) {
        boolean renumbered = delta.of(kind).stream()
                .anyMatch(
                        c -> !c.before().flatMap(kind::number).equals(c.after().flatMap(kind::number)));
        if (renumbered) {
            twice(kind);
        }
    }

    private <K, V> void twice(PartKind<K, V> kind) {
        Set<Object> seen = new HashSet<>();
        for (V part : show.all(kind).values()) {
            kind.number(part)
                    .filter(n -> !seen.add(n))
                    .ifPresent(n -> problems.add(Problem.refusal(
                            "number.taken",
                            "numbers",
                            "The number " + n + " would be given twice among the " + kind.words() + ".",
                            WayOut.advice("Choose another number for one of them."))));
        }
    }

    private <K, V> void changed(Change<K, V> change) {
        change.after().ifPresent(part -> one(change.kind(), change.key(), part));
    }

    private <K, V> void broken(PartKind<K, V> kind) {
        show.all(kind).values().forEach(part -> kind.broken(show, part).ifPresent(why -> dangling(kind, why)));
    }

    private <K, V> void all(PartKind<K, V> kind) {
        show.all(kind).forEach((key, part) -> one(kind, key, part));
    }

    private <K, V> void one(PartKind<K, V> kind, K key, V part) {
        kind.broken(show, part).ifPresent(why -> dangling(kind, why));
        if (!kind.refitted(key, part, standing).equals(Optional.of(part))) {
            dangling(kind, "something among the " + kind.words() + " would refer to what is not there");
        }
    }

    private void dangling(PartKind<?, ?> kind, String why) {
        if (problems.all().stream().noneMatch(p -> p.words().endsWith(why + "."))) {
            problems.add(Problem.refusal("show.reference", kind.name(), "This cannot be done: " + why + "."));
        }
    }

    /** A show from stored parts; what leads nowhere is let go of and said. */
    static Show settled(Show show, List<String> said) {
        Show settled = show;
        List<Change<?, ?>> loose = References.refitted(show, References.standing(show));
        // What was let go of may have been all that something else led to.
        while (!loose.isEmpty()) {
            settled = settled.drafted(new Delta(loose));
            loose.stream()
                    .map(c -> c.kind().words())
                    .distinct()
                    .map(words -> "Among the " + words + ", what referred to nothing was let go of.")
                    .filter(words -> !said.contains(words))
                    .forEach(said::add);
            loose = References.refitted(settled, References.standing(settled));
        }
        ofFitting(settled).throwIfRefused();
        return settled;
    }
}
