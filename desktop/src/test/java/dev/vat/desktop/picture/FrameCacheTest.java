package dev.vat.desktop.picture;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.recipe.Recipe;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.protocol.ViewerMessage;
import java.nio.ByteBuffer;
import java.nio.file.Files;
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
        return new FrameCache.Key(new ViewerMessage.Made(new Recipe.Finished("/kite.mov", frame)),
                new ViewerMessage.Shape(8, 4, null, ViewerMessage.Showing.COLOUR, null));
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

    /** Waits until the picture is at hand. */
    private ByteBuffer fetched(FrameCache.Key key) {
        while (cache.fetch(key) && !cache.has(key)) {
            Thread.onSpinWait();
        }
        return cache.get(key).orElseThrow();
    }

    private int value(int frame) {
        ByteBuffer pixels = fetched(key(frame));
        assertThat(pixels.remaining()).isEqualTo(BYTES);
        return pixels.get(BYTES - 1);
    }

    @Test
    void whatFallsOutOfMemoryIsReadBackFromDisk() {
        cache = new FrameCache(folder, 3 * BYTES, 5 * BYTES, BYTES / 4);
        for (int i = 0; i < 8; i++) {
            cache.put(key(i), picture(i + 1));
        }
        assertThat(cache.keys()).hasSize(8);
        // Each one that is read back drives another one out; whatever is still there is what it was.
        for (int i = 0; i < 40; i++) {
            int frame = i * 5 % 8;
            if (cache.isKept(key(frame))) {
                assertThat(value(frame)).as("frame %d", frame).isEqualTo(frame + 1);
            }
        }
        cache.close();
        cache = null;
        assertThat(folder).as("nothing stays behind").isEmptyDirectory();
    }

    @Test
    void bothAreBounded() {
        cache = new FrameCache(folder, 3 * BYTES, 5 * BYTES, BYTES / 4);
        for (int i = 0; i < 100; i++) {
            cache.put(key(i), picture(i));
        }
        assertThat(cache.keys()).hasSizeLessThanOrEqualTo(8).contains(key(99), key(98), key(97));
        assertThat(cache.get(key(3))).isEmpty();
        assertThat(value(99)).isEqualTo(99);
    }

    /** A second size comes in while the file is full of the first: each goes by its age, and the file stays within its bound. */
    @Test
    void picturesOfTwoSizesShareTheFile() throws Exception {
        cache = new FrameCache(folder, 2 * BYTES, 8 * BYTES, BYTES / 4);
        for (int i = 0; i < 40; i++) {
            cache.put(key(i), picture(i));
            cache.put(small(i), picture(100 + i));
        }
        long kept = cache.keys().stream().mapToLong(FrameCache.Key::bytes).sum();
        assertThat(kept).as("nothing is pushed out for want of a place that fits").isGreaterThan(8 * BYTES);
        for (int i = 34; i < 40; i++) {
            assertThat(fetched(small(i)).get(0)).isEqualTo((byte) (100 + i));
        }
        try (var files = Files.list(folder)) {
            for (Path file : files.toList()) {
                assertThat(Files.size(file)).isLessThanOrEqualTo(8 * BYTES);
            }
        }
    }

    private static FrameCache.Key small(int frame) {
        return new FrameCache.Key(new ViewerMessage.Made(new Recipe.Finished("/kite.mov", frame)),
                new ViewerMessage.Shape(4, 2, null, ViewerMessage.Showing.COLOUR, null));
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

    @Test
    void aCacheThatIsClosedTakesNothingAndIsClosedAgainInPeace() {
        cache = new FrameCache(folder, 3L * BYTES, 5L * BYTES, BYTES);
        for (int frame = 0; frame < 6; frame++) {
            cache.put(key(frame), picture(frame));
        }
        cache.close();
        cache.put(key(7), picture(7));
        assertThat(cache.keys()).isEmpty();
        assertThat(cache.fetch(key(1))).isFalse();
        cache.close();
    }
}
