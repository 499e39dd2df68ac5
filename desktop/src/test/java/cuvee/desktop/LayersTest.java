package cuvee.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The modules keep to their places. */
class LayersTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("cuvee");

    @Test
    void theCommandLineLoadsNoToolkit() {
        noClasses()
                .that()
                .resideInAnyPackage("cuvee.command..", "cuvee.demo..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("javafx..", "cuvee.model..", "cuvee.desktop..")
                .check(ALL);
    }

    @Test
    void theModelsKnowNoScene() {
        noClasses()
                .that()
                .resideInAPackage("cuvee.model..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "javafx.scene..",
                        "javafx.stage..",
                        "javafx.application..",
                        "cuvee.desktop..",
                        "cuvee.command..")
                .check(ALL);
    }

    @Test
    void theEngineKnowsNeitherCommandNorWindow() {
        noClasses()
                .that()
                .resideOutsideOfPackages("cuvee.command..", "cuvee.demo..", "cuvee.model..", "cuvee.desktop..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("cuvee.command..", "cuvee.demo..", "cuvee.model..", "cuvee.desktop..", "javafx..")
                .check(ALL);
    }
}
