package app.loculus.core.edit.patch;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Names;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.List;

/**
 * Names fixtures.
 *
 * @param template {@code #} counts up from 1 in the order of the fixtures
 */
public record NameFixtures(List<FixtureId> fixtures, String template) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Names.checked(template);
        List<Fixture> named = new ArrayList<>();
        for (FixtureId id : fixtures) {
            named.add(draft.show().patch().get(id).named(template.replace("#", String.valueOf(named.size() + 1))));
        }
        draft.putAll(named);
        draft.say("Names " + Numbers.count(named.size(), "fixture") + " “" + template + "”");
    }
}
