package dev.vat.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Preset;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.sound.SoundLayout;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.Reading;
import dev.vat.core.source.SequencePattern;
import java.io.IOException;
import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
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

    /** Every word that the table sets as code is a field of the project's parts, or a value that is read there. */
    @Test
    void everyWordOfTheTableIsKnown() throws IOException {
        Set<String> known = new TreeSet<>(List.of("mono", "stereo", "dissolve", "dip", "relative", "by"));
        assertThat(List.of("mono", "stereo")).allSatisfy(l -> assertThat(SoundLayout.parse(l)).hasToString(l));
        for (Class<?> type : List.of(Project.class, Source.class, Place.class, SequencePattern.class, Reading.class, Cadence.class,
                Interpretation.class, Reel.class, Item.class, Joint.class, Playing.class, SoundUse.class, Deliverable.class,
                RateControl.Constant.class, RateControl.Average.class, RateControl.FileSize.class, RateControl.Capped.class)) {
            for (RecordComponent component : type.getRecordComponents()) {
                known.add(component.getName());
            }
        }
        Stream.of(GapPolicy.values()).map(GapPolicy::id).forEach(known::add);
        Stream.of(Fit.values()).map(Fit::name).forEach(known::add);
        for (JsonSubTypes.Type control : RateControl.class.getAnnotation(JsonSubTypes.class).value()) {
            known.add(control.name());
        }
        List<String> named = PAGE.lines().filter(l -> l.startsWith("| `")).flatMap(row -> Pattern.compile("`([A-Za-z-]+)(\\[])?`")
                .matcher(row).results().map(m -> m.group(1))).distinct().toList();
        assertThat(named).hasSizeGreaterThan(60).allSatisfy(word -> assertThat(known).contains(word));
        Set<String> written = new TreeSet<>();
        fields(new JsonMapper().readTree(examples().getFirst()), written);
        assertThat(named).as("what the example has is explained").containsAll(difference(written, Set.of("version", "size")));
    }

    private static Set<String> difference(Set<String> all, Set<String> less) {
        Set<String> left = new TreeSet<>(all);
        left.removeAll(less);
        return left;
    }

    private static void fields(JsonNode node, Set<String> into) {
        node.fieldNames().forEachRemaining(into::add);
        node.forEach(child -> fields(child, into));
    }
}
