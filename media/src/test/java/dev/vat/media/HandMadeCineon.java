package dev.vat.media;

import dev.vat.media.picture.Samples;
import java.nio.ByteBuffer;

/** A Cineon file of three ten-bit samples a word, put together by hand. */
final class HandMadeCineon {

    private static final int START = 2048;
    private static final int MOST = 1023;

    private HandMadeCineon() {}

    static byte[] rgb(Samples s) {
        ByteBuffer file = ByteBuffer.allocate(START + 4 * s.width() * s.height());
        file.putInt(0, 0x802a5fd7).putInt(4, START).putInt(20, file.capacity()).put(193, (byte) 3);
        for (int channel = 0; channel < 3; channel++) {
            file.put(198 + 28 * channel, (byte) 10).putInt(200 + 28 * channel, s.width()).putInt(204 + 28 * channel, s.height());
        }
        file.put(681, (byte) 5).position(START);
        for (int i = 0; i < s.width() * s.height(); i++) {
            file.putInt(code(s.red()[i]) << 22 | code(s.green()[i]) << 12 | code(s.blue()[i]) << 2);
        }
        return file.array();
    }

    private static int code(float value) {
        return Math.round(Math.clamp(value, 0, 1) * MOST);
    }
}
