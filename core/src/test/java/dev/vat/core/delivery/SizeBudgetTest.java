package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import org.junit.jupiter.api.Test;

class SizeBudgetTest {

    private static final Settings WEB = Catalogue.WEB_H264.settings();

    private static SizeBudget budget(long bytes, long frames, int channels) {
        return SizeBudget.of(new RateControl.FileSize(bytes), WEB, frames, Rate.FPS_25.seconds(frames), channels);
    }

    @Test
    void whatSoundAndContainerTakeIsntThereForPictures() {
        SizeBudget silent = budget(25_000_000, 1500, 0);
        assertThat(silent.sound()).isZero();
        assertThat(silent.container()).isEqualTo(4_000 + 16 * 1500);
        assertThat(silent.bitsPerSecond()).isEqualTo(Math.round((25_000_000 * .98 - 28_000) * 8 / 60));
        SizeBudget heard = budget(25_000_000, 1500, 2);
        assertThat(heard.sound()).as("a minute of two channels at 96 kbit/s each").isEqualTo(1_440_000);
        assertThat(heard.bitsPerSecond()).isLessThan(silent.bitsPerSecond() - 190_000);
    }

    /** 25 MB for a second of small pictures: what they can't use isn't forced upon them. */
    @Test
    void aWishFarAboveWhatPicturesCanUseIsNoRate() {
        RateControl solved = WEB.withControl(new RateControl.FileSize(25_000_000)).solved(25, Rate.FPS_25, 0, Size.of(640, 360)).control();
        long bits = ((RateControl.TwoPass) solved).bitsPerSecond();
        assertThat(bits).isEqualTo(WEB.codec().mostUsefulBits(Size.of(640, 360), Rate.FPS_25)).isLessThan(20_000_000);
        assertThat(CodecLevel.bounds(WEB.codec(), Size.of(640, 360), Rate.FPS_25, bits).orElseThrow().level().name())
                .isEqualTo("3");
        RateControl large = WEB.withControl(new RateControl.FileSize(25_000_000)).solved(25, Rate.FPS_25, 0, Size.of(1920, 1080)).control();
        assertThat(((RateControl.TwoPass) large).bitsPerSecond()).as("as level 4.1 has it").isEqualTo(62_500_000);
    }

    @Test
    void theLeastFileIsEnoughAndAnUnlikelyOneIsImpossible() {
        SizeBudget small = budget(300_000, 1500, 2);
        assertThat(small.isPossible()).isFalse();
        long least = small.leastFile(WEB.codec(), Size.of(1920, 1080), 1500);
        SizeBudget enough = budget(least, 1500, 2);
        assertThat(enough.isPossible()).isTrue();
        assertThat(enough.bitsPerSecond()).isGreaterThanOrEqualTo((long) (WEB.codec().lowBitsPerPixel() * 1920 * 1080 * 25));
        assertThat(WEB.withControl(new RateControl.FileSize(least)).solved(1500, Rate.FPS_25, 2, Size.of(1920, 1080)).control())
                .isEqualTo(new RateControl.TwoPass(enough.bitsPerSecond()));
    }
}
