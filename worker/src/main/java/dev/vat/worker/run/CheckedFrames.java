package dev.vat.worker.run;

import dev.vat.core.recipe.FrameStamp;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.words.Words;
import dev.vat.media.frame.FrameMaker;
import dev.vat.media.lib.Kept;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.PicturePrint;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Frames for a run: each has to be what it was when it was checked. Belongs to one thread. */
final class CheckedFrames implements FrameMaker.Frames, AutoCloseable {

    private static final Words WORDS = Words.of(CheckedFrames.class);

    /** Several movies lie beside each other in views. */
    private static final int MOST_MOVIES = 16;

    private final FrameReader stills = new FrameReader();
    private final Kept<Path, FrameReader> movies = new Kept<>(MOST_MOVIES, _ -> new FrameReader(), FrameReader::close);

    @Override
    public Picture decoded(Recipe.Frame frame) throws IOException {
        Path file = Path.of(frame.path());
        boolean movie = frame.kind().isMovie();
        String name = movie ? WORDS.say("of", frame.number(), file.getFileName()) : file.getFileName().toString();
        return switch ((movie ? movies.get(file) : stills).readAs(frame.reading(), file, frame.kind(), frame.number())) {
            case FrameRead.Unsound unsound -> throw new IOException(
                    WORDS.say("frameWasSoundWhenItWasChecked", name, unsound.state().label(), unsound.why()));
            case FrameRead.Sound sound -> {
                try (Picture decoded = sound.picture()) {
                    if (frame.size() != null && !sound.format().size().equals(frame.size())) {
                        throw new IOException(
                                WORDS.say("frameIsNowWhereWasChecked", name, sound.format().size(), frame.size()));
                    }
                    requireUnchanged(file, name, frame.stamp(), decoded);
                    yield decoded.share();
                }
            }
        };
    }

    /** A file that was written since it was checked isn't the one that was meant, even if it is sound. */
    private static void requireUnchanged(Path file, String name, FrameStamp stamp, Picture decoded) throws IOException {
        if (stamp != null && (Files.size(file) != stamp.bytes() || Files.getLastModifiedTime(file).toMillis() != stamp.modified())) {
            throw new IOException(WORDS.say("frameWasWrittenSinceItWas", name));
        }
        if (stamp != null && stamp.print() != null && PicturePrint.of(decoded).whole() != stamp.print()) {
            throw new IOException(WORDS.say("frameShowsSomethingElse", name));
        }
    }

    @Override
    public void close() {
        stills.close();
        movies.close();
    }
}
