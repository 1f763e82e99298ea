package dev.vat.engine.handover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.handover.Timeline;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

@Tag("slow")
class HandOverSetTest {

    @TempDir
    Path folder;

    private Places places;
    private Path film;
    private Timeline timeline;

    @BeforeEach
    void makeAFilm() throws Exception {
        places = TestPlaces.in(folder);
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 8, false);
        KiteFrames.Job job = KiteFrames.job(frames, folder.resolve("out"), List.of("web-h264"));
        RunPlan plan = job.plan(folder.resolve("out"));
        try (Run run = Run.start(plan, places, _ -> {})) {
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files())
                    .allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        }
        film = folder.resolve("out").resolve(plan.files().getFirst().fileName());
        timeline = Timeline.of(job.programme());
    }

    private Path set(boolean zip) throws Exception {
        return HandOverSet.make(places,
                new HandOverSet.Wish("Kite Week", folder.resolve("handed"), List.of(film), timeline, "For Friday.", zip, !zip), _ -> {});
    }

    private static List<String> reasons(Path set) throws IOException {
        return SetCheck.check(set).reasons();
    }

    @Test
    void aSetHoldsAllThatIsNeededAndNothingOfThisMachine() throws Exception {
        Path set = set(false);
        List<String> names = new ArrayList<>();
        try (Stream<Path> files = Files.list(set)) {
            files.map(f -> f.getFileName().toString()).sorted().forEach(names::add);
        }
        String name = film.getFileName().toString();
        assertThat(names).containsExactlyInAnyOrder("ascmhl", "contents.txt", name, name + ".receipt.json", name + ".proof.html",
                name + ".proof.pdf", name + ".contacts.pdf", "kite.otio", "kite.edl");
        assertThat(Files.mismatch(film, set.resolve(name))).isEqualTo(-1);
        assertThat(SetCheck.check(set).files()).isEqualTo(8);
        assertThat(reasons(set)).isEmpty();
        for (Path text : List.of(set.resolve("contents.txt"), set.resolve(name + ".receipt.json"), set.resolve(name + ".proof.html"),
                set.resolve("kite.otio"), set.resolve("kite.edl"))) {
            // Pictures stand in the page as base64, in which a short host name is met by chance.
            String words = Files.readString(text).replaceAll("data:[^\"']+", "");
            assertThat(words).as(text.getFileName().toString()).doesNotContain(folder.toString())
                    .doesNotContainPattern("\\b" + Pattern.quote(InetAddress.getLocalHost().getHostName()) + "\\b");
        }
        assertThat(Files.readString(set.resolve("contents.txt"))).contains("For Friday.", name, "8 frames at 25");
        try (Stream<Path> left = Files.list(folder.resolve("handed"))) {
            assertThat(left.toList()).as("no work folder stays").containsExactly(set);
        }
    }

    @Test
    void oneChangedByteIsFoundAndItsFileNamed() throws Exception {
        Path set = set(false);
        Path copied = set.resolve(film.getFileName());
        byte[] bytes = Files.readAllBytes(copied);
        bytes[bytes.length / 2] ^= 1;
        Files.write(copied, bytes);
        assertThat(reasons(set)).singleElement().asString().contains(film.getFileName().toString()).contains("was changed");
    }

    @Test
    void whatIsMissingLongerOrTooMuchIsNamedToo() throws Exception {
        Path set = set(false);
        Files.delete(set.resolve("kite.edl"));
        Files.writeString(set.resolve("kite.otio"), Files.readString(set.resolve("kite.otio")) + " ");
        Files.writeString(set.resolve("stray.txt"), "x");
        assertThat(reasons(set)).anySatisfy(r -> assertThat(r).contains("kite.edl").contains("missing"))
                .anySatisfy(r -> assertThat(r).contains("kite.otio").contains("bytes"))
                .anySatisfy(r -> assertThat(r).contains("stray.txt")).hasSize(3);
    }

    @Test
    void aManifestThatWasChangedItselfIsFoundByTheChain() throws Exception {
        Path set = set(false);
        try (Stream<Path> files = Files.list(set.resolve("ascmhl"))) {
            Path list = files.filter(f -> f.toString().endsWith(".mhl")).findFirst().orElseThrow();
            Files.writeString(list, Files.readString(list).replace("contents.txt", "content.txt"));
        }
        assertThat(reasons(set)).anySatisfy(r -> assertThat(r).contains("chain names").contains("changed"));
        Files.delete(set.resolve("ascmhl").resolve("ascmhl_chain.xml"));
        assertThatThrownBy(() -> reasons(set)).isInstanceOf(IOException.class);
    }

    @Test
    void aZipFileIsHeldAgainstItsManifestAsItIs() throws Exception {
        Path zip = set(true);
        assertThat(zip.getFileName()).hasToString("Kite Week.zip");
        assertThat(reasons(zip)).isEmpty();
        byte[] bytes = Files.readAllBytes(zip);
        bytes[bytes.length / 3] ^= 1;
        Files.write(zip, bytes);
        assertThat(reasons(zip)).isNotEmpty();
        assertThat(set(true).getFileName()).as("nothing is replaced").hasToString("Kite Week_v02.zip");
    }

    /** What a link points to isn't in the set, whatever stands there now; what nobody lists doesn't pass, wherever it lies. */
    @Test
    void linksAndWhatNobodyListsDontPass() throws Exception {
        Path set = set(false);
        Path elsewhere = Files.createDirectories(folder.resolve("elsewhere"));
        Files.move(set.resolve("kite.edl"), elsewhere.resolve("kite.edl"));
        Files.createSymbolicLink(set.resolve("kite.edl"), elsewhere.resolve("kite.edl"));
        Files.createSymbolicLink(set.resolve("more"), elsewhere);
        Files.writeString(set.resolve("ascmhl").resolve("smuggled.txt"), "x");
        Files.writeString(set.resolve("ascmhl").resolve(".DS_Store"), "left by whoever looked");
        assertThat(reasons(set)).containsExactlyInAnyOrder("kite.edl is missing",
                "kite.edl is a link to something else, and nothing that was handed over",
                "more is a link to something else, and nothing that was handed over",
                "ascmhl/smuggled.txt isn't in the chain of manifests");
    }

    @Test
    void aZipFileHoldsEachFileOnceAndNothingBesideItsFolder() throws Exception {
        Path zip = set(true);
        Path more = folder.resolve("more.zip");
        try (ZipFile from = new ZipFile(zip.toFile()); ZipOutputStream to = new ZipOutputStream(Files.newOutputStream(more))) {
            for (ZipEntry entry : from.stream().toList()) {
                to.putNextEntry(new ZipEntry(entry.getName()));
                from.getInputStream(entry).transferTo(to);
            }
            // Under a name of the same length, that is changed below.
            to.putNextEntry(new ZipEntry("Kite Week/kite.ed_"));
            to.write('x');
            to.putNextEntry(new ZipEntry("beside.txt"));
        }
        String bytes = Files.readString(more, StandardCharsets.ISO_8859_1).replace("Kite Week/kite.ed_", "Kite Week/kite.edl");
        Files.writeString(more, bytes, StandardCharsets.ISO_8859_1);
        assertThat(reasons(more)).contains("Kite Week/kite.edl is in the ZIP file more than once", "beside.txt isn't in the manifest");
    }

    @Test
    void aFilmThatChangedSinceItWasMadeIsNotHandedOver() throws Exception {
        byte[] bytes = Files.readAllBytes(film);
        bytes[bytes.length - 5] ^= 1;
        Files.write(film, bytes);
        assertThatThrownBy(() -> set(false)).isInstanceOf(IOException.class).hasMessageContaining(film.getFileName().toString())
                .hasMessageContaining("changed since");
        try (Stream<Path> left = Files.list(folder.resolve("handed"))) {
            assertThat(left.toList()).isEmpty();
        }
    }
}
