package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.CoreClasses;
import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import com.tngtech.archunit.core.domain.JavaClass;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PartKindsTest {

    /** What treats all kinds of parts alike. */
    private static final Set<String> ALIKE = Set.of(
            "Change",
            "Delta",
            "Joining",
            "PartKind",
            "PartMap",
            "PartRef",
            "Reads",
            "Outcome",
            "History",
            "Differences",
            "Teller",
            "Become");

    @Test
    void a_kind_is_named_by_its_entry_and_by_what_is_about_it_alone() {
        Set<String> naming = CoreClasses.ALL.stream()
                .filter(c -> c.getDirectDependenciesFromSelf().stream()
                        .anyMatch(d -> d.getTargetClass().getSimpleName().equals("UniverseSetup")))
                .map(JavaClass::getSimpleName)
                .filter(name -> !name.isEmpty())
                .collect(Collectors.toSet());
        assertThat(naming)
                .containsExactlyInAnyOrder(
                        "PartKinds", "Universes", "SetUniverse", "UniverseChanges", "Off", "HookupSheets");
        assertThat(naming).doesNotContainAnyElementsOf(ALIKE);
    }

    @Test
    void names_are_for_good_and_kinds_stand_behind_what_they_refer_to() {
        assertThat(PartKinds.ALL)
                .extracting(PartKind::name)
                .containsExactly(
                        "name",
                        "profiles",
                        "fixtures",
                        "groups",
                        "marks",
                        "palettes",
                        "pages",
                        "effects",
                        "looks",
                        "lists",
                        "cues",
                        "submasters",
                        "universes",
                        "values",
                        "hand",
                        "highlight",
                        "opened",
                        "asides",
                        "signatures",
                        "paperwork",
                        "drawings",
                        "devices",
                        "identity");
        assertThat(PartKinds.named("groups")).contains(PartKinds.GROUPS);
        assertThat(PartKinds.named("sketches")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(longs = {81, 82, 83})
    void keys_are_read_as_they_are_written(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.everyKind();
        for (int i = 0; i < 60; i++) {
            show = lines.step(show);
        }
        for (PartKind<?, ?> kind : PartKinds.ALL) {
            keys(kind, show);
        }
    }

    private static <K, V> void keys(PartKind<K, V> kind, Show show) {
        List<K> all = List.copyOf(show.all(kind).keySet());
        assertThat(all.stream().map(kind.keys().text()).map(kind.keys().read()).toList())
                .isEqualTo(all);
        assertThat(show.all(kind).values()).allMatch(v -> kind.parts().isInstance(v));
    }

    @Test
    void what_is_as_usual_is_not_held() {
        Show show = Rig.after(
                Rig.everyKind(), "universe 3 name \"Bridge\"", "universe 3 name \"\"", "1 at 20", "clear all");
        assertThat(show.all(PartKinds.UNIVERSES)).isEmpty();
        assertThat(show.all(PartKinds.VALUES)).isEmpty();
    }
}
