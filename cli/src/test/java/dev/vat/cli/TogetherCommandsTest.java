package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.layout.InStep;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Project;
import dev.vat.core.reel.Layout;
import dev.vat.engine.project.ProjectFile;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.media.read.ClipProbe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Several sources in one picture, and the passes of one, by commands; and what a trial says of it all. */
class TogetherCommandsTest {

    @TempDir
    Path folder;

    private Layout layout(Path project) throws IOException {
        Project read = ProjectFile.load(project);
        return read.currentReel().orElseThrow().items().getFirst().layout();
    }

    @Test
    void viewsAreLaidOutTriedAndMade() throws IOException {
        Path pier = TestMaterial.frames(folder, "pier", 12);
        Path tower = TestMaterial.frames(folder, "tower", 10);
        Path project = folder.resolve("both.vat");
        Shell views = Shell.run("views", project, pier, tower, "--grid", "2", "--size", "160x64", "--between", "2", "--caption",
                "{source}@bottom-left", "--caption", "two", "--step", "seconds",
                "--first-day", "2026-05-01", "--days-per-second", "7", "--rate", "25", "--json");
        assertThat(views.code()).as(views.err()).isZero();
        assertThat(views.events("project").getFirst().path("path").asText()).isEqualTo(project.toString());
        Layout layout = layout(project);
        assertThat(layout.size()).isEqualTo(Size.of(160, 64));
        assertThat(layout.stepInUse()).isEqualTo(InStep.SECONDS);
        assertThat(layout.views()).extracting(v -> v.caption().words().text()).containsExactly("{source}", "two");

        Shell untargeted = Shell.run("try", project);
        assertThat(untargeted.code()).isEqualTo(ExitCode.FINDINGS.code());
        assertThat(untargeted.err()).contains("Nothing was tried: no-target");
        Shell made = Shell.run("make", project, "--target", "web-h264", "--out", folder.resolve("out"), "--json");
        assertThat(made.code()).as(made.err()).isZero();
        assertThat(ClipProbe.probe(Path.of(made.last().path("files").get(0).path("path").asText())).format().size())
                .isEqualTo(Size.of(160, 64));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "--grid 0               | 2 | From 1 to 64 views stand beside each other, not 0",
        "--rows 1,x             | 2 | 'x' is no number of views",
        "--inset sideways       | 2 | ",
        "--place 0,0,50         | 2 | ",
        "--layout nobody        | 2 | There is no layout 'nobody'",
        "--size huge            | 2 | ",
        "--first-day yesterday  | 2 | ",
        "--step weeks           | 2 | ",
    })
    void whatCannotBeALayoutIsSaidAndNothingIsWritten(String options, int code, String words) throws IOException {
        Path pier = TestMaterial.frames(folder, "pier", 2);
        String[] said = options.split(" +");
        Shell shell = Shell.run("views", folder.resolve("odd.vat"), pier, said[0], said[1]);
        assertThat(shell.code()).as(shell.err()).isEqualTo(code);
        assertThat(shell.err()).contains(words == null ? said[1] : words).doesNotContain("\tat ");
        assertThat(folder.resolve("odd.vat")).doesNotExist();
    }

    @Test
    void aProjectIsNeverWrittenOver() throws IOException {
        Path pier = TestMaterial.frames(folder, "pier", 2);
        Path project = folder.resolve("there.vat");
        Files.writeString(project, "somebody's work");
        assertThat(Shell.run("views", project, pier).err()).contains("is there already; nothing is written over it");
        assertThat(project).hasContent("somebody's work");
        assertThat(Shell.run("views", folder.resolve("pier.txt"), pier).err()).contains("A project's name ends in .vat");
    }

    /** One colour all over, in linear parts that sum up: what a display shows is worked out here by the curve of IEC 61966-2-1. */
    private void pass(String name, double light) throws IOException {
        Path place = Files.createDirectories(folder.resolve("shot"));
        float coded = (float) (light <= .0031308 ? 12.92 * light : 1.055 * Math.pow(light, 1 / 2.4) - .055);
        float[] plane = new float[32 * 32];
        Arrays.fill(plane, coded);
        for (int n = 1; n <= 3; n++) {
            Files.write(place.resolve("shot_%s.%04d.png".formatted(name, n)),
                    StillWriter.PNG16.write(new Samples(32, 32, plane, plane, plane, null)));
        }
    }

    @Test
    void passesAreFoundByNameAndHeldAgainstTheFullPicture() throws IOException {
        pass("light", .2);
        pass("glow", .1);
        pass("full", .3);
        Path project = folder.resolve("shot.vat");
        Shell found = Shell.run("passes", folder.resolve("shot"), "--project", project, "--json");
        assertThat(found.events("pass")).extracting(p -> p.path("name").asText()).contains("light", "glow");
        assertThat(found.events("passes").getFirst().path("frames").asInt()).isEqualTo(3);
        assertThat(found.code()).as(found.err()).isZero();
        assertThat(ProjectFile.load(project).currentReel().orElseThrow().items()).hasSize(1);
        pass("full", .6);
        Shell apart = Shell.run("passes", folder.resolve("shot"), "--json");
        assertThat(apart.code()).isEqualTo(ExitCode.FINDINGS.code());
        assertThat(apart.events("passes").getFirst().path("apart")).hasSize(3);
        Path out = Files.createDirectory(folder.resolve("out"));
        Shell made = Shell.run("make", project, "--target", "web-h264", "--out", out);
        assertThat(made.err()).contains("the sum of its passes isn't the full picture: it differs in frame 0001 by ");
        Shell none = Shell.run("passes", TestMaterial.frames(folder, "kite", 2));
        assertThat(none.code()).isEqualTo(ExitCode.FINDINGS.code());
        assertThat(none.err()).contains("No two names in").contains("speak of passes");
    }

    /** Two lights that are lost beyond white together, and by themselves not. */
    @Test
    void withoutAFullPictureTheSumMustStayInItsRange() throws IOException {
        pass("light", .2);
        pass("glow", .1);
        Shell within = Shell.run("passes", folder.resolve("shot"));
        assertThat(within.code()).as(within.err()).isZero();
        assertThat(within.out()).contains("There is no full picture to hold the passes against; their sum stays below white");
        pass("light", .6);
        pass("glow", .7);
        Path project = folder.resolve("shot.vat");
        Shell beyond = Shell.run("passes", folder.resolve("shot"), "--project", project, "--json");
        assertThat(beyond.code()).isEqualTo(ExitCode.FINDINGS.code());
        assertThat(beyond.events("passes").getFirst().path("beyondWhite").asDouble()).isEqualTo(1);
        Path out = Files.createDirectory(folder.resolve("out"));
        assertThat(Shell.run("make", project, "--target", "web-h264", "--out", out).err())
                .contains("the sum of its passes is beyond white where no pass is, frame 0001 in 100.0 % of it");
    }

    /** Half of the diffuse light lies in shadow, and the highlight on it doesn't: .4 x .5 + .05 is the full picture. */
    @Test
    void shadowsFallOnWhatIsLitAndHighlightsLieOnThem() throws IOException {
        pass("specular", .05);
        pass("shadow", .5);
        pass("diffuse", .4);
        pass("full", .25);
        Shell found = Shell.run("passes", folder.resolve("shot"), "--json");
        assertThat(found.code()).as(found.err()).isZero();
        assertThat(found.events("passes").getFirst().path("apart")).isEmpty();

        // Twice the light without its shadow, and a highlight that is off: another picture than the full one.
        Shell other = Shell.run("passes", folder.resolve("shot"), "--gain", "diffuse=2", "--leave-out", "shadow", "--tint",
                "specular=000000", "--json");
        assertThat(other.code()).isEqualTo(ExitCode.FINDINGS.code());
        assertThat(Shell.run("passes", folder.resolve("shot"), "--order", "shadow,diffuse").code()).as("added to the shadow")
                .isEqualTo(ExitCode.FINDINGS.code());
        assertThat(Shell.run("passes", folder.resolve("shot"), "--gain", "glow=2").err()).contains("There is no pass 'glow'")
                .contains("diffuse, shadow, specular");
        assertThat(Shell.run("passes", folder.resolve("shot"), "--gain", "diffuse").err()).contains("PASS=VALUE");
    }

    @Test
    void aTrialSaysWhatEachFileWillBe() throws IOException {
        Path frames = TestMaterial.frames(folder, "kite", 60);
        Path project = folder.resolve("kite.vat");
        assertThat(Shell.run("views", project, frames, "--rate", "25").code()).isZero();
        Project targeted = DeliverableEdits.addTarget(Catalogue.target("web-h264")).apply(ProjectFile.load(project));
        ProjectFile.save(targeted, project);
        Shell tried = Shell.run("try", project, "--json");
        assertThat(tried.code()).as(tried.err()).isZero();
        assertThat(tried.events("forecast")).singleElement().satisfies(f -> {
            assertThat(f.path("bytes").path("middle").asDouble()).isPositive();
            assertThat(f.path("bytes").path("low").asDouble()).isLessThanOrEqualTo(f.path("bytes").path("middle").asDouble());
            assertThat(f.path("bytes").path("high").asDouble()).isGreaterThanOrEqualTo(f.path("bytes").path("middle").asDouble());
        });
        assertThat(tried.events("forecast-run").getFirst().path("seconds").path("middle").asDouble()).isPositive();
        assertThat(tried.err()).contains("The run takes some");
    }
}
