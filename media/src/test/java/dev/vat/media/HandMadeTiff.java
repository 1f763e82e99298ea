package dev.vat.media;

import dev.vat.media.picture.Samples;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** A TIFF of three 32-bit floating-point samples a pixel, one plain strip, put together by hand. */
final class HandMadeTiff {

    private HandMadeTiff() {}

    static byte[] rgb(Samples s) {
        int pixels = s.width() * s.height() * 12;
        int directory = 8 + pixels;
        int[][] entries = {
            {256, 3, 1, s.width()}, {257, 3, 1, s.height()}, {258, 3, 3, directory + 2 + 12 * 10 + 4}, {259, 3, 1, 1},
            {262, 3, 1, 2}, {273, 4, 1, 8}, {277, 3, 1, 3}, {278, 3, 1, s.height()}, {279, 4, 1, pixels},
            {339, 3, 3, directory + 2 + 12 * 10 + 4 + 6},
        };
        ByteBuffer file = ByteBuffer.allocate(directory + 2 + 12 * entries.length + 4 + 12).order(ByteOrder.LITTLE_ENDIAN);
        file.put((byte) 'I').put((byte) 'I').putShort((short) 42).putInt(directory);
        for (int i = 0; i < s.width() * s.height(); i++) {
            file.putFloat(s.red()[i]).putFloat(s.green()[i]).putFloat(s.blue()[i]);
        }
        file.putShort((short) entries.length);
        for (int[] entry : entries) {
            file.putShort((short) entry[0]).putShort((short) entry[1]).putInt(entry[2]);
            if (entry[1] == 3 && entry[2] == 1) {
                file.putShort((short) entry[3]).putShort((short) 0);
            } else {
                file.putInt(entry[3]);
            }
        }
        file.putInt(0);
        for (int i = 0; i < 3; i++) {
            file.putShort((short) 32);
        }
        for (int i = 0; i < 3; i++) {
            file.putShort((short) 3);
        }
        return file.array();
    }
}
