package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.band.FrameTrack;
import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javafx.geometry.Point2D;
import javafx.scene.layout.Region;
import org.junit.jupiter.api.Test;

/** The Reel face: items one after the other, how each is taken and played, and what is heard with them. */
class ReelTest extends WindowCase {

    private Item item(int place) throws Exception {
        return reel().items().get(place);
    }

    private long frames() throws Exception {
        return on(() -> session().programme().orElseThrow().plan().count());
    }

    /** Two shots of another size as one programme. */
    private void twoShots() throws Exception {
        drop(TestFrames.png(folder, "sh010", 30));
        drop(TestFrames.png(folder, "sh020", 20, 64, 64, false));
        run(() -> session().chooseRate(Rate.FPS_25));
        press("face-reel");
        settle();
        assertThat(frames()).isEqualTo(50);
        press("item-1");
        settle();
    }

    @Test
    void anItemIsTrimmedSlowedAndJoined() throws Exception {
        twoShots();
        enter("item-range", "5-14");
        assertThat(item(1).range()).isEqualTo(FrameRange.of(5, 14));
        enter("item-speed", "1/2");
        assertThat(frames()).isEqualTo(50);
        fire("joint-dissolve");
        settle();
        assertThat(item(1).joint()).isEqualTo(Joint.dissolve(12));
        assertThat(frames()).isEqualTo(38);
        FrameTrack strip = on(() -> window.mainView().strip());
        assertThat(strip.mark(18)).isEqualTo(FrameTrack.Mark.MIXED);
        assertThat(strip.mark(31)).as("half speed shows each frame twice").isEqualTo(FrameTrack.Mark.HELD);
        assertThat(strip.remark(19)).isEqualTo("15 % of sh020.####.png 0005 over sh010.####.png 0020");
        enter("joint-frames", "4");
        assertThat(frames()).isEqualTo(46);
        fire("item-fit-fill-cut-off-the-rest");
        settle();
        assertThat(item(1).fit()).isNotNull();
        fire("item-reversed");
        settle();
        assertThat(item(1).playingInUse().reversed()).isTrue();
        for (int i = 0; i < 6; i++) {
            run(() -> window.mainView().press("undo"));
        }
        settle();
        assertThat(reel().items().get(1)).as("every step is taken back").isEqualTo(Item.of("s2"));
    }

    @Test
    void whatIsShownBecomesInAndOutAndStandsStill() throws Exception {
        twoShots();
        run(() -> window.mainView().seek(34));
        settle();
        fire("item-in");
        settle();
        assertThat(item(1).range()).isEqualTo(FrameRange.of(5, 20));
        run(() -> window.mainView().seek(39));
        settle();
        fire("item-end");
        settle();
        assertThat(item(1).range()).isEqualTo(FrameRange.of(5, 14));
        enter("hold-shown", "3");
        assertThat(item(1).playingInUse().holds().getFirst().number()).isEqualTo(14);
        fire("slip-later");
        settle();
        assertThat(item(1).range()).isEqualTo(FrameRange.of(6, 15));
        fire("add-black");
        settle();
        assertThat(item(2).drawn().frames()).isEqualTo(25);
        assertThat(frames()).isEqualTo(30 + 10 + 3 + 25);
        press("whole-reel");
        fire("reel-rate-30");
        settle();
        assertThat(on(() -> session().findings().all())).as("25 in a reel of 30")
                .anyMatch(f -> f.id().equals("rate-differs") && f.text().contains("sh010"));
    }

    @Test
    void aDissolveIsMadeLongerByDraggingItsEndOnTheBand() throws Exception {
        twoShots();
        fire("joint-dissolve");
        enter("joint-frames", "4");
        settle();
        long end = on(() -> session().programme().orElseThrow().plan().spans().get(1).start() + 4);
        double frame = on(() -> (((Region) node("band")).getWidth() - 28) / frames());
        Point2D from = on(() -> node("band").localToScreen(14 + frame * end, 30));
        hand.moveTo(from).press().moveTo(from.add(frame, 0)).moveTo(from.add(3 * frame, 0));
        assertThat(text("band-selected")).isEqualTo("dissolve of 7 frames");
        hand.release();
        settle();
        assertThat(item(1).joint().frames()).isEqualTo(7);
        run(() -> window.mainView().press("undo"));
        assertThat(item(1).joint().frames()).isEqualTo(4);
    }

    @Test
    void theReelIsHandedOverAndTakenBack() throws Exception {
        twoShots();
        fire("joint-dissolve");
        settle();
        answers.folder = folder;
        String name = reel().name();
        for (String command : new String[] {"hand-over-otio", "hand-over-edl"}) {
            run(() -> window.mainView().press(command));
            await(() -> session().notices().notice().words().startsWith("Handed over"));
            run(() -> session().say(""));
        }
        Reel before = reel();
        for (String ending : new String[] {".otio", ".edl"}) {
            drop(folder.resolve(name + ending));
            await(() -> session().notices().notice().words().startsWith("Taken over"));
            assertThat(reel().id()).as("a reel of its own").isNotEqualTo(before.id());
            assertThat(reel().items()).isEqualTo(before.items());
            run(() -> session().say(""));
        }
        run(() -> window.mainView().press("new"));
        settle();
        drop(folder.resolve(name + ".otio"));
        await(() -> isThere("open-stranger"));
        assertThat(on(() -> session().project().sources())).as("nothing is followed before a yes").isEmpty();
        press("open-stranger");
        await(() -> !session().watch().isChecking() && session().watch().table("s2") != null);
        assertThat(frames()).isEqualTo(38);
        Path broken = Files.writeString(folder.resolve("broken.edl"), "TITLE: nothing");
        drop(broken);
        await(() -> session().notices().notice().words().contains("broken.edl can't be taken over"));
    }

    @Test
    void aSoundIsLaidToTheReelAndItsEndHoldsTheLastFrame() throws Exception {
        drop(TestFrames.png(folder, "sh010", 50));
        run(() -> session().chooseRate(Rate.FPS_25));
        Path bells = folder.resolve("bells.wav");
        AudioFormat format = new AudioFormat(48_000, 16, 2, true, false);
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(new byte[3 * 48_000 * 4]), format, 3 * 48_000),
                AudioFileFormat.Type.WAVE, bells.toFile());
        drop(TestFrames.old(bells));
        press("face-reel");
        fire("add-sound-s2");
        settle();
        assertThat(reel().sounds()).containsExactly(SoundUse.of("s2"));
        enter("sound-at-0", "0.5 s");
        assertThat(reel().sounds().getFirst().at()).isEqualTo(Rational.of(1, 2));
        enter("sound-gain-0", "-6");
        assertThat(reel().sounds().getFirst().gain()).isEqualTo(-6);
        enter("sound-at-0", "soon");
        assertThat(node("sound-at-0").getStyleClass()).as("what is no time stays, marked").contains("refused");
        await(() -> isThere("remedy-sound-longer-0"));
        fire("remedy-sound-longer-0");
        settle();
        assertThat(item(0).playingInUse().tail()).as("3.5 s of sound, 2 s of pictures").isEqualTo(38);
    }
}
