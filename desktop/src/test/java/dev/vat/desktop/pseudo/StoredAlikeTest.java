package dev.vat.desktop.pseudo;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.project.Project;
import dev.vat.core.sound.SoundLayout;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What is written into projects, plans and receipts, and typed into commands, is the same whatever language the machine shows. */
@Tag("pseudo")
class StoredAlikeTest {

    private static final String CORE = "/dev/vat/core";

    @BeforeEach
    void isPseudo() {
        assertThat(Locale.getDefault(Locale.Category.DISPLAY)).isEqualTo(PseudoWords.LOCALE);
        assertThat(Effort.QUICK.title()).as("words are other ones here").isNotEqualTo("quick");
    }

    private static List<Class<?>> classes(Path root) throws IOException {
        try (Stream<Path> files = Files.walk(root.resolve(CORE.substring(1)))) {
            List<Class<?>> classes = new ArrayList<>();
            for (Path file : files.filter(p -> p.toString().endsWith(".class")).toList()) {
                String name = root.relativize(file).toString().replace('/', '.').replaceAll("\\.class$", "");
                try {
                    classes.add(Class.forName(name));
                } catch (ClassNotFoundException e) {
                    throw new IOException(e);
                }
            }
            return classes;
        }
    }

    /** Those of core, from a folder or an archive. */
    private static List<Class<?>> classes() throws Exception {
        Path source = Path.of(Project.class.getProtectionDomain().getCodeSource().getLocation().toURI());
        if (Files.isDirectory(source)) {
            return classes(source);
        }
        try (FileSystem archive = FileSystems.newFileSystem(source)) {
            return classes(archive.getPath("/"));
        }
    }

    private static void isStoredAlike(Object value) throws IOException {
        String json = Json.line(value);
        assertThat(json).as(value.getClass() + " " + value).matches("\\p{ASCII}*");
        assertThat(Json.MAPPER.readValue(json, value.getClass())).isEqualTo(value);
    }

    @Test
    void everyChoiceIsStoredByAnIdOfItsOwn() throws Exception {
        List<Object> choices = classes().stream().filter(Class::isEnum).filter(c -> !c.isAnonymousClass())
                .flatMap(c -> Stream.of((Object[]) c.getEnumConstants())).toList();
        assertThat(choices).hasSizeGreaterThan(100);
        for (Object choice : choices) {
            assertThat(Json.line(choice)).as(choice.getClass() + " " + ((Enum<?>) choice).name()).matches("\\p{ASCII}*");
        }
    }

    @Test
    void valuesThatAreTextAreReadAsTheyWereWritten() throws IOException {
        isStoredAlike(LoudnessTarget.WEB);
        for (SoundLayout layout : SoundLayout.USUAL) {
            isStoredAlike(layout);
        }
        for (Ground ground : List.of(Ground.BLACK, Ground.CHECKER)) {
            assertThat(Ground.parse(ground.toString())).isEqualTo(ground);
        }
        for (Effort effort : Effort.values()) {
            assertThat(Effort.parse(effort.id())).isEqualTo(effort);
        }
    }
}
