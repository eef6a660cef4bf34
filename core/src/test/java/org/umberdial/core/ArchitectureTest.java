package org.umberdial.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.cold.ColdBench;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.volts.VoltsJudge;

@AnalyzeClasses(packages = "org.umberdial.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule coreUsesOnlyTheJdkAndTheNumericsLibrary = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "java..", "javax.sound.sampled..", "org.umberdial.core..", "org.ejml..", "org.hipparchus..");

    /** An area knows its own work; what it must know of another's comes through the ledger. */
    @ArchTest
    static final ArchRule areasKeepToThemselves = slices().matching(
                    "org.umberdial.core.(arrival|cold|parts|power|volts)..")
            .should()
            .notDependOnEachOther();

    @ArchTest
    static final ArchRule mapAndGuideAskTheLedgerAlone = noClasses()
            .that()
            .resideInAnyPackage("..core.proof..", "..core.guide..", "..core.claim..", "..core.area..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "..core.arrival..", "..core.cold..", "..core.parts..", "..core.power..", "..core.volts..");

    /** Only the ledger says how a claim stands, and only the file of a set opens one. */
    @ArchTest
    static final ArchRule nothingElseSaysWhatIsKnown = noClasses()
            .that()
            .areNotAssignableTo(Ledger.class)
            .should()
            .callConstructor(Ledger.Standing.class, Observation.class, Optional.class);

    /** The cold bench weighs its own figures before the file's ledger is there; the volts judge opens an empty one. */
    @ArchTest
    static final ArchRule nothingElseOpensALedger = noClasses()
            .that()
            .areNotAssignableTo(SetFile.class)
            .and()
            .areNotAssignableTo(ColdBench.class)
            .and()
            .areNotAssignableTo(VoltsJudge.class)
            .should()
            .callMethod(Ledger.class, "of", List.class, List.class);

    /** A set brings the tube data it goes by; nothing reaches past it for what ships. */
    @ArchTest
    static final ArchRule tubeDataComeWithTheSet = noClasses()
            .that()
            .resideOutsideOfPackage("..core.tube..")
            .and()
            .areNotAssignableTo(BenchSet.class)
            .should()
            .callMethod(TubeModels.class, "shipped")
            .orShould()
            .callMethod(TubeData.class, "shipped");

    @ArchTest
    static final ArchRule packagesHaveNoCycles =
            slices().matching("org.umberdial.core.(**)").should().beFreeOfCycles();
}
