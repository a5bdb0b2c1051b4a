package prantel.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.util.List;

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
            "demo");

    @ArchTest
    static final ArchRule arrowsPointDown = classes()
            .that()
            .resideInAPackage("prantel.server.(*)..")
            .should(new ArchCondition<JavaClass>("use only rooms before their own in " + ROOMS) {
                @Override
                public void check(JavaClass item, ConditionEvents events) {
                    int own = ROOMS.indexOf(room(item));
                    if (own < 0) {
                        events.add(SimpleConditionEvent.violated(
                                item, item.getName() + " stands in a room that is not in the list"));
                        return;
                    }
                    for (Dependency dependency : item.getDirectDependenciesFromSelf()) {
                        JavaClass target = dependency.getTargetClass();
                        if (target.getPackageName().startsWith("prantel.server.")
                                && ROOMS.indexOf(room(target)) > own) {
                            events.add(SimpleConditionEvent.violated(item, dependency.getDescription()));
                        }
                    }
                }
            });

    private static String room(JavaClass item) {
        return item.getPackageName().replaceFirst("prantel\\.server\\.", "").replaceFirst("\\..*", "");
    }
}
