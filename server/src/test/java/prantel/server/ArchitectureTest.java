package prantel.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import prantel.core.fixtures.Arrows;

@AnalyzeClasses(packages = "prantel", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule coreAndFormatsKnowNoServer = noClasses()
            .that()
            .resideInAnyPackage("prantel.core..", "prantel.formats..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("prantel.server..", "org.springframework..", "org.apache.ibatis..", "java.sql..");

    @ArchTest
    static final ArchRule noRoomsGoRound =
            slices().matching("prantel.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule sheetNeverReadsAKey = noClasses()
            .that()
            .resideInAPackage("prantel.server.sheet")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("prantel.core.expectation", "prantel.core.inference", "prantel.server.marking")
            .because("what cannot be reached from the candidate's side cannot leak there");

    @ArchTest
    static final ArchRule mappersStayInTheirFeature = classes()
            .that()
            .haveSimpleNameEndingWith("Mapper")
            .and()
            .resideInAPackage("prantel.server..")
            .should()
            .bePackagePrivate();

    /** Every room; one may use those before it and none after. */
    private static final List<String> ROOMS = List.of(
            "web",
            "database",
            "keys",
            "picture",
            "print",
            "account",
            "workshop",
            "changes",
            "faultbox",
            "benchtester",
            "assessment",
            "conduct",
            "marking",
            "reference",
            "schemes",
            "security",
            "setting",
            "watching",
            "record",
            "floor",
            "rigs",
            "sheet",
            "feedback",
            "practice",
            "demo");

    @ArchTest
    static final ArchRule arrowsPointDown =
            classes().that().resideInAPackage("prantel.server.(*)..").should(new Arrows("prantel.server.", ROOMS));
}
