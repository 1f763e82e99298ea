package dev.vat.core.container;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.io.IOException;

/** A moving WebP: RFC 9649. */
public final class WebpFile {

    private static final Words WORDS = Words.of(WebpFile.class);

    private static final Rational TICK = Rational.of(1, 1000);
    private static final int HEAD = 12;

    private WebpFile() {}

    /** @throws Malformed if it is no WebP, or none that moves */
    public static MovingFacts of(Bytes bytes) throws IOException {
        Cursor head = Cursor.littleEndian(bytes.read(0, HEAD));
        if (!head.fourcc().equals("RIFF")) {
            throw new Malformed(WORDS.say("noWebp"));
        }
        long end = head.u32() + 8;
        if (!head.fourcc().equals("WEBP") || end > bytes.size()) {
            throw new Malformed(WORDS.say("noWebp"));
        }
        Size size = null;
        int loops = -1;
        long pictures = 0;
        long ticks = 0;
        for (long at = HEAD; at + 8 <= end;) {
            Cursor chunk = Cursor.littleEndian(bytes.read(at, 8));
            String name = chunk.fourcc();
            long length = chunk.u32();
            switch (name) {
                case "VP8X" -> {
                    Cursor canvas = Cursor.littleEndian(bytes.read(at + 12, 6));
                    size = Size.of(1 + u24(canvas), 1 + u24(canvas));
                }
                case "ANIM" -> loops = Cursor.littleEndian(bytes.read(at + 12, 2)).u16();
                case "ANMF" -> {
                    pictures++;
                    ticks += u24(Cursor.littleEndian(bytes.read(at + 20, 3)));
                }
                default -> {
                    // Colour profiles, what cameras note, and what nobody knows: none of it says how it moves.
                }
            }
            at += 8 + length + (length & 1);
        }
        if (size == null || loops < 0) {
            throw new Malformed(WORDS.say("still"));
        }
        return new MovingFacts(size, pictures, TICK.times(ticks), TICK, loops);
    }

    private static int u24(Cursor cursor) {
        return cursor.u8() | cursor.u8() << 8 | cursor.u8() << 16;
    }
}
