package org.skelto.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Features do not go round in circles, and the core never knows the server. */
@AnalyzeClasses(packages = "org.skelto", importOptions = ImportOption.DoNotIncludeTests.class)
class ServerArchitectureTest {
    @ArchTest
    static final ArchRule NO_CYCLES =
            slices().matching("org.skelto.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule CORE_DOES_NOT_KNOW_THE_SERVER = noClasses()
            .that()
            .resideInAPackage("org.skelto.core..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("org.skelto.server..");
}
