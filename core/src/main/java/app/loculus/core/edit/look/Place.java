package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.CueNumber;
import app.loculus.core.look.Look;
import app.loculus.core.look.Start;
import app.loculus.core.look.Submaster;
import app.loculus.core.look.Timing;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Quoted;
import app.loculus.core.unit.Tint;
import java.util.List;
import java.util.Optional;

/** Where a look is kept: in a niche of its own, in a cue, under a submaster. */
public sealed interface Place {

    /** The look that is there, if one is. */
    Optional<Look> there(Show show);

    /** What it is called now or would be called. */
    String words(Show show);

    /** As the line has it. */
    String line();

    /** Puts a look there that was not there before. @return what holds it, in words */
    String put(Draft draft, Look look, Optional<String> name);

    /** Gives what holds it another name. */
    void rename(Draft draft, String name);

    /** A look by itself. @param number the next free one when absent */
    record Niche(Optional<Integer> number) implements Place {
        @Override
        public Optional<Look> there(Show show) {
            return number.flatMap(n -> show.looks().stream()
                    .filter(l -> l.number().equals(Optional.of(n)))
                    .findFirst());
        }

        @Override
        public String words(Show show) {
            return there(show).map(Look::toString).orElseGet(() -> "look " + free(show));
        }

        @Override
        public String line() {
            return "look" + number.map(n -> " " + n).orElse("");
        }

        private int free(Show show) {
            return number.orElseGet(() -> LookFinder.nextFree(
                    show.looks().stream().mapToInt(l -> l.number().orElseThrow())));
        }

        @Override
        public String put(Draft draft, Look look, Optional<String> name) {
            int into = free(draft.show());
            Look kept = new Look(look.id(), Optional.of(into), name.orElse("Look " + into), look.values());
            draft.put(PartKinds.LOOKS, kept);
            return kept.toString();
        }

        @Override
        public void rename(Draft draft, String name) {
            draft.put(PartKinds.LOOKS, there(draft.show()).orElseThrow().named(name));
        }
    }

    /** A list by its number or its name. */
    record ListNamed(Optional<Integer> number, String name) {

        Optional<CueList> in(Show show) {
            return show.lists().stream()
                    .filter(l -> number.map(n -> l.number() == n)
                            .orElseGet(() -> l.name().equalsIgnoreCase(name)))
                    .findFirst();
        }

        /** A new one that is called so. */
        CueList made(Show show) {
            int next = number.orElseGet(
                    () -> LookFinder.nextFree(show.lists().stream().mapToInt(CueList::number)));
            return CueList.of(show.next(PartKinds.LISTS), next, number.isPresent() ? "List " + next : name);
        }
    }

    /**
     * A cue.
     *
     * @param list which list; the one that is chosen when absent; made where it does not exist yet
     * @param number behind the last one when absent
     */
    record InList(Optional<ListNamed> list, Optional<CueNumber> number) implements Place {

        public Optional<CueList> list(Show show) {
            return list.isPresent() ? list.get().in(show) : LookFinder.maybeChosen(show);
        }

        Optional<Cue> cue(Show show) {
            return list(show).flatMap(l -> number.flatMap(n -> show.cue(l.id(), n)));
        }

        @Override
        public Optional<Look> there(Show show) {
            return cue(show).map(c -> show.look(c.look()));
        }

        @Override
        public String words(Show show) {
            return cue(show).map(Cue::toString).orElseGet(() -> "cue " + free(show))
                    + list(show).map(l -> " of " + l).orElse("");
        }

        @Override
        public String line() {
            return "cue" + number.map(n -> " " + n).orElse("");
        }

        private CueNumber free(Show show) {
            List<Cue> cues = list(show).map(l -> show.cues(l.id())).orElse(List.of());
            return number.or(() -> cues.isEmpty()
                            ? Optional.of(CueNumber.of(1))
                            : cues.get(cues.size() - 1).number().nextWhole())
                    .orElseThrow(() ->
                            Refusal.of("cue.number", "number", "There is no number behind the last cue; give one."));
        }

        @Override
        public String put(Draft draft, Look look, Optional<String> name) {
            CueList into = list(draft.show()).orElseGet(() -> {
                CueList made = list.map(l -> l.made(draft.show()))
                        .orElseGet(() -> CueList.of(draft.show().next(PartKinds.LISTS), 1, "Main"));
                draft.put(PartKinds.LISTS, made);
                if (list.isPresent()) {
                    draft.say("Makes " + made);
                }
                return made;
            });
            CueNumber at = free(draft.show());
            draft.put(PartKinds.LOOKS, look);
            Cue cue = new Cue(
                    draft.show().next(PartKinds.CUES),
                    into.id(),
                    at,
                    name.orElse(""),
                    "",
                    look.id(),
                    Timing.CUT,
                    Start.PRESS);
            draft.put(PartKinds.CUES, cue);
            return cue + " of " + into;
        }

        @Override
        public void rename(Draft draft, String name) {
            draft.put(PartKinds.CUES, cue(draft.show()).orElseThrow().named(name));
        }
    }

    /** A submaster. @param number the next free one when absent */
    record Under(Optional<Integer> number) implements Place {

        private Optional<Submaster> submaster(Show show) {
            return number.flatMap(
                    n -> show.submasters().stream().filter(s -> s.number() == n).findFirst());
        }

        @Override
        public Optional<Look> there(Show show) {
            return submaster(show).map(s -> show.look(s.look()));
        }

        @Override
        public String words(Show show) {
            return submaster(show).map(Submaster::toString).orElseGet(() -> "submaster " + free(show));
        }

        @Override
        public String line() {
            return "submaster" + number.map(n -> " " + n).orElse("");
        }

        private int free(Show show) {
            return number.orElseGet(
                    () -> LookFinder.nextFree(show.submasters().stream().mapToInt(Submaster::number)));
        }

        @Override
        public String put(Draft draft, Look look, Optional<String> name) {
            int into = free(draft.show());
            draft.put(PartKinds.LOOKS, look);
            Submaster submaster = new Submaster(
                    draft.show().next(PartKinds.SUBMASTERS),
                    into,
                    name.orElse("Submaster " + into),
                    Tint.NONE,
                    "",
                    look.id());
            draft.put(PartKinds.SUBMASTERS, submaster);
            return submaster.toString();
        }

        @Override
        public void rename(Draft draft, String name) {
            draft.put(
                    PartKinds.SUBMASTERS, submaster(draft.show()).orElseThrow().named(name));
        }
    }

    /** The place with a name behind it, as the line has it. */
    default String line(Optional<String> name) {
        return line() + name.map(n -> " " + Quoted.of(n)).orElse("");
    }
}
