package org.catalexis.cli;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import org.jspecify.annotations.NullMarked;
import org.junit.jupiter.api.Test;

/** What the modules may use of each other; the core's own layers are tested there. */
class ModulesTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.catalexis");

    @Test
    void ioUsesNothingOfTheCommandsAndTheCoreNothingOfIo() {
        noneUses("org.catalexis.io..", "org.catalexis.cli..", "org.catalexis.mendery..", "picocli..")
                .check(ALL);
        for (String core : List.of(
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
                "experiment")) {
            noneUses("org.catalexis." + core + "..", "org.catalexis.io..", "org.catalexis.cli..")
                    .check(ALL);
        }
        // The commands do use io: asked of them, the rule fails.
        assertThatThrownBy(() ->
                        noneUses("org.catalexis.cli..", "org.catalexis.io..").check(ALL))
                .isInstanceOf(AssertionError.class);
    }

    private static ArchRule noneUses(String which, String... what) {
        return noClasses()
                .that()
                .resideInAPackage(which)
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(what);
    }

    @Test
    void onlyTheCommandsTouchTheProcess() {
        JavaClasses planted = new ClassFileImporter().importClasses(Touches.class);
        for (String stream : List.of("out", "err", "in")) {
            ArchRule rule = noClasses().should().accessField(System.class, stream);
            rule.check(ALL);
            assertThatThrownBy(() -> rule.check(planted)).isInstanceOf(AssertionError.class);
        }
        ArchRule exits = noClasses()
                .that()
                .doNotHaveSimpleName("Catalexis")
                .should()
                .callMethod(System.class, "exit", int.class);
        exits.check(ALL);
        assertThatThrownBy(() -> exits.check(planted)).isInstanceOf(AssertionError.class);
    }

    /** A planted breach. */
    static final class Touches {
        List<Object> breach() {
            System.exit(1);
            return List.of(System.in, System.out, System.err);
        }
    }

    @Test
    void everyPackageIsNullMarked() {
        assertThat(ALL.stream().map(each -> each.getPackage()).distinct())
                .hasSizeGreaterThan(15)
                .allMatch(each -> each.isAnnotatedWith(NullMarked.class));
    }
}
