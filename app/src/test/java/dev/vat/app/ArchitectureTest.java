package dev.vat.app;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideOutsideOfPackages;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.type;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import java.net.URI;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/** What docs/architecture.md says of who knows whom. */
class ArchitectureTest {

    private static JavaClasses vat;

    @BeforeAll
    static void read() {
        vat = new ClassFileImporter().withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS).importPackages("dev.vat");
    }

    @TestFactory
    Stream<DynamicTest> rules() {
        return Stream.of(
                // Timelines name files by URI, which is a value like any other.
                rule("core knows nobody", noClasses().that().resideInAPackage("dev.vat.core..").should().dependOnClassesThat(
                        resideOutsideOfPackages("dev.vat.core..", "java.lang..", "java.util..", "java.math..", "java.time..", "java.nio.file..",
                                "java.nio.charset..", "com.fasterxml.jackson..").and(not(type(URI.class))))),
                rule("core starts no threads", noClasses().that().resideInAPackage("dev.vat.core..").should().dependOnClassesThat()
                        .resideInAPackage("java.util.concurrent..").orShould().dependOnClassesThat().areAssignableTo(Thread.class)),
                rule("only media knows the media library", noClasses().that().resideOutsideOfPackages("dev.vat.media..", "dev.vat.bench..")
                        .should().dependOnClassesThat().resideInAPackage("org.bytedeco..")),
                rule("media shows nothing native", classes().that().resideInAPackage("dev.vat.media..").and().arePublic()
                        .should(new NothingNativePublic())),
                rule("only desktop knows the toolkit", noClasses().that().resideOutsideOfPackage("dev.vat.desktop..").should().dependOnClassesThat()
                        .resideInAnyPackage("javafx..", "atlantafx..")),
                rule("desktop and command line leave media to the engine", noClasses().that().resideInAnyPackage("dev.vat.desktop..", "dev.vat.cli..")
                        .should().dependOnClassesThat().resideInAnyPackage("dev.vat.media..", "dev.vat.scene..")),
                rule("the command line doesn't know the window", noClasses().that().resideInAPackage("dev.vat.cli..").should().dependOnClassesThat()
                        .resideInAPackage("dev.vat.desktop..")),
                rule("the engine knows neither of them", noClasses().that().resideInAPackage("dev.vat.engine..").should().dependOnClassesThat()
                        .resideInAnyPackage("dev.vat.desktop..", "dev.vat.cli..", "dev.vat.app..")),
                rule("scene knows core alone", noClasses().that().resideInAPackage("dev.vat.scene..").should().dependOnClassesThat()
                        .resideInAnyPackage("dev.vat.media..", "dev.vat.engine..", "dev.vat.desktop..")),
                rule("media knows core alone", noClasses().that().resideInAPackage("dev.vat.media..").should().dependOnClassesThat()
                        .resideInAnyPackage("dev.vat.scene..", "dev.vat.engine..", "dev.vat.desktop..")),
                rule("what is made for the screen knows no other face", noClasses().that().resideInAPackage("dev.vat.desktop.studio..").should()
                        .dependOnClassesThat().resideInAnyPackage("javafx..")),
                rule("packages of core have an order", slices().matching("dev.vat.core.(*)..").should().beFreeOfCycles()),
                rule("packages of media have an order", slices().matching("dev.vat.media.(*)..").should().beFreeOfCycles()),
                rule("packages of the engine have an order", slices().matching("dev.vat.engine.(*)..").should().beFreeOfCycles()),
                rule("packages of the desktop have an order", slices().matching("dev.vat.desktop.(*)..").should().beFreeOfCycles()));
    }

    private static DynamicTest rule(String name, ArchRule rule) {
        return DynamicTest.dynamicTest(name, () -> rule.check(vat));
    }
}
