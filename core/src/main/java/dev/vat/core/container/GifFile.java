package dev.vat.core.container;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.charset.StandardCharsets;

/** A moving GIF: Graphics Interchange Format, version 89a, and the extension by which it says how often it is played. */
public final class GifFile {

    private static final Words WORDS = Words.of(GifFile.class);

    private static final Rational TICK = Rational.of(1, 100);
    private static final int WINDOW = 1 << 16;
    private static final int IMAGE = 0x2c;
    private static final int EXTENSION = 0x21;
    private static final int TRAILER = 0x3b;
    private static final int CONTROL = 0xf9;
    private static final int APPLICATION = 0xff;
    private static final int HAS_TABLE = 0x80;
    private static final int TABLE_SIZE = 7;

    private final Bytes bytes;
    private byte[] window = new byte[0];
    private long from;
    private long at;

    private long pictures;
    private long ticks;
    private int loops = 1;

    private GifFile(Bytes bytes) {
        this.bytes = bytes;
    }

    /** @throws Malformed if what stands in it is no GIF */
    public static MovingFacts of(Bytes bytes) throws IOException {
        Cursor head = Cursor.littleEndian(bytes.read(0, 13));
        if (!head.text(6).equals("GIF89a")) {
            throw new Malformed(WORDS.say("noGif"));
        }
        Size size = Size.of(head.u16(), head.u16());
        GifFile file = new GifFile(bytes);
        file.at = 13 + table(head.u8());
        file.blocks();
        return new MovingFacts(size, file.pictures, TICK.times(file.ticks), TICK, file.loops);
    }

    private static int table(int flags) {
        return (flags & HAS_TABLE) == 0 ? 0 : 3 << ((flags & TABLE_SIZE) + 1);
    }

    private void blocks() throws IOException {
        for (int kind = next(); kind != TRAILER; kind = next()) {
            switch (kind) {
                case IMAGE -> {
                    pictures++;
                    at += 8;
                    int flags = next();
                    // Behind the colours stands the width of the first code.
                    at += table(flags) + 1;
                    chain();
                }
                case EXTENSION -> extension(next());
                default -> throw new Malformed(WORDS.say("noBlock", at - 1));
            }
        }
    }

    private void extension(int kind) throws IOException {
        long begin = at;
        if (kind == CONTROL) {
            at += 2;
            ticks += next() | next() << 8;
        } else if (kind == APPLICATION && new String(bytes.read(at + 1, 11), StandardCharsets.US_ASCII)
                .equals("NETSCAPE2.0")) {
            at += 14;
            int stated = next() | next() << 8;
            // The number counts what follows the first time.
            loops = stated == 0 ? 0 : stated + 1;
        }
        at = begin;
        chain();
    }

    /** Blocks with their lengths before them, up to one of none. */
    private void chain() throws IOException {
        for (int length = next(); length > 0; length = next()) {
            at += length;
        }
    }

    private int next() throws IOException {
        if (at < from || at >= from + window.length) {
            from = at;
            window = bytes.read(at, Math.clamp(bytes.size() - at, 1, WINDOW));
        }
        return window[(int) (at++ - from)] & 0xff;
    }
}
