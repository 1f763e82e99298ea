package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Scan;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.proof.Expectation;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * What Debian's {@code mediainfo} finds in a file that was made, held against what was asked for; what it says nothing of is left out. It
 * is asked where readers from outside are ({@code -Poutside}), of the files that the matrices make anyway.
 */
final class Mediainfo {

    private static final boolean ASKED = "outside".equals(System.getProperty("vat.outside"));

    private Mediainfo() {}

    /** It finds the container, shape, rate, count, samples, time code and place of the index that were asked for. */
    static void findsWhatWasAskedFor(MadeFile made, Container container) throws IOException {
        if (!ASKED) {
            return;
        }
        Expectation asked = made.expected();
        JsonNode tracks = tracks(made.file());
        JsonNode file = track(tracks, "General");
        if (container.isMovingStill()) {
            // It looks at the first picture alone; the browser counts and times them all, see OutsideReadersTest.
            JsonNode image = track(tracks, "Image");
            said(image, "Width", Set.of(Integer.toString(asked.size().width())));
            said(image, "Height", Set.of(Integer.toString(asked.size().height())));
            return;
        }
        JsonNode video = track(tracks, "Video");
        assertThat(file.path("Format").asText()).isEqualTo(switch (container) {
            case MP4, MOV -> "MPEG-4";
            case MKV -> "Matroska";
            case WEBM -> "WebM";
            case AVI -> "AVI";
            case TS -> "MPEG-TS";
            case MXF -> "MXF";
            case GIF, APNG, WEBP, AVIF, FRAMES, WAV -> throw new AssertionError("no pictures in a container: " + container);
        });
        assertThat(video.path("FrameCount").asLong()).isEqualTo(asked.frames());
        assertThat(video.path("FrameRate").asDouble()).isCloseTo(asked.rate().perSecond().toDouble(), within(.0006));
        said(video, "FrameRate_Mode", Set.of("CFR"));
        assertThat(video.path("Width").asInt() + "x" + video.path("Height").asInt()).isEqualTo(asked.size().toString());
        double aspect = asked.pixelAspect().ratio().toDouble();
        assertThat(video.path("PixelAspectRatio").asDouble()).isCloseTo(aspect, within(aspect * .005));
        if (asked.chroma() != Chroma.RGB) {
            said(video, "ChromaSubsampling", Set.of(asked.chroma().label()));
        }
        said(video, "BitDepth", Set.of(Integer.toString(asked.codedBits())));
        if (asked.range() != null) {
            said(video, "colour_range", Set.of(asked.range().equals("full") ? "Full" : "Limited"));
        }
        said(video, "matrix_coefficients", asked.matrix() == null ? Set.of() : switch (asked.matrix()) {
            case "gbr" -> Set.of("Identity");
            case "bt709" -> Set.of("BT.709");
            default -> Set.of("BT.601", "BT.470 System B/G");
        });
        // It calls all DV in MOV interlaced, whatever its blocks say.
        if (!asked.codec().equals("dvvideo")) {
            said(video, "ScanType", Set.of("Progressive"));
        }
        if (asked.timecode() != null) {
            assertThat(timecodes(tracks)).as("timecode").contains(asked.timecode());
        }
        if (container == Container.MOV || container == Container.MP4) {
            assertThat(file.path("IsStreamable").asText()).as("index in front").isEqualTo("Yes");
        }
    }

    static void finds(ColourCoding colour, MadeFile made) throws IOException {
        if (!ASKED) {
            return;
        }
        JsonNode video = track(tracks(made.file()), "Video");
        light(video, made.expected().light());
        said(video, "colour_range", Set.of(colour.isFull() ? "Full" : "Limited"));
        said(video, "colour_primaries", switch (colour.primaries()) {
            case "bt2020" -> Set.of("BT.2020");
            case "bt709" -> Set.of("BT.709");
            default -> Set.of("BT.601 PAL", "BT.601 NTSC");
        });
        said(video, "matrix_coefficients", switch (colour.matrix()) {
            case "bt2020nc" -> Set.of("BT.2020 non-constant");
            case "bt709" -> Set.of("BT.709");
            default -> Set.of("BT.601", "BT.470 System B/G");
        });
        said(video, "transfer_characteristics", switch (colour.transfer()) {
            case "smpte2084" -> Set.of("PQ");
            // Twice where nothing but the stream says it: its parameters and its message of the preferred transfer (H.265, D.2.38).
            case "arib-std-b67" -> Set.of("HLG", "HLG / HLG");
            case "iec61966-2-1" -> Set.of("sRGB/sYCC");
            case "bt2020-10" -> Set.of("BT.2020 (10-bit)", "BT.2020", "BT.709");
            case "smpte170m" -> Set.of("BT.601", "BT.709");
            default -> Set.of("BT.709");
        });
    }

    private static void light(JsonNode video, ContentLight light) {
        if (light != null) {
            // Of Matroska it says no unit.
            assertThat(video.path("MaxCLL").asText().split(" ")[0]).isEqualTo(Integer.toString(light.most()));
            assertThat(video.path("MaxFALL").asText().split(" ")[0]).isEqualTo(Integer.toString(light.average()));
            assertThat(video.path("MasteringDisplay_ColorPrimaries").asText()).isEqualTo("Display P3");
            assertThat(video.path("MasteringDisplay_Luminance").asText()).isEqualTo("min: 0.0050 cd/m2, max: 1000 cd/m2");
        }
    }

    static void finds(Scan scan, MadeFile made) throws IOException {
        if (!ASKED) {
            return;
        }
        JsonNode video = track(tracks(made.file()), "Video");
        said(video, "ScanType", Set.of("Interlaced", "MBAFF"));
        said(video, "ScanOrder", Set.of(scan == Scan.TOP_FIRST ? "TFF" : "BFF"));
    }

    private static void said(JsonNode track, String field, Set<String> allowed) {
        String value = track.path(field).asText();
        // The field as this reader knows it: it may say nothing of what it doesn't look for.
        if (!value.isEmpty()) {
            assertThat(allowed).as(field).contains(value);
        }
    }

    private static JsonNode tracks(Path file) throws IOException {
        Process reader = new ProcessBuilder("mediainfo", "--Output=JSON", file.toString()).start();
        return new ObjectMapper().readTree(reader.getInputStream().readAllBytes()).path("media").path("track");
    }

    /** Some containers have it in a track of its own, some as a tag of the picture's. */
    private static List<String> timecodes(JsonNode tracks) {
        List<String> found = new ArrayList<>();
        for (JsonNode track : tracks) {
            found.add(track.path("TimeCode_FirstFrame").asText());
            track.path("extra").forEach(value -> found.add(value.asText()));
            found.add(track.path("TIMECODE").asText());
        }
        return found;
    }

    private static JsonNode track(JsonNode tracks, String type) {
        for (JsonNode track : tracks) {
            if (track.path("@type").asText().equals(type)) {
                return track;
            }
        }
        throw new AssertionError("no " + type + " in " + tracks);
    }
}
