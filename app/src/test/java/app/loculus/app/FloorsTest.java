package app.loculus.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** Each floor sees only those below it; in the application, only the interface sees everything. */
class FloorsTest {

    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("app.loculus");

    @Test
    void formats_do_not_see_the_application() {
        noClasses()
                .that()
                .resideInAPackage("app.loculus.formats..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("app.loculus.app..", "org.springframework..", "java.sql..", "java.net..")
                .check(ALL);
    }

    @Test
    void only_the_store_knows_sql() {
        noClasses()
                .that()
                .resideOutsideOfPackage("app.loculus.app.store..")
                .and()
                .resideInAPackage("app.loculus.app..")
                .and()
                .doNotHaveSimpleName("LoculusApplication")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.apache.ibatis..", "org.mybatis..", "java.sql..")
                .check(ALL);
    }

    @Test
    void nothing_below_the_interface_knows_it() {
        noClasses()
                .that()
                .resideInAnyPackage(
                        "app.loculus.app.store..",
                        "app.loculus.app.session..",
                        "app.loculus.app.output..",
                        "app.loculus.app.rig..",
                        "app.loculus.app.live..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("app.loculus.app.api..")
                .check(ALL);
    }

    @Test
    void no_rooms_of_the_application_need_each_other() {
        // What the framework writes beside a class is its own matter.
        JavaClasses written = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests())
                .withImportOption(location -> !location.contains("$$") && !location.contains("__"))
                .importPackages("app.loculus.app");
        slices().matching("app.loculus.app.(**)").should().beFreeOfCycles().check(written);
    }

    @Test
    void the_rig_does_not_know_the_renderer() {
        noClasses()
                .that()
                .resideInAPackage("app.loculus.app.rig..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("app.loculus.core.dmx..", "app.loculus.core.resolve..", "app.loculus.app.output..")
                .check(ALL);
    }
}
