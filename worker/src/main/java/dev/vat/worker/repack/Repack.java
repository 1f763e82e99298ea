package dev.vat.worker.repack;

import dev.vat.core.repack.CutPlaces;
import dev.vat.core.repack.Pieces;
import dev.vat.core.repack.Seam;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.media.convert.MovieLooks;
import dev.vat.media.lib.MediaException;
import dev.vat.media.mux.Cutting;
import dev.vat.media.mux.MovieCopy;
import dev.vat.media.mux.Salvage;
import dev.vat.protocol.RepackOrder;
import dev.vat.protocol.storage.Durable;
import dev.vat.worker.proof.CopyReceipt;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;

/** Carries out what is asked of finished files. Each new file gets its name only when it is whole and was read again. */
public final class Repack {

    private static final Words WORDS = Words.of(Repack.class);

    /** Tags of colours by the names of their standards. */
    public static final Map<String, MovieCopy.Colour> COLOURS = Map.of("rec709", new MovieCopy.Colour(1, 1, 1, false), "rec601-625",
            new MovieCopy.Colour(5, 6, 5, false), "rec601-525", new MovieCopy.Colour(6, 6, 6, false),
            "rec2020-pq", new MovieCopy.Colour(9, 16, 9, false), "rec2020-hlg", new MovieCopy.Colour(9, 18, 9, false), "srgb",
            new MovieCopy.Colour(1, 13, 1, false));

    /** What came of it. @param files that were made @param said what there is to know, in words */
    public record Result(List<Path> files, List<String> said) {}

    private static final int SEEN_AT_A_SEAM = 75;
    private static final String WORK = ".vat-new-";

    private final CopyReceipt receipts = new CopyReceipt();
    private final Consumer<String> doing;

    private Repack(Consumer<String> doing) {
        this.doing = doing;
    }

    /**
     * @param doing told in words what goes on
     * @throws IOException naming the file, if one can't be read or written, is there already, or can't be done what was asked for
     */
    public static Result of(RepackOrder order, Consumer<String> doing) throws IOException {
        Repack repack = new Repack(doing);
        try {
            return switch (order) {
                case RepackOrder.Split split -> repack.split(split);
                case RepackOrder.Join join -> repack.join(join);
                case RepackOrder.Rewrap rewrap -> repack.rewrap(rewrap);
                case RepackOrder.Recover recover -> repack.recover(recover);
            };
        } catch (MediaException | IllegalArgumentException e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    private interface Making {
        void into(Path work) throws IOException;
    }

    /** Under a name of its own until it is whole. */
    private static void made(Path target, Making making) throws IOException {
        if (Files.exists(target)) {
            throw new FileAlreadyExistsException(target.toString(), null, WORDS.say("nothingIsWrittenOverItChoose"));
        }
        Files.createDirectories(target.getParent());
        Path work = target.resolveSibling(WORK + target.getFileName());
        try {
            making.into(work);
            Durable.sync(work);
            Files.move(work, target);
            Durable.syncFolder(target.getParent());
        } catch (MediaException e) {
            // Nobody has to know what it was called meanwhile.
            throw new IOException(e.getMessage().replace(work.getFileName().toString(), target.getFileName().toString()), e);
        } finally {
            Files.deleteIfExists(work);
        }
    }

    private static Path there(String file) throws IOException {
        Path path = Path.of(file);
        if (!Files.isRegularFile(path)) {
            throw new NoSuchFileException(file, null, WORDS.say("thereIsNoSuchFile"));
        }
        return path;
    }

    private static MovieCopy.Target plain(Path file, String named) {
        return new MovieCopy.Target(file, RepackOrder.container(named), null, null, null, false);
    }

    // ---- split

    private Result split(RepackOrder.Split order) throws IOException {
        Path file = there(order.file());
        doing.accept(WORDS.say("lookingWhereCanBeCut", file.getFileName()));
        CutPlaces places = Cutting.places(file);
        Pieces pieces = order.seconds() == null ? Pieces.at(order.marks(), places)
                : Pieces.every(Math.max(1, order.seconds().times(MovieCopy.rate(file).perSecond()).round()), places);
        if (pieces.ranges().size() == 1) {
            throw new IOException(WORDS.say("cantBeSplitThere", file.getFileName(),
                    (pieces.moved().isEmpty() ? WORDS.say("itIsNoLongerThanOnePiece") : WORDS.say("noFrameBeforeButTheFirst"))));
        }
        String name = file.getFileName().toString();
        int dot = name.lastIndexOf('.');
        List<Path> targets = new ArrayList<>();
        for (int i = 0; i < pieces.ranges().size(); i++) {
            targets.add(Path.of(order.folder()).resolve("%s_part%03d%s".formatted(name.substring(0, dot), i + 1, name.substring(dot))));
        }
        for (Path target : targets) {
            if (Files.exists(target)) {
                throw new FileAlreadyExistsException(target.toString(), null, WORDS.say("nothingIsWrittenOverIt"));
            }
        }
        List<String> said = new ArrayList<>(pieces.moved());
        for (int i = 0; i < targets.size(); i++) {
            FrameRange range = pieces.ranges().get(i);
            doing.accept(WORDS.say("writing", targets.get(i).getFileName()));
            List<MovieCopy.Piece> piece = List.of(new MovieCopy.Piece(file, range));
            made(targets.get(i), work -> MovieCopy.copy(piece, plain(work, name)));
            said.add(WORDS.say("frames", targets.get(i).getFileName(), range, range.count()));
            said.addAll(receipts.write(piece, plain(targets.get(i), name), targets.get(i), doing));
        }
        return new Result(targets, said);
    }

    // ---- join

    /** A part as it is read. @param file itself, or what stands whole in it @param name of the part */
    private record Part(Path file, String name, long frames) {}

    private Result join(RepackOrder.Join order) throws IOException {
        if (order.files().size() < 2) {
            throw new IllegalArgumentException(WORDS.say("toBeJoinedThereHaveToBe"));
        }
        Path target = Path.of(order.target());
        Files.createDirectories(target.getParent());
        Path aside = Files.createTempDirectory(target.getParent(), WORK);
        try {
            List<String> said = new ArrayList<>();
            List<Part> parts = new ArrayList<>();
            for (String file : order.files()) {
                parts.add(part(there(file), aside, said));
            }
            for (Part part : parts.subList(1, parts.size())) {
                MovieCopy.requireSameSize(parts.getFirst().file, part.file);
            }
            List<MovieCopy.Piece> pieces = pieces(parts, said);
            doing.accept(WORDS.say("writing", target.getFileName()));
            made(target, work -> {
                MovieCopy.Result result = joined(pieces, plain(work, order.target()), said);
                said.add(WORDS.say("framesEveryPacketAsItWas", target.getFileName(), result.frames()));
                said.addAll(result.notes());
            });
            said.addAll(receipts.write(pieces, plain(target, order.target()), target, doing));
            return new Result(List.of(target), said);
        } finally {
            Durable.deleteTree(aside);
        }
    }

    /** What was found out is told even where parts don't go together. */
    private static MovieCopy.Result joined(List<MovieCopy.Piece> pieces, MovieCopy.Target target, List<String> said) throws IOException {
        try {
            return MovieCopy.copy(pieces, target);
        } catch (MediaException e) {
            throw new IOException(e.getMessage() + ". " + String.join(". ", said), e);
        }
    }

    /** Of a broken part what stands whole in it is read. */
    private Part part(Path file, Path aside, List<String> said) throws IOException {
        doing.accept(WORDS.say("lookingThrough", file.getFileName()));
        String name = file.getFileName().toString();
        Salvage.Found found = Salvage.look(file);
        if (found.why() == null) {
            return new Part(file, name, found.frames());
        }
        if (found.frames() == 0) {
            throw new IOException(WORDS.say("holdsNoFrameThatIsWhole", name, found.why()));
        }
        said.add(WORDS.say("isBrokenFramesOfItAreWhole", name, found.why(), found.frames()));
        Path whole = aside.resolve(name);
        MovieCopy.copy(List.of(new MovieCopy.Piece(file, FrameRange.of(0, found.frames() - 1))), plain(whole, name));
        return new Part(whole, name, found.frames());
    }

    private List<MovieCopy.Piece> pieces(List<Part> parts, List<String> said) throws IOException {
        List<MovieCopy.Piece> pieces = new ArrayList<>();
        long from = 0;
        for (int i = 0; i < parts.size(); i++) {
            Part part = parts.get(i);
            long end = part.frames;
            long next = 0;
            if (i + 1 < parts.size()) {
                Part other = parts.get(i + 1);
                doing.accept(WORDS.say("holdingAgainst", part.name, other.name));
                Seam seam = Seam.between(MovieLooks.last(part.file, end, SEEN_AT_A_SEAM), MovieLooks.first(other.file, SEEN_AT_A_SEAM));
                said.add(WORDS.say("and", part.name, other.name, seam.words()));
                if (seam.kind() == Seam.Kind.SHARED) {
                    long[] cut = shared(part, other, seam.frames());
                    end = cut[0];
                    next = cut[1];
                }
            }
            if (end <= from) {
                said.add(WORDS.say("holdsNothingThatTheOthers", part.name));
            } else {
                pieces.add(new MovieCopy.Piece(part.file, FrameRange.of(from, end - 1)));
            }
            from = next;
        }
        return pieces;
    }

    /**
     * Where one part is left and the next begins, within what both have.
     *
     * @return frames of the first that are taken, and the first frame of the second
     */
    private static long[] shared(Part part, Part next, int shared) throws IOException {
        CutPlaces first = Cutting.places(part.file);
        CutPlaces second = Cutting.places(next.file);
        for (int begun = shared; begun >= 0; begun--) {
            int left = (int) part.frames - shared + begun;
            if (begun < second.count() && second.canStart(begun) && first.canEnd(left)) {
                return new long[] {left, begun};
            }
        }
        throw new IOException(WORDS.say("andShareFramesAndAtNone", part.name, next.name, shared));
    }

    // ---- rewrap

    private Result rewrap(RepackOrder.Rewrap order) throws IOException {
        Path file = there(order.file());
        Path target = Path.of(order.target());
        MovieCopy.Colour colour = order.colour() == null ? null : COLOURS.get(order.colour().toLowerCase(Locale.ROOT));
        if (order.colour() != null && colour == null) {
            throw new IllegalArgumentException(
                    WORDS.say("thereAreNoColoursThereAre", order.colour(), String.join(", ", COLOURS.keySet().stream().sorted().toList())));
        }
        Path sound = order.sound() == null ? null : there(order.sound());
        List<String> said = new ArrayList<>();
        FrameRange range = null;
        if (order.from() != null || order.to() != null) {
            CutPlaces places = Cutting.places(file);
            int wanted = order.from() == null ? 0 : Math.toIntExact(order.from());
            int last = order.to() == null ? places.count() - 1 : Math.toIntExact(order.to());
            if (wanted < 0 || last >= places.count() || wanted > last) {
                throw new IllegalArgumentException(
                        WORDS.say("hasFrames0ToNotTo", file.getFileName(), (places.count() - 1), wanted, last));
            }
            int from = places.startAtOrBefore(wanted);
            int end = places.endAtOrAfter(last + 1);
            if (from != wanted) {
                said.add(WORDS.say("itBeginsWithFrameInstead", from, wanted));
            }
            if (end != last + 1) {
                said.add(WORDS.say("itEndsWithFrameInsteadOf", (end - 1), last));
            }
            range = FrameRange.of(from, end - 1);
        }
        FrameRange frames = range;
        doing.accept(WORDS.say("writing", target.getFileName()));
        List<MovieCopy.Piece> piece = List.of(new MovieCopy.Piece(file, frames));
        made(target, work -> {
            MovieCopy.Result result = MovieCopy.copy(piece,
                    new MovieCopy.Target(work, RepackOrder.container(order.target()), order.pixelAspect(), colour, sound, order.silent()));
            said.addAll(result.notes());
            said.add(WORDS.say("frames2", target.getFileName(), result.frames(),
                    (order.pixelAspect() == null && colour == null ? WORDS.say("everyPacketAsItWas") : "")));
        });
        said.addAll(receipts.write(piece,
                new MovieCopy.Target(target, RepackOrder.container(order.target()), order.pixelAspect(), colour, sound, order.silent()),
                target,
                doing));
        return new Result(List.of(target), said);
    }

    // ---- recover

    private Result recover(RepackOrder.Recover order) throws IOException {
        Path file = there(order.file());
        Path target = Path.of(order.target());
        Rate rate = order.rate() == null ? Rate.FPS_25 : order.rate();
        List<String> said = new ArrayList<>();
        doing.accept(WORDS.say("lookingForWhatStandsWhole", file.getFileName()));
        made(target, work -> {
            Salvage.Recovered recovered = Salvage.recover(file, work, RepackOrder.container(order.target()), rate);
            said.add(target.getFileName() + ": " + recovered.frames() + (recovered.frames() == 1 ? " frame, " : " frames, ")
                    + recovered.how());
        });
        return new Result(List.of(target), said);
    }
}
