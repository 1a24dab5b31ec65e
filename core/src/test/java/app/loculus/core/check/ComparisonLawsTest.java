package app.loculus.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.patch.Fixture;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Over random shows and papers: taking the paper's word in everything makes the two agree. */
class ComparisonLawsTest {

    private static final Set<PaperField> ALL = EnumSet.allOf(PaperField.class);
    private static final String[] TYPES = {"Wash / extended", "Par / rgb", "Dimmer / 1-slot"};

    private static Show show(Random random) {
        Show show = Show.empty("Laws");
        int number = 1;
        for (int u = 1; u <= 3; u++) {
            for (int i = 0; i < 8; i++, number += 1 + random.nextInt(4)) {
                String type = TYPES[random.nextInt(TYPES.length)];
                show = Rig.after(
                        show,
                        "patch " + number + " as \"" + type + "\" at " + u + "." + (1 + 20 * i),
                        "hang " + number + " on \"Bridge " + random.nextInt(3) + "\"",
                        "purpose " + number + " \"job " + random.nextInt(3) + "\"");
                if (random.nextInt(4) == 0) {
                    show = Rig.after(show, "patch " + number + " at " + (u + 3) + "." + (1 + 20 * i) + " also");
                } else if (random.nextInt(6) == 0) {
                    show = Rig.after(show, "unpatch " + number);
                }
            }
        }
        return show;
    }

    private static List<HookupRow> paper(Show show) {
        return HookupPaper.of(show);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void the_paper_made_from_a_show_agrees_with_it_but_for_holes(long seed) {
        Show show = show(new Random(seed));
        Comparison comparison = Comparison.of(show, Rig.ALL, paper(show), ALL);
        assertThat(comparison.differences()).allMatch(d -> d.kind() == Difference.Kind.HOLE);
        assertThat(comparison.taking(keys(comparison)).apply(show).delta().isEmpty())
                .isTrue();
    }

    private static Set<String> keys(Comparison comparison) {
        return comparison.differences().stream().map(Difference::key).collect(Collectors.toSet());
    }

    /** Another show's paper: some fixtures gone, some new, some moved, renamed or of another type. */
    private static Show changed(Show show, Random random) {
        Show now = show;
        for (Fixture f : List.copyOf(show.patch().fixtures())) {
            String line = switch (random.nextInt(9)) {
                case 0 -> "delete " + f.number();
                case 1 -> "patch " + f.number() + " at next gap from 4.1";
                case 2 -> "name " + f.number() + " \"Other\"";
                case 3 -> "hang " + f.number() + " on \"Pit\"";
                case 4 -> "change " + f.number() + " to \"" + TYPES[random.nextInt(TYPES.length)] + "\"";
                case 5 -> "renumber " + f.number() + " from " + (500 + f.number());
                default -> "purpose " + f.number() + " \"same\"";
            };
            now = Rig.say(now, line).show();
        }
        return Rig.after(now, "patch 900 thru 903 as \"Par / rgb\" at 9.1");
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14, 15, 16, 17, 18})
    void taking_everything_makes_them_agree_and_can_be_taken_back(long seed) {
        Random random = new Random(seed);
        Show show = show(random);
        List<HookupRow> paper = paper(changed(show, random));
        Comparison comparison = Comparison.of(show, Rig.ALL, paper, ALL);
        assertThat(comparison.differences()).isNotEmpty();
        Outcome outcome = comparison.taking(keys(comparison)).apply(show);
        assertThat(outcome.problems()).isEmpty();
        assertThat(Comparison.of(outcome.show(), Rig.ALL, paper, ALL).differences())
                .allMatch(d -> d.kind() == Difference.Kind.HOLE);
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(show);
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23})
    void a_difference_that_is_not_taken_stays(long seed) {
        Random random = new Random(seed);
        Show show = show(random);
        List<HookupRow> paper = paper(changed(show, random));
        Comparison comparison = Comparison.of(show, Rig.ALL, paper, ALL);
        Set<String> names = comparison.differences().stream()
                .filter(d -> d.field().equals(java.util.Optional.of(PaperField.NAME)))
                .map(Difference::key)
                .collect(Collectors.toSet());
        Outcome outcome = comparison.taking(names).apply(show);
        Set<String> left = keys(Comparison.of(outcome.show(), Rig.ALL, paper, ALL));
        Set<String> expected = keys(comparison);
        expected.removeAll(names);
        assertThat(left).isEqualTo(expected);
    }
}
