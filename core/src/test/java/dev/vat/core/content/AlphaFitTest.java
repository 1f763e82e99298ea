package dev.vat.core.content;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.finding.Remedy;
import dev.vat.core.finding.Severity;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.Interpretation;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AlphaFitTest {

    private static FrameTable table(Depth depth, AlphaKind stated, FrameLook.Soft soft) {
        PictureFormat format = Frames.format(depth.floating() ? "EXR" : "PNG", Size.of(960, 540), depth, stated);
        Frames frames = Frames.good("title", 1, 4, format);
        FrameLook plain = Frames.look(false);
        for (long f = 1; f <= 4; f++) {
            long number = f;
            frames.changed(f, _ -> FrameCheck.sound(number, format, new FrameLook((int) number, false, false, false,
                    .5f, 1, .1f, null, soft, plain.print()), null));
        }
        return frames.table();
    }

    /** Four frames with these counts each. */
    @ParameterizedTest
    @CsvSource({
        "1000,  300,   0, straight",
        "1000,   30,   0, straight",
        "1000,    0,   0, premultiplied",
        "1000,    1,   0, premultiplied",
        "1000,    9,   0, ",
        "1000,    0, 950, ",
        "  50,   40,   0, ",
    })
    void softEdgesTellWhatTheyAre(long pixels, long brighter, long dark, String kind) {
        FrameTable table = table(Depth.integer(16), AlphaKind.STRAIGHT, new FrameLook.Soft(pixels, brighter, dark));
        assertThat(ContentReview.of(table).alphaFit().map(f -> f.fits().label()).orElse(null)).isEqualTo(kind);
    }

    @Test
    void lightThatGlowsWithoutCoveringIsNoFault() {
        FrameTable table = table(Depth.floating(16), AlphaKind.PREMULTIPLIED, new FrameLook.Soft(1000, 900, 0));
        assertThat(ContentReview.of(table).alphaFit()).isEmpty();
    }

    private static List<Finding> findings(FrameTable table, AlphaKind chosen) {
        Project project = Edits.bringIn(List.of(table.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = SourceEdits.setPicture("s1", Interpretation.AS_STATED.withAlpha(chosen)).apply(project);
        return Findings.of(project, new Observed(Map.of("s1", table), Map.of("s1", ContentReview.of(table)), Map.of(),
                Observed.Destination.UNKNOWN, Set.of())).all().stream().filter(f -> f.id().equals("alpha-kind")).toList();
    }

    @Test
    void aReadingThatWouldGetAFringeIsFoundAndMendedByItsRemedy() {
        FrameTable straight = table(Depth.integer(8), AlphaKind.STRAIGHT, new FrameLook.Soft(1000, 300, 0));
        assertThat(findings(straight, null)).isEmpty();
        Finding wrong = findings(straight, AlphaKind.PREMULTIPLIED).getFirst();
        assertThat(wrong.severity()).isEqualTo(Severity.WARNING);
        assertThat(wrong.text()).contains("read as premultiplied").contains("bright fringe");
        assertThat(wrong.evidence()).startsWith("1200 of 4000");
        Project mended = ((Remedy.Apply) wrong.remedies().getFirst()).edit().apply(
                Edits.bringIn(List.of(straight.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY));
        assertThat(mended.sources().getFirst().reading().picture().alpha()).isEqualTo(AlphaKind.STRAIGHT);

        FrameTable premultiplied = table(Depth.integer(8), AlphaKind.STRAIGHT, new FrameLook.Soft(1000, 0, 0));
        assertThat(findings(premultiplied, null).getFirst().text()).contains("look premultiplied").contains("dark fringe");
        assertThat(findings(premultiplied, AlphaKind.PREMULTIPLIED)).isEmpty();
    }
}
