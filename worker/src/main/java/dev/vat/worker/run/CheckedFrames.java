package dev.vat.worker.run;

import dev.vat.core.recipe.FrameStamp;
import dev.vat.core.recipe.Recipe;
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

    /** Several movies lie beside each other in views. */
    private static final int MOST_MOVIES = 16;

    private final FrameReader stills = new FrameReader();
    private final Kept<Path, FrameReader> movies = new Kept<>(MOST_MOVIES, _ -> new FrameReader(), FrameReader::close);

    @Override
    public Picture decoded(Recipe.Frame frame) throws IOException {
        Path file = Path.of(frame.path());
        boolean movie = frame.kind().isMovie();
        String name = movie ? frame.number() + " of " + file.getFileName() : file.getFileName().toString();
        return switch ((movie ? movies.get(file) : stills).readAs(frame.reading(), file, frame.kind(), frame.number())) {
            case FrameRead.Unsound unsound -> throw new IOException("Frame " + name
                    + " was sound when it was checked, and is " + unsound.state().label() + " now: " + unsound.why());
            case FrameRead.Sound sound -> {
                try (Picture decoded = sound.picture()) {
                    if (frame.size() != null && !sound.format().size().equals(frame.size())) {
                        throw new IOException(
                                "Frame " + name + " is now " + sound.format().size() + " where " + frame.size() + " was checked");
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
            throw new IOException("Frame " + name + " was written since it was checked: look at it again, then make the files again");
        }
        if (stamp != null && stamp.print() != null && PicturePrint.of(decoded).whole() != stamp.print()) {
            throw new IOException("Frame " + name + " shows something else than when it was checked, though its length and time are "
                    + "the same: look at it again, then make the files again");
        }
    }

    @Override
    public void close() {
        stills.close();
        movies.close();
    }
}
