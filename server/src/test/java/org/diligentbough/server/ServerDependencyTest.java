package org.diligentbough.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;

/** Dependencies in the server point one way: features use what is shared and the core, never in a circle. */
class ServerDependencyTest {
    private static final JavaClasses SERVER = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.diligentbough.server");

    @Test
    void featuresDoNotDependOnEachOtherInACircle() {
        slices().matching("org.diligentbough.server.(*)..")
                .should()
                .beFreeOfCycles()
                .check(SERVER);
    }

    @Test
    void whatIsSharedKnowsNoFeature() {
        noClasses()
                .that()
                .resideInAPackage("..server.shared..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "..server.orchard..",
                        "..server.survey..",
                        "..server.verdict..",
                        "..server.season..",
                        "..server.crew..",
                        "..server.visit..",
                        "..server.plan..",
                        "..server.fruit..",
                        "..server.wood..",
                        "..server.today..",
                        "..server.archive..")
                .check(SERVER);
    }

    @Test
    void thereIsOneClock() {
        noClasses()
                .that()
                .doNotHaveSimpleName("Today")
                .should()
                .callMethod(LocalDate.class, "now")
                .check(SERVER);
    }
}
