package dev.vat.core.container;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.Set;

/** The head of a JPEG: ITU-T T.81, with the pixel aspect of JFIF (ITU-T T.871). */
public final class JpegHead {

    private static final Words WORDS = Words.of(JpegHead.class);

    private static final int START = 0xffd8;
    private static final int JFIF = 0xffe0;
    private static final int FRAME = 0xffc0;
    private static final int LAST_FRAME = 0xffcf;
    private static final int SCAN = 0xffda;
    /** Between the frames' markers: tables of Huffman and arithmetic coding, and one that is kept free. */
    private static final Set<Integer> NO_FRAMES = Set.of(0xffc4, 0xffc8, 0xffcc);

    private JpegHead() {}

    /** @throws Malformed if no frame begins before the first scan */
    public static StillFacts of(Bytes bytes) throws IOException {
        if (Cursor.of(bytes.read(0, 2)).u16() != START) {
            throw new Malformed(WORDS.say("noJpeg"));
        }
        PixelAspect aspect = null;
        long at = 2;
        while (true) {
            Cursor head = Cursor.of(bytes.read(at, 4));
            int marker = head.u16();
            int length = head.u16();
            if (marker == SCAN || marker < FRAME) {
                throw new Malformed(WORDS.say("noFrame", at));
            }
            Cursor segment = Cursor.of(bytes.read(at + 4, Math.max(0, length - 2)));
            if (marker == JFIF && segment.left() >= 12 && segment.text(5).equals("JFIF")) {
                segment.skip(3);
                int across = segment.u16();
                aspect = PixelAspect.of(segment.u16(), across);
            } else if (marker <= LAST_FRAME && !NO_FRAMES.contains(marker)) {
                int bits = segment.u8();
                int height = segment.u16();
                return new StillFacts(Size.of(segment.u16(), height), bits, 0, aspect);
            }
            at += 2 + length;
        }
    }
}
