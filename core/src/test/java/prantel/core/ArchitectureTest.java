package prantel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import prantel.core.fixtures.Arrows;

/** Arrows inside core point down. */
@AnalyzeClasses(packages = "prantel.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    /** Every room; one may use those before it and none after. */
    private static final List<String> ROOMS = List.of(
            "quantity",
            "network",
            "limits",
            "reference",
            "rig",
            "instrument",
            "procedure",
            "scheme",
            "sequence",
            "fault",
            "expectation",
            "safety",
            "setting",
            "inference",
            "survey",
            "marking",
            "analysis",
            "assessment",
            "feedback",
            "practice");

    @ArchTest
    static final ArchRule coreKnowsOnlyTheJdk = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "prantel.core..",
                    "java.lang..",
                    "java.util..",
                    "java.math..",
                    "java.time..",
                    "java.security..",
                    "java.nio.charset..",
                    "org.jspecify..",
                    // distributions are nobody's own business
                    "org.apache.commons.statistics..")
            .because("core must run without Spring, SQL, JSON or files");

    @ArchTest
    static final ArchRule coreHasNoClock = classes()
            .should()
            .onlyDependOnClassesThat()
            .doNotHaveFullyQualifiedName("java.time.Clock")
            .because("what happened has its time; nothing in core asks what time it is");

    @ArchTest
    static final ArchRule noRoomsGoRound =
            slices().matching("prantel.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule arrowsPointDown = classes().should(new Arrows("prantel.core.", ROOMS));
}
