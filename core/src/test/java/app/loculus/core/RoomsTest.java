package app.loculus.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The floors and rooms of the house. */
class RoomsTest {

    private static final List<String> ROOMS = List.of(
            "problem",
            "unit",
            "geometry",
            "colour",
            "profile",
            "chart",
            "patch",
            "selection",
            "group",
            "value",
            "palette",
            "programmer",
            "resolve",
            "dmx",
            "simulation",
            "show",
            "command",
            "check");

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("app.loculus.core");

    @ParameterizedTest
    @ValueSource(
            strings = {
                "problem",
                "unit",
                "geometry",
                "colour",
                "profile",
                "chart",
                "patch",
                "selection",
                "group",
                "value",
                "palette",
                "programmer",
                "resolve",
                "dmx",
                "simulation",
                "show",
                "command"
            })
    void a_room_sees_only_rooms_above_it(String room) {
        String[] below = ROOMS.subList(ROOMS.indexOf(room) + 1, ROOMS.size()).stream()
                .map(r -> "app.loculus.core." + r + "..")
                .toArray(String[]::new);
        noClasses()
                .that()
                .resideInAPackage("app.loculus.core." + room + "..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(below)
                .check(CORE);
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
