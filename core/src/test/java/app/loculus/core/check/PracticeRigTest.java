package app.loculus.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.check.PracticeRig.Verdict;
import app.loculus.core.patch.Claim;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PracticeRigTest {

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void the_same_seed_hides_the_same_faults_each_on_another_fixture(long seed) {
        Show show = Rig.everyKind();
        List<PracticeFault> faults = PracticeRig.draw(show.patch(), seed);
        assertThat(PracticeRig.draw(show.patch(), seed)).isEqualTo(faults);
        assertThat(faults)
                .extracting(PracticeFault::number)
                .doesNotHaveDuplicates()
                .hasSizeGreaterThanOrEqualTo(4);
        assertThat(faults).filteredOn(PracticeFault::dead).hasSize(1);
        assertThat(faults).filteredOn(f -> f.words().startsWith("swapped with")).hasSize(2);
        faults.forEach(f -> f.address().ifPresent(a -> {
            List<Claim> own = show.patch().claimsOf(show.patch().number(f.number()));
            assertThat(a).isNotEqualTo(own.get(0).at().address());
            assertThat(a.fits(own.get(0).slots())).isTrue();
        }));
    }

    private static Map<Integer, Verdict> compare(Show show, List<PracticeFault> truth) {
        return PracticeRig.compare(show.patch(), truth).stream()
                .collect(Collectors.toMap(PracticeRig.Finding::number, PracticeRig.Finding::verdict));
    }

    @Test
    void marks_are_compared_with_the_truth() {
        Show show = Rig.everyKind();
        List<PracticeFault> truth = PracticeRig.draw(show.patch(), 5);
        int dead = truth.stream()
                .filter(PracticeFault::dead)
                .findFirst()
                .orElseThrow()
                .number();
        int other =
                truth.stream().filter(f -> !f.dead()).findFirst().orElseThrow().number();
        int fine = show.patch().fixtures().stream()
                .map(f -> f.number())
                .filter(n -> truth.stream().noneMatch(t -> t.number() == n))
                .filter(n ->
                        compare(Rig.after(show, "mark " + n + " wrong"), truth).containsKey(n))
                .findFirst()
                .orElseThrow();
        Show marked = Rig.after(
                show,
                "mark all answered",
                "mark " + dead + " dead",
                "mark " + other + " dead",
                "mark " + fine + " wrong");
        assertThat(compare(marked, truth))
                .containsEntry(dead, Verdict.FOUND)
                .containsEntry(other, Verdict.HALF)
                .containsEntry(fine, Verdict.FALSE_ALARM)
                .containsValue(Verdict.MISSED)
                .hasSize(truth.size() + 1);
    }
}
