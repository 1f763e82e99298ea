package dev.vat.app;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.assignableTo;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.belongToAnyOf;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideOutsideOfPackages;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.type;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.conditions.ArchConditions.callConstructorWhere;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.File;
import java.io.IOException;
import java.net.URI;
import java.nio.Buffer;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/** What docs/architecture.md says of who knows whom. */
class ArchitectureTest {

    /** Bytes in memory, and what whoever gives them may throw: core reads files by what it is given, never by itself. */
    private static final DescribedPredicate<JavaClass> BYTES = belongToAnyOf(IOException.class, EOFException.class,
            ByteArrayOutputStream.class, Buffer.class, ByteBuffer.class, ByteOrder.class, MessageDigest.class,
            NoSuchAlgorithmException.class);

    private static JavaClasses vat;

    @BeforeAll
    static void read() {
        // Tests that are shared between modules lie in jars.
        vat = new ClassFileImporter().withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                .withImportOption(place -> !place.contains("-tests.jar")).importPackages("dev.vat");
    }

    @TestFactory
    Stream<DynamicTest> rules() {
        return Stream.of(
                // Timelines name files by URI, which is a value like any other.
                rule("core knows nobody",
                        noClasses().that().resideInAPackage("dev.vat.core..").and().resideOutsideOfPackage("dev.vat.core.type..").should()
                                .dependOnClassesThat(
                                        resideOutsideOfPackages("dev.vat.core..", "java.lang..", "java.util..", "java.math..",
                                                "java.text..",
                                                "java.time..", "java.nio.file..",
                                                "java.nio.charset..", "com.fasterxml.jackson..").and(not(type(URI.class)))
                                                .and(not(BYTES)))),
                // Faces are values of the platform; they are read from what they are given, never from files.
                rule("faces know the platform's type alone",
                        noClasses().that().resideInAPackage("dev.vat.core.type..").should().dependOnClassesThat(
                                resideOutsideOfPackages("dev.vat.core.type..", "dev.vat.core.words..", "java.lang..", "java.util..",
                                        "java.io..", "java.security..",
                                        "java.awt..")
                                        .or(type(File.class)))),
                rule("core starts no threads", noClasses().that().resideInAPackage("dev.vat.core..").should().dependOnClassesThat()
                        .resideInAPackage("java.util.concurrent..").orShould().dependOnClassesThat().areAssignableTo(Thread.class)),
                rule("only media knows the media library", noClasses().that().resideOutsideOfPackages("dev.vat.media..", "dev.vat.bench..")
                        .should().dependOnClassesThat().resideInAPackage("org.bytedeco..")),
                rule("only desktop knows the toolkit",
                        noClasses().that().resideOutsideOfPackage("dev.vat.desktop..").should().dependOnClassesThat()
                                .resideInAnyPackage("javafx..", "atlantafx..")),
                // An underscore in a file's name isn't a mark of a key.
                rule("words on controls are shown as they are", noClasses().that().resideOutsideOfPackage("dev.vat.desktop.look..")
                        .should(callConstructorWhere(target(owner(
                                assignableTo("javafx.scene.control.ButtonBase").or(assignableTo("javafx.scene.control.MenuItem"))
                                        .and(not(assignableTo("javafx.scene.control.SeparatorMenuItem")))
                                        .and(not(assignableTo("javafx.scene.control.CustomMenuItem")))))))),
                knows("media", "core"), knows("scene", "core"), knows("protocol", "core"),
                knows("worker", "core", "media", "scene", "protocol"),
                knows("engine", "core", "protocol"), knows("desktop", "core", "protocol", "engine"),
                knows("cli", "core", "protocol", "engine"),
                knows("app", "protocol", "worker", "engine", "desktop", "cli"),
                rule("what is made for the screen knows no other face",
                        noClasses().that().resideInAPackage("dev.vat.desktop.session..").should()
                                .dependOnClassesThat().resideInAnyPackage("javafx..")),
                order("core"), order("media"), order("scene"), order("protocol"), order("worker"), order("engine"), order("desktop"),
                order("cli"));
    }

    /** A module knows no other of ours but those named. */
    private static DynamicTest knows(String module, String... others) {
        String[] allowed = Stream.concat(Stream.of(module), Arrays.stream(others)).map(m -> "dev.vat." + m + "..").toArray(String[]::new);
        return rule(module + " knows " + (others.length == 0 ? "nobody" : String.join(", ", others)) + " alone",
                noClasses().that().resideInAPackage("dev.vat." + module + "..")
                        .should().dependOnClassesThat(resideInAPackage("dev.vat..").and(resideOutsideOfPackages(allowed))));
    }

    /** The packages of a module, its own one included, never go round in circles. */
    private static DynamicTest order(String module) {
        return rule("packages of " + module + " have an order", slices().assignedFrom(packagesOf(module)).should().beFreeOfCycles());
    }

    private static SliceAssignment packagesOf(String module) {
        String root = "dev.vat." + module;
        return new SliceAssignment() {
            @Override
            public SliceIdentifier getIdentifierOf(JavaClass type) {
                String name = type.getPackageName();
                return name.equals(root) || name.startsWith(root + ".") ? SliceIdentifier.of(name) : SliceIdentifier.ignore();
            }

            @Override
            public String getDescription() {
                return "packages of " + module;
            }
        };
    }

    private static DynamicTest rule(String name, ArchRule rule) {
        return DynamicTest.dynamicTest(name, () -> rule.check(vat));
    }
}
