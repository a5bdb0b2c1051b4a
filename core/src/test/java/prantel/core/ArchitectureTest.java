package prantel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Arrows inside core point one way: from marking down to quantity. */
@AnalyzeClasses(packages = "prantel.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule coreKnowsOnlyTheJdk = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage("prantel.core..", "java.lang..", "java.util..", "java.math..", "org.jspecify..")
            .because("core must run without Spring, SQL, JSON, files or a clock");

    /** Every room, those too that no rule names. */
    @ArchTest
    static final ArchRule noRoomsGoRound =
            slices().matching("prantel.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule arrowsPointDown = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("setting")
            .definedBy("prantel.core.setting")
            .layer("safety")
            .definedBy("prantel.core.safety")
            .layer("marking")
            .definedBy("prantel.core.marking")
            .layer("diagnosis")
            .definedBy("prantel.core.diagnosis")
            .layer("expectation")
            .definedBy("prantel.core.expectation")
            .layer("fault")
            .definedBy("prantel.core.fault")
            .layer("sequence")
            .definedBy("prantel.core.sequence")
            .layer("instrument")
            .definedBy("prantel.core.instrument")
            .layer("rig")
            .definedBy("prantel.core.rig")
            .layer("network")
            .definedBy("prantel.core.network")
            .layer("limits")
            .definedBy("prantel.core.limits")
            .layer("survey")
            .definedBy("prantel.core.survey")
            .whereLayer("setting")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("marking")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("survey")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("safety")
            .mayOnlyBeAccessedByLayers("setting")
            .whereLayer("diagnosis")
            .mayOnlyBeAccessedByLayers("marking")
            .whereLayer("expectation")
            .mayOnlyBeAccessedByLayers("diagnosis", "marking", "survey", "setting")
            .whereLayer("fault")
            .mayOnlyBeAccessedByLayers("expectation", "diagnosis", "marking", "survey", "safety", "setting")
            .whereLayer("sequence")
            .mayOnlyBeAccessedByLayers("fault", "safety", "expectation", "diagnosis", "marking", "survey", "setting")
            .whereLayer("instrument")
            .mayOnlyBeAccessedByLayers("sequence", "fault", "expectation", "diagnosis", "marking", "survey", "setting");
}
