package dev.vat.media.convert;

import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_MPEG;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Placement;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import dev.vat.media.compose.Composer;
import dev.vat.media.compose.Flattening;
import dev.vat.media.compose.Grounds;
import dev.vat.media.compose.Looks;
import dev.vat.media.compose.Placing;
import dev.vat.media.draw.LetterPainter;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SampleFormat;

/**
 * From the working picture to what an encoder takes: flattened where the codec carries no alpha, cut, scaled and laid into the file's
 * frame, RGB full range to the codec's own coding, dithered where depth is lost, tagged. Size, format and tags of every result are
 * asserted. An instance belongs to one thread.
 */
public final class Conversion implements AutoCloseable {

    private static final Words WORDS = Words.of(Conversion.class);

    private static final int BT709 = 1;

    private final Codec codec;
    private final ColourCoding colour;
    private final Size size;
    private final Treatment treatment;
    private final Placement placement;
    private final String wanted;
    private final Filtering filtering;
    private final Filtering shaping;
    private final Filtering coding;
    private final LetterPainter letters;
    private Picture ground;

    /** For square pixels. @param size of the file's pictures @param treatment what becomes of the working pictures */
    public Conversion(Codec codec, Size size, Treatment treatment) {
        this(codec, size, PixelAspect.SQUARE, treatment);
    }

    /** @param pixel shape of the file's pixels */
    public Conversion(Codec codec, Size size, PixelAspect pixel, Treatment treatment) {
        this.codec = codec;
        this.treatment = treatment;
        this.placement = treatment.placement();
        this.colour = treatment.colour();
        this.size = size;
        wanted = SampleFormat.of(codec);
        filtering = new Filtering(picture -> shaping(picture) + coding(picture));
        shaping = new Filtering(picture -> shaping(picture) + "null");
        coding = new Filtering(this::coding);
        letters = new LetterPainter(pixel);
    }

    /** Through the look, cut, scaled and laid into the file's frame; still working samples. */
    private String shaping(Picture picture) {
        return (ColourTags.isSignal(picture) ? "" : look()) + Placing.chain(placement, size, picture, codec.hasAlpha());
    }

    private String coding(Picture picture) {
        boolean dithered = picture.bits() > codec.codedBits() && !ColourTags.isSignal(picture);
        // zscale is told that alpha is premultiplied, so that it leaves the colour of straight pictures alone.
        String handsOff = codec.hasAlpha() ? "setparams=alpha_mode=premultiplied," : "";
        String tags = "setparams=range=" + (colour.isFull() ? "pc" : "tv") + ":colorspace=" + matrix() + ":color_primaries=" + primaries()
                + ":color_trc=" + transfer()
                + (!codec.hasAlpha() ? "" : colour.equals(ColourCoding.LINEAR) ? ":alpha_mode=premultiplied" : ":alpha_mode=straight");
        String planar = SampleFormat.planar(codec);
        boolean same = codec.chroma() == Chroma.RGB && picture.formatName().equals(planar) && otherColours(picture).isEmpty();
        String convert = colour.equals(ColourCoding.LINEAR) ? light(planar)
                : same ? ""
                        : otherColours(picture) + "zscale=matrixin=gbr:rangein=full:matrix=" + matrix() + ":range="
                                + (colour.isFull() ? "full" : "limited")
                                + (dithered ? ":dither=error_diffusion" : "") + ",format=" + planar + ",";
        // Of the same samples, packed ones are put together without any arithmetic; JPEG's format says its range by its name.
        return handsOff + convert + tags + (wanted.equals(planar) ? "" : ",format=" + wanted + "," + tags);
    }

    /**
     * Standard definition and Rec.2020 have primaries of their own: colours are brought there in RGB, not just called so, and what lies
     * outside is held to the nearest there is. Both curves are that of the display, BT.1886. HLG is made of the PQ pictures that all files
     * of high range are made of.
     */
    private String otherColours(Picture picture) {
        boolean high = picture.frame().color_trc() == Composer.PQ;
        if (ColourTags.isSignal(picture) || (high ? transfer() == Composer.PQ : primaries() == BT709)) {
            return "";
        }
        String from = high ? "primariesin=9:transferin=" + Composer.PQ : "primariesin=" + BT709 + ":transferin=" + BT709;
        return "zscale=matrixin=gbr:matrix=gbr:rangein=full:range=full:" + from + ":primaries=" + primaries() + ":transfer="
                + (high ? transfer() : BT709)
                + ":npl=" + ColourCoding.WHITE + Composer.systemGamma(Integer.toString(transfer())) + ",format="
                + (codec.hasAlpha() ? "gbrap16le" : "gbrp16le") + ",";
    }

    /** Back to light, from the curve of high range; premultiplied, as all readers of OpenEXR take it. */
    private String light(String planar) {
        return "zscale=matrixin=gbr:matrix=gbr:rangein=full:range=full:primariesin=9:transferin=" + Composer.PQ
                + ":primaries=1:transfer=8:npl=" + ColourCoding.WHITE
                + ",format=" + planar + "," + (codec.hasAlpha() ? "setparams=alpha_mode=straight,premultiply=inplace=1," : "");
    }

    /** Escaped twice: once for the filter's value, once for the chain that it stands in. */
    private String look() {
        if (treatment.look() == null) {
            return "";
        }
        String value = treatment.look().path().replace('\\', '/').replaceAll("([:'])", "\\\\$1");
        String escaped = value.replaceAll("([\\\\'\\[\\],;])", "\\\\$1");
        return (Looks.isCube(treatment.look()) ? "lut3d=interp=tetrahedral:file=" : "lut1d=interp=linear:file=") + escaped + ",";
    }

    private int matrix() {
        return ColourTags.matrix(colour);
    }

    private int primaries() {
        return ColourTags.primaries(colour);
    }

    private int transfer() {
        return ColourTags.transfer(colour);
    }

    /** With nothing written into it but the mark of a draft. */
    public Picture convert(Picture working) {
        return convert(working, Lettering.NOTHING);
    }

    /**
     * @param lettering what is written into it, at the file's own size; a matte stays clean
     * @throws MediaException if that can't be written
     */
    public Picture convert(Picture working, Lettering lettering) {
        if (treatment.isMatte()) {
            try (Picture matte = Flattening.matte(working)) {
                return checked(filtering.apply(matte));
            }
        }
        try (Picture laid = laid(working)) {
            return checked(converted(laid, treatment.draft() ? lettering.withDraft() : lettering));
        }
    }

    /** With alpha where the codec carries it, else flat. */
    private Picture laid(Picture working) {
        if (working.hasAlpha() && !codec.hasAlpha()) {
            if (ground == null) {
                ground = Grounds.behind(treatment.ground(), working);
            }
            return Flattening.over(working, ground);
        }
        // Nothing shows through a picture without alpha: its channel is full everywhere.
        return codec.hasAlpha() && !working.hasAlpha() ? Flattening.opaque(working) : working.share();
    }

    private Picture converted(Picture laid, Lettering lettering) {
        if (lettering.isNothing()) {
            return filtering.apply(laid);
        }
        try (Picture shaped = shaping.apply(laid)) {
            // What comes out of a chain of filters says less of its colours than what goes in.
            ColourTags.like(laid, shaped);
            try (Picture written = letters.on(shaped, lettering)) {
                return coding.apply(written);
            }
        }
    }

    private Picture checked(Picture picture) {
        boolean right = picture.width() == size.width() && picture.height() == size.height() && picture.formatName().equals(wanted)
                && picture.frame().colorspace() == matrix()
                && picture.frame().color_range() == (colour.isFull() ? AVCOL_RANGE_JPEG : AVCOL_RANGE_MPEG);
        if (!right) {
            String found = WORDS.say("xMatrixRange", picture.width(), picture.height(), picture.formatName(), picture.frame().colorspace(),
                    picture.frame().color_range());
            picture.close();
            throw new MediaException(WORDS.say("theConversionGaveWhereMatrix", found, size, wanted, matrix(), colour.range()), 0);
        }
        return picture;
    }

    @Override
    public void close() {
        if (ground != null) {
            ground.close();
        }
        filtering.close();
        shaping.close();
        coding.close();
    }
}
