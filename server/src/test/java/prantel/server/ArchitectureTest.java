package prantel.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.constructors;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaConstructor;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;

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

    private static final int ABOUT_SIX = 7;

    @ArchTest
    static final ArchRule whatIsMadeIsMadeOfFewParts = constructors()
            .that()
            .areDeclaredInClassesThat()
            .haveSimpleNameNotEndingWith("Row")
            .and()
            .areDeclaredInClassesThat()
            .areNotEnums()
            .and()
            .areDeclaredInClassesThat()
            .areNotAnonymousClasses()
            .should(new ArchCondition<JavaConstructor>("have at most " + ABOUT_SIX + " parameters") {
                @Override
                public void check(JavaConstructor made, ConditionEvents events) {
                    int parts = made.getRawParameterTypes().size();
                    events.add(new SimpleConditionEvent(
                            made, parts <= ABOUT_SIX, made.getFullName() + " has " + parts + " parameters"));
                }
            })
            .because("more are hard to tell apart where it is made; a row has the columns of its table");
}
