package dev.vat.media.compose;

import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.Kept;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Widening;

/**
 * Turns decoded pictures into the working picture: planar RGB, full range, display-coded over Rec.709 primaries or, for files of high
 * range, by the PQ curve over Rec.2020's; with straight alpha where the programme has any. The viewer and the run make their pictures
 * through this one class, so that what is seen is what is written. An instance belongs to one thread.
 */
public final class Composer implements AutoCloseable {

    /** Marks around zscale keep it from multiplying and dividing by alpha. */
    private static final String HANDS_OFF = "setparams=alpha_mode=premultiplied";
    private static final int MOST_CHAINS = 8;
    private static final String FULL_RGB = "setparams=range=pc:colorspace=gbr";
    /** The code point of the PQ curve in ITU-T H.273. */
    private static final String HLG = "18";
    public static final int PQ = 16;
    private static final String HIGH_RANGE = "primaries=9:transfer=16:npl=" + ColourCoding.WHITE;
    private static final String HIGH_TAGS = ",setparams=range=pc:colorspace=gbr:color_primaries=9:color_trc=16";

    private final WorkingFormat format;
    private final boolean alpha;
    /** The readings used last: while somebody tries exposures there is a new one with every step. */
    private final Kept<PictureReading, Filtering> chains = new Kept<>(MOST_CHAINS, how -> new Filtering(p -> chain(p, how)),
            Filtering::close);
    private final OwnLight own = new OwnLight();
    private final Filtering toFloat = new Filtering(Composer::toFloat);

    /** @param alpha whether working pictures get an alpha channel; frames without one are opaque then */
    public Composer(WorkingFormat format, boolean alpha) {
        this.format = format;
        this.alpha = alpha;
    }

    /** @param how what the source's samples and its alpha mean; alpha is left out for {@code NONE} and {@code OPAQUE} */
    public Picture compose(Picture decoded, PictureReading how) {
        if (!Widening.isNeeded(decoded)) {
            return composed(decoded, how);
        }
        try (Picture wide = Widening.of(decoded)) {
            return composed(wide, how);
        }
    }

    private Picture composed(Picture decoded, PictureReading how) {
        if (!FloatSamples.isFloat(decoded) && !how.colour().isLinear() && !how.colour().isByOwn()) {
            return working(decoded, how);
        }
        float gain = how.colour().isLinear() ? how.colour().gain() : 1;
        try (Picture floating = FloatSamples.isFloat(decoded) ? decoded.share() : toFloat.applyToWhole(decoded);
                Picture sound = FloatSamples.sound(floating, gain);
                Picture light = how.colour().isByOwn() ? own.of(sound, how.colour().own(), how.alpha()) : sound.share()) {
            return working(light, how);
        }
    }

    private Picture working(Picture picture, PictureReading how) {
        Picture working = chains.get(how).applyToWhole(picture);
        if (!alpha || working.hasAlpha()) {
            return working;
        }
        try (working) {
            return Flattening.opaque(working);
        }
    }

    private String rgb() {
        return format == WorkingFormat.W8 ? "gbrp" : "gbrp16le";
    }

    private String rgba() {
        return format == WorkingFormat.W8 ? "gbrap" : "gbrap16le";
    }

    private String chain(Picture picture, PictureReading how) {
        boolean keep = alpha && picture.hasAlpha() && how.alpha() != AlphaKind.NONE && how.alpha() != AlphaKind.OPAQUE;
        boolean premultiplied = keep && how.alpha() == AlphaKind.PREMULTIPLIED;
        if (FloatSamples.isFloat(picture)) {
            return floating(how.colour(), keep, premultiplied);
        }
        String tags = (high() ? HIGH_TAGS : ",setparams=range=pc:colorspace=gbr:color_primaries=bt709:color_trc=bt709")
                + (keep ? ":alpha_mode=straight" : "");
        // The filter leaves alone what isn't said to be premultiplied.
        return integer(picture, keep) + (premultiplied ? "," + HANDS_OFF + ",unpremultiply=inplace=1" : "")
                + tagged(how.colour(), keep) + tags;
    }

    private boolean high() {
        return format == WorkingFormat.HIGH;
    }

    /**
     * From what the file states to Rec.709 primaries and the sRGB curve, or to those of high range; white of ordinary brightness is 203
     * candelas. Display-coded values are light by the curve that was chosen or is stated, else as a display of ITU-R BT.1886 shows them.
     */
    private String tagged(ColourReading colour, boolean keep) {
        boolean states = colour.kind() == ColourReading.Kind.TAGGED && (colour.primaries() != null || colour.transfer() != null);
        if (!states && !high()) {
            return "";
        }
        int primaries = !states || colour.primaries() == null ? 1 : colour.primaries();
        int transfer = !states ? colour.curveToLight().code() : colour.transfer() == null ? 13 : colour.transfer();
        return ",setparams=range=pc:colorspace=gbr:color_primaries=" + primaries + ":color_trc=" + transfer
                + (keep ? ":alpha_mode=premultiplied" : "")
                + ",zscale=primariesin=" + primaries + ":transferin=" + transfer + ":"
                + (high() ? HIGH_RANGE : "primaries=1:transfer=13:npl=" + ColourCoding.WHITE) + systemGamma(Integer.toString(transfer))
                + ":matrixin=gbr:matrix=gbr:rangein=full:range=full,format=" + (keep ? rgba() : rgb());
    }

    /**
     * HLG's system gamma works on a colour's luminance (BT.2100, table 5); the quick way would take it of each channel, up to 35 codes off.
     *
     * @param transfer by the number of ITU-T H.273, or by the library's name
     */
    public static String systemGamma(String transfer) {
        return transfer.equals(HLG) ? ":agamma=false" : "";
    }

    /** Any whole-number picture to planar single precision, values kept. */
    static String toFloat(Picture picture) {
        boolean keep = picture.hasAlpha();
        return integer(picture, keep, keep ? "gbrap16le" : "gbrp16le") + "," + FULL_RGB
                + (keep ? ":alpha_mode=premultiplied" : "")
                + ",zscale=matrixin=gbr:matrix=gbr:rangein=full:range=full,format=" + (keep ? "gbrapf32le" : "gbrpf32le");
    }

    private String integer(Picture picture, boolean keep) {
        return integer(picture, keep, keep ? rgba() : rgb());
    }

    /** Any whole-number picture to planar RGB of the working depth, values kept exactly. */
    private static String integer(Picture picture, boolean keep, String wanted) {
        String zscaled = "zscale=matrix=gbr:range=full";
        if (!picture.isRgb() && !picture.formatName().startsWith("gray") && !picture.formatName().startsWith("ya")
                && !picture.formatName().startsWith("pal")) {
            // Where no matrix is stated, standard definition has Rec.601's, all else Rec.709's.
            String matrix = picture.frame().colorspace() != 2 ? "" : picture.height() <= 576 ? ":matrixin=170m" : ":matrixin=709";
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

    /** Single-precision RGB: linear light through the view curve, other values as they are; clamped in RGB by whole numbers. */
    private String floating(ColourReading colour, boolean keep, boolean premultiplied) {
        String transfer = switch (colour.curve()) {
            case SRGB -> "iec61966-2-1";
            // The library takes 709 as the inverse of the display that BT.1886 describes.
            case BT1886 -> "709";
            case GAMMA22 -> "bt470m";
        };
        String light = high()
                ? "transferin=" + (colour.kind() == ColourReading.Kind.DISPLAY ? colour.curveToLight().code() : transfer(colour))
                        + ":primariesin="
                        + primaries(colour) + ":" + HIGH_RANGE + ":"
                : colour.isLinear() || colour.kind() == ColourReading.Kind.TAGGED
                        ? "transferin=" + transfer(colour) + ":transfer=" + transfer + ":primariesin=" + primaries(colour)
                                + ":primaries=709:npl=" + ColourCoding.WHITE + ":"
                        : "";
        return FULL_RGB + (keep ? ":alpha_mode=premultiplied" : "") + ",format=" + (keep ? "gbrapf32le" : "gbrpf32le")
                + (premultiplied ? ",unpremultiply=inplace=1" : "") + (keep ? "," + HANDS_OFF : "")
                + ",zscale=" + light + "matrixin=gbr:matrix=gbr:rangein=full:range=full" + systemGamma(transfer(colour)) + ",format="
                + (keep ? rgba() : rgb())
                + (high() ? HIGH_TAGS : ",setparams=color_primaries=bt709:color_trc=bt709") + (keep ? ":alpha_mode=straight" : "");
    }

    private static int primaries(ColourReading colour) {
        boolean stated = colour.kind() == ColourReading.Kind.TAGGED && !colour.isByOwn() && colour.primaries() != null;
        return stated ? colour.primaries() : 1;
    }

    /** Floating-point values are light unless the file says otherwise, as a TIFF with a profile does. */
    private static String transfer(ColourReading colour) {
        boolean stated = colour.kind() == ColourReading.Kind.TAGGED && !colour.isByOwn() && colour.transfer() != null;
        return stated ? colour.transfer().toString() : "linear";
    }

    @Override
    public void close() {
        chains.close();
        toFloat.close();
    }
}
