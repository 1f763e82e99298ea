package dev.vat.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.pass.Pass;
import dev.vat.core.pass.PassWords;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.Reading;
import dev.vat.core.source.SequencePattern;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class ShotPassesTest {

    private static List<Source> beside(String... names) {
        List<Source> sources = new ArrayList<>();
        for (String name : names) {
            sources.add(Source.of("s" + (sources.size() + 1), Place.of(Path.of("/renders/flats")),
                    new SequencePattern(name + ".", 4, ".png"), Reading.PLAIN));
        }
        return sources;
    }

    private static FrameTable layers(String... names) {
        return Frames.good("flats", 1, 5,
                new PictureFormat("EXR", Size.of(960, 540), Depth.integer(16), AlphaKind.NONE, PixelAspect.SQUARE, true, List.of(names)))
                .table();
    }

    @Test
    void sequencesWhoseNamesDifferByOneWordAreOneShotsPasses() {
        List<Source> sources = beside("flats_base", "flats_light", "flats_shadow", "flats", "title");
        List<PassWords.Found> found = ShotPasses.of(sources, sources.get(3), Frames.good("flats", 1, 5).table());
        assertThat(found).extracting(PassWords.Found::name).containsExactlyInAnyOrder("full", "base", "light", "shadow");
        assertThat(PassWords.full(found).orElseThrow().source()).as("the item's own").isNull();
        assertThat(PassWords.mix(found).passes()).extracting(Pass::source).containsExactly("s1", "s2", "s3", null);
    }

    @Test
    void versionsAndShotsAreNoPasses() {
        List<Source> versions = beside("sh010_v01", "sh010_v02", "sh020");
        assertThat(ShotPasses.of(versions, versions.getFirst(), Frames.good("sh010_v01", 1, 5).table())).isEmpty();
        List<Source> cameras = beside("flats_left", "flats_right");
        assertThat(ShotPasses.of(cameras, cameras.getFirst(), Frames.good("flats_left", 1, 5).table())).isEmpty();
    }

    @Test
    void layersOfOneFileArePassesWhateverTheyAreCalled() {
        List<Source> one = beside("flats");
        assertThat(ShotPasses.of(one, one.getFirst(), layers("", "base", "light"))).extracting(PassWords.Found::layer).containsExactly("",
                "base", "light");
        assertThat(ShotPasses.of(one, one.getFirst(), layers("", "sun", "sand"))).hasSize(3);
        assertThat(ShotPasses.of(one, one.getFirst(), layers("", "depth.Z"))).as("a channel beside the picture is no pass of it").isEmpty();
        assertThat(ShotPasses.of(one, one.getFirst(), layers())).isEmpty();
    }
}
