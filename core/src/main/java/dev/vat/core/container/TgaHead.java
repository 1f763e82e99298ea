package dev.vat.core.container;

import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import java.io.IOException;

/** The head of a TGA of true colour: Truevision TGA 2.0. */
public final class TgaHead {

    private static final Words WORDS = Words.of(TgaHead.class);

    private static final int BYTES = 18;
    private static final int TRUE_COLOUR = 2;
    private static final int COMPRESSED = 8;
    private static final int ALPHA_BITS = 0xf;

    private TgaHead() {}

    /** @throws Malformed if it has no picture of true colour */
    public static StillFacts of(Bytes bytes) throws IOException {
        Cursor head = Cursor.littleEndian(bytes.read(0, BYTES)).skip(2);
        int kind = head.u8();
        if ((kind & ~COMPRESSED) != TRUE_COLOUR) {
            throw new Malformed(WORDS.say("noTrueColour", kind));
        }
        head.skip(9);
        Size size = Size.of(head.u16(), head.u16());
        int depth = head.u8();
        int alpha = head.u8() & ALPHA_BITS;
        return new StillFacts(size, (depth - alpha) / 3, alpha, null);
    }
}
