package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.RoughForecast;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What goes to standard output and what beside it, and what is answered to words that nobody knows. */
class AnswersTest extends CommandFrames {

    /** A script takes what a command answers, and finds nothing else there. */
    @Test
    void answersAreOnStandardOutputAndWordsAboutThemBeside() throws IOException {
        Path frames = png("kite", 1, 6);
        Shell made = Shell.run("make", frames, "--target", "web-h264", "--target", "frames-png", "--rate", "25", "--out",
                folder.resolve("out"));
        assertThat(made.code()).isZero();
        assertThat(made.out().lines()).hasSize(4).anyMatch(l -> l.contains("made and proven") && l.endsWith("kite_web.mp4"));
        long bytes = Files.size(folder.resolve("out/kite_web.mp4"));
        assertThat(made.out()).contains("  6 frames, 0.240 s, 64x48, " + RoughForecast.bytes(bytes));
        assertThat(made.err()).contains("Making 2 files");
        assertThat(Shell.run("prove", folder.resolve("out/kite_web.mp4")).out()).contains("kite_web.mp4");
        assertThat(Shell.run("history").out()).contains("kite_web.mp4");
    }

    @ParameterizedTest
    @CsvSource({"look PATH --hedaers, --headers", "lok PATH, look", "make PATH --target web-h264 --rtae 25, --rate"})
    void aMisspeltWordIsAnsweredWithTheNearest(String words, String nearest) {
        Shell shell = Shell.run((Object[]) words.replace("PATH", folder.toString()).split(" "));
        assertThat(shell.code()).isEqualTo(2);
        assertThat(shell.err()).contains("Is it " + nearest).hasLineCount(1);
    }

    @Test
    void whatCanBeNoPathIsSaidInWords() {
        Shell shell = Shell.run("look", "kite\0");
        assertThat(shell.code()).isEqualTo(2);
        assertThat(shell.err()).contains("can't be a path here").doesNotContain("java.").hasLineCount(1);
        assertThat(Vat.noPath(new InvalidPathException("d\u00fcne", "unmappable characters"), "ANSI_X3.4-1968"))
                .contains("taken as ANSI_X3.4-1968").contains("LC_ALL=C.UTF-8");
    }

    @Test
    void anAnswerThatNobodyTakesIsNoSuccess() {
        PrintStream full = new PrintStream(new OutputStream() {
            @Override
            public void write(int b) throws IOException {
                throw new IOException("No space left on device");
            }
        });
        PrintStream out = System.out;
        System.setOut(full);
        try {
            assertThat(Vat.run("targets")).isEqualTo(1);
        } finally {
            System.setOut(out);
        }
    }
}
