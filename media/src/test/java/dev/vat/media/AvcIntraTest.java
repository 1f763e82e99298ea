package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.bitstream.NalUnits;
import dev.vat.core.container.IsoMovie;
import dev.vat.core.container.IsoTrack;
import dev.vat.core.container.MxfFile;
import dev.vat.core.container.MxfSet;
import dev.vat.core.container.SampleTable;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.media.lib.FileBytes;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** AVC-Intra of class 100 is what SMPTE RP 2027 says: every frame has as many bytes, begins with its delimiter and stands alone. */
@Tag("slow")
class AvcIntraTest {

    private static final int DELIMITER = 9;
    private static final int PARAMETERS = 7;

    @TempDir
    Path folder;

    private Path made(Container container, String rate, Scan scan) throws Exception {
        Settings settings = Settings.of(Catalogue.codec("avc-intra-100"), container).withFraming(Framing.FOLLOWS.withScan(scan));
        return MadeFile.of(settings, Size.of(1920, 1080), Rate.parse(rate), PixelAspect.SQUARE, folder).file();
    }

    private static void isClass100(byte[] frame) {
        List<byte[]> units = NalUnits.behindStartCodes(frame);
        assertThat(units.getFirst()[0] & 31).as("the delimiter comes first").isEqualTo(DELIMITER);
        assertThat(units.get(1)[0] & 31).as("each frame says its own parameters").isEqualTo(PARAMETERS);
    }

    @ParameterizedTest
    @CsvSource({"25, PROGRESSIVE, 568832, ai12", "25, TOP_FIRST, 568832, ai15", "30000/1001, PROGRESSIVE, 472576, ai13",
        "24000/1001, PROGRESSIVE, 472576, ai13", "30000/1001, TOP_FIRST, 472576, ai16"})
    void everyFrameHasTheBytesOfItsClassInMov(String rate, Scan scan, int bytes, String format) throws Exception {
        try (FileBytes file = FileBytes.of(made(Container.MOV, rate, scan))) {
            IsoTrack track = IsoMovie.of(file).first("vide").orElseThrow();
            assertThat(track.entry().format()).isEqualTo(format);
            for (long i = 0; i < track.samples().count(); i++) {
                SampleTable.Place place = track.samples().place(i);
                assertThat(place.size()).isEqualTo(bytes);
                isClass100(file.read(place.at(), place.size()));
            }
        }
    }

    /** The label of the class in MXF: SMPTE RP 2027 and its registration, by rate and scan. */
    @ParameterizedTest
    @CsvSource({"25, PROGRESSIVE, 568832, 060e2b340401010a0401020201323104", "25, TOP_FIRST, 568832, 060e2b340401010a0401020201323102",
        "30000/1001, PROGRESSIVE, 472576, 060e2b340401010a0401020201323103",
        "30000/1001, TOP_FIRST, 472576, 060e2b340401010a0401020201323101"})
    void itsClassIsSaidInMxf(String rate, Scan scan, int bytes, String label) throws Exception {
        try (FileBytes file = FileBytes.of(made(Container.MXF, rate, scan))) {
            MxfFile found = MxfFile.of(file);
            assertThat(found.first().size()).isEqualTo(bytes);
            isClass100(file.read(found.first().at(), found.first().size()));
            MxfSet pictures = found.first(MxfSet.MPEG_PICTURES).or(() -> found.first(MxfSet.CDCI_PICTURES)).orElseThrow();
            assertThat(pictures.label(0x3201)).contains(label);
        }
    }
}
