package dev.vat.core.source;

import java.util.List;
import java.util.Optional;

/** The kinds of still picture that Vat reads as frames. */
public enum FileKind {
    PNG("PNG", true, "png"),
    JPEG("JPEG", false, "jpg", "jpeg"),
    TIFF("TIFF", false, "tif", "tiff"),
    TGA("TGA", false, "tga"),
    EXR("EXR", false, "exr");

    private static final FileKind[] KINDS = values();

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

    /** By the first bytes; TGA has no mark of its own and is never found this way. */
    public static Optional<FileKind> ofContent(byte[] data) {
        if (startsWith(data, 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n')) {
            return Optional.of(PNG);
        }
        if (startsWith(data, 0xff, 0xd8, 0xff)) {
            return Optional.of(JPEG);
        }
        if (startsWith(data, 'I', 'I', 42, 0) || startsWith(data, 'M', 'M', 0, 42)) {
            return Optional.of(TIFF);
        }
        if (startsWith(data, 0x76, 0x2f, 0x31, 0x01)) {
            return Optional.of(EXR);
        }
        return Optional.empty();
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

    public String title() {
        return title;
    }

    /** Whether the format protects its picture data by a checksum, so that a changed byte is noticed. */
    public boolean hasChecksum() {
        return checksum;
    }
}
