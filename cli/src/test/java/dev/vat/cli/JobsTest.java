package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vat.media.encode.ExrWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The jobs of docs/jobs.md, each carried out as it stands there; what comes of it is read by mediainfo. */
@Tag("outside")
class JobsTest {

    private static final Pattern WORD = Pattern.compile("\"([^\"]*)\"|(\\S+)");
    private static final Pattern EXIT = Pattern.compile("# exit (\\d)");
    private static final int FRAMES = 48;

    @TempDir
    Path folder;

    /** A job as the page has it. */
    private record Job(int number, String title, List<String> lines) {
        @Override
        public String toString() {
            return number + ". " + title;
        }
    }

    static Stream<Job> jobs() throws IOException {
        String page = Files.readString(Path.of("../docs/jobs.md"));
        return Pattern.compile("## (\\d+)\\. (.+?)\\n.*?```sh\\n(.*?)```", Pattern.DOTALL).matcher(page).results()
                .map(m -> new Job(Integer.parseInt(m.group(1)), m.group(2), m.group(3).lines().toList()));
    }

    @ParameterizedTest
    @MethodSource("jobs")
    void aJobIsDoneByItsCommands(Job job) throws Exception {
        material(job.number);
        StringBuilder told = new StringBuilder();
        for (String line : job.lines) {
            List<String> words = words(line);
            if (words.getFirst().equals("cp")) {
                copy(Path.of(words.get(1)), Path.of(words.get(2)));
                continue;
            }
            Shell shell = Shell.run(words.subList(1, words.size()).toArray());
            Matcher exit = EXIT.matcher(line);
            assertThat(shell.code()).as(line + "\n" + shell.out() + shell.err())
                    .isEqualTo(exit.find() ? Integer.parseInt(exit.group(1)) : 0);
            told.append(shell.out()).append(shell.err());
        }
        check(job.number, told.toString());
    }

    /** Words of a line as a shell has them; places are those of this test. */
    private List<String> words(String line) {
        List<String> words = new ArrayList<>();
        Matcher m = WORD.matcher(line.replaceFirst("\\s+# .*", ""));
        while (m.find()) {
            String word = m.group(1) != null ? m.group(1) : m.group(2);
            words.add(word.matches("(renders|out)(/.*)?|[a-z]+\\.vat") ? folder.resolve(word).toString() : word);
        }
        return words;
    }

    private static void copy(Path from, Path to) throws IOException {
        try (Stream<Path> files = Files.list(from)) {
            for (Path file : files.toList()) {
                Files.copy(file, to.resolve(file.getFileName().toString().replace("again", to.getFileName().toString())),
                        StandardCopyOption.REPLACE_EXISTING);
            }
        }
    }

    private void material(int job) throws IOException {
        Path renders = folder.resolve("renders");
        TestMaterial.frames(renders, "pier", FRAMES);
        TestMaterial.frames(renders, "tower", job == 1 ? 774 : FRAMES);
        if (job == 10 || job == 18 || job == 20) {
            TestMaterial.frames(renders, "beach", FRAMES);
        }
        switch (job) {
            case 2 -> TestMaterial.frames(renders, "wide", FRAMES);
            case 7 -> scope(renders.resolve("scope"));
            case 10 -> odd(TestMaterial.frames(renders, "again", 12), 4, 8);
            case 18 -> TestMaterial.frames(renders, "again", FRAMES);
            case 19 -> odd(TestMaterial.frames(renders, "again", FRAMES), 20, 20);
            case 11 -> renumbered(TestMaterial.frames(renders, "long", 3350));
            case 12 -> {
                copy(renders.resolve("pier"), Files.createDirectories(renders.resolve("mixed")));
                copy(renders.resolve("tower"), renders.resolve("mixed"));
            }
            case 13 -> edge(Files.createDirectories(renders.resolve("edge")));
            case 16 -> {
                for (String pass : List.of("diffuse", "specular", "full")) {
                    pass(Files.createDirectories(renders.resolve("shot")), pass);
                }
            }
            case 20 -> everyFourth(TestMaterial.frames(renders, "fourth", FRAMES));
            default -> {
                // What every job has is enough.
            }
        }
    }

    private static void scope(Path place) throws IOException {
        Files.createDirectories(place);
        for (int i = 0; i < 12; i++) {
            Samples s = TestMaterial.picture(240, 100, i);
            Files.write(place.resolve("scope.%04d.exr".formatted(i + 1)),
                    ExrWriter.write(240, 100, Map.of("R", s.red(), "G", s.green(), "B", s.blue())));
        }
    }

    /** Other pictures at some numbers. */
    private static void odd(Path place, int first, int last) throws IOException {
        for (int n = first; n <= last; n++) {
            Samples s = TestMaterial.picture(64, 48, n + 30);
            Files.write(place.resolve("again.%04d.png".formatted(n)), StillWriter.PNG8.write(s));
        }
    }

    private static void renumbered(Path place) throws IOException {
        for (int n = 3341; n <= 3350; n++) {
            Files.move(place.resolve("long.%04d.png".formatted(n)), place.resolve("long.%04d.png".formatted(n + 200)));
        }
    }

    private static void edge(Path place) throws IOException {
        for (int i = 0; i < FRAMES; i++) {
            float[] grey = new float[320 * 180];
            for (int p = 0; p < grey.length; p++) {
                int x = p % 320;
                int y = p / 320;
                boolean kite = Math.abs(x - (i * 9 - 20)) < 24 && Math.abs(y - 90) < 24;
                grey[p] = kite ? .95f : .2f + .3f * y / 180 + .05f * (float) Math.sin(x * .05 + i * .02);
            }
            Files.write(place.resolve("edge.%04d.png".formatted(i + 1)),
                    StillWriter.PNG16.write(new Samples(320, 180, grey, grey, grey, null)));
        }
    }

    private static void pass(Path place, String name) throws IOException {
        float[] plane = new float[32 * 32];
        Arrays.fill(plane, name.equals("full") ? .6f : .4f);
        for (int n = 1; n <= 3; n++) {
            Files.write(place.resolve("shot_%s.%04d.png".formatted(name, n)),
                    StillWriter.PNG16.write(new Samples(32, 32, plane, plane, plane, null)));
        }
    }

    private static void everyFourth(Path place) throws IOException {
        for (int n = 1; n <= FRAMES; n++) {
            if (n % 4 != 1) {
                Files.delete(place.resolve("fourth.%04d.png".formatted(n)));
            }
        }
    }

    private void check(int job, String told) throws Exception {
        switch (job) {
            case 1 -> assertThat(told).contains("0775-1000");
            case 2 -> {
                JsonNode dv = video("out/pier_dv.mov");
                assertThat(dv.path("Width").asText() + "x" + dv.path("Height").asText()).isEqualTo("720x576");
                assertThat(dv.path("DisplayAspectRatio").asDouble()).isCloseTo(1.333, within(.01));
                assertThat(video("out/wide_web.mp4").path("PixelAspectRatio").asDouble()).isCloseTo(1, within(.001));
                assertThat(video("out/wide_web.mp4").path("Width").asInt()).isEqualTo(90);
            }
            case 3 -> assertThat(video("out/pier_web.mp4").path("FrameCount").asInt()).isEqualTo(FRAMES);
            case 4 -> {
                assertThat(video("out/pier_look_draft.mp4").path("Width").asInt()).isEqualTo(32);
                assertThat(frames("out/reel/pier_look.mp4")).isEqualTo(2 * FRAMES - 6);
            }
            case 5 -> {
                assertThat(video("out/pier_edit.mov").path("FrameRate").asText()).isEqualTo("24.000");
                assertThat(video("out/pier_look.mp4").path("FrameRate").asText()).isEqualTo("24.000");
            }
            case 6 -> {
                assertThat(told).contains("(17)").contains("(20)").contains("(23)");
                assertThat(Files.size(folder.resolve("out/pier_web.mp4"))).isBetween(5_000L, 30_000L);
            }
            case 7 -> {
                assertThat(video("out/scope_edit.mov").path("Format_Profile").asText()).as("of 10 bits by its profile").isEqualTo("422 HQ");
                assertThat(video("out/scope_edit.mov").path("DisplayAspectRatio").asDouble()).isCloseTo(2.4, within(.01));
                assertThat(image("out/scope_dpx12").path("BitDepth").asInt()).isEqualTo(12);
            }
            case 8 -> {
                assertThat(read("out/pier_web.mp4").findValuesAsText("@type")).doesNotContain("Audio").contains("Video");
                assertThat(video("out/pier_vp9.webm").path("Format").asText()).isEqualTo("VP9");
            }
            case 9 -> {
                try (Stream<Path> stills = Files.list(folder.resolve("out/pier_frames16"))) {
                    assertThat(stills.map(p -> p.getFileName().toString().replaceAll(".*?(\\d+)\\.png", "$1")).sorted().toList())
                            .hasSize(27).startsWith("0017").endsWith("0043");
                }
                assertThat(image("out/pier_frames16").path("BitDepth").asInt()).isEqualTo(16);
            }
            case 10 -> assertThat(frames("out/pier_edit_v02.mov")).isEqualTo(3 * FRAMES);
            case 11 -> assertThat(told).contains("3541").contains("3341");
            case 12 -> {
                assertThat(told).contains("pier.####.png").contains("tower.####.png");
                assertThat(frames("out/pier_web.mp4")).isEqualTo(FRAMES);
            }
            case 13 -> assertThat(told).contains("touches the edge");
            case 14 -> {
                assertThat(video("out/one/pier_web.mp4").path("Width").asInt()).isEqualTo(32);
                assertThat(video("out/two/tower_web.mp4").path("Width").asInt()).isEqualTo(32);
            }
            case 15 -> {
                assertThat(video("out/pier_v210.mov").path("CodecID").asText()).isEqualTo("v210");
                assertThat(frames("out/pier_v210_web.mp4")).isEqualTo(FRAMES);
            }
            case 16 -> assertThat(frames("out/shot_edit.mov")).isEqualTo(3);
            case 17 -> {
                assertThat(video("out/pier_edit.mov").path("Format").asText()).isEqualTo("ProRes");
                assertThat(video("out/pier_alpha.mov").path("Format_Profile").asText()).contains("4444");
                assertThat(video("out/pier_web.mp4").path("Format").asText()).isEqualTo("AVC");
            }
            case 18 -> {
                assertThat(frames("out/pier_edit.mov")).isEqualTo(FRAMES);
                assertThat(frames("out/pieces/pier_edit_part001.mov")).isEqualTo(25);
                assertThat(frames("out/pieces/pier_edit_part002.mov")).isEqualTo(23);
            }
            case 19 -> assertThat(told).contains("\"same\":" + (FRAMES - 1)).contains("\"sudden\":[\"0020\"]");
            default -> {
                assertThat(frames("out/fourth_web.mp4")).isEqualTo(FRAMES);
                assertThat(frames("out/pier_web.mp4")).isEqualTo(FRAMES);
                assertThat(frames("out/beach_edit.mov")).isEqualTo(FRAMES);
            }
        }
    }

    private int frames(String file) throws Exception {
        return video(file).path("FrameCount").asInt();
    }

    private JsonNode video(String file) throws Exception {
        return track(read(file), "Video");
    }

    /** The first still of a folder. */
    private JsonNode image(String place) throws Exception {
        try (Stream<Path> stills = Files.list(folder.resolve(place))) {
            JsonNode read = read(folder.relativize(stills.sorted().findFirst().orElseThrow()).toString());
            // Of numbered stills it makes one film.
            return track(read, read.findValuesAsText("@type").contains("Image") ? "Image" : "Video");
        }
    }

    private static JsonNode track(JsonNode file, String type) {
        for (JsonNode track : file.path("media").path("track")) {
            if (track.path("@type").asText().equals(type)) {
                return track;
            }
        }
        throw new AssertionError("no " + type + " in " + file);
    }

    private JsonNode read(String file) throws Exception {
        Path path = folder.resolve(file);
        assertThat(path).exists();
        Process process = new ProcessBuilder("mediainfo", "--Output=JSON", path.toString()).redirectErrorStream(true).start();
        String answer = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(answer).isZero();
        return Json.MAPPER.readTree(answer);
    }
}
