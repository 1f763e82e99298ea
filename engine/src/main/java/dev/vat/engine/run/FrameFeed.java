package dev.vat.engine.run;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.run.PictureKind;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.WorkingFormat;
import dev.vat.core.time.Rational;
import dev.vat.media.CardPainter;
import dev.vat.media.Composer;
import dev.vat.media.DrawingPainter;
import dev.vat.media.FrameRead;
import dev.vat.media.FrameReader;
import dev.vat.media.Grounds;
import dev.vat.media.Mixing;
import dev.vat.media.PassSum;
import dev.vat.media.Picture;
import dev.vat.media.PicturePrint;
import dev.vat.media.Placing;
import dev.vat.media.ViewsPainter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.function.LongPredicate;
import java.util.stream.Collectors;

/**
 * Reads a plan's frames once, in order, with a small pool of decoders that work a few frames ahead. A frame that repeats
 * the one before it isn't read again.
 */
public final class FrameFeed implements AutoCloseable {

    /** One decoder with what turns its pictures into working pictures. */
    private final class Station {
        private final FrameReader reader = new FrameReader();
        private final Map<WorkingFormat, Composer> composers = new EnumMap<>(WorkingFormat.class);
        private final DrawingPainter drawings = new DrawingPainter();
        private final Map<RunPlan.RunSource, Placing> placings = new IdentityHashMap<>();
        private final Map<WorkingFormat, ViewsPainter> layouts = new EnumMap<>(WorkingFormat.class);
        private final PassSum sums = new PassSum();

        Station() {
            plan.workingFormats().forEach(format -> composers.put(format, new Composer(format, alpha)));
        }

        WorkingPictures read(long frame, RunPlan.RunSource source) throws IOException {
            try (Picture decoded = decoded(frame, source)) {
                return placed(composed(decoded, source.picture()), source);
            }
        }

        private Picture decoded(long frame, RunPlan.RunSource source) throws IOException {
            Path file = Path.of(source.folder()).resolve(source.pattern().fileName(frame));
            String name = source.kind().isMovie() ? frame + " of " + source.name() : source.pattern().fileName(frame);
            return switch (reader.read(file, source.kind(), source.picture().layer(), frame)) {
                case FrameRead.Unsound unsound -> throw new IOException("Frame " + name
                        + " was sound when it was checked, and is " + unsound.state().label() + " now: " + unsound.why());
                case FrameRead.Sound sound -> {
                    Picture decoded = sound.picture();
                    try {
                        if (!sound.format().size().equals(source.size())) {
                            throw new IOException("Frame " + name + " is now "
                                    + sound.format().size() + " where " + source.size() + " was checked");
                        }
                        requireUnchanged(file, name, frame, source, decoded);
                        yield decoded;
                    } catch (IOException | RuntimeException e) {
                        decoded.close();
                        throw e;
                    }
                }
            };
        }

        /** A file that was written since it was checked isn't the one that was meant, even if it is sound. */
        private void requireUnchanged(Path file, String name, long frame, RunPlan.RunSource source, Picture decoded) throws IOException {
            RunPlan.FrameStamp stamp = stamps.get(source).get(source.kind().isMovie() ? 0L : frame);
            if (stamp != null && (Files.size(file) != stamp.bytes() || Files.getLastModifiedTime(file).toMillis() != stamp.modified())) {
                throw new IOException("Frame " + name + " was written since it was checked: look at it again, then make the files again");
            }
            if (stamp != null && stamp.print() != null && PicturePrint.of(decoded).whole() != stamp.print()) {
                throw new IOException("Frame " + name + " shows something else than when it was checked, though its length and time are the same: look at it again, then make the files again");
            }
        }

        WorkingPictures composed(Picture picture, PictureReading how) {
            WorkingPictures made = new WorkingPictures();
            composers.forEach((format, composer) -> {
                try (Picture composed = composer.compose(picture, how)) {
                    // A pass by itself is known only where passes are; elsewhere it is the picture that there is.
                    kinds.stream().filter(k -> k.format() == format).forEach(k -> made.put(k, composed.share()));
                }
            });
            return made;
        }

        /** In the reel's frame. */
        private WorkingPictures placed(WorkingPictures pictures, RunPlan.RunSource source) {
            if (source.placement() == null) {
                return pictures;
            }
            Placing placing = placings.computeIfAbsent(source, s -> new Placing(s.placement(), plan.size()));
            try (pictures) {
                WorkingPictures placed = new WorkingPictures();
                kinds.forEach(kind -> placed.put(kind, placing.place(pictures.in(kind))));
                return placed;
            }
        }

        /** The passes of a picture, put together. @param main source whose picture that is */
        WorkingPictures sum(Assembly.Passes how, List<ReelFrame> frames, RunPlan.RunSource main) throws IOException {
            List<PassSum.Decoded> decoded = new ArrayList<>();
            try {
                for (ReelFrame pass : frames) {
                    if (!(pass.content() instanceof ReelFrame.SourceFrame(long number))) {
                        throw new IllegalStateException("A pass that isn't a frame: " + pass);
                    }
                    RunPlan.RunSource source = plan.sourceOf(pass);
                    decoded.add(new PassSum.Decoded(decoded(number, source), source.picture()));
                }
                boolean seenThrough = main.picture().alpha().carriesTransparency();
                PictureReading reading = new PictureReading(seenThrough ? AlphaKind.PREMULTIPLIED : AlphaKind.NONE, null, how.colour());
                WorkingPictures made = new WorkingPictures();
                for (PictureKind kind : kinds) {
                    try (Picture sum = kind.pass() == null ? sums.sum(how, decoded) : alone(how, decoded, kind.pass())) {
                        made.put(kind, composers.get(kind.format()).compose(sum, reading));
                    }
                }
                return placed(made, main);
            } finally {
                decoded.forEach(d -> d.picture().close());
            }
        }

        /** One pass as it goes in. */
        private Picture alone(Assembly.Passes how, List<PassSum.Decoded> decoded, String pass) throws IOException {
            for (int i = 0; i < decoded.size(); i++) {
                if (how.passes().get(i).name().equals(pass)) {
                    return sums.sum(new Assembly.Passes(List.of(how.passes().get(i)), how.colour()), List.of(decoded.get(i)));
                }
            }
            throw new IOException("There is no pass " + pass + " here any more");
        }

        /** Several views in one picture. */
        WorkingPictures views(Assembly.Views how, List<View> views) {
            WorkingPictures made = new WorkingPictures();
            kinds.forEach(kind -> made.put(kind, layouts.computeIfAbsent(kind.format(), f -> new ViewsPainter(composers.get(f), alpha, plan.pixelAspect()))
                    .paint(how, views.stream().map(v -> new ViewsPainter.Shown(v.pictures.in(kind), v.caption, v.drawn)).toList())));
            return made;
        }

        /** What a card says, drawn as a display shows it. */
        WorkingPictures card(List<String> lines, Size size) {
            try (Picture drawn = cards.paint(WorkingFormat.W8, alpha, size.width(), size.height(), lines)) {
                return composed(drawn, opaque());
            }
        }

        WorkingPictures plain(Rgb colour, Size size) {
            try (Picture drawn = Grounds.plain(colour, alpha, size.width(), size.height())) {
                return composed(drawn, opaque());
            }
        }

        WorkingPictures drawing(ReelFrame.Drawing drawing, Size size) {
            WorkingPictures made = new WorkingPictures();
            kinds.forEach(kind -> made.put(kind, drawings.working(drawing, composers.get(kind.format()), alpha, size.width(), size.height(), plan.pixelAspect())));
            return made;
        }

        private PictureReading opaque() {
            return PictureReading.of(alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, false);
        }

        void close() {
            reader.close();
            placings.values().forEach(Placing::close);
            layouts.values().forEach(ViewsPainter::close);
            sums.close();
            composers.values().forEach(Composer::close);
        }
    }

    /** What stands in one place of a layout. @param drawn for its box */
    private record View(WorkingPictures pictures, Lettering caption, boolean drawn) { }

    private record Ahead(Future<WorkingPictures> picture) { }

    private final RunPlan plan;
    private final boolean alpha;
    private final Set<PictureKind> kinds;
    private final int threads;
    private final ExecutorService pool;
    private final ExecutorService clipPool;
    /** On the one thread of their pool only. */
    private final Map<RunPlan.RunSource, Station> clips = new IdentityHashMap<>();
    private final List<Station> stations = new ArrayList<>();
    private final BlockingQueue<Station> free = new LinkedBlockingQueue<>();
    private final Deque<Ahead> ahead = new ArrayDeque<>();
    private final CardPainter cards = new CardPainter();
    private ReelFrame lastFrame;
    private WorkingPictures lastPicture;
    /** By the plan's own sources: these hold a line for each frame, too much to be compared for every one. */
    private final Map<RunPlan.RunSource, Map<Long, RunPlan.FrameStamp>> stamps = new IdentityHashMap<>();
    private final LongPredicate wanted;
    private long next;

    /** Every frame of a plan. */
    public FrameFeed(RunPlan plan, int threads) {
        this(plan, threads, _ -> true);
    }

    /** @param wanted which reel frames are read at all */
    public FrameFeed(RunPlan plan, int threads, LongPredicate wanted) {
        this.wanted = wanted;
        plan.sources().forEach(s -> stamps.put(s, s.stamps().stream().collect(Collectors.toMap(t -> s.kind().isMovie() ? 0L : t.number(), Function.identity(), (a, _) -> a))));
        this.plan = plan;
        this.alpha = plan.sources().stream().anyMatch(s -> !s.pass() && s.picture().alpha().carriesTransparency());
        this.kinds = plan.pictureKinds();
        this.threads = threads;
        this.pool = Executors.newFixedThreadPool(threads, Thread.ofPlatform().name("decode-", 0).daemon().factory());
        this.clipPool = Executors.newSingleThreadExecutor(Thread.ofPlatform().name("decode-clip").daemon().factory());
        for (int i = 0; i < threads; i++) {
            stations.add(new Station());
        }
        free.addAll(stations);
    }

    /**
     * The next frame that is wanted, which the caller closes.
     *
     * @throws IOException naming the file, if a frame isn't what it was when it was checked
     */
    public WorkingPictures next() throws IOException, InterruptedException {
        while (ahead.size() < 2 * threads && next < plan.frames()) {
            if (!wanted.test(next)) {
                next++;
                continue;
            }
            ReelFrame frame = plan.frameAt(next++);
            ahead.add(new Ahead(repeats(frame) ? null : poolFor(frame).submit(() -> picture(frame, plan.size()))));
            lastFrame = frame;
        }
        Ahead first = ahead.remove();
        if (first.picture != null) {
            WorkingPictures fresh = await(first.picture);
            if (lastPicture != null) {
                lastPicture.close();
            }
            lastPicture = fresh;
        }
        return lastPicture.share();
    }

    private ExecutorService poolFor(ReelFrame frame) {
        return frame.seen().stream().anyMatch(seen -> plan.sourceOf(seen).kind().isMovie()) ? clipPool : pool;
    }

    private boolean repeats(ReelFrame frame) {
        // A card tells which frame is missing, a calendar goes on while pictures stand.
        boolean ownWords = frame.content() instanceof ReelFrame.Card || frame.content() instanceof ReelFrame.Together(Assembly.Views how, List<ReelFrame> _) && how.days() != null;
        return lastFrame != null && lastFrame.item() == frame.item() && lastFrame.content().equals(frame.content()) && !ownWords;
    }

    /** @param size of what is drawn */
    private WorkingPictures picture(ReelFrame frame, Size size) throws IOException, InterruptedException {
        return switch (frame.content()) {
            case ReelFrame.SourceFrame(long number) -> {
                RunPlan.RunSource source = plan.sourceOf(frame);
                yield atStation(source.kind().isMovie() ? source : null, station -> station.read(number, source));
            }
            case ReelFrame.Blend(long before, long after, Rational share) -> mixed(frame.with(new ReelFrame.SourceFrame(before)), frame.with(new ReelFrame.SourceFrame(after)), share, size);
            case ReelFrame.Cross(ReelFrame from, ReelFrame to, Rational share) -> mixed(from, to, share, size);
            case ReelFrame.Card(String reason) -> {
                RunPlan.RunSource source = plan.sourceOf(frame);
                yield atStation(null, station -> station.card(cardLines(source.pattern().number(frame.wanted()), reason, source.name()), size));
            }
            case ReelFrame.Plain(Rgb colour) -> atStation(null, station -> station.plain(colour, size));
            case ReelFrame.Drawing drawing -> atStation(null, station -> station.drawing(drawing, size));
            case ReelFrame.Together(Assembly.Views how, List<ReelFrame> frames) -> views(how, frame, frames);
            case ReelFrame.Together(Assembly.Passes how, List<ReelFrame> frames) -> {
                RunPlan.RunSource movie = frames.stream().map(plan::sourceOf).filter(s -> s.kind().isMovie()).findFirst().orElse(null);
                yield atStation(movie, station -> station.sum(how, frames, plan.sourceOf(frame)));
            }
        };
    }

    private WorkingPictures views(Assembly.Views how, ReelFrame layout, List<ReelFrame> frames) throws IOException, InterruptedException {
        List<View> views = new ArrayList<>();
        try {
            for (int i = 0; i < frames.size(); i++) {
                ReelFrame view = frames.get(i);
                boolean mixed = view.content() instanceof ReelFrame.Cross || view.content() instanceof ReelFrame.Blend;
                WorkingPictures pictures = picture(view, mixed ? plan.sourceOf(view).size() : how.laid().get(i).box().size());
                views.add(new View(pictures, how.letteringAt(i, layout.wanted(), view, RunPlan.isDrawn(view) ? null : plan.sourceOf(view).location()),
                        !mixed && !(view.content() instanceof ReelFrame.SourceFrame)));
            }
            return atStation(null, station -> station.views(how, views));
        } finally {
            views.forEach(v -> v.pictures.close());
        }
    }

    private WorkingPictures mixed(ReelFrame from, ReelFrame to, Rational share, Size size) throws IOException, InterruptedException {
        try (WorkingPictures before = picture(from, size); WorkingPictures after = picture(to, size)) {
            WorkingPictures mixed = new WorkingPictures();
            kinds.forEach(kind -> mixed.put(kind, Mixing.mix(before.in(kind), after.in(kind), share)));
            return mixed;
        }
    }

    private interface Work {
        WorkingPictures at(Station station) throws IOException;
    }

    /** A movie is decoded in order by one station of its own; the frames of a sequence by whichever is free. @param movie or null */
    private WorkingPictures atStation(RunPlan.RunSource movie, Work work) throws IOException, InterruptedException {
        if (movie != null) {
            return work.at(clips.computeIfAbsent(movie, _ -> new Station()));
        }
        Station station = free.take();
        try {
            return work.at(station);
        } finally {
            free.add(station);
        }
    }

    /** What a card says, the same in the window and in the file. */
    public static List<String> cardLines(String number, String reason, String source) {
        return List.of(number, reason, source);
    }

    private static WorkingPictures await(Future<WorkingPictures> picture) throws IOException, InterruptedException {
        try {
            return picture.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            throw new IOException("A frame can't be read: " + e.getCause().getMessage(), e.getCause());
        }
    }

    @Override
    public void close() {
        pool.shutdownNow();
        clipPool.shutdownNow();
        for (Ahead waiting : ahead) {
            closeWhenDone(waiting.picture);
        }
        ahead.clear();
        if (lastPicture != null) {
            lastPicture.close();
            lastPicture = null;
        }
        try {
            pool.awaitTermination(10, TimeUnit.SECONDS);
            clipPool.awaitTermination(10, TimeUnit.SECONDS);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
        stations.forEach(Station::close);
        clips.values().forEach(Station::close);
    }

    private static void closeWhenDone(Future<WorkingPictures> picture) {
        if (picture == null || !picture.isDone()) {
            return;
        }
        if (picture.state() == Future.State.SUCCESS) {
            picture.resultNow().close();
        }
    }
}
