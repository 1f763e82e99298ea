package dev.vat.media.read;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.media.compose.Composer;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import dev.vat.media.proof.SecondReading;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Stills that independent image tools wrote, as Vat reads them and as an independent reader does: sample by sample, before anything is
 * made of alpha or colour. What Vat can't read is refused in words; a difference that nothing is said of fails. What was found is the table
 * in docs/formats.md.
 */
@Tag("outside")
class ToolZooTest {

    private static final Pattern PIXEL = Pattern.compile(" *Pixel \\((-?\\d+), (-?\\d+)\\): (.*)");

    @TempDir
    static Path folder;

    private record Samples(int width, int height, float[][] channels) {}

    /** One line of the table. @param silent it is taken for good and isn't what was written */
    private record Finding(ZooCase made, String words, boolean silent, String second) {
        Finding(ZooCase made, String words, boolean silent) {
            this(made, words, silent, "");
        }

        /** @param file is held against Java's own reader too, as proofs do it */
        Finding withSecondReading(Path file, FileKind kind) throws IOException {
            return SecondReading.of(file, kind).filter(s -> !s.agrees())
                    .map(s -> new Finding(made, words, silent, made.kind() + ", " + made.feature() + ": " + s.words())).orElse(this);
        }

        String row() {
            return "| " + made.kind() + " | " + made.feature() + " | " + words + " |";
        }
    }

    @Test
    void nothingIsReadOtherwiseThanItWasWrittenWithoutAWord() throws Exception {
        ZooCase.layBases(folder);
        // What takes its time is the start of the other tools: two at once.
        List<ZooCase> all = ZooCase.all();
        List<Finding> findings = IntStream.range(0, all.size()).parallel().mapToObj(i -> finding(all.get(i), folder.resolve("row" + i)))
                .toList();
        String table = String.join("\n", findings.stream().map(Finding::row).toList());
        Path written = Files.writeString(Path.of("target/zoo.md"), table + "\n");
        assertThat(findings.stream().map(Finding::second).filter(s -> !s.isEmpty())).as("what Java's reader reads otherwise").isEmpty();
        assertThat(findings.stream().filter(Finding::silent).map(Finding::row)).as("differ without a word").isEmpty();
        assertThat(Files.readString(Path.of("../docs/formats.md"))).as("docs/formats.md has the table of " + written).contains(table);
    }

    private static Finding finding(ZooCase made, Path own) {
        try (FrameReader reader = new FrameReader()) {
            Path file = made.write(Files.createDirectories(own));
            FileKind kind = FileKind.ofName(file.getFileName().toString()).orElse(null);
            if (kind == null) {
                return new Finding(made, "not taken as a frame", false);
            }
            return switch (reader.read(file, kind, PictureChoice.MAIN, 0)) {
                case FrameRead.Unsound(var _, String why) -> new Finding(made, "refused: " + why.replace(own.toString(), ""), false);
                case FrameRead.Sound sound -> {
                    try (Picture picture = sound.picture()) {
                        yield compared(made, file, picture, sound.format()).withSecondReading(file, kind);
                    }
                }
            };
        } catch (IOException | InterruptedException | RuntimeException e) {
            return new Finding(made, "BREAKS: " + e, true);
        }
    }

    private static Finding compared(ZooCase made, Path file, Picture picture, PictureFormat format)
            throws IOException, InterruptedException {
        Samples theirs = theirs(made.oracle(file));
        Samples ours = ours(picture, format);
        if (ours.width != theirs.width || ours.height != theirs.height) {
            return new Finding(made, "read as " + ours.width + "x" + ours.height + ", written as " + theirs.width + "x" + theirs.height,
                    true);
        }
        int shared = theirs.channels.length;
        double most = 0;
        for (int c = 0; c < 4; c++) {
            float[] wanted = shared >= 3 ? c < shared ? theirs.channels[c] : null
                    : c < 3 ? theirs.channels[0] : shared == 2 ? theirs.channels[1] : null;
            for (int i = 0; i < ours.channels[0].length; i++) {
                double value = wanted == null ? 1 : wanted[i];
                most = Math.max(most, Math.abs((c < ours.channels.length ? ours.channels[c][i] : 1) - value));
            }
        }
        double codes = format.depth().floating() ? most * 1e6 : most * ((1L << Math.min(16, format.depth().bits())) - 1);
        if (codes < 0.51) {
            return new Finding(made, "exact, " + format.depth() + (format.alpha() == AlphaKind.NONE ? "" : " with alpha"), false);
        }
        String off = String.format(Locale.ROOT, "%.1f", codes);
        String unit = format.depth().floating() ? " millionths, " : " codes, ";
        return codes <= made.within() ? new Finding(made, "within " + made.within() + unit + format.depth(), false)
                : new Finding(made, "OFF BY " + off + unit + format.depth(), true);
    }

    /** Stored samples: whole numbers through the composer that a run uses, floating ones as they lie in the decoded picture. */
    private static Samples ours(Picture picture, PictureFormat format) {
        if (FloatSamples.isFloat(picture)) {
            try (Picture planar = FloatSamples.sound(picture, 1)) {
                return planes(planar, true);
            }
        }
        boolean alpha = format.alpha() != AlphaKind.NONE;
        try (Composer composer = new Composer(WorkingFormat.W16, alpha);
                Picture composed = composer.compose(picture, PictureReading.of(alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, false))) {
            return planes(composed, false);
        }
    }

    private static Samples planes(Picture planar, boolean floating) {
        int[] order = {2, 0, 1, 3};
        float[][] channels = new float[planar.planes()][planar.width() * planar.height()];
        for (int c = 0; c < channels.length; c++) {
            for (int y = 0, i = 0; y < planar.height(); y++) {
                for (int x = 0; x < planar.width(); x++, i++) {
                    long at = (long) y * planar.stride(order[c]) + (floating ? 4L : 2L) * x;
                    channels[c][i] = floating ? planar.plane(order[c]).get(ValueLayout.JAVA_FLOAT_UNALIGNED, at)
                            : (planar.plane(order[c]).get(ValueLayout.JAVA_SHORT_UNALIGNED, at) & 0xffff) / 65535f;
                }
            }
        }
        return new Samples(planar.width(), planar.height(), channels);
    }

    private static Samples theirs(Path file) throws IOException, InterruptedException {
        List<float[]> pixels = new ArrayList<>();
        int width = 0;
        int height = 0;
        int left = Integer.MAX_VALUE;
        int top = Integer.MAX_VALUE;
        for (String line : ZooCase.run(file.getParent(), "oiiotool --no-autopremult --dumpdata --info '" + file + "'").split("\n")) {
            Matcher pixel = PIXEL.matcher(line);
            if (pixel.matches()) {
                left = Math.min(left, Integer.parseInt(pixel.group(1)));
                top = Math.min(top, Integer.parseInt(pixel.group(2)));
                width = Math.max(width, Integer.parseInt(pixel.group(1)) - left + 1);
                height = Math.max(height, Integer.parseInt(pixel.group(2)) - top + 1);
                String values = pixel.group(3).replaceAll(".*\\((.*)\\).*", "$1").strip();
                float[] parsed = new float[values.split(" +").length];
                for (int i = 0; i < parsed.length; i++) {
                    parsed[i] = values.split(" +")[i].contains("nan") ? Float.NaN : Float.parseFloat(values.split(" +")[i]);
                }
                pixels.add(parsed);
            }
        }
        assertThat(pixels).as("what the independent reader reads of " + file).isNotEmpty();
        float[][] channels = new float[pixels.getFirst().length][pixels.size()];
        for (int i = 0; i < pixels.size(); i++) {
            for (int c = 0; c < channels.length; c++) {
                channels[c][i] = pixels.get(i)[c];
            }
        }
        return new Samples(width, height, Arrays.copyOf(channels, Math.min(4, channels.length)));
    }
}
