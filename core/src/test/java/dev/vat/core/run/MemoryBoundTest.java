package dev.vat.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Expectation;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.time.Rate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MemoryBoundTest {

    private static RunFile file(String target, Size size) {
        Settings settings = Catalogue.target(target).settings();
        return new RunFile(target, target, settings.codec().id(), target, Treatment.plain(settings.codec(), size), null, 2, 1,
                Map.of(),
                List.of(new RunPart(0, 0, 100)), Expectation.of(settings, 100, Rate.FPS_25, size, PixelAspect.SQUARE, null), null,
                null);
    }

    private static RunPlan plan(Size size, List<RunFile> files) {
        return new RunPlan(4, "r", "2031-05-04T12:00:00Z", "0", "lib", "p", "r", Rate.FPS_25, "chosen", size, PixelAspect.SQUARE,
                WorkingFormat.W16, List.of(), List.of(),
                "/out", "face", null, files, null);
    }

    @Test
    void itGrowsWithPicturesFilesAndWhatEncodersHoldBack() {
        Size hd = Size.of(1920, 1080);
        Size uhd = Size.of(3840, 2160);
        RunPlan small = plan(hd, List.of(file("edit-prores-hq", hd)));
        RunPlan large = plan(uhd, List.of(file("edit-prores-hq", uhd)));
        RunPlan two = plan(hd, List.of(file("edit-prores-hq", hd), file("web-h264", hd)));
        assertThat(MemoryBound.of(small, small.files())).isLessThan(MemoryBound.of(large, large.files()))
                .isLessThan(MemoryBound.of(two, two.files()));
        assertThat(MemoryBound.of(two, two.files()) - MemoryBound.of(small, small.files())).as("of H.264 it's the pictures that its "
                + "encoder looks ahead")
                .isGreaterThan(400_000_000L).isLessThan(1_000_000_000L);
    }

    @Test
    void whatDoesntFitTogetherIsReadAgain() {
        Size uhd = Size.of(3840, 2160);
        List<RunFile> files = List.of(file("web-h264", uhd), file("edit-prores-hq", uhd), file("review-h264", uhd));
        RunPlan plan = plan(uhd, files);
        long all = MemoryBound.of(plan, files);
        assertThat(MemoryBound.groups(plan, files, all)).containsExactly(files);
        assertThat(MemoryBound.groups(plan, files, all - 1)).containsExactly(files.subList(0, 2), files.subList(2, 3));
        assertThat(MemoryBound.groups(plan, files, 1)).as("each alone, since one must be made at least")
                .containsExactly(files.subList(0, 1), files.subList(1, 2), files.subList(2, 3));
        assertThat(MemoryBound.groups(plan, List.of(), 1)).isEmpty();
    }
}
