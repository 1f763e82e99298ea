package dev.vat.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Where a clip's sound comes from and goes to, in samples at 48 kHz. */
class ReelSoundTest {

    private static final ClipFacts WITH_SOUND = new ClipFacts("mov", 100, Rate.FPS_25, null, null, null, Rational.of(4),
            List.of(new ClipFacts.Track("pcm_s24le", "stereo", 2, 44_100, -3.0, false, 176_400)), 0, false);

    private static FrameTable clip(String name) {
        Sequence sequence = Sequence.ofMovie(Path.of("/kite"), name, 100, 1000, 0);
        PictureFormat format = new PictureFormat("h264", Size.of(64, 48), Depth.integer(8), AlphaKind.NONE, PixelAspect.SQUARE, false, List.of());
        FrameTable.Collector collector = FrameTable.collect(sequence);
        for (int i = 0; i < 100; i++) {
            collector.add(FrameCheck.sound(sequence.number(i), format, null, null));
        }
        return collector.build();
    }

    private static Optional<ReelSound> sound(Map<String, ClipFacts> clips, Edit... edits) {
        FrameTable a = clip("kite.mov");
        FrameTable b = clip("dunes.mov");
        Project project = Edits.bringIn(List.of(a.sequence().location(), b.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = Edits.setRate(Rate.FPS_25).apply(project);
        for (Edit edit : edits) {
            project = edit.apply(project);
        }
        return ReelSound.of(Programme.of(project, Map.of("s1", a, "s2", b)).orElseThrow(), clips);
    }

    @Test
    void eachClipsSoundStandsWhereItsPicturesDo() {
        ReelSound sound = sound(Map.of("s1", WITH_SOUND, "s2", WITH_SOUND)).orElseThrow();
        assertThat(sound.samples()).isEqualTo(8 * 48_000);
        assertThat(sound.seconds()).isEqualTo(Rational.of(8));
        assertThat(sound.layout()).isEqualTo("stereo");
        assertThat(sound.pieces()).extracting(ReelSound.Piece::at).containsExactly(0L, 192_000L);
        assertThat(sound.pieces()).allSatisfy(p -> assertThat(p.samples()).isEqualTo(192_000));
    }

    @Test
    void aTrimmedClipBringsTheSoundOfWhatIsLeft() {
        FrameTable a = clip("kite.mov");
        long first = a.sequence().first();
        ReelSound sound = sound(Map.of("s1", WITH_SOUND), Edits.setRange("s1", FrameRange.of(first + 25, first + 74))).orElseThrow();
        assertThat(sound.pieces()).containsExactly(new ReelSound.Piece(Path.of("/kite/kite.mov").toAbsolutePath().toString(), 48_000, 0, 96_000));
        assertThat(sound.samples()).as("the second clip is silent").isEqualTo(96_000 + 192_000);
    }

    @Test
    void soundThatCantKeepUpWithItsPicturesIsLeftOut() {
        assertThat(sound(Map.of("s1", WITH_SOUND), Edits.setCadence("s1", Cadence.PLAIN.withEvery(2)))).isEmpty();
        assertThat(sound(Map.of())).as("nobody has any").isEmpty();
    }
}
