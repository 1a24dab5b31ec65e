package app.loculus.core.edit.patch;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Optional;

/**
 * Writes one column down fixtures, in their order.
 *
 * @param value of the first; {@code #} in a name counts
 * @param step from one number, or from one start address, to the next; addresses run on by footprint when absent
 */
public record FillColumn(List<FixtureId> fixtures, Column column, String value, Optional<Integer> step)
        implements ShowEdit {

    /** What can be filled. */
    public enum Column {
        NAME,
        POSITION,
        PURPOSE,
        NOTES,
        NUMBER,
        ADDRESS
    }

    @Override
    public void on(Draft draft) {
        Optional<String> text = Optional.of(value);
        Optional<String> none = Optional.empty();
        switch (column) {
            case NAME -> new NameFixtures(fixtures, value).on(draft);
            case POSITION -> new DescribeFixtures(fixtures, text, none, none).on(draft);
            case PURPOSE -> new DescribeFixtures(fixtures, none, text, none).on(draft);
            case NOTES -> new DescribeFixtures(fixtures, none, none, text).on(draft);
            case NUMBER -> new Renumber(fixtures, number(), step.orElse(1)).on(draft);
            case ADDRESS -> addresses(draft);
        }
    }

    private int number() {
        if (!value.strip().matches("\\d{1,6}")) {
            throw Refusal.of("number.text", "numbers", "“" + value + "” is no number.");
        }
        return Integer.parseInt(value.strip());
    }

    /** A step below the footprint cannot be kept: they follow one another, which is said. */
    private void addresses(Draft draft) {
        Patch patch = draft.show().patch();
        List<Fixture> all = fixtures.stream().map(patch::get).toList();
        int widest = all.stream().mapToInt(f -> patch.modeOf(f).slots()).max().orElse(0);
        int gap = step.map(s -> s - widest).orElse(0);
        if (gap < 0) {
            draft.warn(Problem.warning(
                    "patch.step",
                    "address",
                    "A step of " + step.get() + " is less than their " + widest + " slots; they follow one another."));
        }
        new PatchFixtures(
                        all.stream().map(Fixture::number).toList(),
                        Optional.empty(),
                        Optional.of(Address.parse(value.strip())),
                        Math.max(0, gap),
                        false,
                        PatchFixtures.Clashing.REFUSE)
                .on(draft);
    }
}
