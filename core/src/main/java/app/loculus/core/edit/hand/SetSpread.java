package app.loculus.core.edit.hand;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.words.AttributeWords;
import app.loculus.core.profile.words.Stop;
import app.loculus.core.programmer.Touching;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Spread;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Sets one attribute along the steps selected.
 *
 * @param word the attribute as a person calls it
 * @param name a named range, instead of numbers
 */
public record SetSpread(String word, Spread spread, Amount amount, Optional<String> name) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Selection selection = draft.held();
        Show show = draft.show();
        Touching touching = draft.touching();
        Map<String, Integer> without = new LinkedHashMap<>();
        List<String> labels = new ArrayList<>();
        // A mode is asked once what is meant, not each of its fixtures.
        Map<Mode, Optional<Attribute>> meant = new IdentityHashMap<>();
        int steps = selection.steps().size();
        for (int i = 0; i < steps; i++) {
            double number = spread.at(i, steps);
            for (UnitId unit : selection.steps().get(i).units()) {
                set(show, touching, unit, number, meant)
                        .ifPresentOrElse(labels::add, () -> without.merge(type(show, unit), 1, Integer::sum));
            }
        }
        if (labels.isEmpty()) {
            throw Having.nobody(draft, wanted());
        }
        draft.setAll(touching.changed());
        draft.say(labels.get(0) + " " + text() + " for " + Numbers.count(labels.size(), "unit"));
        without.forEach((type, units) -> draft.warn(Problem.warning(
                "value.without",
                "attribute",
                units + " × " + type + " has no " + wanted() + " and " + (units == 1 ? "stays" : "stay")
                        + " as they are.")));
    }

    private String wanted() {
        return name.map(n -> "“" + n + "” on " + word).orElse(word);
    }

    private String text() {
        return name.map(n -> "“" + n + "”")
                .orElseGet(() ->
                        spread.points().stream().map(p -> Decimal.text(p, 2)).collect(Collectors.joining(" → "))
                                + suffix());
    }

    private String suffix() {
        return amount == Amount.PLAIN ? "" : " " + amount.words();
    }

    private static String type(Show show, UnitId unit) {
        return show.patch().profileOf(show.patch().get(unit.fixture())).name();
    }

    /** A range that the profile names, else a word for an end of it. */
    private static AttributeValue named(String name, Mode mode, Parameter parameter) {
        AttributeValue range = new AttributeValue.Named(name);
        return range.fits(mode, parameter)
                ? range
                : Stop.called(name, mode, parameter)
                        .<AttributeValue>map(s -> new AttributeValue.Physical(s.physical()))
                        .orElse(range);
    }

    /** @return the attribute's label, if the unit took the value */
    private Optional<String> set(
            Show show, Touching touching, UnitId unit, double number, Map<Mode, Optional<Attribute>> meant) {
        Fixture fixture = show.patch().get(unit.fixture());
        Profile profile = show.patch().profileOf(fixture);
        Mode mode = show.patch().modeOf(fixture);
        Optional<Attribute> attribute = meant.computeIfAbsent(mode, m -> AttributeWords.meant(profile, m, word));
        if (attribute.isEmpty()) {
            return Optional.empty();
        }
        boolean set = false;
        for (int cell : mode.homesOf(unit.cell(), attribute.get())) {
            Parameter parameter = mode.parameter(cell, attribute.get()).orElseThrow();
            AttributeValue value = name.map(n -> named(n, mode, parameter))
                    .orElseGet(() -> amount.value(number, profile.definition(attribute.get()), mode, parameter));
            set |= touching.set(new UnitId(unit.fixture(), cell), attribute.get(), value);
        }
        return set ? Optional.of(profile.definition(attribute.get()).pretty()) : Optional.empty();
    }
}
