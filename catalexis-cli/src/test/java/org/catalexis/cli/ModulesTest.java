package org.catalexis.cli;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
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
        noClasses()
                .that()
                .resideInAPackage("org.catalexis.io..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.catalexis.cli..", "org.catalexis.mendery..", "picocli..")
                .check(ALL);
        noClasses()
                .that()
                .resideOutsideOfPackages("org.catalexis.io..", "org.catalexis.cli..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.catalexis.io..", "org.catalexis.cli..")
                .check(ALL);
    }

    @Test
    void onlyTheCommandsTouchTheProcess() {
        for (String stream : List.of("out", "err", "in")) {
            noClasses().should().accessField(System.class, stream).check(ALL);
        }
        noClasses()
                .that()
                .doNotHaveSimpleName("Catalexis")
                .should()
                .callMethod(System.class, "exit", int.class)
                .check(ALL);
        // All classes were looked at, those of the other modules too.
        assertThat(ALL.contain("org.catalexis.index.Index")).isTrue();
        assertThat(ALL.contain("org.catalexis.io.project.Project")).isTrue();
    }

    @Test
    void everyPackageIsNullMarked() {
        assertThat(ALL.stream().map(each -> each.getPackage()).distinct())
                .hasSizeGreaterThan(15)
                .allMatch(each -> each.isAnnotatedWith(NullMarked.class));
    }
}
