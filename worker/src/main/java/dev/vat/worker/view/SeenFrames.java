package dev.vat.worker.view;

import dev.vat.core.recipe.Recipe;
import dev.vat.media.frame.FrameMaker;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.nio.file.Path;

/** Frames for the window: as they lie there now, whatever they were when they were checked. Belongs to one thread. */
final class SeenFrames implements FrameMaker.Frames, AutoCloseable {

    private final FrameReader reader = new FrameReader();

    @Override
    public Picture decoded(Recipe.Frame frame) throws IOException {
        return switch (reader.readAs(frame.reading(), Path.of(frame.path()), frame.kind(), frame.number())) {
            case FrameRead.Unsound unsound -> throw new IOException(unsound.state().label() + ": " + unsound.why());
            case FrameRead.Sound sound -> sound.picture();
        };
    }

    @Override
    public void close() {
        reader.close();
    }
}
