package dev.vat.engine.viewer;

import dev.vat.core.proof.Receipt;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.Location;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.engine.source.SourceFinder;
import dev.vat.protocol.run.ReceiptFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.CompletionException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What lies at a source's place now.
 *
 * @param sequence its frames; empty for sounds, and where nothing is left
 * @param clip what a movie or sound file holds
 */
public record Listing(Optional<Sequence> sequence, Optional<ClipFacts> clip) {

    private static final Words WORDS = Words.of(Listing.class);

    private static final Logger LOG = LoggerFactory.getLogger(Listing.class);

    public static final Listing NOTHING = new Listing(Optional.empty(), Optional.empty());

    /**
     * Looks at the place; of movies and sounds into the file as well, which takes as long as reading it.
     *
     * @throws IOException with the reason in words, if the place or file can't be read
     */
    public static Listing of(Viewer viewer, Location location) throws IOException {
        if (!location.isMovie() && !location.isSound()) {
            return new Listing(SourceFinder.again(location.folder(), location.pattern()), Optional.empty());
        }
        Path file = location.file();
        if (!Files.isRegularFile(file)) {
            return NOTHING;
        }
        long size = Files.size(file);
        if (size == 0) {
            throw new IOException(WORDS.say("theFileHasNoBytes"));
        }
        ClipFacts clip;
        try {
            clip = viewer.probe(file).join();
        } catch (CompletionException e) {
            throw new IOException(WORDS.say("theFileCantBeRead", e.getCause().getMessage()), e);
        }
        clip = withHistory(clip, file, size);
        Optional<Sequence> frames = clip.frames() == 0 ? Optional.empty()
                : Optional.of(Sequence.ofMovie(location.folder(), location.pattern().before(), clip.frames(), clip.numbers(), size,
                        Files.getLastModifiedTime(file).toMillis()));
        return new Listing(frames, Optional.of(clip));
    }

    /**
     * A receipt beside a file of the same length knows how often its pictures were packed with loss before, and whether they are a draft.
     */
    private static ClipFacts withHistory(ClipFacts clip, Path file, long size) {
        Path receipt = ReceiptFile.of(file);
        if (!Files.isRegularFile(receipt)) {
            return clip;
        }
        try {
            Receipt made = ReceiptFile.read(receipt);
            return made.found() != null && made.found().bytes() == size
                    ? clip.withHistory(Math.max(clip.lossyPasses(), made.lossyPasses()), made.draft()) : clip;
        } catch (IOException e) {
            LOG.info("The receipt beside {} can't be read", file.getFileName(), e);
            return clip;
        }
    }
}
