package dev.vat.media.read;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * A still that an independent tool writes.
 *
 * @param command of the shell; {@code IN} stands for the base picture, {@code OUT} for the file to be made
 * @param base what it is made of, a name of {@link #layBases}
 * @param within how many codes two good decoders may differ by, since they round apart or bring coarse colour to every pixel in their own
 *     way; millionths for floating-point samples
 * @param through how the file is made readable for the reader that it is held against, or null: as it is
 */
record ZooCase(String kind, String feature, String extension, String base, String command, int within, String through) {

    /** No command takes a hundredth of it; one that hangs must not hold a build up for good. */
    private static final long PATIENCE_MINUTES = 10;
    private static final int ROUNDING = 4;
    private static final int COARSE = 10;

    /** Odd in both directions, so that whatever is packed in pairs, words or blocks has an edge. */
    static void layBases(Path folder) throws IOException, InterruptedException {
        String made = "oiiotool --create 97x65 4 --fill:topleft=0.1,0.2,0.9,1:topright=1,0,0.3,0.5:bottomleft=0,1,0.5,0.2"
                + ":bottomright=0.7,0.4,0,0.8 97x65 --noise:type=uniform:min=-0.04:max=0.04 --clamp:min=0:max=1 ";
        run(folder, made.replaceAll("--noise.*", "") + "-d uint8 -o even8.png");
        run(folder, made + "-d uint16 -o rgba16.png && " + made + "--ch R,G,B -d uint16 -o rgb16.png && "
                + made + "--ch R -d uint16 -o grey16.png && " + made + "--ch R,A --chnames Y,A -d uint16 -o ya16.tif");
        run(folder, "for i in rgba rgb grey; do oiiotool --no-autopremult ${i}16.png -d uint8 -o ${i}8.png; done; "
                + "oiiotool --no-autopremult ya16.tif -d uint8 -o ya8.png; "
                + "convert rgb8.png -colors 200 -type Palette png8:pal8.png; "
                + "convert grey8.png -threshold 50% -type Bilevel pbm:bw.pbm; convert bw.pbm bw1.png; "
                + "oiiotool --no-autopremult rgba16.png -d float -mulc 3,3,3,1 -o rgbaf.exr; "
                + "oiiotool rgbaf.exr --ch R,G,B -d float -o rgbf.exr; oiiotool rgbaf.exr --ch R --chnames Y -d float -o greyf.exr");
    }

    static String run(Path folder, String command) throws IOException, InterruptedException {
        Path out = Files.createTempFile(folder, "out", ".txt");
        Process process = new ProcessBuilder("sh", "-c", command).directory(folder.toFile()).redirectErrorStream(true)
                .redirectOutput(out.toFile()).start();
        if (!process.waitFor(PATIENCE_MINUTES, TimeUnit.MINUTES)) {
            process.destroyForcibly();
            throw new IOException("this doesn't end in " + PATIENCE_MINUTES + " minutes: " + command);
        }
        String said = Files.readString(out, StandardCharsets.ISO_8859_1);
        Files.delete(out);
        if (process.exitValue() != 0) {
            throw new IOException(command + ": " + said);
        }
        return said;
    }

    /** @param own a folder beside which the bases lie */
    Path write(Path own) throws IOException, InterruptedException {
        Path file = own.resolve((kind + "-" + feature).replaceAll("[^A-Za-z0-9]+", "-") + "." + extension);
        run(own, command.replace("IN", "../" + base).replace("OUT", "'" + file.getFileName() + "'"));
        return file;
    }

    /** The file that the other reader is asked about. */
    Path oracle(Path file) throws IOException, InterruptedException {
        if (through == null) {
            return file;
        }
        Path other = file.resolveSibling("through." + (kind.equals("EXR") ? "exr" : "tif"));
        run(file.getParent(), through.replace("IN", "'" + file.getFileName() + "'").replace("OUT", "'" + other.getFileName() + "'"));
        return other;
    }

    private static ZooCase of(String kind, String feature, String extension, String base, String command) {
        return new ZooCase(kind, feature, extension, base, command, 0, null);
    }

    private static ZooCase lossy(String kind, String feature, String extension, String base, String command) {
        return new ZooCase(kind, feature, extension, base, command, ROUNDING, null);
    }

    static List<ZooCase> all() {
        List<ZooCase> all = new ArrayList<>();
        png(all);
        tiff(all);
        dpx(all);
        exr(all);
        others(all);
        heif(all);
        jpegXl(all);
        turned(all);
        cameras(all);
        return all;
    }

    private static void png(List<ZooCase> all) {
        for (String base : List.of("rgba16.png", "rgb16.png", "grey16.png", "rgba8.png", "rgb8.png", "grey8.png", "ya8.png", "pal8.png",
                "bw1.png")) {
            all.add(of("PNG", base.replace(".png", ""), "png", base, "convert IN OUT"));
        }
        all.add(of("PNG", "interlaced", "png", "rgb8.png", "convert IN -interlace PNG OUT"));
        all.add(of("PNG", "grey of 4 bits", "png", "grey8.png", "convert IN -depth 4 OUT"));
        all.add(of("PNG", "grey of 2 bits", "png", "grey8.png", "convert IN -depth 2 OUT"));
        // The other tools forget this, too.
        all.add(new ZooCase("PNG", "grey of 2 bits, one of them transparent", "png", "grey8.png",
                "convert IN -depth 2 x.png && pngtopnm x.png > x.pgm && pnmtopng -transparent '#555555' x.pgm > OUT", 0,
                "pngtopam -alphapam IN > y.pam && pamdepth 255 y.pam > x.pam && convert x.pam -depth 8 PNG32:y.png "
                        + "&& oiiotool --no-autopremult y.png -o OUT"));
        all.add(of("PNG", "grey and alpha of 16 bits", "png", "ya16.tif", "oiiotool --no-autopremult IN -d uint16 -o OUT"));
    }

    private static void tiff(List<ZooCase> all) {
        for (String depth : List.of("10", "12", "14")) {
            all.add(new ZooCase("TIFF", "RGB of " + depth + " bits by ImageMagick", "tif", "rgb16.png",
                    "convert IN -depth " + depth + " OUT",
                    0, "convert IN -depth 16 x.png && oiiotool x.png -o OUT"));
        }
        String oiio = "oiiotool --no-autopremult IN ";
        for (String packing : List.of("none", "lzw", "zip", "packbits")) {
            for (String base : List.of("rgb8.png", "rgba16.png", "grey16.png", "rgbf.exr")) {
                all.add(of("TIFF", base.replaceAll("\\..*", "") + ", " + packing, "tif", base,
                        oiio + "--compression " + packing + " -o OUT"));
                all.add(of("TIFF", base.replaceAll("\\..*", "") + ", " + packing + ", tiles", "tif", base,
                        oiio + "--compression " + packing + " --tile 32 32 -o OUT"));
            }
        }
        for (String base : List.of("rgb8.png", "rgba16.png", "rgbaf.exr")) {
            all.add(of("TIFF", base.replaceAll("\\..*", "") + ", planes apart", "tif", base, oiio + "--planarconfig separate -o OUT"));
            if (base.endsWith("png")) {
                all.add(of("TIFF", base.replaceAll("\\..*", "") + ", big-endian", "tif", base, oiio + "-o x.tif && tiffcp -B x.tif OUT"));
            }
            all.add(of("TIFF", base.replaceAll("\\..*", "") + ", BigTIFF", "tif", base, oiio + "-o x.tif && tiffcp -8 x.tif OUT"));
            all.add(of("TIFF", base.replaceAll("\\..*", "") + ", predictor", "tif", base,
                    oiio + "-o x.tif && tiffcp -c lzw:" + (base.endsWith("exr") ? 3 : 2) + " x.tif OUT"));
        }
        all.add(of("TIFF", "half float", "tif", "rgbaf.exr", oiio + "-d half -o OUT"));
        all.add(of("TIFF", "32-bit integers", "tif", "rgb16.png", oiio + "-d uint32 -o OUT"));
        all.add(of("TIFF", "palette", "tif", "pal8.png", "convert IN -type Palette tiff:OUT"));
        all.add(of("TIFF", "grey 8 after a palette", "tif", "grey8.png", "convert IN -type Grayscale tiff:OUT"));
        all.add(of("TIFF", "one bit", "tif", "bw1.png", "convert IN -type Bilevel tiff:OUT"));
        all.add(of("TIFF", "one bit, Group 4", "tif", "bw1.png", "convert IN -type Bilevel -compress Group4 tiff:OUT"));
        all.add(of("TIFF", "associated alpha", "tif", "rgba16.png", "convert IN tiff:x.tif && oiiotool IN -o OUT"));
        all.add(of("TIFF", "grey and alpha", "tif", "ya16.tif", oiio + "-o OUT"));
        all.add(of("TIFF", "two extra channels", "tif", "rgb8.png", oiio + "--ch R,G,B,=0.5,=0.25 -o OUT"));
        all.add(lossy("TIFF", "JPEG in strips", "tif", "rgb8.png", oiio + "-o x.tif && tiffcp -c jpeg:95 x.tif OUT"));
        all.add(lossy("TIFF", "JPEG as RGB", "tif", "rgb8.png", oiio + "-o x.tif && tiffcp -c jpeg:r:95 x.tif OUT"));
        all.add(of("TIFF", "written by GraphicsMagick, LZW", "tif", "rgba8.png", "gm convert IN -compress LZW OUT"));
        all.add(of("TIFF", "written by ImageMagick, 16-bit zip", "tif", "rgba16.png", "convert IN -compress Zip OUT"));
        all.add(of("TIFF", "white is zero", "tif", "grey8.png", "convert IN -define quantum:polarity=min-is-white tiff:OUT"));
    }

    private static void dpx(List<ZooCase> all) {
        // The reader that DPX is held against loses the last sample of lines that end inside a word of three.
        for (String bits : List.of("uint8", "uint10", "uint12", "uint16")) {
            for (String base : List.of("rgb16.png", "rgba16.png", "grey16.png")) {
                all.add(of("DPX", base.replace("16.png", "") + " of " + bits.substring(4) + " bits", "dpx", base,
                        "oiiotool --no-autopremult IN --cut " + (bits.equals("uint10") && base.startsWith("rgba") ? "96x65" : "97x65")
                                + " -d " + bits + " -o OUT"));
            }
        }
        all.add(of("DPX", "10 bits, packed", "dpx", "rgb16.png", "oiiotool IN -d uint10 --attrib dpx:Packing Packed -o OUT"));
        all.add(of("DPX", "12 bits, packed", "dpx", "rgb16.png", "oiiotool IN -d uint12 --attrib dpx:Packing Packed -o OUT"));
        all.add(of("DPX", "10 bits, filled from below", "dpx", "rgb16.png",
                "oiiotool IN -d uint10 --attrib dpx:Packing 'Filled, method B' -o OUT"));
        all.add(of("DPX", "10 bits, little-endian", "dpx", "rgb16.png", "oiiotool IN -d uint10 --attrib oiio:Endian little -o OUT"));
        all.add(of("DPX", "16 bits, little-endian", "dpx", "rgb16.png", "oiiotool IN -d uint16 --attrib oiio:Endian little -o OUT"));
        all.add(of("DPX", "10 bits by ImageMagick", "dpx", "rgb16.png", "convert IN -depth 10 OUT"));
        all.add(of("DPX", "16 bits by GraphicsMagick", "dpx", "rgb16.png", "gm convert IN -depth 16 OUT"));
        all.add(of("DPX", "10 bits by GraphicsMagick", "dpx", "rgb16.png", "gm convert IN -depth 10 OUT"));
    }

    private static void exr(List<ZooCase> all) {
        for (String packing : List.of("none", "rle", "zips", "zip", "piz")) {
            all.add(of("EXR", "half, " + packing, "exr", "rgbaf.exr", "oiiotool IN -d half --compression " + packing + " -o OUT"));
            all.add(of("EXR", "single, " + packing, "exr", "rgbaf.exr", "oiiotool IN -d float --compression " + packing + " -o OUT"));
        }
        for (String packing : List.of("pxr24", "b44", "b44a", "dwaa", "dwab")) {
            all.add(new ZooCase("EXR", "half, " + packing, "exr", "rgbaf.exr",
                    "oiiotool IN -d half --compression " + packing + " -o OUT",
                    packing.startsWith("b44") ? 20 : packing.startsWith("dwa") ? 10_000 : 0, null));
        }
        all.add(of("EXR", "grey", "exr", "greyf.exr", "oiiotool IN -d half -o OUT"));
        all.add(of("EXR", "grey and alpha", "exr", "rgbaf.exr", "oiiotool IN --ch R,A --chnames Y,A -d half -o OUT"));
        all.add(of("EXR", "tiles", "exr", "rgbaf.exr", "oiiotool IN -d half --tile 32 32 -o OUT"));
        all.add(new ZooCase("EXR", "black beside other channels full of noise", "exr", "rgbf.exr",
                "oiiotool IN --ch R=0,G=0,B=0,haze=R,sand=G,wind=B --compression piz -d half -o OUT", 0, "oiiotool IN --ch R,G,B -o OUT"));
        all.add(of("EXR", "whole numbers", "exr", "rgb16.png", "oiiotool IN -d uint32 -o OUT"));
        all.add(of("EXR", "channels r, g, b, a", "exr", "rgbaf.exr", "oiiotool IN --chnames r,g,b,a -d half -o OUT"));
        all.add(of("EXR", "channels red, green, blue", "exr", "rgbf.exr", "oiiotool IN --chnames red,green,blue -d half -o OUT"));
        all.add(new ZooCase("EXR", "display window from 10, 6", "exr", "rgbaf.exr",
                "oiiotool IN --origin +10+6 --fullsize 97x65+10+6 -d half -o OUT", 0, "oiiotool IN --origin +0+0 -o OUT"));
        all.add(new ZooCase("EXR", "data window larger than the picture", "exr", "rgbaf.exr",
                "oiiotool IN --fullsize 61x41+20+10 -d half -o OUT", 0, "oiiotool IN --crop 61x41+20+10 --origin +0+0 -o OUT"));
        all.add(new ZooCase("EXR", "data window smaller than the picture", "exr", "rgbaf.exr",
                "oiiotool IN --crop 50x30+20+10 -d half -o OUT", 0, "oiiotool IN --croptofull -o OUT"));
    }

    private static void others(List<ZooCase> all) {
        all.add(of("Cineon", "10 bits by ImageMagick", "cin", "rgb16.png", "convert IN -depth 10 OUT"));
        // The reader that Cineon is held against takes lines of bytes without the words that they fill.
        all.add(new ZooCase("Cineon", "8 bits by ImageMagick", "cin", "rgb8.png", "convert IN -depth 8 OUT", 0,
                "convert IN -set colorspace RGB OUT"));
        all.add(of("Cineon", "10 bits by GraphicsMagick", "cin", "rgb16.png", "gm convert IN -depth 10 OUT"));
        for (String base : List.of("rgb8.png", "rgba8.png", "grey8.png")) {
            String what = base.replace("8.png", "");
            all.add(of("TGA", what, "tga", base, "oiiotool --no-autopremult IN -o OUT"));
            all.add(of("TGA", what + ", runs", "tga", base, "oiiotool --no-autopremult IN --compression rle -o OUT"));
            all.add(new ZooCase("BMP", what, "bmp", base, "convert IN OUT", 0, "convert IN OUT"));
        }
        all.add(new ZooCase("TGA", "grey and alpha", "tga", "ya8.png", "oiiotool --no-autopremult IN -o OUT", 0, null));
        all.add(of("TGA", "palette", "tga", "pal8.png", "convert IN OUT"));
        for (String word : List.of("RGB555", "RGB565")) {
            all.add(new ZooCase("BMP", word + " in a word", "bmp", "rgb8.png", "convert IN -define bmp:subtype=" + word + " OUT", 0,
                    "convert IN OUT"));
        }
        all.add(new ZooCase("BMP", "palette", "bmp", "pal8.png", "convert IN BMP3:OUT", 0, "convert IN OUT"));
        for (String sampling : List.of("1x1", "2x1", "2x2", "1x2", "4x1")) {
            all.add(new ZooCase("JPEG", "sampled " + sampling, "jpg", "rgb8.png",
                    "convert IN -quality 92 -sampling-factor " + sampling + " OUT", sampling.equals("1x1") ? ROUNDING : COARSE, null));
        }
        all.add(lossy("JPEG", "progressive", "jpg", "rgb8.png", "convert IN -quality 92 -interlace JPEG OUT"));
        all.add(lossy("JPEG", "grey", "jpg", "grey8.png", "convert IN -quality 92 OUT"));
        all.add(lossy("JPEG", "arithmetic coding", "jpg", "rgb8.png",
                "convert IN x.ppm && cjpeg -arithmetic -quality 92 -outfile OUT x.ppm"));
        all.add(lossy("JPEG", "CMYK", "jpg", "rgb8.png", "convert IN -colorspace CMYK -sampling-factor 1x1 -quality 92 OUT"));
        all.add(new ZooCase("WebP", "lossless", "webp", "rgba8.png", "cwebp -quiet -lossless -exact IN -o OUT", 0,
                "dwebp -quiet IN -o x.png && oiiotool --no-autopremult x.png -o OUT"));
        all.add(new ZooCase("WebP", "lossy", "webp", "rgb8.png", "cwebp -quiet -q 90 IN -o OUT", COARSE,
                "dwebp -quiet IN -o x.png && oiiotool --no-autopremult x.png -o OUT"));
        all.add(new ZooCase("WebP", "lossy with alpha", "webp", "rgba8.png", "cwebp -quiet -q 90 IN -o OUT", COARSE,
                "dwebp -quiet IN -o x.png && oiiotool --no-autopremult x.png -o OUT"));
    }

    /** Coded stills, which another library decodes; it repeats coarse colour where Vat goes evenly from one to the next. */
    private static void heif(List<ZooCase> all) {
        for (String ending : List.of("avif", "heic")) {
            String kind = ending.equals("avif") ? "AVIF" : "HEIF";
            all.add(new ZooCase(kind, "colour", ending, "even8.png", "oiiotool IN --ch R,G,B -o OUT", COARSE, null));
            all.add(new ZooCase(kind, "colour with alpha", ending, "even8.png", "oiiotool --no-autopremult IN -o OUT", COARSE, null));
            all.add(new ZooCase(kind, "colour by ImageMagick", ending, "even8.png", "convert IN -alpha off -quality 90 OUT", COARSE, null));
            all.add(lossy(kind, "grey by ImageMagick", ending, "grey8.png", "convert IN -quality 90 OUT"));
        }
    }

    /** By the reference encoder: without loss it is held against what went in, else against what its own decoder makes of it. */
    private static void jpegXl(List<ZooCase> all) {
        String wentIn = "oiiotool --no-autopremult ../BASE -o OUT";
        String lossless = "cjxl IN OUT -d 0";
        for (String base : List.of("rgb8.png", "rgba8.png", "grey8.png", "ya8.png", "rgb16.png", "rgba16.png", "grey16.png")) {
            // This encoder keeps 8 bits of alpha beside 16 of colour.
            all.add(new ZooCase("JPEG XL", base.replace(".png", "") + ", lossless", "jxl", base, lossless,
                    base.startsWith("rgba16") ? 129 : 0,
                    wentIn.replace("BASE", base)));
        }
        all.add(new ZooCase("JPEG XL", "10 bits, lossless", "jxl", "rgb16.png", lossless + " --override_bitdepth=10", 0,
                wentIn.replace("BASE", "rgb16.png")));
        all.add(new ZooCase("JPEG XL", "float", "jxl", "rgb16.png", "convert IN x.pfm && cjxl x.pfm OUT -d 0", 10, "convert x.pfm OUT"));
        String through = "djxl IN x.png && oiiotool --no-autopremult x.png -o OUT";
        all.add(new ZooCase("JPEG XL", "lossy", "jxl", "rgb8.png", "cjxl IN OUT -d 1", 1, through));
        all.add(new ZooCase("JPEG XL", "lossy with alpha, in boxes", "jxl", "rgba8.png", "cjxl IN OUT -d 1 --container=1", 1, through));
        all.add(new ZooCase("JPEG XL", "progressive", "jxl", "rgb16.png", "cjxl IN OUT -d 2 -p", 1, through));
        all.add(new ZooCase("JPEG XL", "premultiplied", "jxl", "rgba8.png", lossless + " --premultiply=1", 0, through));
        all.add(new ZooCase("JPEG XL", "of a JPEG", "jxl", "rgb8.png", "convert IN -quality 92 x.jpg && cjxl x.jpg OUT", 1, through));
        all.add(new ZooCase("JPEG XL", "orientation 6", "jxl", "rgb8.png", "convert IN -quality 92 x.jpg && oiiotool x.jpg "
                + "--attrib:type=int Orientation 6 -o y.jpg && cjxl y.jpg OUT -j 0", 1, through));
    }

    /** Kinds that cameras, painters and older programs write. */
    private static void cameras(List<ZooCase> all) {
        String through = "convert IN -depth 16 x.png && oiiotool x.png -o OUT";
        String oiio = "oiiotool --no-autopremult IN ";
        for (String base : List.of("rgb8.png", "rgb16.png", "grey8.png", "grey16.png")) {
            String what = base.replace(".png", "");
            String extension = base.startsWith("grey") ? "pgm" : "ppm";
            if (base.contains("8")) {
                all.add(of("PPM", what, extension, base, oiio + "-o OUT"));
            }
            // The other reader cuts the last bit of 16-bit samples off.
            all.add(new ZooCase("PPM", what + " by ImageMagick", extension, base, "convert IN OUT", 0, through));
            all.add(new ZooCase("PPM", what + " as text", extension, base, "convert IN -compress none OUT", 0, through));
        }
        all.add(new ZooCase("PPM", "10 bits", "ppm", "rgb16.png", "convert IN -depth 10 OUT", 0, through));
        all.add(of("PPM", "one bit", "pbm", "bw1.png", "convert IN OUT"));
        all.add(new ZooCase("PPM", "any channels, rgba8", "pam", "rgba8.png", "convert IN OUT", 0, "convert IN OUT"));
        all.add(new ZooCase("PPM", "any channels, rgba16", "pam", "rgba16.png", "convert IN OUT", 0, "convert IN OUT"));
        all.add(new ZooCase("PPM", "any channels, grey and alpha", "pam", "ya8.png", "convert IN OUT", 0, "convert IN OUT"));
        all.add(new ZooCase("PFM", "colour", "pfm", "rgb16.png", "convert IN OUT", 10, through));
        all.add(new ZooCase("PFM", "colour, big-endian", "pfm", "rgb16.png", "convert IN -endian MSB OUT", 10, through));
        all.add(new ZooCase("PFM", "grey", "pfm", "grey16.png", "convert IN OUT", 10, through));
        all.add(of("Radiance HDR", "runs", "hdr", "rgbf.exr", "oiiotool IN -o OUT"));
        all.add(of("Radiance HDR", "by ImageMagick", "hdr", "rgb16.png", "convert IN OUT"));
        for (String base : List.of("rgb8.png", "rgba8.png", "grey8.png", "rgb16.png", "rgba16.png", "grey16.png", "ya8.png")) {
            String what = base.replace(".png", "");
            all.add(of("SGI", what, "sgi", base, oiio + "-o OUT"));
            all.add(of("SGI", what + ", runs", "sgi", base, oiio + "--compression rle -o OUT"));
            if (!base.startsWith("ya")) {
                // What this tool reads of a flattened picture with alpha isn't what it wrote: its layer is.
                String first = "convert IN'[" + (base.startsWith("rgba") ? 1 : 0)
                        + "]' -depth 16 x.png && oiiotool --no-autopremult x.png -o OUT";
                all.add(new ZooCase("PSD", what, "psd", base, "convert IN -compress none OUT", 0, first));
                all.add(new ZooCase("PSD", what + ", runs", "psd", base, "convert IN -compress RLE OUT", 0, first));
                all.add(of("JPEG 2000", what + ", lossless", "jp2", base,
                        "convert IN -define jp2:quality=100 -define jp2:rate=1 -quality 100 OUT"));
            }
        }
        all.add(of("PSD", "CMYK", "psd", "rgb8.png", "convert IN -colorspace CMYK OUT"));
        all.add(lossy("JPEG 2000", "lossy", "jp2", "rgb8.png", "convert IN -quality 45 OUT"));
        all.add(of("JPEG 2000", "codestream, 12 bits", "j2k", "rgb16.png", oiio + "-d uint16 --attrib oiio:BitsPerSample 12 -o OUT"));
    }

    private static void turned(List<ZooCase> all) {
        for (int number = 2; number <= 8; number++) {
            String upright = "convert IN -auto-orient OUT";
            String state = "oiiotool --no-autopremult IN --attrib:type=int Orientation " + number + " -o OUT";
            all.add(new ZooCase("TIFF", "orientation " + number, "tif", "rgb16.png", state, 0, upright));
            all.add(new ZooCase("JPEG", "orientation " + number, "jpg", "rgb8.png", state, COARSE, upright));
            // The one tool that writes this into DPX doesn't read quarter turns back; these are tested on files made by hand.
            if (number < 5) {
                all.add(new ZooCase("DPX", "orientation " + number, "dpx", "rgb16.png", state, 0,
                        "oiiotool --no-autopremult IN --reorient -o OUT"));
            }
        }
    }
}
