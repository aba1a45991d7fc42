package org.diligentbough.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.time.LocalDate;
import org.apache.ibatis.annotations.Mapper;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.RestController;

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
                        "..server.judgement..",
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
    void whatAnswersOverHttpIsCalledSo() {
        classes()
                .that()
                .areAnnotatedWith(RestController.class)
                .and()
                .resideOutsideOfPackages("..server.shared..", "..server.door..")
                .should()
                .haveSimpleNameEndingWith("Api")
                .check(SERVER);
        classes()
                .that()
                .haveSimpleNameEndingWith("Api")
                .should()
                .onlyBeAccessed()
                .byClassesThat()
                .haveSimpleNameEndingWith("Api")
                .check(SERVER);
    }

    @Test
    void whatAnswersOverHttpLeavesTablesAndTransactionsToServices() {
        noClasses()
                .that()
                .haveSimpleNameEndingWith("Api")
                .should()
                .dependOnClassesThat()
                .areAnnotatedWith(Mapper.class)
                .orShould()
                .dependOnClassesThat()
                .areAssignableTo(Transactional.class)
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
