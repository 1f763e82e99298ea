package dev.vat.core.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Ground;
import dev.vat.core.picture.Rgb;
import dev.vat.core.reel.BarPattern;
import dev.vat.core.reel.BroadcastHead;
import dev.vat.core.sound.Channels;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.Fade;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.source.Frames;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Location;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProjectTextTest {

    /** With something of everything. */
    static Project full() {
        Project project = Edits
                .bringIn(List.of(Frames.good("sh010", 1001, 1096).sequence().location(), Frames.good("sh020", 1, 64).sequence().location()),
                        Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY);
        for (Edit edit : List.of(Edits.setRate(Rate.of(24000, 1001)), SourceEdits.setRange("s1", FrameRange.of(1001, 1050)),
                SourceEdits.setGap("s2", GapPolicy.CARD), DeliverableEdits.addTarget(Catalogue.WEB_H264),
                DeliverableEdits.addTarget(Catalogue.ALPHA_PRORES_4444),
                DeliverableEdits.setFlatten("web-h264", Ground.parse("1A2B3C")), Edits.setNaming("{reel}_{date}_{target}"),
                Edits.setFolder(Place.of(Path.of("/deliver/here"))))) {
            project = edit.apply(project);
        }
        return project;
    }

    @Test
    void everythingThatWasSetComesBack() {
        assertThat(ProjectText.read(ProjectText.write(full()))).isEqualTo(full());
    }

    @Test
    void everythingOfAReelComesBack() {
        Project project = everything();
        assertThat(ProjectText.read(ProjectText.write(project))).isEqualTo(project);
        assertThat(project.currentReel().orElseThrow().items().getLast().earlier()).isEqualTo("s2");
        assertThat(ProjectText.write(full())).as("what is plain isn't written").doesNotContain("playing").doesNotContain("sounds")
                .doesNotContain("joint");
    }

    static Project everything() {
        Project project = Edits.bringIn(List.of(Location.ofFile(Path.of("/kite/bells.wav"))), Edits.Layout.ONE_PROGRAMME).apply(full());
        Playing playing = Playing.PLAIN.withReversed(true).withSpeed(Rational.of(2, 3)).withConform(Conform.BLEND).withHead(2).withTail(3)
                .withHold(1010, 4);
        SoundUse sound = SoundUse.of("s3").withAt(Rational.of(-1, 3)).withTrim(Rational.ONE, Rational.of(5))
                .withFades(new Fade(Rational.of(1, 2), Fade.Shape.SMOOTH), null).withGain(-3.5)
                .withChannels(Channels.SECOND);
        for (Edit edit : List.of(ReelEdits.trimItem(0, FrameRange.of(1004, 1040)), ReelEdits.playItem(0, playing),
                ReelEdits.joinItem(1, Joint.dip(8, Rgb.WHITE)), ReelEdits.fitItem(1, Fit.FILL),
                ReelEdits.swapItem(1, "s1"), ReelEdits.addDrawn(1, GeneratedItem.Plain.black(12)),
                ReelEdits.addDrawn(1, GeneratedItem.Leader.of(25)), ReelEdits.addDrawn(1, BroadcastHead.slate("2031-05-04", 125)),
                ReelEdits.addDrawn(1, new GeneratedItem.Bars(BarPattern.WIDE, null, 250)), ReelEdits.burnIn(BurnIn.forReview()),
                ReelEdits.burnInItem(0, BurnIn.of(Line.of(new Wording("kite"), Spot.TOP))), ReelEdits.setRate(Rate.FPS_25),
                ReelEdits.addSound("s3"), ReelEdits.changeSound(0, sound))) {
            project = edit.apply(project);
        }
        return project;
    }

    @Test
    void timesAreFractionsInTheFile() {
        assertThat(ProjectText.write(full())).contains("\"24000/1001\"").contains("\"1001-1050\"").doesNotContain("23.97");
    }

    @Test
    void fieldsOfANewerVersionAreKeptAtEveryLevel() {
        String text = ProjectText.write(full())
                .replaceFirst("\\{", "{ \"mood\" : \"dusk\",")
                .replaceFirst("\"gap\" :", "\"haze\" : {\"depth\" : 3}, \"gap\" :")
                .replaceFirst("\"target\" :", "\"captions\" : [1, 2], \"target\" :");
        Project read = ProjectText.read(text);
        assertThat(read).isNotEqualTo(full());
        assertThat(ProjectText.write(read)).contains("\"mood\" : \"dusk\"").contains("\"depth\" : 3").contains("\"captions\" : [ 1, 2 ]");
        assertThat(ProjectText.write(Edits.setRate(Rate.of(25)).apply(read))).as("kept through edits").contains("dusk")
                .contains("\"depth\" : 3");
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';',
            value = {"'';not a Vat project", "[];not a Vat project", "{};not a Vat project", "{\"version\":99};newer Vat",
                "{\"version\":1,\"sources\":3};not a Vat project", "{\"version\":1,;not a Vat project"})
    void whatIsNoProjectIsSaidInWords(String text, String words) {
        assertThatIllegalArgumentException().isThrownBy(() -> ProjectText.read(text)).withMessageContaining(words);
    }

    @Test
    void placesAreKeptRelativeAndAbsolute() {
        Place place = Place.of(Path.of("/shows/kite/frames")).relativeTo(Path.of("/shows/kite"));
        assertThat(place).isEqualTo(new Place("frames", "/shows/kite/frames"));
        assertThat(place.relativeIn(Path.of("/moved/kite"))).isEqualTo(Path.of("/moved/kite/frames"));
        assertThat(Place.of(Path.of("/other")).relativeTo(Path.of("/shows/kite")).relativeIn(Path.of("/shows/kite")))
                .isEqualTo(Path.of("/other"));
    }
}
