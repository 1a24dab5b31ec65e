package app.loculus.core.resolve;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.patch.Fixture;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.show.Show;
import java.util.List;
import org.junit.jupiter.api.Test;

class ResolverTest {

    private static Resolved resolved(Show show, int number, String attribute) {
        Fixture fixture = show.patch().number(number);
        Mode mode = show.patch().modeOf(fixture);
        List<Resolved> channels = show.resolver().resolve(fixture);
        return channels.get(
                mode.parameter(0, new Attribute(attribute)).orElseThrow().channel());
    }

    private static Show applied() {
        return Rig.after(
                Rig.everyKind(),
                "11 thru 14 colour xy 0.25, 0.39",
                "record colour 1 \"One\"",
                "clear all",
                "11 + 21 at 40 colour 1");
    }

    @Test
    void every_channel_says_why_it_is_where_it_is() {
        Show show = applied();
        assertThat(resolved(show, 11, "Pan").source()).isInstanceOf(Source.Home.class);
        assertThat(resolved(show, 11, "Dimmer").source()).isInstanceOf(Source.ByHand.class);
        assertThat(resolved(show, 21, "ColorAdd_G").source()).isInstanceOf(Source.FromPalette.class);
        Show shown = Rig.after(show, "highlight on");
        assertThat(resolved(shown, 11, "Dimmer").source()).isInstanceOf(Source.Highlight.class);
        assertThat(resolved(shown, 11, "Dimmer").fraction().value()).isEqualTo(1);
        assertThat(resolved(shown, 12, "Dimmer").source()).isInstanceOf(Source.Home.class);
    }

    @Test
    void changing_a_palette_moves_everything_that_follows_it() {
        Show show = applied();
        double before = resolved(show, 21, "ColorAdd_R").fraction().value();
        Show changed = Rig.after(
                show, "clear all", "12 colour xy 0.60, 0.34", "record colour 1 replace", "clear all", "21 colour 1");
        assertThat(resolved(changed, 21, "ColorAdd_R").fraction().value()).isGreaterThan(before + 0.3);
        Show following = Rig.after(show, "12 colour xy 0.60, 0.34", "record colour 1 replace");
        assertThat(resolved(following, 21, "ColorAdd_R").fraction().value()).isGreaterThan(before + 0.3);
    }

    @Test
    void a_channel_nobody_speaks_for_stays_at_home() {
        assertThat(resolved(Rig.everyKind(), 31, "Color1").fraction().value()).isZero();
        assertThat(resolved(Rig.everyKind(), 11, "ColorAdd_W").fraction().value())
                .isEqualTo(1);
    }
}
