package dev.vat.media.decode.still;

import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * What comes of unpacking a stream of zlib's (RFC 1950), which ends in a checksum.
 *
 * @param bytes that it came to
 */
record ZlibStream(End end, long bytes) {

    private static final int SINK = 1 << 16;

    /** How it ends. */
    enum End {
        /** With its own checksum. */
        WHOLE,
        /** Before its end, or beyond what was asked for. */
        OPEN,
        /** It leads nowhere, or its checksum is another one. */
        DAMAGED
    }

    /** @param most bytes after which no more is asked for */
    static ZlibStream unpack(byte[] data, int at, int length, long most) {
        try (Inflater inflater = new Inflater()) {
            inflater.setInput(data, at, length);
            byte[] sink = new byte[SINK];
            while (!inflater.finished() && inflater.getBytesWritten() <= most) {
                if (inflater.inflate(sink) == 0 && (inflater.needsInput() || inflater.needsDictionary())) {
                    break;
                }
            }
            return new ZlibStream(inflater.finished() ? End.WHOLE : End.OPEN, inflater.getBytesWritten());
        } catch (DataFormatException _) {
            return new ZlibStream(End.DAMAGED, 0);
        }
    }
}
