package dev.vat.testkit.start;

import java.io.IOException;
import java.io.OutputStream;
import java.lang.classfile.ClassFile;
import java.lang.classfile.ClassHierarchyResolver;
import java.lang.classfile.ClassTransform;
import java.lang.classfile.CodeTransform;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/**
 * Copies a library whose classes are older than Java 6: of such the JVM keeps nothing ready from start to start (JEP 483), for they are
 * verified in a way of their own. The copy has the same code, with the stack maps that later classes have.
 */
public final class OldClassFiles {

    private static final int FIRST_WITH_STACK_MAPS = 50;
    /** Java 8, which every verifier of today takes with stack maps alone. */
    private static final int WRITTEN = ClassFile.JAVA_8_VERSION;

    private OldClassFiles() {}

    /** @param arguments the library, and where its copy goes */
    public static void main(String[] arguments) throws IOException {
        Path library = Path.of(arguments[0]);
        try (ZipFile from = new ZipFile(library.toFile());
                OutputStream file = Files.newOutputStream(Path.of(arguments[1])); ZipOutputStream to = new ZipOutputStream(file);
                URLClassLoader classes = new URLClassLoader(new URL[] {library.toUri().toURL()})) {
            ClassFile renewing = ClassFile.of(ClassFile.StackMapsOption.GENERATE_STACK_MAPS,
                    ClassFile.ClassHierarchyResolverOption.of(ClassHierarchyResolver.ofResourceParsing(classes)
                            .orElse(ClassHierarchyResolver.defaultResolver())));
            for (ZipEntry entry : from.stream().toList()) {
                byte[] bytes = from.getInputStream(entry).readAllBytes();
                to.putNextEntry(new ZipEntry(entry.getName()));
                to.write(entry.getName().endsWith(".class") && version(bytes) < FIRST_WITH_STACK_MAPS ? renewed(renewing, bytes) : bytes);
            }
        }
    }

    private static int version(byte[] bytes) {
        return (bytes[6] & 0xff) << 8 | bytes[7] & 0xff;
    }

    private static byte[] renewed(ClassFile renewing, byte[] bytes) {
        // Code that is only handed on is taken as it is: each instruction by itself is put together anew.
        CodeTransform again = (code, instruction) -> code.with(instruction);
        return renewing.transformClass(renewing.parse(bytes), ClassTransform.transformingMethodBodies(again)
                .andThen(ClassTransform.endHandler(c -> c.withVersion(WRITTEN, 0))));
    }
}
