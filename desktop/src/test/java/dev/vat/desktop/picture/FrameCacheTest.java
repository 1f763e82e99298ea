package dev.vat.desktop.picture;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.recipe.Recipe;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.protocol.ViewerMessage;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mockito;

/** Room for three pictures of 8x4 in memory, and for five more on disk. */
class FrameCacheTest {

    private static final int BYTES = 8 * 4 * 4;

    @TempDir
    private Path folder;

    private FrameCache cache;

    @AfterEach
    void close() {
        if (cache != null) {
            cache.close();
        }
    }

    private static FrameCache.Key key(int frame) {
        return new FrameCache.Key(new ViewerMessage.Made(new Recipe.Finished("/kite.mov", frame)), new ViewerMessage.Shape(8, 4, null, ViewerMessage.Showing.COLOUR, null));
    }

    private static ShownPicture picture(int value) {
        ShownPicture picture = Mockito.mock(ShownPicture.class);
        Mockito.doAnswer(call -> {
            ByteBuffer target = call.getArgument(0);
            while (target.hasRemaining()) {
                target.put((byte) value);
            }
            return null;
        }).when(picture).copyTo(Mockito.any());
        return picture;
    }

    private int value(int frame) {
        ByteBuffer pixels = cache.get(key(frame)).orElseThrow();
        assertThat(pixels.remaining()).isEqualTo(BYTES);
        return pixels.get(BYTES - 1);
    }

    @Test
    void whatFallsOutOfMemoryIsReadBackFromDisk() {
        cache = new FrameCache(folder, 3 * BYTES, 5 * BYTES);
        for (int i = 0; i < 8; i++) {
            cache.put(key(i), picture(i + 1));
        }
        assertThat(cache.keys()).hasSize(8);
        // Each one that is read back drives another one out; whatever is still there is what it was.
        for (int i = 0; i < 40; i++) {
            int frame = i * 5 % 8;
            if (cache.has(key(frame))) {
                assertThat(value(frame)).as("frame %d", frame).isEqualTo(frame + 1);
            }
        }
        cache.close();
        cache = null;
        assertThat(folder).as("nothing stays behind").isEmptyDirectory();
    }

    @Test
    void bothAreBounded() {
        cache = new FrameCache(folder, 3 * BYTES, 5 * BYTES);
        for (int i = 0; i < 100; i++) {
            cache.put(key(i), picture(i));
        }
        assertThat(cache.keys()).hasSizeLessThanOrEqualTo(8).contains(key(99), key(98), key(97));
        assertThat(cache.get(key(3))).isEmpty();
        assertThat(value(99)).isEqualTo(99);
    }

    @Test
    void withoutAFolderOnlyMemoryIsUsed() {
        cache = new FrameCache(null, 2 * BYTES, 5 * BYTES);
        for (int i = 0; i < 4; i++) {
            cache.put(key(i), picture(i));
        }
        assertThat(cache.keys()).containsExactlyInAnyOrder(key(2), key(3));
        long before = cache.version();
        cache.put(key(3), picture(9));
        assertThat(value(3)).as("what is there stays").isEqualTo(3);
        assertThat(cache.version()).isEqualTo(before);
    }
}
