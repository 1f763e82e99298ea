package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** How a still packs its samples without losing any: those of OpenEXR (File Layout, {@code compression}) and of TIFF 6.0 (tag 259). */
public enum Compression {
    NONE("none", 0, 1),
    /** Runs of equal bytes. */
    RLE("rle", 1, null),
    ZIP_LINE("zip-line", 2, null),
    /** Sixteen lines at a time. */
    ZIP("zip", 3, null),
    PACKBITS("packbits", null, 32_773),
    LZW("lzw", null, 5),
    DEFLATE("deflate", null, 8);

    /** What OpenEXR offers, the usual first. */
    public static final List<Compression> OF_EXR = List.of(ZIP, ZIP_LINE, RLE, NONE);
    /** What TIFF offers, the usual first. */
    public static final List<Compression> OF_TIFF = List.of(PACKBITS, LZW, DEFLATE, NONE);

    private final String id;
    private final Integer inExr;
    private final Integer inTiff;

    Compression(String id, Integer inExr, Integer inTiff) {
        this.id = id;
        this.inExr = inExr;
        this.inTiff = inTiff;
    }

    /** As it is stored and typed: the same in every language. */
    @JsonValue
    public String id() {
        return id;
    }

    public String title() {
        return Words.of(Compression.class).say(id);
    }

    /** The number under which a file says it. @param codec by the library's name; null where it has no such compression */
    public Integer number(String codec) {
        return codec.equals("exr") ? inExr : inTiff;
    }

    /** @throws IllegalArgumentException naming those there are */
    @JsonCreator
    public static Compression parse(String text) {
        return Arrays.stream(values()).filter(c -> c.id.equals(text.strip().toLowerCase(Locale.ROOT))).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.of(Compression.class).say("noSuch", text,
                        Arrays.stream(values()).map(Compression::id).collect(Collectors.joining(", ")))));
    }
}
