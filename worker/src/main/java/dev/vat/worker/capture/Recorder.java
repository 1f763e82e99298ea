package dev.vat.worker.capture;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.burnin.Spot;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.preview.CaptureAdvice;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.Conversion;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.PartWriter;
import dev.vat.media.mux.Joining;
import dev.vat.media.picture.Picture;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import dev.vat.protocol.storage.PreviewStore;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Writes one preview: H.264 with a key frame twice a second and nothing shown out of order, so that stepping back is quick. It is written
 * in parts of two seconds, each closed and synced before the next one begins, and joined in the end; whatever ends the process, the closed
 * parts are there.
 */
final class Recorder implements AutoCloseable {

    private static final Words WORDS = Words.of(Recorder.class);

    private static final Rational GROUP = Rational.of(1, 2);
    private static final Rational PART = Rational.of(2);
    private static final int QUALITY = 21;
    private static final int THREADS = 1;
    /**
     * A little less is tried on each block, and less far ahead: the scene needs the time more than a preview needs the last half decibel.
     */
    private static final String BRISK = "partitions=none:rc-lookahead=4";
    private static final String PLAN = "capture.json";
    private static final String LOCK = "lock";
    private static final String CLOSED = ".mkv";
    private static final String OPEN = ".open.mkv";

    private final PreviewStore store;
    private final Preview planned;
    private final Path work;
    private final FileChannel lock;
    private final EncoderSpec spec;
    private final Conversion conversion;
    private final Composer opaque = new Composer(WorkingFormat.W8, false);
    private final Composer transparent = new Composer(WorkingFormat.W8, true);
    private final long partFrames;
    private PartWriter part;
    private Path partFile;
    private long inPart;
    private long written;

    private Recorder(PreviewStore store, Preview planned, Path work, FileChannel lock) {
        CaptureWish wish = planned.wish();
        this.store = store;
        this.planned = planned;
        this.work = work;
        this.lock = lock;
        Settings settings = Catalogue.target("review-h264").settings().withGroup(GROUP).withEffort(Effort.QUICK)
                .withControl(new RateControl.Constant(QUALITY));
        spec = EncoderSpec.of(settings, wish.size(), PixelAspect.SQUARE, planned.rate(), THREADS).withOption("bf", "0")
                .withOption("x264-params", BRISK);
        conversion = new Conversion(spec.codec(), wish.size(), Treatment.plain(spec.codec(), wish.size()));
        partFrames = planned.rate().perSecond().times(PART).round();
    }

    /** @param planned the preview as it will be if nothing cuts it off */
    static Recorder begin(PreviewStore store, Preview planned) throws IOException {
        Path work = store.movie(planned).resolveSibling(PreviewStore.WORK + planned.file());
        Files.createDirectories(work);
        FileChannel lock = FileChannel.open(work.resolve(LOCK), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        if (lock.tryLock() == null) {
            lock.close();
            throw new IOException(WORDS.say("isBeingCapturedByAnother", planned.file()));
        }
        Durable.write(work.resolve(PLAN), Json.page(planned));
        Durable.syncFolder(work.getParent());
        return new Recorder(store, planned, work, lock);
    }

    /** @param index of the drawn frame, from 0 */
    void add(Picture picture, long index) throws IOException {
        CaptureWish wish = planned.wish();
        Lettering letters = wish.named()
                ? new Lettering(List
                        .of(new Lettering.Written(wish.camera() + " " + CaptureAdvice.number(wish.frame(index)), Spot.TOP_RIGHT, 5, 55)),
                        null, null)
                : Lettering.NOTHING;
        boolean seenThrough = picture.hasAlpha();
        try (Picture working = (seenThrough ? transparent : opaque).compose(picture,
                PictureReading.of(seenThrough ? AlphaKind.STRAIGHT : AlphaKind.NONE, false));
                Picture converted = conversion.convert(working, wish.draft() ? letters.withDraft() : letters)) {
            for (long i = 0; i < wish.times(index); i++) {
                write(converted);
            }
        }
    }

    private void write(Picture converted) throws IOException {
        if (part == null) {
            partFile = work.resolve(String.format(Locale.ROOT, "part-%06d", written));
            part = new PartWriter(Path.of(partFile + OPEN), spec, written, false);
            inPart = 0;
        }
        part.write(converted);
        written++;
        inPart++;
        if (inPart == partFrames) {
            closePart();
        }
    }

    private void closePart() throws IOException {
        if (part == null) {
            return;
        }
        part.finish();
        part.close();
        part = null;
        Path open = Path.of(partFile + OPEN);
        Durable.sync(open);
        // Its name tells how many frames it holds: nothing else has to be written for that.
        Files.move(open, Path.of(partFile + "-" + inPart + CLOSED), StandardCopyOption.ATOMIC_MOVE);
        Durable.syncFolder(work);
    }

    /** Lets go of what isn't closed. @return how many drawn frames are */
    long dropOpen() throws IOException {
        if (part != null) {
            part.close();
            part = null;
            Files.deleteIfExists(Path.of(partFile + OPEN));
        }
        return drawn(planned, parts(work));
    }

    /** Nothing of it is kept. */
    void discard() throws IOException {
        dropOpen();
        Durable.deleteTree(work);
    }

    private static long drawn(Preview planned, List<Joining.Part> parts) {
        long frames = parts.stream().mapToLong(Joining.Part::frames).sum();
        return frames == 0 || !planned.wish().keepLength() ? frames : (frames - 1) / planned.wish().every() + 1;
    }

    /**
     * Closes what is open and makes the movie.
     *
     * @param idle the drawn frame after which nothing moved, or null
     * @param why it is shorter than wished, or null
     */
    Preview finish(long drawn, Long idle, String why) throws IOException {
        closePart();
        return joined(store, planned, work, drawn, idle, why);
    }

    private static Preview joined(PreviewStore store, Preview planned, Path work, long drawn, Long idle, String why) throws IOException {
        List<Joining.Part> parts = parts(work);
        Path movie = store.movie(planned);
        Path fresh = work.resolve("joined.mp4");
        Files.deleteIfExists(fresh);
        Joining.join(parts,
                new Joining.Target(fresh, Container.MP4, true, planned.rate(), PixelAspect.SQUARE, null).withNumbers(planned.numbers()),
                null);
        Durable.sync(fresh);
        Preview made = new Preview(planned.file(), planned.scene(), planned.cameraTitle(), planned.revision(), planned.rate(),
                planned.wish(), planned.made(), drawn, idle, Files.size(fresh), why,
                planned.note(), planned.approved(), planned.extra());
        store.keep(made);
        Files.move(fresh, movie, StandardCopyOption.ATOMIC_MOVE);
        Durable.syncFolder(movie.getParent());
        Durable.deleteTree(work);
        return made;
    }

    private static List<Joining.Part> parts(Path work) throws IOException {
        List<Joining.Part> parts = new ArrayList<>();
        try (Stream<Path> files = Files.list(work)) {
            for (Path file : files.sorted().toList()) {
                String name = file.getFileName().toString();
                if (name.startsWith("part-") && !name.endsWith(OPEN)) {
                    String[] numbers = name.substring("part-".length(), name.length() - CLOSED.length()).split("-");
                    parts.add(new Joining.Part(file, Container.MKV, Long.parseLong(numbers[0]), Long.parseLong(numbers[1])));
                }
            }
        }
        return parts;
    }

    /** Makes movies of what captures left behind that were cut off; such that go on elsewhere are left alone. */
    static List<Preview> recover(PreviewStore store) throws IOException {
        List<Preview> found = new ArrayList<>();
        for (Path work : store.unfinished()) {
            try (FileChannel lock = FileChannel.open(work.resolve(LOCK), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                    FileLock held = held(lock)) {
                if (held != null) {
                    recovered(store, work).ifPresent(found::add);
                }
            }
        }
        return found;
    }

    private static FileLock held(FileChannel lock) throws IOException {
        try {
            return lock.tryLock();
        } catch (OverlappingFileLockException _) {
            return null;
        }
    }

    private static Optional<Preview> recovered(PreviewStore store, Path work) throws IOException {
        Path plan = work.resolve(PLAN);
        List<Joining.Part> parts = parts(work);
        if (!Files.isRegularFile(plan) || parts.isEmpty()) {
            // It ended before anything was closed.
            Durable.deleteTree(work);
            return Optional.empty();
        }
        Preview planned = Json.MAPPER.readValue(Files.readString(plan), Preview.class);
        if (Files.exists(store.movie(planned))) {
            // Only tidying up was left to do.
            Durable.deleteTree(work);
            return Optional.empty();
        }
        long drawn = drawn(planned, parts);
        return Optional
                .of(joined(store, planned, work, drawn, null, drawn == planned.wish().drawn() ? null : WORDS.say("theCaptureWasCutOff")));
    }

    /** Parts that are closed stay where they are. */
    @Override
    public void close() throws IOException {
        if (part != null) {
            part.close();
        }
        conversion.close();
        opaque.close();
        transparent.close();
        lock.close();
    }
}
