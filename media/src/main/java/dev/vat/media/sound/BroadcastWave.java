package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avutil.AV_CHANNEL_ORDER_NATIVE;

import dev.vat.core.container.Umid;
import dev.vat.core.container.WaveFile;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.proof.Loudness;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.zip.CRC32C;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;

/**
 * Writes sound into a WAV file by itself: PCM 24-bit at 48 kHz, with the broadcast extension of EBU Tech 3285, version 2; after EBU Tech
 * 3306 where it grows beyond what 32 bits can count.
 */
public final class BroadcastWave {

    /**
     * What its head says besides what samples are.
     *
     * @param description in words; what isn't ASCII is lost, and so is what goes beyond 256 letters
     * @param name what tells it from any other file: the same name always gives the same identifier
     * @param reference of whoever made it, up to 32 letters
     * @param timeReference samples from midnight to the first one
     */
    public record Head(String description, String program, String version, String name, String reference, Instant made,
            long timeReference) {}

    private static final long MOST_COUNTED = 0xffff_ffffL;
    private static final int BYTES = 3;
    private static final int BITS = BYTES * 8;
    private static final int EXTENSIBLE = 0xfffe;
    /** Microsoft's name for PCM in an extensible format, behind its tag. */
    private static final byte[] SUBFORMAT = {0, 0, 0, 0, 0x10, 0, (byte) 0x80, 0, 0, (byte) 0xaa, 0, 0x38, (byte) 0x9b, 0x71};
    private static final int BROADCAST = 602;
    /** From the start of the extension to its fields of loudness. */
    private static final int LOUDNESS = 412;
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("yyyy-MM-dd", Locale.ROOT).withZone(ZoneOffset.UTC);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT).withZone(ZoneOffset.UTC);

    private BroadcastWave() {}

    /**
     * Writes the first track of some sound.
     *
     * @return CRC32C of its samples, hexadecimal
     */
    public static String write(WovenSound sound, Head head, Path into) throws IOException {
        CRC32C print = new CRC32C();
        try (SoundEncoder encoder = new SoundEncoder(sound, 0);
                OutputStream out = new BufferedOutputStream(Channels.newOutputStream(FileChannel.open(into, StandardOpenOption.CREATE,
                        StandardOpenOption.TRUNCATE_EXISTING, StandardOpenOption.WRITE)), 1 << 16)) {
            AVChannelLayout layout = encoder.context().ch_layout();
            long places = layout.order() == AV_CHANNEL_ORDER_NATIVE ? layout.u_mask() : 0;
            long data = sound.samples() * layout.nb_channels() * BYTES;
            out.write(head(layout.nb_channels(), places, head, data));
            for (long second = 1; (second - 1) * SoundCodec.RATE < sound.samples(); second++) {
                encoder.until(Math.min(second * SoundCodec.RATE, sound.samples()), packet -> write(packet, print, out));
            }
            encoder.until(Long.MAX_VALUE, packet -> write(packet, print, out));
            if (data % 2 == 1) {
                out.write(0);
            }
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
        return "%08x".formatted(print.getValue());
    }

    private static void write(AVPacket packet, CRC32C print, OutputStream out) {
        byte[] samples = new byte[packet.size()];
        packet.data().get(samples);
        print.update(samples);
        try {
            out.write(samples);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * What stands in front of the samples.
     *
     * @param places a bit for the loudspeaker of each channel, as the format counts them; 0 where they have none
     * @param data bytes of all samples
     */
    static byte[] head(int channels, long places, Head head, long data) {
        byte[] format = format(channels, places);
        byte[] broadcast = broadcast(channels, head);
        long rest = 4 + 8 + broadcast.length + 8 + format.length + 8 + data + data % 2;
        boolean large = rest > MOST_COUNTED;
        ByteBuffer all = ByteBuffer.allocate(12 + (large ? 36 : 0) + 8 + broadcast.length + 8 + format.length + 8)
                .order(ByteOrder.LITTLE_ENDIAN);
        name(all, large ? "RF64" : "RIFF").putInt(large ? -1 : (int) rest);
        name(all, "WAVE");
        if (large) {
            name(all, "ds64").putInt(28).putLong(rest + 36).putLong(data)
                    .putLong(data / BYTES / channels).putInt(0);
        }
        name(all, "bext").putInt(broadcast.length).put(broadcast);
        name(all, "fmt ").putInt(format.length).put(format);
        name(all, "data").putInt(large ? -1 : (int) data);
        return all.array();
    }

    private static byte[] format(int channels, long places) {
        // More than a pair says which loudspeaker each belongs to, or that they belong to none.
        boolean plain = channels <= 2;
        ByteBuffer format = ByteBuffer.allocate(plain ? 16 : 40).order(ByteOrder.LITTLE_ENDIAN);
        format.putShort((short) (plain ? WaveFile.PCM : EXTENSIBLE)).putShort((short) channels).putInt(SoundCodec.RATE)
                .putInt(SoundCodec.RATE * channels * BYTES).putShort((short) (channels * BYTES)).putShort((short) BITS);
        if (!plain) {
            format.putShort((short) 22).putShort((short) BITS).putInt((int) places).putShort((short) WaveFile.PCM).put(SUBFORMAT);
        }
        return format.array();
    }

    private static byte[] broadcast(int channels, Head head) {
        // EBU Technical Recommendation R 98.
        byte[] history = ("A=PCM,F=" + SoundCodec.RATE + ",W=" + BITS + ",M="
                + (channels == 1 ? "mono" : channels == 2 ? "stereo" : "multi-channel") + ",T=" + head.program + " " + head.version
                + "\r\n")
                .getBytes(StandardCharsets.US_ASCII);
        ByteBuffer chunk = ByteBuffer.allocate(BROADCAST + history.length + history.length % 2).order(ByteOrder.LITTLE_ENDIAN);
        text(chunk, head.description, 256);
        text(chunk, head.program, 32);
        text(chunk, head.reference, 32);
        text(chunk, DATE.format(head.made), 10);
        text(chunk, TIME.format(head.made), 8);
        chunk.putLong(head.timeReference).putShort((short) 2).put(Umid.named(head.name).bytes()).position(LOUDNESS);
        WaveFile.Loud.UNSAID.fields().forEach(chunk::putShort);
        chunk.position(BROADCAST).put(history);
        return chunk.array();
    }

    /** Writes into the head of a file that this class made how loud it is. */
    public static void state(Loudness loudness, Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ, StandardOpenOption.WRITE)) {
            ByteBuffer first = ByteBuffer.allocate(4);
            channel.read(first, 0);
            long chunk = 12 + (new String(first.array(), StandardCharsets.US_ASCII).equals("RF64") ? 36 : 0) + 8;
            ByteBuffer fields = ByteBuffer.allocate(10).order(ByteOrder.LITTLE_ENDIAN);
            WaveFile.Loud.of(loudness).fields().forEach(fields::putShort);
            fields.flip();
            while (fields.hasRemaining()) {
                channel.write(fields, chunk + LOUDNESS + fields.position());
            }
        }
    }

    private static ByteBuffer name(ByteBuffer into, String fourcc) {
        return into.put(fourcc.getBytes(StandardCharsets.US_ASCII));
    }

    private static void text(ByteBuffer into, String text, int bytes) {
        byte[] letters = text.getBytes(StandardCharsets.US_ASCII);
        int end = into.position() + bytes;
        into.put(letters, 0, Math.min(bytes, letters.length)).position(end);
    }
}
