package dev.vat.core.container;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.zip.CRC32;

/** A PNG, moving or not: Portable Network Graphics, third edition. Its chunks' check sums are all gone through. */
public final class PngFile {

    private static final Words WORDS = Words.of(PngFile.class);

    private static final long SIGNATURE = 0x89504e470d0a1a0aL;
    private static final int BESIDE = 12;
    private static final int MOST = 1 << 30;
    private static final int ALPHA = 4;
    private static final int WEB_SCREEN = 13;
    private static final int BT709 = 1;
    /** Frames without a stated unit count hundredths. */
    private static final int HUNDRED = 100;

    private final Map<String, byte[]> chunks = new HashMap<>();
    private long pictures;
    private Rational seconds = Rational.ZERO;
    private Rational tick = Rational.ONE;

    private PngFile() {}

    /** @throws Malformed if it is no whole PNG, or a chunk's check sum isn't that of its bytes */
    public static PngFile of(Bytes bytes) throws IOException {
        PngFile file = new PngFile();
        if (Cursor.of(bytes.read(0, 8)).s64() != SIGNATURE) {
            throw new Malformed(WORDS.say("noPng"));
        }
        long at = 8;
        while (!file.chunks.containsKey("IEND")) {
            Cursor head = Cursor.of(bytes.read(at, 8));
            long length = head.u32();
            if (length > MOST) {
                throw new Malformed(WORDS.say("tooLong", at, length));
            }
            file.take(head.fourcc(), bytes.read(at + 4, (int) length + 8), at);
            at += length + BESIDE;
        }
        if (!file.chunks.containsKey("IHDR")) {
            throw new Malformed(WORDS.say("noPng"));
        }
        return file;
    }

    /** @param chunk from its name to its check sum */
    private void take(String name, byte[] chunk, long at) throws Malformed {
        CRC32 sum = new CRC32();
        sum.update(chunk, 0, chunk.length - 4);
        if (Cursor.of(chunk).seek(chunk.length - 4).u32() != sum.getValue()) {
            throw new Malformed(WORDS.say("otherSum", name, at));
        }
        if (name.equals("fcTL")) {
            Cursor control = Cursor.of(chunk).seek(24);
            int delay = control.u16();
            int unit = control.u16();
            pictures++;
            tick = Rational.of(1, unit == 0 ? HUNDRED : unit);
            seconds = seconds.plus(tick.times(delay));
        } else if (!name.equals("IDAT") && !name.equals("fdAT")) {
            chunks.put(name, chunk);
        }
    }

    private Optional<Cursor> chunk(String name) {
        return Optional.ofNullable(chunks.get(name)).map(c -> Cursor.of(c).skip(4));
    }

    /** What it says of its picture. Where it has a cICP chunk and an sRGB chunk, the first counts. */
    public StillFacts facts() {
        Cursor head = chunk("IHDR").orElseThrow();
        Size size = Size.of((int) head.u32(), (int) head.u32());
        int bits = head.u8();
        int kind = head.u8();
        PixelAspect aspect = chunk("pHYs").map(c -> {
            int across = (int) c.u32();
            // More pixels to a unit are narrower ones.
            return PixelAspect.of((int) c.u32(), across);
        }).orElse(null);
        StillFacts facts = new StillFacts(size, bits, (kind & ALPHA) != 0 ? bits : 0, aspect);
        Optional<StillFacts> named = chunk("cICP").map(c -> facts.withColour(c.u8(), c.u8()));
        return named.or(() -> chunk("sRGB").map(_ -> facts.withColour(BT709, WEB_SCREEN))).orElse(facts);
    }

    /** @throws Malformed if it doesn't move, or has other frames than it says */
    public MovingFacts moving() throws Malformed {
        Cursor control = chunk("acTL").orElseThrow(() -> new Malformed(WORDS.say("still")));
        long stated = control.u32();
        if (stated != pictures) {
            throw new Malformed(WORDS.say("otherCount", stated, pictures));
        }
        return new MovingFacts(facts().size(), pictures, seconds, tick, (int) control.u32());
    }
}
