package org.umberdial.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;

@AnalyzeClasses(packages = "org.umberdial.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule jooqStaysInInternal = noClasses()
            .that()
            .resideOutsideOfPackage("..internal..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.jooq..", "org.umberdial.tables..");

    @ArchTest
    static final ArchRule controllersHoldNoTables = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .should()
            .dependOnClassesThat()
            .haveSimpleNameEndingWith("Tables");

    @ArchTest
    static final ArchRule featuresKeepOutOfEachOthersInternals = classes()
            .should(new ArchCondition<JavaClass>("use only their own feature's internals") {
                @Override
                public void check(JavaClass item, ConditionEvents events) {
                    item.getDirectDependenciesFromSelf().stream()
                            .filter(dependency -> foreignInternal(item).test(dependency.getTargetClass()))
                            .forEach(dependency ->
                                    events.add(SimpleConditionEvent.violated(item, dependency.getDescription())));
                }
            });

    private static DescribedPredicate<JavaClass> foreignInternal(JavaClass from) {
        String own = from.getPackageName().replaceAll("\\.internal.*", "");
        return DescribedPredicate.describe(
                "another feature's internals",
                target -> target.getPackageName().contains(".server.")
                        && target.getPackageName().contains(".internal")
                        && !target.getPackageName().startsWith(own));
    }
}
