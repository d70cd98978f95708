package org.catalexis;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.fields;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.catalexis.plantedone.Chicken;
import org.catalexis.plantedtwo.Egg;
import org.jspecify.annotations.NullMarked;
import org.junit.jupiter.api.Test;

/** The layers of the core and its other rules. Each rule is also seen to fail: on a planted breach, or
 * asked of a package for which it does not hold. */
class LayersTest {
    /** Each may use those before it, and none of those after it. */
    private static final List<String> ORDER = List.of(
            "settings",
            "text",
            "document",
            "storage",
            "index",
            "query",
            "score",
            "search",
            "measure",
            "tune",
            "experiment");

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.catalexis");

    private static JavaClasses planted(Class<?>... breaches) {
        return new ClassFileImporter().importClasses(breaches);
    }

    private static void holdsAndIsSeenToFail(ArchRule rule, Class<?>... breaches) {
        rule.check(CORE);
        assertThatThrownBy(() -> rule.check(planted(breaches))).isInstanceOf(AssertionError.class);
    }

    private static String[] packages(List<String> names) {
        return names.stream().map(name -> "org.catalexis." + name + "..").toArray(String[]::new);
    }

    @Test
    void eachLayerUsesOnlyThoseAboveItInTheList() {
        for (int i = 0; i < ORDER.size() - 1; i++) {
            noClasses()
                    .that()
                    .resideInAPackage("org.catalexis." + ORDER.get(i) + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(packages(ORDER.subList(i + 1, ORDER.size())))
                    .check(CORE);
        }
        // The rule's mirror image does not hold: that is how we know that it looks at something.
        assertThatThrownBy(() -> noClasses()
                        .that()
                        .resideInAPackage("org.catalexis.search..")
                        .should()
                        .dependOnClassesThat()
                        .resideInAnyPackage(packages(ORDER.subList(0, 5)))
                        .check(CORE))
                .isInstanceOf(AssertionError.class);
        assertThat(CORE.stream().map(JavaClass::getPackageName).distinct())
                .as("a package that is not in the list has no place among the layers")
                .allMatch(name -> ORDER.contains(name.substring("org.catalexis.".length())));
    }

    @Test
    void measuringAndTuningKnowNothingOfTheIndex() {
        independent("measure", "tune").check(CORE);
        // The experiment does depend on these packages: asked of it, the rule fails.
        assertThatThrownBy(() -> independent("experiment").check(CORE)).isInstanceOf(AssertionError.class);
    }

    private static ArchRule independent(String... names) {
        return noClasses()
                .that()
                .resideInAnyPackage(packages(List.of(names)))
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(packages(List.of("text", "document", "storage", "index", "search", "score")));
    }

    @Test
    void packagesDependOnEachOtherInNoCircle() {
        holdsAndIsSeenToFail(
                slices().matching("org.catalexis.(*)..").should().beFreeOfCycles(), Chicken.class, Egg.class);
    }

    @Test
    void everyPackageIsNullMarked() {
        ArchRule rule = classes().should(beInANullMarkedPackage());
        holdsAndIsSeenToFail(rule, Chicken.class);
    }

    private static ArchCondition<JavaClass> beInANullMarkedPackage() {
        return new ArchCondition<>("be in a null-marked package") {
            @Override
            public void check(JavaClass each, ConditionEvents events) {
                boolean marked = each.getPackage().isAnnotatedWith(NullMarked.class);
                events.add(new SimpleConditionEvent(each, marked, each.getPackageName() + " is not @NullMarked"));
            }
        };
    }

    @Test
    void theCoreHasNoConsoleHttpSqlOrYaml() {
        holdsAndIsSeenToFail(
                noClasses()
                        .should()
                        .dependOnClassesThat()
                        .resideInAnyPackage(
                                "java.net.http..", "java.sql..", "org.snakeyaml..", "picocli..", "org.catalexis.io.."),
                StoresInSql.class);
        holdsAndIsSeenToFail(
                noClasses().should().accessField(System.class, "out").orShould().accessField(System.class, "err"),
                Prints.class);
        holdsAndIsSeenToFail(noClasses().should().callMethod(System.class, "exit", int.class), Prints.class);
    }

    @Test
    void noRandomNumberIsWithoutASeed() {
        holdsAndIsSeenToFail(
                noClasses().should().callConstructor(Random.class).orShould().callMethod(Math.class, "random"),
                Unseeded.class);
    }

    @Test
    void publicFieldsOfPublicClassesAreFinalButForTheEntryThatIsReused() {
        ArchRule rule = fields().that()
                .arePublic()
                .and()
                .areDeclaredInClassesThat(DescribedPredicate.not(JavaClass.Predicates.simpleName("TermEntry")))
                .should()
                .beFinal();
        holdsAndIsSeenToFail(rule, Open.class);
    }

    // Planted breaches.

    static final class Prints {
        void breach() {
            System.out.println("breach");
            System.exit(1);
        }
    }

    record StoresInSql(java.sql.Timestamp breach) {}

    static final class Unseeded {
        List<Object> breach() {
            return new ArrayList<>(List.of(new Random()));
        }
    }

    static final class Open {
        public int breach;
    }
}
