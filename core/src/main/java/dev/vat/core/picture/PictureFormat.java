package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.words.Words;
import java.util.List;

/**
 * What a picture holds, as its file states it.
 *
 * @param kind the file kind found by its first bytes, not by its name; for a movie its codec
 * @param linear whether the samples are linear light (EXR) rather than display-coded
 * @param layers the pictures inside the file that can be chosen (EXR): {@code ""} is the unnamed one, {@code haze} a layer, {@code
 *     depth.Z} a single channel; empty for kinds that hold one picture
 */
public record PictureFormat(String kind, Size size, Depth depth, AlphaKind alpha, PixelAspect pixelAspect,
        boolean linear, List<String> layers, Stated stated) {

    private static final Words WORDS = Words.of(PictureFormat.class);

    /** The layer that has no name. */
    public static final String MAIN = "";

    public PictureFormat {
        layers = layers == null ? List.of() : List.copyOf(layers);
        stated = stated == null ? Stated.NOTHING : stated;
    }

    public PictureFormat(String kind, Size size, Depth depth, AlphaKind alpha, PixelAspect pixelAspect, boolean linear,
            List<String> layers) {
        this(kind, size, depth, alpha, pixelAspect, linear, layers, Stated.NOTHING);
    }

    public PictureFormat withPixelAspect(PixelAspect other) {
        return new PictureFormat(kind, size, depth, alpha, other, linear, layers, stated);
    }

    public PictureFormat withSize(Size other) {
        return new PictureFormat(kind, other, depth, alpha, pixelAspect, linear, layers, stated);
    }

    public PictureFormat withAlpha(AlphaKind other) {
        return new PictureFormat(kind, size, depth, other, pixelAspect, linear, layers, stated);
    }

    public PictureFormat withStated(Stated other) {
        return new PictureFormat(kind, size, depth, alpha, pixelAspect, linear, layers, other);
    }

    /** What frames of one sequence have to share. Writers set pixel aspect and hints carelessly: these are left out. */
    public PictureFormat essence() {
        return withPixelAspect(PixelAspect.SQUARE).withStated(Stated.NOTHING);
    }

    /** Whether there is a picture that needs no choosing. */
    @JsonIgnore
    public boolean hasMain() {
        return layers.isEmpty() || layers.contains(MAIN);
    }

    /** In words: {@code 1280x720, 16-bit, PNG}, with the alpha channel if there is one. */
    public String describe() {
        return size + ", " + depth + ", " + kind + (alpha == AlphaKind.NONE ? "" : WORDS.say("withAlpha"));
    }
}
