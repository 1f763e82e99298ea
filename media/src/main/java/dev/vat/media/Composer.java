package dev.vat.media;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.run.WorkingFormat;

/**
 * Turns decoded pictures into the working picture: planar display-coded RGB, full range, Rec.709 primaries, with straight
 * alpha where the programme has any. The viewer and the run make their pictures through this one class, so that what is
 * seen is what is written. An instance belongs to one thread.
 */
public final class Composer implements AutoCloseable {

    /** Marks around zscale keep it from multiplying and dividing by alpha. */
    private static final String HANDS_OFF = "setparams=alpha_mode=premultiplied";
    private static final String FULL_RGB = "setparams=range=pc:colorspace=gbr";

    private final WorkingFormat format;
    private final boolean alpha;
    private final Filtering still;
    private final Filtering associated;

    /** @param alpha whether working pictures get an alpha channel; frames without one are opaque then */
    public Composer(WorkingFormat format, boolean alpha) {
        this.format = format;
        this.alpha = alpha;
        still = new Filtering(picture -> chain(picture, false));
        associated = new Filtering(picture -> chain(picture, true));
    }

    /** @param kind what the source's alpha means; its channel is left out for {@code NONE} and {@code OPAQUE} */
    public Picture compose(Picture decoded, AlphaKind kind) {
        Picture working = (kind == AlphaKind.PREMULTIPLIED ? associated : still).apply(decoded);
        if (!alpha || working.hasAlpha()) {
            return working;
        }
        try (working) {
            return withOpaqueAlpha(working);
        }
    }

    private String rgb() {
        return format == WorkingFormat.W8 ? "gbrp" : "gbrp16le";
    }

    private String rgba() {
        return format == WorkingFormat.W8 ? "gbrap" : "gbrap16le";
    }

    private String chain(Picture picture, boolean premultiplied) {
        boolean keep = alpha && picture.hasAlpha();
        String name = picture.formatName();
        if (name.contains("f16") || name.contains("f32")) {
            return linear(picture, keep, premultiplied);
        }
        String tags = ",setparams=range=pc:colorspace=gbr:color_primaries=bt709:color_trc=bt709"
                + (keep ? ":alpha_mode=straight" : "");
        return integer(picture, keep) + (keep && premultiplied ? ",unpremultiply=inplace=1" : "") + tags;
    }

    /** Any whole-number picture to planar RGB of the working depth, values kept exactly. */
    private String integer(Picture picture, boolean keep) {
        String wanted = keep ? rgba() : rgb();
        String zscaled = "zscale=matrix=gbr:range=full";
        if (!picture.isRgb() && !picture.formatName().startsWith("gray") && !picture.formatName().startsWith("ya")
                && !picture.formatName().startsWith("pal")) {
            String matrix = picture.frame().colorspace() == 2 ? ":matrixin=709" : "";
            return (keep ? HANDS_OFF + "," : "") + zscaled + matrix + ",format=" + wanted;
        }
        boolean deep = picture.bits() > 8;
        String sameDepth = deep ? keep ? "gbrap16le" : "gbrp16le" : keep ? "gbrap" : "gbrp";
        String planar = FULL_RGB + ",format=" + sameDepth;
        if (sameDepth.equals(wanted)) {
            return planar;
        }
        return planar + "," + FULL_RGB + (keep ? ":alpha_mode=premultiplied" : "")
                + ",zscale=matrixin=gbr:matrix=gbr:rangein=full:range=full,format=" + wanted;
    }

    /** Linear light, Rec.709 primaries, through the sRGB curve; clamped in RGB by going to whole numbers. */
    private String linear(Picture picture, boolean keep, boolean premultiplied) {
        String float32 = "zscale=matrixin=gbr:matrix=gbr:rangein=full:range=full,format="
                + (keep ? "gbrapf32le" : "gbrpf32le");
        String undone = keep && premultiplied ? ",unpremultiply=inplace=1" : "";
        return FULL_RGB + (keep ? ":alpha_mode=premultiplied" : "") + "," + float32 + undone
                + (keep ? "," + HANDS_OFF : "")
                + ",zscale=transferin=linear:transfer=iec61966-2-1:primariesin=709:primaries=709:matrixin=gbr:matrix=gbr"
                + ":rangein=full:range=full,format=" + (keep ? rgba() : rgb())
                + ",setparams=color_primaries=bt709:color_trc=bt709" + (keep ? ":alpha_mode=straight" : "");
    }

    private Picture withOpaqueAlpha(Picture rgb) {
        Picture full = Picture.allocate(rgba(), rgb.width(), rgb.height());
        for (int p = 0; p < 3; p++) {
            rgb.copyPlane(p, full);
        }
        full.plane(3).fill((byte) 0xff);
        ColourTags.displayRgb(full);
        return full;
    }

    @Override
    public void close() {
        still.close();
        associated.close();
    }
}
