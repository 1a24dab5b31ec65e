package app.loculus.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The floors and rooms of the house. */
class RoomsTest {

    /** In order: a room imports only rooms before it. */
    private static final List<String> ROOMS = List.of(
            "problem",
            "unit",
            "geometry",
            "mark",
            "colour",
            "profile.facts",
            "profile",
            "profile.check",
            "profile.words",
            "chart",
            "patch",
            "value",
            "selection",
            "group",
            "effect",
            "palette",
            "motion",
            "niche",
            "ledger",
            "drawing",
            "device",
            "programmer",
            "look",
            "resolve",
            "play",
            "dmx",
            "simulation",
            "show",
            "carry",
            "desk",
            "edit.patch",
            "edit.profile",
            "edit.group",
            "edit.hand",
            "edit.palette",
            "edit.highlight",
            "edit.mark",
            "edit.niche",
            "edit.effect",
            "edit.look",
            "edit.starter",
            "edit.show",
            "edit.ledger",
            "edit.drawing",
            "edit.device",
            "edit.carry",
            "command",
            "check",
            "finding",
            "paper");

    private static final JavaClasses CORE = CoreClasses.ALL;

    static List<String> rooms() {
        return ROOMS.subList(0, ROOMS.size() - 1);
    }

    private static String packageOf(String room) {
        return "app.loculus.core." + room;
    }

    @ParameterizedTest
    @MethodSource("rooms")
    void a_room_sees_only_rooms_above_it(String room) {
        String[] below = ROOMS.subList(ROOMS.indexOf(room) + 1, ROOMS.size()).stream()
                .map(RoomsTest::packageOf)
                .toArray(String[]::new);
        noClasses()
                .that()
                .resideInAPackage(packageOf(room))
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(below)
                .check(CORE);
    }

    @Test
    void the_rooms_are_the_packages() {
        Set<String> packages = CORE.stream().map(JavaClass::getPackageName).collect(Collectors.toSet());
        assertThat(packages)
                .containsExactlyInAnyOrderElementsOf(
                        ROOMS.stream().map(RoomsTest::packageOf).toList());
    }

    @Test
    void core_is_pure_java_with_its_two_libraries() {
        classes()
                .that()
                .resideInAPackage("app.loculus.core..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "app.loculus.core..",
                        "java.lang..",
                        "java.util..",
                        "java.math..",
                        "java.text..",
                        "org.antlr..",
                        "org.hipparchus..")
                .check(CORE);
    }

    @Test
    void core_has_no_thread_file_socket_or_clock() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.io..", "java.nio..", "java.net..", "java.sql..", "java.time..")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.lang.Thread")
                .check(CORE);
    }

    @Test
    void simulation_and_renderer_share_no_conversion() {
        noClasses()
                .that()
                .resideInAPackage("app.loculus.core.simulation..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("app.loculus.core.dmx..", "app.loculus.core.resolve..", "app.loculus.core.value..")
                .check(CORE);
    }
}
