package dev.vat.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.cli.Vat;
import dev.vat.core.picture.Rgb;
import dev.vat.core.proof.Receipt;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.feed.StandInBehaviour;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Places;
import dev.vat.protocol.storage.PreviewStore;
import dev.vat.worker.standin.StandInFeed;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Finished files in the hands of readers that know nothing of Vat. */
@Tag("outside")
class OutsideReadersTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int WIDTH = 320;
    private static final int HEIGHT = 180;
    private static final int FRAMES = 60;
    private static final int RATE = 48_000;
    private static final int SECONDS_OF_SOUND = 2;
    /**
     * No strong blue: the browser's own conversion without a graphics card holds the step from Cb to blue in a signed byte,
     * 2.0 where Rec.709 says 2.112, and is six codes off at 190. The file's own values are held by the tests of media.
     */
    private static final List<Rgb> PATCHES = List.of(new Rgb(200, 40, 40), new Rgb(40, 160, 60), new Rgb(60, 90, 140),
            new Rgb(128, 128, 128));

    @TempDir
    Path folder;

    private Path out;

    @BeforeEach
    void draw() throws IOException {
        Path frames = Files.createDirectory(folder.resolve("patches"));
        for (int f = 0; f < FRAMES; f++) {
            Files.write(frames.resolve("patches.%04d.png".formatted(f + 1)), StillWriter.PNG16.write(patches(f)));
        }
        out = folder.resolve("out");
    }

    private void make(String... targets) {
        make(List.of(), targets);
    }

    private void make(List<String> options, String... targets) {
        List<String> words = new ArrayList<>(
                List.of("make", folder.resolve("patches").toString(), "--rate", "25", "--out", out.toString()));
        words.addAll(options);
        for (String target : targets) {
            words.addAll(List.of("--target", target));
        }
        assertThat(Vat.run(words.toArray(String[]::new))).isZero();
    }

    /** Four flat patches; under them a grey that tells the frame's number. */
    private static Samples patches(int frame) {
        return patches(frame, null);
    }

    /** @param seen how much can't be seen through each patch, from 0 to 1, or null for no alpha */
    private static Samples patches(int frame, float[] seen) {
        float[] alpha = seen == null ? null : new float[WIDTH * HEIGHT];
        float[][] rgb = new float[3][WIDTH * HEIGHT];
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                Rgb c = y >= HEIGHT / 2 ? grey(frame) : PATCHES.get(x * 4 / WIDTH);
                rgb[0][y * WIDTH + x] = c.red() / 255f;
                rgb[1][y * WIDTH + x] = c.green() / 255f;
                rgb[2][y * WIDTH + x] = c.blue() / 255f;
                if (alpha != null) {
                    alpha[y * WIDTH + x] = y >= HEIGHT / 2 ? 1 : seen[x * 4 / WIDTH];
                }
            }
        }
        return new Samples(WIDTH, HEIGHT, rgb[0], rgb[1], rgb[2], alpha);
    }

    private static Rgb grey(int frame) {
        int value = 20 + 3 * frame;
        return new Rgb(value, value, value);
    }

    @Test
    void mediainfoAgreesWithEveryReceipt() throws Exception {
        assumeTrue(Browser.program("mediainfo").isPresent(), "mediainfo isn't installed");
        make("web-h264", "edit-prores-hq", "alpha-prores-4444");
        for (String name : List.of("patches_web.mp4", "patches_edit.mov", "patches_alpha.mov")) {
            Path file = out.resolve(name);
            Process process = new ProcessBuilder("mediainfo", "--Output=JSON", file.toString()).start();
            JsonNode tracks = JSON.readTree(process.getInputStream().readAllBytes()).path("media").path("track");
            JsonNode general = tracks.get(0);
            JsonNode video = tracks.get(1);
            Receipt receipt = ReceiptFile.read(ReceiptFile.of(file));
            assertThat(tracks).as("no sound").hasSize(2);
            assertThat(video.path("FrameRate_Mode").asText()).as(name).isEqualTo("CFR");
            assertThat(video.path("FrameRate").asDouble()).isEqualTo(25.0);
            assertThat(video.path("FrameCount").asLong()).isEqualTo(receipt.found().frames()).isEqualTo(FRAMES);
            assertThat(video.path("Duration").asDouble()).isEqualTo(receipt.found().durationSeconds().toDouble());
            assertThat(video.path("Width").asInt()).isEqualTo(receipt.found().size().width());
            assertThat(video.path("Height").asInt()).isEqualTo(receipt.found().size().height());
            assertThat(video.path("PixelAspectRatio").asDouble()).isEqualTo(1.0);
            assertThat(video.path("colour_range").asText("Limited")).isEqualTo("Limited");
            assertThat(video.path("matrix_coefficients").asText()).isEqualTo("BT.709");
            assertThat(video.path("colour_primaries").asText()).isEqualTo("BT.709");
            assertThat(video.path("transfer_characteristics").asText()).isEqualTo("BT.709");
            assertThat(general.path("FileSize").asLong()).isEqualTo(receipt.found().bytes());
            switch (name) {
                case "patches_web.mp4" -> {
                    assertThat(video.path("Format").asText()).isEqualTo("AVC");
                    assertThat(video.path("Format_Profile").asText()).isEqualTo("High");
                    assertThat(video.path("ChromaSubsampling").asText()).isEqualTo("4:2:0");
                    assertThat(video.path("BitDepth").asInt()).isEqualTo(8);
                    assertThat(general.path("IsStreamable").asText()).isEqualTo("Yes");
                }
                case "patches_edit.mov" -> {
                    assertThat(video.path("Format").asText()).isEqualTo("ProRes");
                    assertThat(video.path("Format_Profile").asText()).isEqualTo("422 HQ");
                    assertThat(video.path("ChromaSubsampling").asText()).isEqualTo("4:2:2");
                }
                default -> {
                    assertThat(video.path("Format_Profile").asText()).isEqualTo("4444");
                    assertThat(video.path("ChromaSubsampling").asText()).startsWith("4:4:4");
                    assertThat(video.path("ColorSpace").asText()).isEqualTo("YUVA");
                }
            }
        }
    }

    /** The browser plays what is said to play in browsers to its end, with the source's pixels, within four code values on flat areas. */
    @ParameterizedTest
    @CsvSource({"web-h264, patches_web.mp4", "anyone-h264, patches_anywhere.mp4", "web-vp9, patches_vp9.webm", "web-av1, patches_av1.mp4",
        "web-av1-10, patches_av1-10.webm", "mail-25, patches_mail.mp4", "review-h264, patches_look.mp4"})
    void chromiumPlaysTheFileWithTheSourcesColours(String target, String name) throws Exception {
        assumeTrue(Browser.program("chromium").isPresent(), "Chromium isn't installed");
        make(target);
        JsonNode result = play(out.resolve(name));
        assertThat(result.path("error").asText("")).isEmpty();
        assertThat(result.path("ended").asBoolean()).isTrue();
        assertThat(result.path("duration").asDouble()).isEqualTo(FRAMES / 25.0);
        assertThat(result.path("width").asInt()).isEqualTo(WIDTH);
        for (JsonNode shot : result.path("shots")) {
            int frame = shot.path("frame").asInt();
            for (int p = 0; p < 4; p++) {
                near(shot.path("patches").get(p), PATCHES.get(p), "frame " + frame + ", patch " + p);
            }
            near(shot.path("grey"), grey(frame), "frame " + frame);
        }
        assertThat(result.path("shots")).hasSize(4);
    }

    @Test
    void aPreviewOfASceneOpensAnywhere() throws Exception {
        assumeTrue(Browser.program("chromium").isPresent() && Browser.program("mediainfo").isPresent(),
                "Chromium or mediainfo isn't installed");
        Path preview;
        try (StandInFeed _ = StandInFeed.start(Places.ofSystem().scenes(), 1, StandInBehaviour.GOOD)) {
            assertThat(Vat.run("capture", "tower", "--range", "200-259", "--size", WIDTH + "x" + HEIGHT)).isZero();
            preview = PreviewStore.in(Places.ofSystem()).movie(PreviewStore.in(Places.ofSystem()).all().getFirst());
        }
        JsonNode result = play(preview);
        assertThat(result.path("error").asText("")).isEmpty();
        assertThat(result.path("ended").asBoolean()).isTrue();
        assertThat(result.path("duration").asDouble()).isEqualTo(FRAMES / 25.0);
        assertThat(result.path("width").asInt()).isEqualTo(WIDTH);
        Process process = new ProcessBuilder("mediainfo", "--Output=JSON", preview.toString()).start();
        JsonNode video = JSON.readTree(process.getInputStream().readAllBytes()).path("media").path("track").get(1);
        assertThat(video.path("Format").asText()).isEqualTo("AVC");
        assertThat(video.path("FrameRate").asDouble()).isEqualTo(25);
        assertThat(video.path("FrameCount").asInt()).isEqualTo(FRAMES);
    }

    @Test
    void chromiumSeesThroughWebMWithAlpha() throws Exception {
        assumeTrue(Browser.program("chromium").isPresent(), "Chromium isn't installed");
        float[] seen = {1, .75f, .5f, 0};
        for (int f = 0; f < FRAMES; f++) {
            Files.write(folder.resolve("patches").resolve("patches.%04d.png".formatted(f + 1)), StillWriter.PNG16.write(patches(f, seen)));
        }
        make("web-vp9-alpha");
        for (JsonNode shot : play(out.resolve("patches_webalpha.webm")).path("shots")) {
            for (int p = 0; p < 4; p++) {
                JsonNode pixel = shot.path("patches").get(p);
                assertThat(Math.abs(pixel.get(3).asInt() - Math.round(255 * seen[p]))).as("alpha of patch " + p + ": " + pixel)
                        .isLessThanOrEqualTo(4);
                if (seen[p] == 1) {
                    near(pixel, PATCHES.get(p), "patch " + p);
                }
            }
        }
    }

    /** Stills that move, by the browser's own decoder of images: frames, times, loops, colours and what can be seen through. */
    @ParameterizedTest
    @CsvSource({"web-gif, patches_gif.gif, image/gif", "web-apng, patches_apng.apng, image/png", "web-webp, patches_webp.webp, image/webp",
        "web-avif, patches_avif.avif, image/avif"})
    void chromiumShowsStillsThatMove(String target, String name, String type) throws Exception {
        assumeTrue(Browser.program("chromium").isPresent(), "Chromium isn't installed");
        boolean through = Set.of("web-apng", "web-webp").contains(target);
        float[] seen = {1, .75f, .5f, 0};
        for (int f = 0; f < FRAMES && through; f++) {
            Files.write(folder.resolve("patches").resolve("patches.%04d.png".formatted(f + 1)), StillWriter.PNG16.write(patches(f, seen)));
        }
        make(target);
        JsonNode result = show(out.resolve(name), type, BrowserPages.stillPage(type));
        assertThat(result.path("error").asText("")).isEmpty();
        assertThat(result.path("frames").asInt()).isEqualTo(FRAMES);
        assertThat(result.path("loops").asText()).as("null stands for infinity").isEqualTo("Infinity");
        assertThat(result.path("duration").asDouble()).isEqualTo(FRAMES / 25.0);
        for (JsonNode shot : result.path("shots")) {
            for (int p = 0; p < 4; p++) {
                JsonNode pixel = shot.path("patches").get(p);
                assertThat(Math.abs(pixel.get(3).asInt() - (through ? Math.round(255 * seen[p]) : 255))).as("alpha of patch " + p)
                        .isLessThanOrEqualTo(4);
                if (seen[p] == 1 || !through) {
                    near(pixel, PATCHES.get(p), "patch " + p);
                }
            }
            near(shot.path("grey"), grey(shot.path("frame").asInt()), "frame " + shot.path("frame"));
        }
    }

    /** What an encoder puts before the first sample is dropped once: neither heard, nor taken away from what follows. */
    @ParameterizedTest
    @CsvSource({"web-h264, aac, patches_web.mp4", "web-h264, opus, patches_web.mp4", "web-h264, flac, patches_web.mp4",
        "web-h264, mp3, patches_web.mp4", "web-vp9, opus, patches_vp9.webm"})
    void chromiumHearsTheSoundWhereItBegins(String target, String codec, String name) throws Exception {
        assumeTrue(Browser.program("chromium").isPresent(), "Chromium isn't installed");
        Path tone = folder.resolve("tone.wav");
        byte[] samples = new byte[SECONDS_OF_SOUND * RATE * 2];
        ByteBuffer buffer = ByteBuffer.wrap(samples).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = RATE / 2; i < RATE; i++) {
            buffer.putShort(i * 2, (short) (12_000 * Math.sin(i * .2 + 1)));
        }
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(samples), new AudioFormat(RATE, 16, 1, true, false),
                samples.length / 2), AudioFileFormat.Type.WAVE, tone.toFile());
        make(List.of("--sound", tone.toString()), target + ",sound-codec=" + codec);
        JsonNode result = show(out.resolve(name), "video/mp4", BrowserPages.soundPage());
        assertThat(result.path("error").asText("")).isEmpty();
        assertThat(result.path("first").asInt()).as("half a second of silence").isCloseTo(RATE / 2, within(16));
        assertThat(result.path("last").asInt()).as("half a second of a tone").isCloseTo(RATE, within(64));
    }

    private JsonNode play(Path file) throws Exception {
        return show(file, file.toString().endsWith("webm") ? "video/webm" : "video/mp4", BrowserPages.page());
    }

    private JsonNode show(Path file, String type, String page) throws Exception {
        return Browser.show(file, type, page, folder);
    }

    private static void near(JsonNode pixel, Rgb wanted, String what) {
        assertThat(Math.abs(pixel.get(0).asInt() - wanted.red())).as(what).isLessThanOrEqualTo(4);
        assertThat(Math.abs(pixel.get(1).asInt() - wanted.green())).as(what).isLessThanOrEqualTo(4);
        assertThat(Math.abs(pixel.get(2).asInt() - wanted.blue())).as(what).isLessThanOrEqualTo(4);
    }
}
