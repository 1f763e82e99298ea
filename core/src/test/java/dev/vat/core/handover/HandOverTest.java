package dev.vat.core.handover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.Reel;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.Location;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class HandOverTest {

    private static final FrameTable A = Frames.good("sh010", 1001, 1096).table();
    private static final FrameTable B = Frames.good("sh020", 1, 64).table();

    private static Project project(Edit... edits) {
        Project project = Edits.bringIn(List.of(A.sequence().location(), B.sequence().location()), Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY);
        project = Edits.setRate(Rate.FPS_25).apply(project);
        for (Edit edit : edits) {
            project = edit.apply(project);
        }
        return project;
    }

    private static ResolvedReel programme(Project project) {
        return ResolvedReel.of(project, Map.of("s1", A, "s2", B)).orElseThrow();
    }

    /** All that other programs can know of as well. */
    private static Project plain() {
        return project(ReelEdits.trimItem(0, FrameRange.of(1011, 1050)), ReelEdits.joinItem(1, Joint.dissolve(12)),
                ReelEdits.playItem(1, Playing.PLAIN.withSpeed(Rational.of(1, 2))),
                ReelEdits.addDrawn(2, GeneratedItem.Plain.black(25)), ReelEdits.setStart("10:00:00:00"));
    }

    private static List<Item> items(Project project) {
        return project.currentReel().orElseThrow().items();
    }

    @Test
    void aListSaysCutsDissolvesAndSpeeds() {
        assertThat(EdlText.write(Timeline.of(programme(plain())))).isEqualTo("""
                TITLE: %s
                FCM: NON-DROP FRAME
                001    SH010    V     C        00:00:40:11 00:00:41:14 10:00:00:00 10:00:01:03
                * FROM CLIP NAME: sh010.####.png
                * SOURCE FILE: %s
                002    SH010    V     C        00:00:41:14 00:00:41:14 10:00:01:03 10:00:01:03
                002    SH020    V     D    012 00:00:00:01 00:00:02:15 10:00:01:03 10:00:06:06
                M2   SH020    050.0                00:00:00:01
                * FROM CLIP NAME: sh010.####.png
                * TO CLIP NAME: sh020.####.png
                * SOURCE FILE: %s
                003    BL       V     C        00:00:00:00 00:00:01:00 10:00:06:06 10:00:07:06
                """.formatted(programme(plain()).reel().name(), A.sequence().folder().resolve(A.sequence().name()),
                B.sequence().folder().resolve(B.sequence().name())));
    }

    private static Optional<Timeline.Media> known(String name) {
        for (FrameTable table : List.of(A, B)) {
            if (name.endsWith(table.sequence().name())) {
                return Optional.of(new Timeline.Media(table.sequence().location(), Rate.FPS_25, table.sequence().range(), null));
            }
        }
        return Optional.empty();
    }

    @Test
    void aListComesBackAsItWent() {
        Timeline read = EdlText.read(EdlText.write(Timeline.of(programme(plain()))), Rate.FPS_25, HandOverTest::known);
        assertThat(read.left()).isEmpty();
        Project taken = read.edit().apply(project());
        assertThat(items(taken)).isEqualTo(items(plain()));
        assertThat(taken.currentReel().orElseThrow().start()).isEqualTo("10:00:00:00");
        assertThat(programme(taken).plan().count()).isEqualTo(programme(plain()).plan().count());
    }

    /** Frame 1001 is 01:00:00:00 then, and 1011 ten frames later. */
    @Test
    void aSourcesOwnTimecodeIsItsLabelInAList() {
        Project labelled = SourceEdits.setTimecode("s1", "01:00:00:00").apply(plain());
        String list = EdlText.write(Timeline.of(programme(labelled)));
        assertThat(list).contains("V     C        01:00:00:10 01:00:01:13 10:00:00:00");
        Timeline read = EdlText.read(list, Rate.FPS_25, name -> labelled.sources().stream().filter(s -> name.endsWith(s.name())).findFirst()
                .map(s -> Timeline.Media.of(s, s.id().equals("s1") ? A : B, Rate.FPS_25)));
        assertThat(items(read.edit().apply(labelled))).isEqualTo(items(plain()));
    }

    @Test
    void whatAListCantCarryIsSaid() {
        Project rich = project(ReelEdits.playItem(0, Playing.PLAIN.withSpeed(Rational.of(2, 3)).withTail(5)),
                ReelEdits.joinItem(1, Joint.dip(8, Rgb.WHITE)));
        assertThat(EdlText.leftOut(Timeline.of(programme(rich)))).anyMatch(l -> l.contains("held"))
                .anyMatch(l -> l.contains("66.667 percent")).anyMatch(l -> l.contains("dip 8"));
        assertThat(EdlText.write(Timeline.of(programme(rich)))).contains("* LEFT OUT: sh020.####.png: the dip 8 through #FFFFFF at "
                + "its start, a cut here");
    }

    @Test
    void aStrangersListIsTakenAsFarAsItGoes() {
        String list = """
                TITLE: EVENING
                FCM: NON-DROP FRAME

                001  KITE     V     C        01:00:00:00 01:00:02:00 00:00:00:00 00:00:02:00
                * FROM CLIP NAME: sh020.####.png
                002  AX       A     C        01:00:00:00 01:00:02:00 00:00:00:00 00:00:02:00
                003  GONE     V     W001 025 01:00:00:00 01:00:01:00 00:00:02:00 00:00:03:00
                """;
        Timeline read = EdlText.read(list, Rate.FPS_25, HandOverTest::known);
        assertThat(read.events()).hasSize(2);
        assertThat(read.events().getLast().media()).as("kept in time").isNull();
        assertThat(read.left()).anyMatch(l -> l.contains("track A")).anyMatch(l -> l.contains("wipe"))
                .anyMatch(l -> l.contains("GONE isn't among the sources"));
        assertThatThrownBy(() -> EdlText.read("TITLE: nothing", Rate.FPS_25, HandOverTest::known)).hasMessageContaining("no event");
        assertThatThrownBy(
                () -> EdlText.read("001  AX  V  C  00:00:00:00 00:00:01:00 00:00:00:30 00:00:01:00", Rate.FPS_25, HandOverTest::known))
                .hasMessageContaining("00:00:00:30");
    }

    /** As the format's published description lays it out. */
    @Test
    void aTimelineHasTheStructureOfTheOpenFormat() throws Exception {
        JsonNode root = new ObjectMapper().readTree(OtioWriter.write(Timeline.of(programme(plain())), null));
        assertThat(root.path("OTIO_SCHEMA").asText()).isEqualTo("Timeline.1");
        assertThat(root.path("global_start_time").path("value").asDouble()).isEqualTo(900_000);
        JsonNode track = root.path("tracks").path("children").get(0);
        assertThat(track.path("OTIO_SCHEMA").asText() + " " + track.path("kind").asText()).isEqualTo("Track.1 Video");
        assertThat(track.path("children")).extracting(c -> c.path("OTIO_SCHEMA").asText()).containsExactly("Clip.2", "Transition.1",
                "Clip.2", "Gap.1");
        JsonNode first = track.path("children").get(0);
        assertThat(first.path("source_range").path("start_time").path("value").asDouble()).isEqualTo(1011);
        assertThat(first.path("source_range").path("duration").path("value").asDouble()).as("up to the middle of the dissolve")
                .isEqualTo(34);
        JsonNode reference = first.path("media_references").path(first.path("active_media_reference_key").asText());
        assertThat(reference.path("OTIO_SCHEMA").asText()).isEqualTo("ImageSequenceReference.1");
        assertThat(reference.path("name_prefix").asText() + "|" + reference.path("frame_zero_padding").asInt() + "|"
                + reference.path("name_suffix").asText()).isEqualTo("sh010.|4|.png");
        JsonNode second = track.path("children").get(2);
        assertThat(second.path("source_range").path("start_time").path("value").asDouble()).as("three frames in at half speed")
                .isEqualTo(4);
        assertThat(second.path("source_range").path("duration").path("value").asDouble()).isEqualTo(122);
        assertThat(second.path("effects").get(0).path("time_scalar").asDouble()).isEqualTo(.5);
        double whole = 0;
        for (JsonNode child : track.path("children")) {
            whole += child.path("source_range").path("duration").path("value").asDouble();
        }
        assertThat(whole).as("cuts add up to the reel").isEqualTo(programme(plain()).plan().count());
    }

    @Test
    void aTimelineComesBackAsItWent() {
        Timeline read = OtioReader.read(OtioWriter.write(Timeline.of(programme(plain())), null), Path.of("/kite"));
        assertThat(read.left()).isEmpty();
        assertThat(items(read.edit().apply(project()))).isEqualTo(items(plain()));
        Project elsewhere = read.edit().apply(Project.EMPTY);
        assertThat(elsewhere.sources()).extracting(s -> s.location()).containsExactly(A.sequence().location(), B.sequence().location());
    }

    @Test
    void allThatOnlyVatKnowsComesBackToo() {
        Project rich = Edits.bringIn(List.of(Location.ofFile(Path.of("/kite/bells.wav"))), Edits.Layout.ONE_PROGRAMME)
                .apply(project(ReelEdits.playItem(0, Playing.PLAIN.withSpeed(Rational.of(2, 3)).withTail(5).withReversed(true)),
                        ReelEdits.joinItem(1, Joint.dip(8, Rgb.WHITE))));
        rich = ReelEdits.addSound("s3").apply(rich);
        Reel reel = rich.currentReel().orElseThrow();
        String text = OtioWriter.write(Timeline.of(programme(rich)), WholeReel.of(rich, reel));
        WholeReel whole = OtioReader.whole(text).orElseThrow();
        Project taken = whole.edit().apply(Project.EMPTY);
        assertThat(taken.currentReel().orElseThrow().items()).isEqualTo(reel.items());
        assertThat(taken.currentReel().orElseThrow().sounds()).isEqualTo(reel.sounds());
        assertThat(taken.sources()).hasSize(3);
        Project again = whole.edit().apply(rich);
        assertThat(again.sources()).as("what is there isn't added twice").hasSize(3);
        assertThat(OtioReader.whole("{}")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "",
        "{",
        "[]",
        "{\"OTIO_SCHEMA\": \"Clip.2\"}",
        "{\"OTIO_SCHEMA\": \"Timeline.1\"}",
        "{\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": {\"children\": [{\"kind\": \"Video\"}]}}"})
    void whatIsNoTimelineIsSaidInWords(String text) {
        assertThatThrownBy(() -> OtioReader.read(text, Path.of("/kite"))).isInstanceOf(IllegalArgumentException.class);
    }
}
