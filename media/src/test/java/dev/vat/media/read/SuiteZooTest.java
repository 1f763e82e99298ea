package dev.vat.media.read;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.source.FileKind;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Public suites of odd and damaged files, as packages of the registry carry them (the build unpacks them with {@code -Ptorture}): each
 * file is read as a run reads it and held against independent readers, sample by sample. A file is exact, within what good decoders differ
 * by, refused in words, or put aside with its reason. docs/formats.md has the counts that target/suites.md had last, where each file is
 * told of.
 */
@Tag("outside")
class SuiteZooTest {

    /** What tests a reader is small; photographs and scans show nothing new and take minutes. */
    private static final long MOST_BYTES = 60_000;
    /** Pixels; what is larger are photographs and scans, which show nothing new and take minutes. */
    private static final long LARGEST = 500_000;
    /** Kinds that hold, or may hold, what was packed with loss: good decoders bring coarse colour to every pixel in their own way. */
    private static final Set<String> LOSSY = Set.of("JPEG", "WebP", "TIFF");
    /** Codes of 8 bits by which they differ on average, then. */
    private static final double MEAN = 4;
    /** Where the others are wrong, or damage is filled in by everybody in his own way, with how that was found out. */
    private static final Map<String, String> ASIDE = Map.ofEntries(
            Map.entry("5x5-grayscale-alpha.pam", "the other reader turns its alpha over"),
            Map.entry("pal8os2v2.bmp", "both others take its palette for another one; seen by eye"),
            Map.entry("rgba16-4444.bmp", "one other doesn't widen its 4 bits, the other leaves its alpha out"),
            Map.entry("rgba32abf.bmp", "one other can't read it, the other passes over its masks"),
            Map.entry("rgb32-111110.bmp", "the others cut 11 bits to 8, Vat rounds them"),
            Map.entry("rgb-multichannel-no-transparency.psd", "a saved selection, which Vat takes for alpha, and says so"),
            Map.entry("bad-interoperability.tiff", "two bits a row, which the others read only where their number is told"),
            Map.entry("bad-offsets-lengths.tiff", "two bits a row, which the others read only where their number is told"),
            Map.entry("g3aoe.tif", "a fax that ends early in a row, which no reader refuses"),
            Map.entry("incorrect-compression-rle-as-g3.tif", "a fax that calls its packing by another name"),
            Map.entry("40-8bit-gray-zip.tif", "packed by a number of its maker's; the other reads black"));

    /** Each makes rows of 16-bit red, green, blue and alpha of a file. */
    private static final List<String> READERS = List.of(
            "timeout 30 convert 'IN[0]' -auto-orient -alpha set -depth 16 -endian LSB RGBA:OUT",
            "timeout 30 oiiotool --no-autopremult 'IN' --reorient --attrib:type=int oiio:UnassociatedAlpha 1 --attrib:type=int "
                    + "png:compressionLevel 1 -d uint16 -o OUT.png && convert OUT.png -alpha set -depth 16 -endian LSB RGBA:OUT; "
                    + "rm -f OUT.png");

    private static final AtomicInteger NUMBERS = new AtomicInteger();

    @TempDir
    static Path folder;

    private enum Outcome {
        EXACT, WITHIN, REFUSED, ALONE, ASIDE, LARGE, SILENT
    }

    private record Found(Path file, Outcome outcome, String words) {}

    @Test
    void everyFileIsReadAsOthersReadItOrRefusedInWords() throws Exception {
        Path suites = Path.of("target/suites");
        assumeThat(suites).as("the suites that -Ptorture unpacks").isDirectory();
        List<Path> files;
        try (Stream<Path> all = Files.walk(suites)) {
            files = all.filter(Files::isRegularFile).filter(SuiteZooTest::isFrame).sorted().toList();
        }
        assertThat(files).hasSizeGreaterThan(100);
        List<Found> found = files.parallelStream().map(SuiteZooTest::look).toList();
        Map<String, Map<Outcome, List<Found>>> bySuite = found.stream().collect(Collectors.groupingBy(
                f -> suites.relativize(f.file).getName(0).toString(), TreeMap::new, Collectors.groupingBy(Found::outcome)));
        List<String> rows = new ArrayList<>();
        bySuite.forEach((suite, all) -> rows.add("| " + suite + " | "
                + Stream.of(Outcome.EXACT, Outcome.WITHIN, Outcome.REFUSED, Outcome.ALONE, Outcome.ASIDE,
                        Outcome.LARGE)
                        .map(o -> String.valueOf(all.getOrDefault(o, List.of()).size())).collect(Collectors.joining(" | "))
                + " |"));
        Files.writeString(Path.of("target/suites.md"),
                String.join("\n", rows) + "\n\n" + found.stream().filter(f -> f.outcome != Outcome.EXACT)
                        .map(f -> f.outcome + " " + suites.relativize(f.file) + ": " + f.words).sorted().collect(Collectors.joining("\n"))
                        + "\n");
        assertThat(found).filteredOn(f -> f.outcome == Outcome.SILENT).as("differ without a word").isEmpty();
        assertThat(found).filteredOn(f -> f.outcome == Outcome.EXACT).as("read exactly").hasSizeGreaterThan(150);
    }

    private static boolean isFrame(Path file) {
        return file.toFile().length() <= MOST_BYTES && FileKind.ofName(file.getFileName().toString()).filter(k -> !k.isMovie()).isPresent();
    }

    private static Found look(Path file) {
        try (FrameReader reader = new FrameReader()) {
            FileKind kind = FileKind.ofName(file.getFileName().toString()).orElseThrow();
            return switch (reader.read(file, kind, PictureChoice.MAIN, 0)) {
                case FrameRead.Unsound(var state, String why) -> new Found(file, Outcome.REFUSED, state + ": " + why);
                case FrameRead.Sound sound -> {
                    try (Picture picture = sound.picture()) {
                        yield compared(file, picture, sound.format());
                    }
                }
            };
        } catch (RuntimeException e) {
            return new Found(file, Outcome.SILENT, "breaks: " + e);
        }
    }

    private static Found compared(Path file, Picture picture, PictureFormat format) {
        String aside = ASIDE.get(file.getFileName().toString());
        if (aside != null) {
            return new Found(file, Outcome.ASIDE, aside);
        }
        if (format.size().pixels() > LARGEST) {
            return new Found(file, Outcome.LARGE, "read, and not compared");
        }
        Samples ours = Samples.ours(picture, format);
        String apart = "no other reader reads it";
        for (String reader : READERS) {
            try {
                Samples theirs = theirs(reader, file, ours, format.depth().floating());
                double codes = ours.from(format.alpha() == AlphaKind.NONE ? theirs.opaque() : theirs)
                        * (format.depth().floating() ? 1e6 : (1L << Math.min(16, format.depth().bits())) - 1);
                if (codes < .51) {
                    return new Found(file, Outcome.EXACT, "");
                }
                apart = String.format(Locale.ROOT, "%.1f codes of %s", codes, format.depth());
                if (format.kind().equals("PSD") && ours.fromSeen(theirs) * 255 < 2) {
                    return new Found(file, Outcome.WITHIN, apart + " where hardly anything is seen");
                }
                if (LOSSY.contains(format.kind()) && ours.meanFrom(theirs) * 255 <= MEAN) {
                    return new Found(file, Outcome.WITHIN, apart);
                }
            } catch (IllegalArgumentException e) {
                apart = e.getMessage();
            } catch (IOException | InterruptedException _) {
                // This one can't read it: the next is asked.
            }
        }
        return new Found(file, apart.startsWith("no other") ? Outcome.ALONE : Outcome.SILENT, apart);
    }

    private static Samples theirs(String reader, Path file, Samples ours, boolean floating) throws IOException, InterruptedException {
        if (floating) {
            return Samples.theirs(file.toAbsolutePath()).clamped(FloatSamples.HIGHEST);
        }
        Path raw = folder.resolve("raw" + NUMBERS.getAndIncrement());
        ZooCase.run(folder, reader.replace("IN", file.toAbsolutePath().toString()).replace("OUT", raw.toString()));
        return Samples.raw(raw, ours.width(), ours.height());
    }
}
