package dev.vat.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.lang.module.ModuleDescriptor;
import java.lang.module.ModuleFinder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.spi.ToolProvider;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The runtime that is shipped has every module of the JDK that Vat or a library of its asks for. */
class RuntimeModulesTest {

    private static final Pattern OF_TESTS = Pattern
            .compile("junit|surefire|assertj|mockito|archunit|byte-buddy|opentest4j|apiguardian|testkit");

    /** By modules in so many words, by other jars in what they call. */
    private static TreeSet<String> asked() {
        List<Path> jars = Arrays.stream(System.getProperty("java.class.path").split(File.pathSeparator)).map(Path::of)
                .filter(p -> !OF_TESTS.matcher(p.toString()).find() && !p.endsWith("test-classes")).toList();
        TreeSet<String> asked = new TreeSet<>();
        List<String> plain = new ArrayList<>(List.of("--multi-release", "25", "--ignore-missing-deps", "--print-module-deps"));
        for (Path jar : jars) {
            ModuleDescriptor module = ModuleFinder.of(jar).findAll().stream().map(r -> r.descriptor()).findFirst().orElse(null);
            if (module == null || module.isAutomatic()) {
                plain.add(jar.toString());
            } else {
                module.requires().stream().filter(r -> !r.modifiers().contains(ModuleDescriptor.Requires.Modifier.STATIC))
                        .map(ModuleDescriptor.Requires::name).forEach(asked::add);
            }
        }
        StringWriter said = new StringWriter();
        int code = ToolProvider.findFirst("jdeps").orElseThrow().run(new PrintWriter(said), new PrintWriter(said),
                plain.toArray(String[]::new));
        assertThat(code).as(said.toString()).isZero();
        asked.addAll(Arrays.asList(said.toString().strip().split(",")));
        return asked.stream().filter(m -> m.matches("(java|jdk)\\..*")).collect(Collectors.toCollection(TreeSet::new));
    }

    @Test
    void allThatIsAskedForIsThere() {
        List<String> jlink = Target.jlink(Path.of("fx"), Path.of("runtime"));
        List<String> given = List.of(jlink.get(jlink.indexOf("--add-modules") + 1).split(","));
        // What is given brings along what it asks for itself.
        Set<String> there = given.stream().flatMap(RuntimeModulesTest::withIts).collect(Collectors.toCollection(TreeSet::new));
        assertThat(there).containsAll(asked());
    }

    private static Stream<String> withIts(String module) {
        return Stream.concat(Stream.of(module),
                ModuleFinder.ofSystem().find(module).stream().flatMap(r -> r.descriptor().requires().stream())
                        .map(ModuleDescriptor.Requires::name).flatMap(RuntimeModulesTest::withIts));
    }
}
