package dev.vat.media.mux;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.container.IsoMovie;
import dev.vat.core.container.MxfFile;
import dev.vat.core.container.MxfSet;
import dev.vat.core.container.SampleEntry;
import dev.vat.core.container.Umid;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.media.MadeFile;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.lib.FileBytes;
import dev.vat.media.lib.MediaException;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the copying says of itself is not believed here: packets are read by hand. */
class MovieCopyTest {

    @TempDir
    Path folder;

    private static List<byte[]> packets(Path film) {
        List<byte[]> packets = new ArrayList<>();
        try (Demuxer demuxer = new Demuxer(film)) {
            while (demuxer.next(packet -> {
                byte[] bytes = new byte[packet.size()];
                packet.data().get(bytes);
                packets.add(bytes);
            })) {
                // each is kept above
            }
        }
        return packets;
    }

    private Path film(String codec, Container container) throws IOException {
        return MadeFile.of(Catalogue.codec(codec), container, folder).file();
    }

    private Path copy(String name, Container container, Path sound, Path... films) {
        Path made = folder.resolve(name);
        MovieCopy.copy(List.of(films).stream().map(f -> new MovieCopy.Piece(f, null)).toList(),
                new MovieCopy.Target(made, container, null, null, sound, false));
        return made;
    }

    /** What counts of a new file counts of a copy: names of codings, alpha that is told of, identifiers. */
    @ParameterizedTest
    @CsvSource({"avc-intra-100, MXF, MOV, ai13", "avc-intra-100, MOV, MXF,", "png-rgba-16, MKV, MOV, 'png '", "prores-422-hq, MOV, MXF,",
        "h265-main-420, MKV, MP4, hvc1"})
    void aCopyIsNamedAndNumberedAsANewFileIs(String codec, Container from, Container to, String format) throws Exception {
        MadeFile made = MadeFile.of(Catalogue.codec(codec), from, folder);
        Path copied = copy("copied." + to.extension(), to, null, made.file());
        try (FileBytes bytes = FileBytes.of(copied)) {
            if (to == Container.MXF) {
                MxfFile file = MxfFile.of(bytes);
                assertThat(file.pictures()).isEqualTo(made.expected().frames());
                assertThat(file.first(MxfSet.FILE_PACKAGE).flatMap(s -> s.value(0x4401)).map(Umid::of).orElseThrow().isNumbered()).isTrue();
            } else {
                SampleEntry.Pictures entry = (SampleEntry.Pictures) IsoMovie.of(bytes).first("vide").orElseThrow().entry();
                assertThat(entry.format()).isEqualTo(format);
                assertThat(entry.depth()).isEqualTo(made.expected().alphaBits() > 0 ? 32 : 24);
            }
        }
    }

    private Path tone(String name, int channels) throws IOException {
        Path wav = folder.resolve(name);
        AudioFormat format = new AudioFormat(48_000, 16, channels, true, false);
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(new byte[48_000 * 2 * channels]), format, 48_000),
                AudioFileFormat.Type.WAVE, wav.toFile());
        return wav;
    }

    @ParameterizedTest
    @CsvSource({"h264-high-420, MP4, MKV", "h264-high-420, MKV, MOV", "prores-422-hq, MOV, MKV", "vp9-420, WEBM, MKV",
        "ffv1-422-10, MKV, MKV"})
    void everyPacketIsTheOneItWasToTheByte(String codec, Container from, Container to) throws IOException {
        Path film = film(codec, from);
        List<byte[]> given = packets(film);
        List<byte[]> found = packets(copy("copied." + to.extension(), to, null, film));
        assertThat(given).hasSize(11);
        assertThat(found).hasSameSizeAs(given);
        for (int i = 0; i < given.size(); i++) {
            assertThat(found.get(i)).as("packet %d", i).isEqualTo(given.get(i));
        }
    }

    @Test
    void partsWhoseSoundIsAnotherArentJoinedInSilence() throws IOException {
        Path film = film("prores-422-hq", Container.MOV);
        Path stereo = copy("stereo.mov", Container.MOV, tone("stereo.wav", 2), film);
        Path mono = copy("mono.mov", Container.MOV, tone("mono.wav", 1), film);
        assertThat(packets(copy("both.mov", Container.MOV, null, stereo, stereo))).hasSize(22);
        assertThatThrownBy(() -> copy("no.mov", Container.MOV, null, stereo, mono)).isInstanceOf(MediaException.class)
                .hasMessageContaining("mono.mov").hasMessageContaining("1 channels");
        assertThatThrownBy(() -> copy("neither.mov", Container.MOV, null, stereo, film)).isInstanceOf(MediaException.class)
                .hasMessageContaining("none");
        assertThatThrownBy(() -> copy("nor.mov", Container.MOV, null, film, stereo)).isInstanceOf(MediaException.class)
                .hasMessageContaining("stereo.mov");
    }
}
