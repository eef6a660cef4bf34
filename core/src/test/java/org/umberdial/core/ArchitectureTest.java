package org.umberdial.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "org.umberdial.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule coreUsesOnlyTheJdkAndTheNumericsLibrary = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage("java..", "org.umberdial.core..", "org.ejml..");

    @ArchTest
    static final ArchRule packagesHaveNoCycles =
            slices().matching("org.umberdial.core.(**)").should().beFreeOfCycles();
}
