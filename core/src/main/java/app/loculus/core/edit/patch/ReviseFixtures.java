package app.loculus.core.edit.patch;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Writes several columns of several fixtures at once; creates those that are missing. All or nothing: addresses are
 * compared when everything has landed, so that fixtures may change places among themselves.
 *
 * @param deleted fixtures that go
 */
public record ReviseFixtures(List<Revision> revisions, List<FixtureId> deleted) implements ShowEdit {

    /**
     * What becomes of one number; what is empty stays as it is.
     *
     * @param starts none inside for no address
     * @param renumbered its new number
     * @param type needed for a number without a fixture
     */
    public record Revision(
            int number,
            Optional<Integer> renumbered,
            Optional<String> name,
            Optional<Profiles.Type> type,
            Optional<Starts> starts,
            Optional<String> position,
            Optional<String> purpose,
            Optional<String> notes) {

        public static Revision of(int number) {
            return new Revision(
                    number,
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty());
        }
    }

    @Override
    public void on(Draft draft) {
        if (!deleted.isEmpty()) {
            new DeleteFixtures(deleted).on(draft);
        }
        Patch before = draft.show().patch();
        revisions.forEach(r -> r.type().ifPresent(t -> draft.take(t.profile())));
        Patch known = draft.show().patch();
        int nextId = known.nextId().value();
        List<Fixture> revised = new ArrayList<>();
        Problems problems = new Problems();
        rowsTwice(problems);
        for (Revision revision : revisions) {
            Optional<Fixture> held = known.numbered(revision.number());
            Optional<Fixture> base = held.or(() -> created(revision, new FixtureId(0)));
            if (base.isEmpty()) {
                problems.add(missing(revision));
            } else {
                Fixture fixture = held.isPresent()
                        ? base.get()
                        : created(revision, new FixtureId(nextId++)).orElseThrow();
                revised.add(revised(known, fixture, revision));
            }
        }
        numbersTwice(known, revised, problems);
        problems.throwIfRefused();
        List<Fixture> changed = revised.stream()
                .filter(f -> !known.find(f.id()).map(f::equals).orElse(false))
                .toList();
        Patch after = known.changed(known.profiles(), List.of(), changed);
        Clashes.of(before, after, changed).throwIfRefused();
        TypeChange.follow(draft, types(known));
        draft.putAll(changed);
        draft.say("Revises " + Numbers.count(changed.size(), "fixture"));
    }

    /** Two rows of one number would not say which of them counts. */
    private void rowsTwice(Problems problems) {
        Set<Integer> seen = new HashSet<>();
        revisions.stream()
                .filter(r -> !seen.add(r.number()))
                .forEach(r -> problems.add(Problem.refusal(
                        "patch.twice",
                        "numbers",
                        "Fixture " + r.number() + " is in two rows; leave one of them out.")));
    }

    /** The new type of every fixture that is there already and gets one. */
    private Map<FixtureId, Profiles.Type> types(Patch known) {
        Map<FixtureId, Profiles.Type> types = new LinkedHashMap<>();
        revisions.forEach(r ->
                r.type().ifPresent(t -> known.numbered(r.number()).ifPresent(f -> types.put(f.id(), t))));
        return types;
    }

    private static void numbersTwice(Patch known, List<Fixture> revised, Problems problems) {
        Set<FixtureId> moving = revised.stream().map(Fixture::id).collect(Collectors.toSet());
        Set<Integer> taken = new HashSet<>();
        for (Fixture fixture : revised) {
            boolean held = known.numbered(fixture.number())
                    .filter(f -> !moving.contains(f.id()))
                    .isPresent();
            if (held || !taken.add(fixture.number())) {
                problems.add(Problem.refusal(
                        "number.taken", "numbers", "Number " + fixture.number() + " would be given twice."));
            }
        }
    }

    private static Optional<Fixture> created(Revision r, FixtureId id) {
        return r.type()
                .map(t -> new Fixture(
                        id,
                        r.number(),
                        t.profile().name() + " " + r.number(),
                        t.profile().id(),
                        t.mode().name(),
                        List.of(),
                        Optional.empty(),
                        "",
                        ""));
    }

    private static Problem missing(Revision r) {
        return Problem.refusal(
                "patch.missing",
                "numbers",
                "There is no fixture " + r.number() + ", and no profile is given to create it.");
    }

    private static Fixture revised(Patch patch, Fixture fixture, Revision r) {
        Fixture numbered = fixture.numbered(r.renumbered().orElse(fixture.number()));
        Fixture typed = r.type()
                .map(t -> numbered.as(t.profile().id(), t.mode().name()))
                .orElse(numbered);
        Fixture described = typed.named(r.name().orElse(typed.name()))
                .described(r.position().orElse(typed.position()), r.purpose().orElse(typed.purpose()))
                .noted(r.notes().orElse(typed.notes()));
        return r.starts().map(s -> described.at(addresses(patch, described, s))).orElse(described);
    }

    /** Every break. Addresses that are there already stay, with what they share. */
    private static List<PatchedAddress> addresses(Patch patch, Fixture fixture, Starts starts) {
        if (!starts.none() && starts.says(patch.modeOf(fixture), fixture.addresses())) {
            return fixture.addresses();
        }
        List<PatchedAddress> all = new ArrayList<>();
        for (PatchedAddress a : starts.allot(patch.modeOf(fixture), false)) {
            all.add(fixture.addresses().stream().filter(a::sameAs).findFirst().orElse(a));
        }
        return all;
    }
}
