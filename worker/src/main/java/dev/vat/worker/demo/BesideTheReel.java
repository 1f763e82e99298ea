package dev.vat.worker.demo;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.Location;
import dev.vat.core.time.Rate;
import dev.vat.media.convert.Conversion;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.PartWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.demo.DemoFolder;
import dev.vat.protocol.demo.DemoShot;
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

/** What the demo brings in beside its opening: passes, a flawed retake, an old clip, a draft, and a sound. */
final class BesideTheReel {

    private static final int ARCHIVE_FRAMES = 50;
    /** The clip's number in the marks of its frames, behind those of the shots. */
    private static final int ARCHIVE_MARK = Shot.values().length + 1;
    /** Standard definition with 4:3 over its whole width: seen 768x576. */
    private static final Size ARCHIVE = Size.of(720, 576);
    private static final PixelAspect ARCHIVE_PIXEL = PixelAspect.of(16, 15);

    private final DemoFolder folder;
    private final int width;
    private final int height;

    /** The drawn shots are half of that size. */
    BesideTheReel(Path folder, int width, int height) {
        this.folder = new DemoFolder(folder);
        this.width = width / 2;
        this.height = height / 2;
    }

    void write() throws IOException {
        for (DunesPass pass : DunesPass.values()) {
            stills(folder.pass(pass.id()), DemoShot.DUNES.first(), DunesPass.FRAMES, frame -> pass.draw(frame, width, height));
        }
        stills(folder.retake(), 1, DemoFolder.RETAKE_FRAMES, frame -> FlawedShot.draw(frame, width, height));
        stills(folder.draft(), 1, DemoFolder.DRAFT_FRAMES, frame -> DraftView.draw(frame, width, height));
        writeArchive();
        writeWind();
    }

    private interface Draw {
        Drawing frame(int frame);
    }

    private static void stills(Location location, int first, int count, Draw draw) throws IOException {
        Path place = location.folder();
        Files.createDirectories(place);
        for (int frame = 0; frame < count; frame++) {
            Path file = place.resolve(location.pattern().fileName(first + frame));
            if (!Files.exists(file)) {
                DemoFrames.put(file, StillWriter.PNG8.write(DemoFrames.samples(draw.frame(frame))));
            }
        }
    }

    /** Drawn at the shape it is seen in and squeezed to the stored one, as a camera would. */
    private void writeArchive() throws IOException {
        Path file = folder.archive();
        if (Files.exists(file)) {
            return;
        }
        Path fresh = file.resolveSibling(".archive.new");
        EncoderSpec spec = EncoderSpec.of(Catalogue.EDIT_PRORES_HQ.settings(), ARCHIVE, ARCHIVE_PIXEL, Rate.FPS_25, 2);
        try (PartWriter writer = new PartWriter(fresh, spec, 0, false);
                Conversion conversion = new Conversion(spec.codec(), ARCHIVE, Treatment.plain(spec.codec(), ARCHIVE))) {
            Size seen = ARCHIVE_PIXEL.seen(ARCHIVE);
            for (int frame = 0; frame < ARCHIVE_FRAMES; frame++) {
                Samples squeezed = squeeze(new FrameMark(ARCHIVE_MARK, frame).on(Shot.KITE.draw(frame, seen.width(), seen.height())),
                        ARCHIVE.width());
                try (Picture working = SamplePictures.of(squeezed); Picture converted = conversion.convert(working)) {
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
        Path file = folder.wind();
        if (Files.exists(file)) {
            return;
        }
        float[] samples = Wind.samples();
        int bytes = samples.length * 3;
        ByteBuffer wav = ByteBuffer.allocate(44 + bytes).order(ByteOrder.LITTLE_ENDIAN);
        wav.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + bytes).put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII))
                .putInt(16);
        wav.putShort((short) 1).putShort((short) 1).putInt(Wind.RATE).putInt(Wind.RATE * 3).putShort((short) 3).putShort((short) 24);
        wav.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(bytes);
        for (float sample : samples) {
            int value = Math.round(Math.clamp(sample, -1f, 1f) * 8_388_607);
            wav.put((byte) value).put((byte) (value >> 8)).put((byte) (value >> 16));
        }
        DemoFrames.put(file, wav.array());
    }
}
