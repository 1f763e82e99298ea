package dev.vat.core.picture;

import java.util.List;

/**
 * What a still picture holds, as its file states it.
 *
 * @param kind the file kind found by its first bytes, not by its name
 * @param linear whether the samples are linear light (EXR) rather than display-coded
 * @param layers names of the layers a choice would have to be made from; empty when the file has a main picture
 */
public record PictureFormat(String kind, Size size, Depth depth, AlphaKind alpha, PixelAspect pixelAspect,
                            boolean linear, List<String> layers) {

    public PictureFormat {
        layers = List.copyOf(layers);
    }

    public PictureFormat withPixelAspect(PixelAspect other) {
        return new PictureFormat(kind, size, depth, alpha, other, linear, layers);
    }

    /** In words: {@code 1280x720, 16-bit, PNG}, with the alpha channel if there is one. */
    public String describe() {
        return size + ", " + depth + ", " + kind + (alpha == AlphaKind.NONE ? "" : " with alpha");
    }
}
