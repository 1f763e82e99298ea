package dev.vat.core.resolved;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.Fade;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Location;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;

/** Where a clip's sound comes from and goes to, in samples at 48 kHz. */
class ReelSoundTest {

    private static final ClipFacts WITH_SOUND = new ClipFacts("mov", 100, Rate.FPS_25, null, null, null, Rational.of(4),
            List.of(new ClipFacts.Track("pcm_s24le", "stereo", 2, 44_100, -3.0, false, 176_400)), 0, false);

    private static FrameTable clip(String name) {
        Sequence sequence = Sequence.ofMovie(Path.of("/kite"), name, 100, 1000, 0);
        PictureFormat format = new PictureFormat("h264", Size.of(64, 48), Depth.integer(8), AlphaKind.NONE, PixelAspect.SQUARE, false,
                List.of());
        FrameTable.Collector collector = FrameTable.collect(sequence);
        for (int i = 0; i < 100; i++) {
            collector.add(FrameCheck.sound(sequence.number(i), format, null, null));
        }
        return collector.build();
    }

    /** One clip of four seconds and a sound file, laid as {@code use} says. */
    private static Optional<ReelSound> laid(UnaryOperator<SoundUse> use) {
        FrameTable a = clip("kite.mov");
        Project project = Edits
                .bringIn(List.of(a.sequence().location(), Location.ofFile(Path.of("/kite/bells.wav"))), Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY);
        project = ReelEdits.addSound("s2").apply(Edits.setRate(Rate.FPS_25).apply(project));
        project = ReelEdits.changeSound(0, use.apply(SoundUse.of("s2"))).apply(project);
        return ReelSound.of(ResolvedReel.of(project, Map.of("s1", a)).orElseThrow(), Map.of("s2", WITH_SOUND));
    }

    @Test
    void aSoundFileIsLaidToTheSample() {
        String file = Path.of("/kite/bells.wav").toAbsolutePath().toString();
        assertThat(laid(u -> u).orElseThrow().pieces())
                .extracting(ReelSound.Piece::path, ReelSound.Piece::from, ReelSound.Piece::at, ReelSound.Piece::samples)
                .containsExactly(tuple(file, 0L, 0L, 192_000L));
        assertThat(laid(u -> u.withAt(Rational.of(1, 3))).orElseThrow().pieces()).as("16000 samples late, cut at the end")
                .extracting(ReelSound.Piece::from, ReelSound.Piece::at, ReelSound.Piece::samples)
                .containsExactly(tuple(0L, 16_000L, 176_000L));
        assertThat(laid(u -> u.withAt(Rational.of(-1, 2))).orElseThrow().pieces()).as("its start is cut off")
                .extracting(ReelSound.Piece::from, ReelSound.Piece::at, ReelSound.Piece::samples)
                .containsExactly(tuple(24_000L, 0L, 168_000L));
        assertThat(laid(u -> u.withTrim(Rational.ONE, Rational.of(2)).withAt(Rational.of(1, 48_000))).orElseThrow().pieces())
                .extracting(ReelSound.Piece::from, ReelSound.Piece::at, ReelSound.Piece::samples)
                .containsExactly(tuple(48_000L, 1L, 48_000L));
        assertThat(laid(u -> u.withAt(Rational.of(9))).orElseThrow().pieces()).as("after the last picture").isEmpty();
    }

    @Test
    void fadesAndGainShapeIt() {
        ReelSound.Piece piece = laid(u -> u.withGain(-6.02).withFades(new Fade(Rational.ONE, Fade.Shape.LINEAR),
                new Fade(Rational.of(2), Fade.Shape.EQUAL_POWER))).orElseThrow().pieces().getFirst();
        assertThat(piece.shaping().factor(24_000, 192_000)).as("half way in, half as loud").isCloseTo(.25, within(.001));
        assertThat(piece.shaping().factor(60_000, 192_000)).isCloseTo(.5, within(.001));
        assertThat(piece.shaping().factor(144_000, 192_000)).as("half way out").isCloseTo(.5 * Math.sqrt(.5), within(.001));
        for (Fade.Shape shape : Fade.Shape.values()) {
            assertThat(shape.gain(0)).isCloseTo(0, within(1e-9));
            assertThat(shape.gain(1)).isCloseTo(1, within(1e-9));
        }
    }

    @Test
    void clipsThatDissolveFadeAcrossEachOther() {
        ReelSound sound = sound(Map.of("s1", WITH_SOUND, "s2", WITH_SOUND), ReelEdits.joinItem(1, Joint.dissolve(25))).orElseThrow();
        assertThat(sound.samples()).isEqualTo(7 * 48_000);
        assertThat(sound.pieces()).extracting(ReelSound.Piece::at, ReelSound.Piece::samples).containsExactly(tuple(0L, 192_000L),
                tuple(144_000L, 192_000L));
        double out = sound.pieces().getFirst().shaping().factor(168_000, 192_000);
        double in = sound.pieces().getLast().shaping().factor(24_000, 192_000);
        assertThat(out * out + in * in).as("together as strong as one").isCloseTo(1, within(.001));
    }

    private static Optional<ReelSound> sound(Map<String, ClipFacts> clips, Edit... edits) {
        FrameTable a = clip("kite.mov");
        FrameTable b = clip("dunes.mov");
        Project project = Edits.bringIn(List.of(a.sequence().location(), b.sequence().location()), Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY);
        project = Edits.setRate(Rate.FPS_25).apply(project);
        for (Edit edit : edits) {
            project = edit.apply(project);
        }
        return ReelSound.of(ResolvedReel.of(project, Map.of("s1", a, "s2", b)).orElseThrow(), clips);
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
        ReelSound sound = sound(Map.of("s1", WITH_SOUND), SourceEdits.setRange("s1", FrameRange.of(first + 25, first + 74))).orElseThrow();
        assertThat(sound.pieces())
                .containsExactly(new ReelSound.Piece(Path.of("/kite/kite.mov").toAbsolutePath().toString(), 48_000, 0, 96_000));
        assertThat(sound.samples()).as("the second clip is silent").isEqualTo(96_000 + 192_000);
    }

    @Test
    void soundThatCantKeepUpWithItsPicturesIsLeftOut() {
        assertThat(sound(Map.of("s1", WITH_SOUND), SourceEdits.setCadence("s1", Cadence.PLAIN.withEvery(2)))).isEmpty();
        assertThat(sound(Map.of())).as("nobody has any").isEmpty();
    }
}
