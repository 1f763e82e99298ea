package dev.vat.media.decode.still;

import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/** Data packed by zlib (RFC 1950), which ends in a checksum that decoders of pictures don't look at: they stop when they have enough. */
final class ZlibStream {

    private static final int SINK = 1 << 16;

    private ZlibStream() {}

    /**
     * Whether it isn't what was packed: it leads nowhere, or comes to its end with another checksum. One that has no end isn't judged, for
     * some writers leave it out.
     *
     * @param most bytes that it should come to; what comes beyond isn't looked at
     */
    static boolean isDamaged(byte[] data, int at, int length, long most) {
        try (Inflater inflater = new Inflater()) {
            inflater.setInput(data, at, length);
            byte[] sink = new byte[SINK];
            while (!inflater.finished() && inflater.getBytesWritten() <= most) {
                if (inflater.inflate(sink) == 0 && (inflater.needsInput() || inflater.needsDictionary())) {
                    return false;
                }
            }
            return false;
        } catch (DataFormatException _) {
            return true;
        }
    }
}
