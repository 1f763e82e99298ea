package dev.vat.core.delivery;

import dev.vat.core.picture.Size;

/** How colour difference samples lie on the picture's grid, or that there are none because red, green and blue are kept. */
public enum Chroma {
    YUV420("4:2:0", 2, 2),
    YUV411("4:1:1", 4, 1),
    YUV422("4:2:2", 2, 1),
    YUV444("4:4:4", 1, 1),
    RGB("RGB", 1, 1);

    private final String label;
    private final int widthStep;
    private final int heightStep;

    Chroma(String label, int widthStep, int heightStep) {
        this.label = label;
        this.widthStep = widthStep;
        this.heightStep = heightStep;
    }

    /** Pixels that share a sample of colour. */
    public int coarseness() {
        return widthStep * heightStep;
    }

    public String label() {
        return label;
    }

    /** Widths must be a multiple of this. */
    public int widthStep() {
        return widthStep;
    }

    /** Heights must be a multiple of this. */
    public int heightStep() {
        return heightStep;
    }

    /** Whether a size falls on its grid. */
    boolean fits(Size size) {
        return size.width() % widthStep == 0 && size.height() % heightStep == 0;
    }
}
