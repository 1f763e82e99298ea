package dev.vat.core.source;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** Where a source lies and how its files are named; all that has to be known to find it again. */
public record Location(Path folder, SequencePattern pattern) {

    /** What names of sound files end in, without the dot. */
    public static final List<String> SOUND_EXTENSIONS = List.of("wav", "flac", "mp3", "aac", "m4a", "ogg", "oga", "opus", "aif",
            "aiff", "aifc", "ac3", "caf", "w64", "rf64");

    /** A movie, a still without a number, or a sound. */
    public static Location ofFile(Path file) {
        return new Location(file.getParent(), SequencePattern.single(file.getFileName().toString()));
    }

    public Path file() {
        return folder.resolve(pattern.fileName(0));
    }

    public String name() {
        return pattern.name();
    }

    public boolean isMovie() {
        return pattern.isSingle() && FileKind.ofName(pattern.before()).filter(FileKind::isMovie).isPresent();
    }

    public boolean isSound() {
        return pattern.isSingle() && isSoundName(pattern.before());
    }

    public boolean isStill() {
        return pattern.isSingle() && !isMovie() && !isSound();
    }

    /** By the extension of a file name, in upper or lower case. */
    public static boolean isSoundName(String fileName) {
        return SOUND_EXTENSIONS.contains(fileName.substring(fileName.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT));
    }
}
