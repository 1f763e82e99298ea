package dev.vat.core.source;

import dev.vat.core.words.Words;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The kinds of file that Vat reads frames from: one picture a file, or a movie clip. */
public enum FileKind {
    PNG("PNG", true, "png"),
    JPEG("JPEG", false, "jpg", "jpeg", "jpe", "jfif"),
    TIFF("TIFF", false, "tif", "tiff"),
    TGA("TGA", false, "tga"),
    BMP("BMP", false, "bmp", "dib"),
    DPX("DPX", false, "dpx"),
    CINEON("Cineon", false, "cin"),
    EXR("EXR", false, "exr"),
    WEBP("WebP", false, "webp"),
    AVIF("AVIF", false, "avif"),
    HEIF("HEIF", false, "heic", "heif", "hif"),
    JP2("JPEG 2000", false, "jp2", "j2k", "j2c", "jpc", "jpx"),
    JXL("JPEG XL", false, "jxl"),
    HDR("Radiance HDR", false, "hdr"),
    PFM("PFM", false, "pfm"),
    PPM("PPM", false, "ppm", "pgm", "pbm", "pnm", "pam"),
    SGI("SGI", false, "sgi", "rgb", "rgba", "bw"),
    PSD("PSD", false, "psd"),
    /** A clip: one file with many frames, in any container and codec that the media library reads. */
    MOVIE("movie", false, "mov", "mp4", "m4v", "mkv", "webm", "avi", "mxf", "mpg", "mpeg", "m2v", "ts", "m2ts", "ogv",
            "dv", "y4m", "gif", "apng", "mts", "3gp", "wmv", "flv", "vob");

    private static final FileKind[] KINDS = values();
    private static final Set<String> HEIF_BRANDS = Set.of("mif1", "msf1", "heic", "heix", "heim", "heis", "hevc", "hevx");

    private final String title;
    private final boolean checksum;
    private final List<String> extensions;
    private final Optional<FileKind> found = Optional.of(this);

    FileKind(String title, boolean checksum, String... extensions) {
        this.title = title;
        this.checksum = checksum;
        this.extensions = List.of(extensions);
    }

    /** By the extension of a file name, in upper or lower case. */
    public static Optional<FileKind> ofName(String fileName) {
        int start = fileName.lastIndexOf('.') + 1;
        // A plain loop: a folder may hold a million names.
        for (FileKind kind : KINDS) {
            for (String extension : kind.extensions) {
                if (start > 0 && fileName.length() - start == extension.length()
                        && fileName.regionMatches(true, start, extension, 0, extension.length())) {
                    return kind.found;
                }
            }
        }
        return Optional.empty();
    }

    /** What names of files with one picture end in, without the dot. */
    public static List<String> stillExtensions() {
        return Arrays.stream(KINDS).filter(k -> !k.isMovie()).flatMap(k -> k.extensions.stream()).toList();
    }

    /** What names of movies end in, without the dot. */
    public static List<String> movieExtensions() {
        return MOVIE.extensions;
    }

    /** By the first bytes; TGA has no mark of its own and is never found this way. */
    public static Optional<FileKind> ofContent(byte[] data) {
        if (startsWith(data, 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n')) {
            return Optional.of(PNG);
        }
        if (startsWith(data, 0xff, 0xd8, 0xff)) {
            return Optional.of(JPEG);
        }
        if (startsWith(data, 'I', 'I', 42, 0) || startsWith(data, 'M', 'M', 0, 42)
                || startsWith(data, 'I', 'I', 43, 0, 8, 0) || startsWith(data, 'M', 'M', 0, 43, 0, 8)) {
            return Optional.of(TIFF);
        }
        if (startsWith(data, 0x76, 0x2f, 0x31, 0x01)) {
            return Optional.of(EXR);
        }
        if (startsWith(data, 'S', 'D', 'P', 'X') || startsWith(data, 'X', 'P', 'D', 'S')) {
            return Optional.of(DPX);
        }
        if (startsWith(data, 0x80, 0x2a, 0x5f, 0xd7) || startsWith(data, 0xd7, 0x5f, 0x2a, 0x80)) {
            return Optional.of(CINEON);
        }
        if (startsWith(data, 'R', 'I', 'F', 'F') && data.length >= 12 && data[8] == 'W' && data[9] == 'E'
                && data[10] == 'B' && data[11] == 'P') {
            return Optional.of(WEBP);
        }
        // Two letters alone prove little: the header's length has to be one that exists.
        if (startsWith(data, 'B', 'M') && data.length >= 18 && data[15] == 0 && data[16] == 0 && data[17] == 0
                && (data[14] & 0xff) >= 12) {
            return Optional.of(BMP);
        }
        if (startsWith(data, '8', 'B', 'P', 'S')) {
            return Optional.of(PSD);
        }
        if (startsWith(data, 0x01, 0xda, 0) || startsWith(data, 0x01, 0xda, 1)) {
            return Optional.of(SGI);
        }
        if (startsWith(data, '#', '?', 'R')) {
            return Optional.of(HDR);
        }
        if (startsWith(data, 0, 0, 0, 12, 'j', 'P', ' ', ' ') || startsWith(data, 0xff, 0x4f, 0xff, 0x51)) {
            return Optional.of(JP2);
        }
        if (startsWith(data, 0xff, 0x0a) || startsWith(data, 0, 0, 0, 12, 'J', 'X', 'L', ' ', '\r', '\n', 0x87, '\n')) {
            return Optional.of(JXL);
        }
        if (data.length >= 12 && data[4] == 'f' && data[5] == 't' && data[6] == 'y' && data[7] == 'p') {
            return ofBrand(data);
        }
        if (data.length > 8 && data[0] == 'P' && (data[2] == '\n' || data[2] == ' ' || data[2] == '\r' || data[2] == '\t')) {
            return data[1] == 'F' || data[1] == 'f' ? Optional.of(PFM)
                    : data[1] >= '1' && data[1] <= '7' ? Optional.of(PPM) : Optional.empty();
        }
        return Optional.empty();
    }

    /** By the brands of an ISO base media file; empty for one that is no still picture. */
    private static Optional<FileKind> ofBrand(byte[] data) {
        int end = Math.min(data.length, ((data[0] & 0xff) << 24 | (data[1] & 0xff) << 16 | (data[2] & 0xff) << 8 | data[3] & 0xff));
        boolean heif = false;
        for (int at = 8; at + 4 <= end; at += 4) {
            String brand = new String(data, at, 4, StandardCharsets.ISO_8859_1);
            if (brand.equals("avif") || brand.equals("avis")) {
                return Optional.of(AVIF);
            }
            heif |= HEIF_BRANDS.contains(brand);
        }
        return heif ? Optional.of(HEIF) : Optional.empty();
    }

    private static boolean startsWith(byte[] data, int... mark) {
        if (data.length < mark.length) {
            return false;
        }
        for (int i = 0; i < mark.length; i++) {
            if ((data[i] & 0xff) != mark[i]) {
                return false;
            }
        }
        return true;
    }

    /** Whether one file holds many frames. */
    public boolean isMovie() {
        return this == MOVIE;
    }

    /** The kinds with one picture a file, in words: {@code PNG, JPEG ... and WebP}. */
    public static String stillTitles() {
        List<String> titles = Arrays.stream(KINDS).filter(k -> !k.isMovie()).map(k -> k.title).toList();
        return Words.of(FileKind.class).say("andTheLast", String.join(", ", titles.subList(0, titles.size() - 1)), titles.getLast());
    }

    public String title() {
        return title;
    }

    /** Whether the format protects its picture data by a checksum, so that a changed byte is noticed. */
    public boolean hasChecksum() {
        return checksum;
    }
}
