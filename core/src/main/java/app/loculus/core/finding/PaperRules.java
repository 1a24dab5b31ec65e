package app.loculus.core.finding;

import app.loculus.core.check.Comparison;
import app.loculus.core.check.Difference;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Shapes;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import app.loculus.core.unit.Quoted;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The patch against the paper that it is held to. */
final class PaperRules {

    static final List<Rule> ALL = List.of(new Differing());

    private PaperRules() {}

    private static final class Differing extends Rule {

        Differing() {
            super("paper", ChapterName.PATCH, PartKinds.PAPERWORK, PartKinds.FIXTURES, PartKinds.PROFILES);
        }

        /** For shows to come. @param by the very parts that it was held against */
        private record Known(List<Object> by, List<Difference> differences) {}

        private List<Difference> differences(Show show, Profiles library) {
            List<Object> by = new ArrayList<>(goesBy(show));
            by.add(library);
            Known known = show.growing(
                    Known.class,
                    before -> before.filter(k -> Shapes.same(k.by(), by)).orElseGet(() -> compared(show, library, by)));
            return (Shapes.same(known.by(), by) ? known : compared(show, library, by)).differences();
        }

        private static Known compared(Show show, Profiles library, List<Object> by) {
            Paperwork paper = show.get(PartKinds.PAPERWORK, Whole.SHOW);
            return new Known(
                    by,
                    paper.none()
                            ? List.of()
                            : Comparison.of(show, library, paper.rows(), paper.columns())
                                    .differences());
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            Paperwork paper = show.get(PartKinds.PAPERWORK, Whole.SHOW);
            for (Difference d : differences(show, library)) {
                List<UnitId> who = show.patch()
                        .numbered(d.number())
                        .map(f -> List.of(UnitId.whole(f.id())))
                        .orElse(List.of());
                found.add(
                        d.key(),
                        d.kind() == Difference.Kind.HOLE ? Severity.NEEDS_A_LOOK : Severity.WRONG,
                        words(d),
                        paper + d.slip().map(s -> ", " + s).orElse(""),
                        who,
                        Spot.of("fixture", d.number()));
            }
        }

        private static String words(Difference d) {
            String number = String.valueOf(d.number());
            return switch (d.kind()) {
                case MISSING -> number + " is on the paper and not in the show: " + d.theirs() + ".";
                case EXTRA -> number + " is not on the paper: " + d.ours() + ".";
                case DOUBLED -> d.hindrance().orElse(number + " is twice on the paper.");
                case HOLE -> "Neither the show nor the paper has " + number + ".";
                case DIFFERENT -> differing(d, number);
            };
        }

        private static String differing(Difference d, String number) {
            String ours = d.ours().isEmpty() ? "nothing" : "“" + d.ours() + "”";
            String theirs = d.theirs().isEmpty() ? "nothing" : "“" + d.theirs() + "”";
            return switch (d.field().orElseThrow()) {
                case ADDRESS ->
                    number + (d.ours().isEmpty() ? " has no address" : " is at " + d.ours()) + ", the paper says "
                            + (d.theirs().isEmpty() ? "none" : d.theirs()) + ".";
                case NUMBER -> number + " is number " + d.theirs() + " on the paper.";
                case NAME -> number + " is called " + ours + ", on the paper " + theirs + ".";
                case TYPE -> number + " is " + d.ours() + ", on the paper " + d.theirs() + ".";
                case POSITION -> number + " hangs at " + ours + ", on the paper at " + theirs + ".";
                case PURPOSE -> number + " is for " + ours + ", on the paper for " + theirs + ".";
                case INVERTED -> number + " has " + ours + " inverted, in the drawing " + theirs + ".";
                case GEL -> number + " has gel " + ours + ", in the drawing " + theirs + ".";
                case PLACE -> number + " hangs at " + ours + ", in the drawing at " + theirs + ".";
            };
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            return differences(show, library).stream()
                    .filter(d -> finding.key().value().endsWith(":" + d.key()))
                    .findFirst()
                    .flatMap(Differing::taking)
                    .filter(line -> taken(show, library, line))
                    .map(line -> List.of(WayOut.line("Take the paper's", line)))
                    .orElse(List.of());
        }

        /** Where one line can do it. */
        private static Optional<String> taking(Difference d) {
            if (!d.takeable()) {
                return Optional.empty();
            }
            if (d.kind() == Difference.Kind.EXTRA) {
                return Optional.of("delete " + d.number());
            }
            return d.kind() == Difference.Kind.DIFFERENT
                    ? Optional.ofNullable(line(d, d.field().orElseThrow()))
                    : Optional.empty();
        }

        private static String line(Difference d, PaperField field) {
            return switch (field) {
                case ADDRESS ->
                    d.theirs().isEmpty()
                            ? "unpatch " + d.number()
                            : d.theirs().matches("\\d+\\.\\d+") ? "patch " + d.number() + " at " + d.theirs() : null;
                case NUMBER -> "renumber " + d.number() + " from " + d.theirs();
                case NAME -> "name " + d.number() + " " + Quoted.of(d.theirs().replace("#", ""));
                case TYPE -> "change " + d.number() + " to " + Quoted.of(d.theirs());
                case POSITION -> "hang " + d.number() + " on " + Quoted.of(d.theirs());
                case PURPOSE -> "purpose " + d.number() + " " + Quoted.of(d.theirs());
                case PLACE, INVERTED, GEL -> null;
            };
        }
    }
}
