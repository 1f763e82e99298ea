package dev.vat.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.delivery.Preset;
import dev.vat.core.reel.Joint;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What docs/formats.md shows of projects and presets is read as it stands there, and each of its fields is one that is known. */
class HandWrittenTest {

    private static final String PAGE = page();

    private static String page() {
        try {
            String all = Files.readString(Path.of("../docs/formats.md"));
            return all.substring(all.indexOf("## Projects and presets by hand"));
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static List<String> examples() {
        return Pattern.compile("```json\n(.*?)```", Pattern.DOTALL).matcher(PAGE).results().map(m -> m.group(1)).toList();
    }

    @Test
    void theProjectOfThePageIsReadWithNothingLeftOver() {
        Project project = ProjectText.read(examples().getFirst());
        assertThat(project.extra()).isEmpty();
        assertThat(project.sources()).hasSize(2).allSatisfy(s -> assertThat(s.extra()).isEmpty());
        assertThat(project.sources()).allSatisfy(s -> assertThat(s.reading().extra()).isEmpty());
        assertThat(project.currentReel().orElseThrow().items().get(1).joint()).isEqualTo(Joint.dissolve(6));
        assertThat(project.currentReel().orElseThrow().items()).allSatisfy(i -> assertThat(i.extra()).isEmpty());
        assertThat(project.currentReel().orElseThrow().sounds()).singleElement().satisfies(s -> assertThat(s.gain()).isEqualTo(-3));
        assertThat(project.deliverables()).hasSize(2).allSatisfy(d -> assertThat(d.extra()).isEmpty());
        assertThat(project.deliverables().getLast().title()).isEqualTo("ProRes HQ for editing 2");
    }

    @Test
    void thePresetOfThePageIsOne() {
        Preset preset = Preset.parse(examples().getLast());
        assertThat(preset.column().settings().framing().size()).hasToString("960x540");
    }

    /** A field that the table names stands in a project that was written with all of them, or in the example. */
    @Test
    void everyFieldOfTheTableIsKnown() throws IOException {
        Set<String> known = new TreeSet<>(Set.of("version", "bitsPerSecond", "bytes", "bufferBits", "number", "by"));
        for (Class<?> type : List.of(Project.class, Source.class, Place.class, dev.vat.core.source.SequencePattern.class,
                dev.vat.core.source.Reading.class, dev.vat.core.source.Cadence.class, dev.vat.core.source.Interpretation.class,
                dev.vat.core.reel.Reel.class, dev.vat.core.reel.Item.class, Joint.class, dev.vat.core.reel.Playing.class,
                dev.vat.core.reel.SoundUse.class, dev.vat.core.delivery.Deliverable.class)) {
            for (var component : type.getRecordComponents()) {
                known.add(component.getName());
            }
        }
        Set<String> named = new TreeSet<>();
        for (String row : PAGE.lines().filter(l -> l.startsWith("| `")).toList()) {
            named.add(row.substring(3, row.indexOf('`', 3)).replace("[]", ""));
        }
        assertThat(named).isNotEmpty().isSubsetOf(known);
        fields(new JsonMapper().readTree(examples().getFirst()), named);
        assertThat(named).isSubsetOf(union(known, "size"));
        String row = PAGE.lines().filter(l -> l.startsWith("| `reading`")).findFirst().orElseThrow();
        assertThat(Pattern
                .compile("`(range|expected|gap|cadence|every|keepLength|leadIn|picture|pixelAspect|alpha|colour|layer|timecode|note)`")
                .matcher(row).results().map(MatchResult::group).distinct()).hasSize(14);
    }

    private static Set<String> union(Set<String> all, String more) {
        Set<String> both = new TreeSet<>(all);
        both.add(more);
        return both;
    }

    private static void fields(JsonNode node, Set<String> into) {
        node.fieldNames().forEachRemaining(into::add);
        node.forEach(child -> fields(child, into));
    }
}
