package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeFalse;

import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A real process of the command line, ended from outside in the middle of a run. */
@Tag("torture")
@Tag("process")
class InterruptedTest {

    @TempDir
    Path folder;

    private Path frames;
    private List<ProcessHandle> workers = List.of();

    /** Lets a test start the command line in a process of its own. */
    static final class Launcher {
        public static void main(String[] arguments) {
            System.exit(Vat.run(arguments));
        }
    }

    @BeforeEach
    void draw() throws Exception {
        assumeFalse(System.getProperty("os.name").startsWith("Windows"), "signals are sent by kill");
        frames = Files.createDirectory(folder.resolve("kite"));
        float[] grey = new float[320 * 180];
        for (int f = 0; f < 600; f++) {
            grey[f] = 1;
            Files.write(frames.resolve("kite.%04d.png".formatted(f)),
                    StillWriter.PNG8.write(new Samples(320, 180, grey, grey, grey, null)));
        }
    }

    private Process launch(String... words) throws Exception {
        List<String> command = new ArrayList<>(
                List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-cp", System.getProperty("java.class.path"),
                        Launcher.class.getName()));
        command.addAll(List.of(words));
        ProcessBuilder builder = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD);
        builder.environment().put("VAT_HOME", folder.resolve("home").toString());
        return builder.start();
    }

    /** Starts a run, waits until frames are encoded, sends a signal; gives the exit code. */
    private int end(String signal, List<String> lines) throws Exception {
        Process process = launch("make", frames.toString(), "--target", "alpha-prores-4444", "--rate", "25", "--out",
                folder.resolve("out").toString(), "--json");
        try (BufferedReader out = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            boolean sent = false;
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                lines.add(line);
                if (!sent && line.contains("\"stage\":\"encoding\"")) {
                    sent = true;
                    workers = process.descendants().toList();
                    // By one shell: a second signal that comes late finds a run that has stopped already.
                    String kills = Arrays.stream(signal.split(" ")).map(each -> "kill -" + each + " " + process.pid())
                            .collect(Collectors.joining("; "));
                    new ProcessBuilder("sh", "-c", kills).start().waitFor();
                }
            }
        }
        assertThat(process.waitFor(300, TimeUnit.SECONDS)).isTrue();
        return process.exitValue();
    }

    /** They notice that nobody listens any more, and leave. */
    private void awaitWorkers() throws Exception {
        for (ProcessHandle worker : workers) {
            worker.onExit().get(300, TimeUnit.SECONDS);
        }
    }

    private void goesOn() throws Exception {
        try (var left = Files.list(folder.resolve("out"))) {
            assertThat(left).isNotEmpty().allMatch(p -> p.getFileName().toString().startsWith(".vat-"));
        }
        Process resumed = launch("resume", folder.resolve("out").toString(), "--json");
        String said = new String(resumed.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(resumed.waitFor()).as(said).isZero();
        assertThat(said).contains("\"event\":\"resumed\"").contains("\"proven\":true");
        try (var left = Files.list(folder.resolve("out"))) {
            assertThat(left.map(p -> p.getFileName().toString()).sorted()).containsExactly("kite_alpha.mov", "kite_alpha.mov.receipt.json");
        }
        Process nothing = launch("resume");
        assertThat(nothing.waitFor()).as("nothing is left to go on with").isEqualTo(2);
    }

    @Test
    void fromTheKeyboardItStopsAndGoesOnWhenAsked() throws Exception {
        List<String> lines = new ArrayList<>();
        assertThat(end("INT", lines)).isEqualTo(5);
        assertThat(lines.getLast()).contains("\"event\":\"error\"").contains("\"code\":5").contains("vat resume");
        goesOn();
    }

    @Test
    void askedTwiceItEndsAtOnceAndGoesOnWhenAsked() throws Exception {
        List<String> lines = new ArrayList<>();
        assertThat(end("INT TERM", lines)).isEqualTo(5);
        assertThat(lines).as("it waited for nothing").noneMatch(l -> l.contains("\"event\":\"done\""));
        awaitWorkers();
        goesOn();
    }

    @Test
    void whatAStoppedRunHasClosedIsMadeAFileWhenAsked() throws Exception {
        List<String> lines = new ArrayList<>();
        Process process = launch("make", frames.toString(), "--target", "frames-png", "--rate", "2", "--out",
                folder.resolve("out").toString(), "--json");
        try (BufferedReader out = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                if (lines.isEmpty() && line.matches(".*\"stage\":\"encoding\",\"frame\":[3-9]\\d.*")) {
                    lines.add(line);
                    new ProcessBuilder("kill", "-INT", Long.toString(process.pid())).start().waitFor();
                }
            }
        }
        assertThat(process.waitFor()).isEqualTo(5);
        Process early = launch("resume", "--end-early", "--json");
        String said = new String(early.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(early.waitFor()).as(said).isZero();
        try (var stills = Files.list(folder.resolve("out/kite_frames"))) {
            assertThat(stills.count()).isBetween(24L, 599L).matches(n -> n % 8 == 0, "whole parts of eight frames");
        }
        assertThat(folder.resolve("out/kite_frames.receipt.json")).content().contains("ended early by hand");
    }

    @Test
    void killedItLeavesNothingUnderAFinalNameAndGoesOnWhenAsked() throws Exception {
        assertThat(end("KILL", new ArrayList<>())).isEqualTo(137);
        awaitWorkers();
        goesOn();
    }
}
