package dev.vat.media.read;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.source.FileKind;
import dev.vat.media.picture.Picture;
import dev.vat.media.proof.SecondReading;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
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

    @TempDir
    static Path folder;

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
        double most;
        try {
            most = Samples.ours(picture, format).from(Samples.theirs(made.oracle(file)));
        } catch (IllegalArgumentException e) {
            return new Finding(made, e.getMessage(), true);
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
}
