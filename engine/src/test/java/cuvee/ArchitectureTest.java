package cuvee;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The packages follow the way of the data; each knows only those before it. */
class ArchitectureTest {
    private static final List<String> ORDER = List.of(
            "place",
            "finding",
            "job",
            "sheet",
            "value",
            "collect",
            "detect",
            "layout",
            "lineup",
            "tag",
            "master",
            "rework",
            "summary",
            "chart",
            "check",
            "decision",
            "deliver",
            "gather",
            "propose",
            "earlier",
            "audit",
            "tell",
            "change",
            "refresh");
    private static final JavaClasses ENGINE = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("cuvee");

    @Test
    void aPackageUsesOnlyThoseBeforeIt() {
        for (int i = 0; i < ORDER.size(); i++) {
            String[] later = ORDER.subList(i + 1, ORDER.size()).stream()
                    .map(name -> "cuvee." + name + "..")
                    .toArray(String[]::new);
            if (later.length > 0) {
                noClasses()
                        .that()
                        .resideInAPackage("cuvee." + ORDER.get(i) + "..")
                        .should()
                        .dependOnClassesThat()
                        .resideInAnyPackage(later)
                        .check(ENGINE);
            }
        }
    }

    @Test
    void noPackagesGoInCircles() {
        slices().matching("cuvee.(*)..").should().beFreeOfCycles().check(ENGINE);
    }

    /** Those of a sealed family, which name each other, and the two views of one buffer of cells. */
    private static final Set<String> ONE_IDEA = Set.of("cuvee.sheet.Row", "cuvee.sheet.RowBlock");

    @Test
    void noTwoClassesUseEachOther() {
        slices().assignedFrom(new SliceAssignment() {
                    @Override
                    public SliceIdentifier getIdentifierOf(JavaClass javaClass) {
                        String outer = javaClass.getName().split("\\$", -1)[0];
                        boolean family = outer.startsWith("cuvee.decision.") && outer.endsWith("Choice");
                        return family
                                ? SliceIdentifier.of("choices")
                                : SliceIdentifier.of(ONE_IDEA.contains(outer) ? "cells" : outer);
                    }

                    @Override
                    public String getDescription() {
                        return "the classes of the engine";
                    }
                })
                .should()
                .beFreeOfCycles()
                .check(ENGINE);
    }

    @Test
    void theEngineKnowsNoInterface() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("javafx..", "java.awt.event..", "javax.swing..")
                .check(ENGINE);
        noClasses()
                .should()
                .dependOnClassesThat()
                .areAssignableTo(java.awt.Component.class)
                .check(ENGINE);
        // Charts are drawn in memory, which needs no window.
        noClasses()
                .that()
                .resideOutsideOfPackage("cuvee.chart")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("java.awt..")
                .check(ENGINE);
    }

    @Test
    void onlyTheStoreAndDeliveriesToDatabasesSpeakSql() {
        noClasses()
                .that()
                .resideOutsideOfPackages("cuvee.master..", "cuvee.deliver..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.sql..")
                .check(ENGINE);
        noClasses()
                .that()
                .resideOutsideOfPackage("cuvee.master..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.duckdb..")
                .check(ENGINE);
    }
}
