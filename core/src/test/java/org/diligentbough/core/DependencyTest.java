package org.diligentbough.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.time.Clock;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;

/** Dependencies in the core point one way, and it has no clock, chance, web or database of its own. */
class DependencyTest {
    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.diligentbough.core");

    @Test
    void theCoreKnowsNothingButPlainJavaAndItsFiveLibraries() {
        classes()
                .that()
                .resideInAPackage("org.diligentbough.core..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "org.diligentbough.core..",
                        "java..",
                        "ai.timefold.solver.core..",
                        "org.apache.commons.csv..",
                        "org.threeten.extra..",
                        "org.hipparchus..",
                        "org.shredzone.commons.suncalc..")
                .check(CORE);
    }

    @Test
    void seasonVerdictAndLightDoNotKnowEachOtherAndNoneKnowsThePlan() {
        noClasses()
                .that()
                .resideInAPackage("..core.season..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("..core.verdict..", "..core.plan..", "..core.survey..")
                .check(CORE);
        noClasses()
                .that()
                .resideInAPackage("..core.verdict..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("..core.season..", "..core.plan..", "..core.light..")
                .check(CORE);
        noClasses()
                .that()
                .resideInAPackage("..core.light..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("..core.season..", "..core.verdict..", "..core.plan..")
                .check(CORE);
        slices().matching("org.diligentbough.core.(*)..")
                .should()
                .beFreeOfCycles()
                .check(CORE);
    }

    @Test
    void theCoreReadsNoClock() {
        noClasses().should().dependOnClassesThat().belongToAnyOf(Clock.class).check(CORE);
        noClasses().should().callMethod(LocalDate.class, "now").check(CORE);
    }
}
