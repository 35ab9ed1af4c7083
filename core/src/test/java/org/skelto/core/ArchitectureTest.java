package org.skelto.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The arrows between the packages of the core point one way. */
@AnalyzeClasses(packages = "org.skelto.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule NO_CYCLES =
            slices().matching("org.skelto.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_WEB_NO_STORAGE = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..", "jakarta..", "tools.jackson..", "org.hibernate..", "java.sql..");

    @ArchTest
    static final ArchRule PLAN_KNOWS_NOTHING_ELSE = noClasses()
            .that()
            .resideInAPackage("..core.plan..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "..core.site..", "..core.radio..", "..core.links..", "..core.outage..", "..core.snags..");

    @ArchTest
    static final ArchRule RADIO_DOES_NOT_KNOW_LINKS = noClasses()
            .that()
            .resideInAnyPackage("..core.site..", "..core.radio..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("..core.links..", "..core.outage..", "..core.snags..", "..core.naming..");

    @ArchTest
    static final ArchRule NOTHING_USES_SNAGS_BUT_THE_ASSESSMENT = noClasses()
            .that()
            .resideOutsideOfPackage("..core.snags..")
            .and()
            .resideOutsideOfPackage("..core.assessment..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("..core.snags..");
}
