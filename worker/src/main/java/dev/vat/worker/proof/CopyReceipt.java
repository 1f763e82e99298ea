package dev.vat.worker.proof;

import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Scan;
import dev.vat.core.product.VatVersion;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.FileFacts;
import dev.vat.core.proof.Receipt;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.media.mux.MovieCopy;
import dev.vat.media.proof.MovieProof;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * The receipt of a file into which packets of others were copied: all its pictures are decoded and held against theirs, and what it says of
 * itself against what they say. What the sources themselves don't keep, such as even spacing, isn't asked of it.
 */
public final class CopyReceipt {

    private static final Words WORDS = Words.of(CopyReceipt.class);

    /** In place of a target's id. */
    public static final String COPY = "copy";

    /** Sources that were decoded already: a movie that is split is the source of every piece. */
    private final Map<Path, MovieProof.Result> proven = new HashMap<>();

    /**
     * Writes it beside the file.
     *
     * @param target what was asked for; the file itself stands under {@code file}
     * @param doing told in words what goes on
     * @return what there is to know of it, in words
     * @throws IOException if a file can't be read, or the receipt not be written
     */
    public List<String> write(List<MovieCopy.Piece> pieces, MovieCopy.Target target, Path file, Consumer<String> doing)
            throws IOException {
        doing.accept(WORDS.say("proving", file.getFileName()));
        List<Integer> wanted = new ArrayList<>();
        List<Receipt.SourceLine> sources = new ArrayList<>();
        FileFacts source = null;
        for (MovieCopy.Piece piece : pieces) {
            MovieProof.Result whole = source(piece.file());
            source = source == null ? whole.facts() : source;
            FrameRange taken = piece.frames() == null ? FrameRange.of(0, whole.crcs().length - 1) : piece.frames();
            Arrays.stream(whole.crcs(), (int) taken.first(), (int) taken.last() + 1).forEach(wanted::add);
            sources.add(new Receipt.SourceLine(piece.file().getFileName().toString(), taken.first(), taken.last(), 1, taken.count()));
        }
        MovieProof.Result found = MovieProof.prove(file, _ -> true);
        Expectation planned = planned(source, found.facts(), target, wanted.size());
        Set<String> lacking = lacking(source, target.container());
        Comparison comparison = new Comparison(
                Comparison.of(planned, found.facts()).lines().stream().filter(l -> !lacking.contains(l.name())).toList());
        List<String> reasons = new ArrayList<>();
        comparison.disagreements().forEach(l -> reasons.add(WORDS.say("wasPlannedWasFound", l.name(), l.planned(), l.found())));
        pictures(wanted, found.crcs(), reasons);
        Receipt receipt = new Receipt(Receipt.VERSION, file.getFileName().toString(), Instant.now().toString(), VatVersion.current(),
                MediaLibrary.version(), "", "", "", COPY, WORDS.say("copied"), reasons.isEmpty(), reasons, null, planned.rate(),
                WORDS.say("asItsSource"), sources, List.of(), planned, found.facts(), comparison, null, List.of(WORDS.say("everyPacket")),
                List.of(), Durable.sha256(file),
                IntStream.range(0, found.crcs().length).mapToObj(i -> new Receipt.FrameLine(i, "%08x".formatted(found.crcs()[i]), null, 1))
                        .toList(),
                0, false, found.spacing(), found.loudness(), Durable.prints(file), found.soundSeconds());
        Durable.write(ReceiptFile.of(file), Json.page(receipt));
        return reasons.isEmpty() ? List.of(WORDS.say("proven", file.getFileName(), wanted.size()))
                : reasons.stream().map(r -> WORDS.say("notProven", file.getFileName(), r)).toList();
    }

    private MovieProof.Result source(Path file) throws IOException {
        MovieProof.Result known = proven.get(file);
        if (known == null) {
            known = MovieProof.prove(file, _ -> true);
            proven.put(file, known);
        }
        return known;
    }

    private static void pictures(List<Integer> wanted, int[] found, List<String> reasons) {
        int first = 0;
        while (first < Math.min(wanted.size(), found.length) && wanted.get(first) == found[first]) {
            first++;
        }
        if (first < wanted.size() || first < found.length) {
            reasons.add(WORDS.say("frameIsAnother", first));
        }
    }

    /** Lines of which the source itself is otherwise: nothing that a copy could have lost. */
    private static Set<String> lacking(FileFacts source, Container container) {
        Expectation itself = planned(source, source, new MovieCopy.Target(null, container, null, null, null, false), source.frames());
        Set<String> names = Comparison.of(itself, source).disagreements().stream().map(Comparison.Line::name)
                .collect(Collectors.toCollection(TreeSet::new));
        if (!source.container().equals(container.title())) {
            Comparison.of(itself, source).lines().stream().filter(l -> l.planned().equals(container.title())).map(Comparison.Line::name)
                    .forEach(names::remove);
        }
        return names;
    }

    /** What the copy must be like: its source, with what was asked for in place of some of it, and what its container has no place for. */
    private static Expectation planned(FileFacts source, FileFacts found, MovieCopy.Target target, long frames) {
        Container container = target.container();
        boolean tagged = target.colour() != null || !container.statesColour();
        boolean shaped = target.pixelAspect() == null && container.statesPixelAspect();
        Chroma chroma = Arrays.stream(Chroma.values()).filter(c -> c.label().equals(source.chroma())).findFirst().orElse(Chroma.RGB);
        Expectation.SoundTrack sound = found.sound() == null ? null
                : new Expectation.SoundTrack(target.sound() != null ? found.sound().codec() : source.sound() == null ? found.sound().codec()
                        : source.sound().codec(), found.sound().channels(), found.sound().rate(), found.sound().seconds());
        boolean heard = !target.silent() && (target.sound() != null || source.sound() != null);
        int tracks = !heard ? 0 : target.sound() != null ? 1 : source.soundTracks();
        FileFacts tags = tagged ? found : source;
        return new Expectation(frames, source.rate(), source.size(),
                target.pixelAspect() != null ? target.pixelAspect() : shaped ? source.pixelAspect() : found.pixelAspect(), container,
                source.codec(), source.profile(), source.bits(), source.bits(), chroma, source.alphaBits(), tag(tags.matrix()),
                tag(tags.primaries()), tag(tags.transfer()), tag(tags.range()), tracks, heard ? sound : null, false, null, null,
                Arrays.stream(Scan.values()).filter(s -> s.title().equals(source.scan())).findFirst().orElse(Scan.PROGRESSIVE), null,
                found.timecode(), null, null, null, null, SoundTracks.TOGETHER);
    }

    private static String tag(String name) {
        return name.equals("unknown") ? null : name;
    }
}
