package app.loculus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.words.AttributeWords;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ProfilesTest {

    private static Profile copy(Profile profile, String id, String maker) {
        return new Profile(
                new ProfileId(id),
                maker,
                profile.name(),
                profile.attributes(),
                profile.wheels(),
                profile.modes(),
                List.of(),
                "");
    }

    @ParameterizedTest
    @ValueSource(strings = {"Wash / extended", "wash/EXTENDED", "Testmaker Wash / extended", "Wash"})
    void a_type_is_found_as_people_write_it(String text) {
        assertThat(Rig.ALL.type(text).toString()).isEqualTo("Wash / extended");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Wosh / extended|No profile is called “Wosh”.",
                "Wash / short|Wash has no mode “short”.",
                "|No profile is called “”."
            })
    void what_is_not_there_is_said_with_what_is(String text, String words) {
        assertThatThrownBy(() -> Rig.ALL.type(text == null ? "" : text)).isInstanceOfSatisfying(Refusal.class, r -> {
            assertThat(r.getMessage()).isEqualTo(words);
            assertThat(r.problems().get(0).waysOut()).isNotEmpty();
        });
    }

    @Test
    void a_name_of_two_makers_needs_the_maker() {
        Profiles two = Rig.ALL.with(copy(Rig.WASH, "other", "Other maker"));
        assertThatThrownBy(() -> two.type("Wash / extended"))
                .hasMessageContaining("Testmaker Wash or Other maker Wash");
        assertThat(two.type("Other maker Wash / extended").profile().id().value())
                .isEqualTo("other");
    }

    @Test
    void a_shows_own_copy_comes_before_the_librarys() {
        Profiles own = new Profiles(List.of(copy(Rig.WASH, "mine", "Testmaker")));
        assertThat(own.orElse(Rig.ALL).type("Wash / extended").profile().id().value())
                .isEqualTo("mine");
        assertThat(own.orElse(Rig.ALL).all()).hasSameSizeAs(Rig.ALL.all());
    }

    @ParameterizedTest
    @CsvSource({
        "Dimmer,INTENSITY",
        "Position,POSITION",
        "Color,COLOUR",
        "Gobo,BEAM",
        "Beam,BEAM",
        "Focus,BEAM",
        "Shapers,SHAPE",
        "Video,CONTROL"
    })
    void kinds_follow_the_standards_feature_groups(String group, Kind kind) {
        assertThat(Kind.ofFeatureGroup(group)).isEqualTo(kind);
        assertThat(Kind.parse(kind.word())).isEqualTo(kind);
    }

    @Test
    void color_is_understood_as_colour() {
        assertThat(Kind.parse("Color")).isEqualTo(Kind.COLOUR);
        assertThatThrownBy(() -> Kind.parse("smell")).isInstanceOf(Refusal.class);
    }

    @ParameterizedTest
    @CsvSource({
        "red,ColorAdd_R",
        "Red,ColorAdd_R",
        "coloradd_g,ColorAdd_G",
        "white,ColorAdd_W",
        "intensity,Dimmer",
        "zoom,Zoom",
        "PAN,Pan"
    })
    void attributes_are_found_by_name_label_and_everyday_word(String word, String name) {
        assertThat(AttributeWords.meant(Rig.WASH, Rig.WASH.modes().get(0), word))
                .contains(new Attribute(name));
    }

    @Test
    void a_word_that_means_nothing_to_the_fixture_is_not_guessed() {
        assertThat(AttributeWords.meant(Rig.WASH, Rig.WASH.modes().get(0), "cyan"))
                .isEmpty();
        assertThat(Rig.WASH.definition(new Attribute("Undeclared")).kind()).isEqualTo(Kind.CONTROL);
    }
}
