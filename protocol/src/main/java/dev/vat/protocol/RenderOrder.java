package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * What the stand-in renders into a folder, and what goes wrong with it.
 *
 * @param name what stands in front of the numbers
 * @param exr whether it is linear EXR with every pass as a layer, or 16-bit PNG
 * @param millis that each frame takes at least
 * @param jumbled whether frames don't come in their order
 * @param crash the frame before which it ends as a crash does, or null
 */
public record RenderOrder(String folder, String name, String camera, FrameRange range, Size size, boolean exr, int take, long leadIn,
        long millis, boolean jumbled, Long crash, List<Flaw> flaws) {

    private static final Words WORDS = Words.of(RenderOrder.class);

    /** Something wrong with one frame. */
    public record Flaw(Kind kind, long frame) {
        /** @param text such as {@code torn@12} */
        public static Flaw parse(String text) {
            String[] parts = text.split("@", 2);
            try {
                return new Flaw(Kind.valueOf(parts[0].strip().toUpperCase(Locale.ROOT)), Long.parseLong(parts[1].strip()));
            } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
                throw new IllegalArgumentException(WORDS.say("isNoFlawWriteOneOfAndAFrame", text,
                        Arrays.stream(Kind.values()).map(k -> k.name().toLowerCase(Locale.ROOT)).toList()), e);
            }
        }
    }

    /** What may be wrong with a frame. */
    public enum Kind {
        /** The file ends too soon. */
        CUT,
        /** Part of the frame before it. */
        TORN,
        BLANK,
        /** Darker in one place. */
        POP,
        /** Half the size. */
        SMALLER,
        /** No file. */
        HOLE,
        /** The kite has left the picture on one side. */
        LEAVING
    }

    public RenderOrder {
        flaws = flaws == null ? List.of() : List.copyOf(flaws);
    }

    public boolean has(Kind kind, long frame) {
        return flaws.contains(new Flaw(kind, frame));
    }

    @JsonIgnore
    public String fileName(long frame) {
        return String.format(Locale.ROOT, "%s.%04d.%s", name, frame, exr ? "exr" : "png");
    }
}
