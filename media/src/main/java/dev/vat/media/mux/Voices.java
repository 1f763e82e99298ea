package dev.vat.media.mux;

import dev.vat.media.sound.SoundEncoder;
import dev.vat.media.sound.WovenSound;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32C;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** The sound tracks that are packed and woven between the pictures of one file. Belongs to one thread. */
final class Voices implements AutoCloseable {

    private final Muxer muxer;
    private final List<SoundEncoder> encoders = new ArrayList<>();
    private final List<CRC32C> prints = new ArrayList<>();

    /** @param sound null for none */
    Voices(WovenSound sound, Muxer muxer) throws IOException {
        this.muxer = muxer;
        try {
            for (int track = 0; sound != null && track < sound.count(); track++) {
                encoders.add(new SoundEncoder(sound, track));
                prints.add(new CRC32C());
            }
        } catch (IOException | RuntimeException e) {
            close();
            throw e;
        }
    }

    /** Tells the file of them; before it is started. */
    void announce() {
        encoders.forEach(e -> muxer.sound(e.context(), e.padding()));
    }

    /** Packs what is heard before a sample of 48 kHz; past the end, all that is left. */
    void until(long sample) throws IOException {
        for (int i = 0; i < encoders.size(); i++) {
            int track = i;
            encoders.get(i).until(sample, packet -> write(track, packet));
        }
    }

    private void write(int track, AVPacket packet) {
        // FLAC's last one says something of the whole track, and holds nothing.
        if (packet.size() > 0) {
            prints.get(track).update(packet.data().capacity(packet.size()).asByteBuffer());
        }
        muxer.writeSound(track, packet);
    }

    /** CRC32C of all packets of each track, hexadecimal. */
    List<String> prints() {
        return prints.stream().map(p -> "%08x".formatted(p.getValue())).toList();
    }

    @Override
    public void close() {
        encoders.forEach(SoundEncoder::close);
    }
}
