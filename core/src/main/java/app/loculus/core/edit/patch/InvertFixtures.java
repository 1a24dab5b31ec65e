package app.loculus.core.edit.patch;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Inverted;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.Optional;

/**
 * Says which ways heads are set to turn the other way round; what is not given stays. What they do stays as well: other
 * octets go out for it.
 */
public record InvertFixtures(List<FixtureId> fixtures, Optional<Boolean> pan, Optional<Boolean> tilt)
        implements ShowEdit {

    @Override
    public void on(Draft draft) {
        if (pan.isEmpty() && tilt.isEmpty()) {
            throw Refusal.of(
                    "patch.invert", "numbers", "Neither pan nor tilt is named.", WayOut.advice("Name one, or both."));
        }
        List<Fixture> heads = fixtures.stream()
                .map(id -> draft.show().patch().get(id))
                .filter(f -> turns(draft, f))
                .toList();
        if (heads.isEmpty()) {
            String what = pan.isPresent() && tilt.isPresent() ? "pan or tilt" : pan.isPresent() ? "pan" : "tilt";
            throw Refusal.of(
                    "patch.invert",
                    "numbers",
                    fixtures.size() == 1 ? "It has no " + what + "." : "None of them has " + what + ".",
                    WayOut.advice("Choose moving heads."));
        }
        draft.putAll(heads.stream()
                .map(f -> f.turning(new Inverted(
                        pan.orElse(f.inverted().pan()), tilt.orElse(f.inverted().tilt()))))
                .toList());
        pan.ifPresent(on -> draft.say(words("Pan", on, heads.size())));
        tilt.ifPresent(on -> draft.say(words("Tilt", on, heads.size())));
        if (heads.size() < fixtures.size()) {
            draft.say("Leaves out " + Numbers.count(fixtures.size() - heads.size(), "fixture") + " that does not turn");
        }
    }

    private boolean turns(Draft draft, Fixture fixture) {
        List<Attribute> has = draft.show().patch().modeOf(fixture).attributes();
        // One that has become something else is set right all the same.
        return !fixture.inverted().none()
                || pan.isPresent() && has.contains(Attribute.PAN)
                || tilt.isPresent() && has.contains(Attribute.TILT);
    }

    private static String words(String what, boolean on, int heads) {
        return what + " of " + Numbers.count(heads, "fixture") + (on ? " is inverted" : " is not inverted");
    }
}
