package dev.vat.engine.demo;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.Location;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import dev.vat.media.Conversion;
import dev.vat.media.EncoderSpec;
import dev.vat.media.PartWriter;
import dev.vat.media.Picture;
import dev.vat.media.Samples;
import dev.vat.media.StillWriter;
import dev.vat.scene.DraftView;
import dev.vat.scene.Drawing;
import dev.vat.scene.DunesPass;
import dev.vat.scene.FlawedShot;
import dev.vat.scene.FrameMark;
import dev.vat.scene.Shot;
import dev.vat.scene.Wind;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;

/** What the demo brings in beside its opening: passes, a flawed retake, an old clip, a draft, and a sound. */
final class BesideTheReel {

    private static final int RETAKE_FRAMES = 48;
    private static final int DRAFT_FRAMES = 40;
    private static final int ARCHIVE_FRAMES = 50;
    /** The clip's number in the marks of its frames, behind those of the shots. */
    private static final int ARCHIVE_MARK = Shot.values().length + 1;
    /** Standard definition with 4:3 over its whole width: seen 768x576. */
    private static final Size ARCHIVE = Size.of(720, 576);
    private static final PixelAspect ARCHIVE_PIXEL = PixelAspect.of(16, 15);

    private final Path folder;
    private final int width;
    private final int height;

    /** The drawn shots are half of that size. */
    BesideTheReel(Path folder, int width, int height) {
        this.folder = folder;
        this.width = width / 2;
        this.height = height / 2;
    }

    private static SequencePattern pattern(DunesPass pass) {
        return new SequencePattern("sh010_" + pass.id() + ".", 4, ".png");
    }

    /** A retake of shot 010 in which every file is sound and some pictures aren't. */
    private static SequencePattern retake() {
        return new SequencePattern("sh015.", 4, ".png");
    }

    private static SequencePattern draft() {
        return new SequencePattern("draft.", 3, ".png");
    }

    private static Path passes(Path folder) {
        return folder.resolve("sh010_passes");
    }

    private static Path archive(Path folder) {
        return folder.resolve("archive.mov");
    }

    private static Path wind(Path folder) {
        return folder.resolve("wind.wav");
    }

    /** Everything in the order in which it is brought in. */
    static List<Location> locations(Path folder) {
        List<Location> all = new ArrayList<>();
        for (DunesPass pass : DunesPass.values()) {
            all.add(new Location(passes(folder), pattern(pass)));
        }
        all.add(new Location(folder.resolve("sh015"), retake()));
        all.add(new Location(folder, SequencePattern.single(archive(folder).getFileName().toString())));
        all.add(new Location(folder.resolve("draft"), draft()));
        all.add(new Location(folder, SequencePattern.single(wind(folder).getFileName().toString())));
        return all;
    }

    static boolean isThere(Path folder) {
        for (DunesPass pass : DunesPass.values()) {
            if (!Files.exists(passes(folder).resolve(pattern(pass).fileName(DemoData.firstFrame(Shot.DUNES) + DunesPass.FRAMES - 1L)))) {
                return false;
            }
        }
        return Files.exists(folder.resolve("sh015").resolve(retake().fileName(RETAKE_FRAMES)))
                && Files.exists(folder.resolve("draft").resolve(draft().fileName(DRAFT_FRAMES)))
                && Files.exists(archive(folder)) && Files.exists(wind(folder));
    }

    void write() throws IOException {
        for (DunesPass pass : DunesPass.values()) {
            stills(passes(folder), pattern(pass), DemoData.firstFrame(Shot.DUNES), DunesPass.FRAMES, frame -> pass.draw(frame, width, height));
        }
        stills(folder.resolve("sh015"), retake(), 1, RETAKE_FRAMES, frame -> FlawedShot.draw(frame, width, height));
        stills(folder.resolve("draft"), draft(), 1, DRAFT_FRAMES, frame -> DraftView.draw(frame, width, height));
        writeArchive();
        writeWind();
    }

    private interface Draw {
        Drawing frame(int frame);
    }

    private static void stills(Path place, SequencePattern names, int first, int count, Draw draw) throws IOException {
        Files.createDirectories(place);
        for (int frame = 0; frame < count; frame++) {
            Path file = place.resolve(names.fileName(first + frame));
            if (!Files.exists(file)) {
                DemoData.put(file, StillWriter.PNG8.write(DemoData.samples(draw.frame(frame))));
            }
        }
    }

    /** Drawn at the shape it is seen in and squeezed to the stored one, as a camera would. */
    private void writeArchive() throws IOException {
        Path file = archive(folder);
        if (Files.exists(file)) {
            return;
        }
        Path fresh = file.resolveSibling(".archive.new");
        EncoderSpec spec = EncoderSpec.of(Catalogue.EDIT_PRORES_HQ.settings(), ARCHIVE, ARCHIVE_PIXEL, Rate.FPS_25, 2);
        try (PartWriter writer = new PartWriter(fresh, spec, 0, false); Conversion conversion = new Conversion(spec.codec(), ARCHIVE, Treatment.plain(spec.codec(), ARCHIVE))) {
            Size seen = ARCHIVE_PIXEL.seen(ARCHIVE);
            for (int frame = 0; frame < ARCHIVE_FRAMES; frame++) {
                Samples squeezed = squeeze(new FrameMark(ARCHIVE_MARK, frame).on(Shot.KITE.draw(frame, seen.width(), seen.height())), ARCHIVE.width());
                try (Picture working = Picture.of(squeezed); Picture converted = conversion.convert(working)) {
                    writer.write(converted);
                }
            }
            writer.finish();
        }
        Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE);
    }

    private static Samples squeeze(Drawing d, int width) {
        float[][] planes = new float[3][];
        String[] names = {"R", "G", "B"};
        for (int p = 0; p < 3; p++) {
            float[] from = d.channel(names[p]);
            planes[p] = new float[width * d.height()];
            for (int y = 0; y < d.height(); y++) {
                for (int x = 0; x < width; x++) {
                    double at = Math.clamp((x + .5) * d.width() / width - .5, 0, d.width() - 1.001);
                    int left = y * d.width() + (int) at;
                    float share = (float) (at - (int) at);
                    planes[p][y * width + x] = from[left] * (1 - share) + from[left + 1] * share;
                }
            }
        }
        return new Samples(width, d.height(), planes[0], planes[1], planes[2], null);
    }

    /** Mono, 24 bits, 48 kHz PCM in a RIFF file. */
    private void writeWind() throws IOException {
        Path file = wind(folder);
        if (Files.exists(file)) {
            return;
        }
        float[] samples = Wind.samples();
        int bytes = samples.length * 3;
        ByteBuffer wav = ByteBuffer.allocate(44 + bytes).order(ByteOrder.LITTLE_ENDIAN);
        wav.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + bytes).put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16);
        wav.putShort((short) 1).putShort((short) 1).putInt(Wind.RATE).putInt(Wind.RATE * 3).putShort((short) 3).putShort((short) 24);
        wav.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(bytes);
        for (float sample : samples) {
            int value = Math.round(Math.clamp(sample, -1f, 1f) * 8_388_607);
            wav.put((byte) value).put((byte) (value >> 8)).put((byte) (value >> 16));
        }
        DemoData.put(file, wav.array());
    }
}
