package dev.vat.media.decode.still;

import static java.lang.foreign.ValueLayout.JAVA_DOUBLE;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_LONG;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.OwnColour;
import dev.vat.core.picture.OwnCurve;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/** One JPEG XL file on its way through the decoder: its header, then its samples. The structs are those of libjxl's C interface. */
final class JxlDecoding implements AutoCloseable {

    private static final Words WORDS = Words.of(JxlDecoding.class);

    /** What a step came to. */
    enum State {
        WHOLE,
        CUT,
        DAMAGED
    }

    private static final int NEED_MORE_INPUT = 2;
    private static final int NEED_PICTURE_BUFFER = 5;
    private static final int BASIC_INFO = 0x40;
    private static final int COLOUR_ENCODING = 0x100;
    private static final int FULL_IMAGE = 0x1000;

    private static final int INFO_BYTES = 256;
    private static final int WIDTH = 4;
    private static final int HEIGHT = 8;
    private static final int BITS = 12;
    private static final int EXPONENT_BITS = 16;
    private static final int ANIMATED = 44;
    private static final int ORIENTATION = 48;
    private static final int COLOUR_CHANNELS = 52;
    private static final int ALPHA_BITS = 60;
    private static final int PREMULTIPLIED = 68;

    private static final int ENCODING_BYTES = 128;
    private static final int WHITE = 8;
    private static final int PRIMARIES = 24;
    private static final int PLACES = 32;
    private static final int TRANSFER = 80;
    private static final int GAMMA = 88;
    private static final int CUSTOM = 2;
    private static final int P3 = 11;
    private static final int D65 = 1;
    private static final int P3_D65 = 12;
    private static final int LINEAR = 8;
    private static final int POWER = 65_535;

    private static final int HIGHEST_KEPT = 16;

    private final JxlLibrary library;
    private final Arena arena = Arena.ofConfined();
    private final MemorySegment decoder;
    private final MemorySegment info;
    private Stated colours = Stated.NOTHING;
    private boolean linear;

    /** @throws MediaException without memory for it */
    JxlDecoding(JxlLibrary library, byte[] data) {
        this.library = library;
        this.info = arena.allocate(INFO_BYTES, 8);
        this.decoder = library.create();
        MemorySegment input = arena.allocate(data.length + 1L);
        MemorySegment.copy(data, 0, input, ValueLayout.JAVA_BYTE, 0, data.length);
        if (decoder.equals(MemorySegment.NULL) || library.prepare(decoder, BASIC_INFO | COLOUR_ENCODING | FULL_IMAGE) != 0
                || library.input(decoder, input.asSlice(0, data.length)) != 0) {
            close();
            throw new MediaException("libjxl can't be started", 0);
        }
    }

    /** Reads up to the picture's first sample. */
    State header() {
        State basic = to(BASIC_INFO);
        if (basic != State.WHOLE || library.info(decoder, info) != 0) {
            return basic == State.CUT ? State.CUT : State.DAMAGED;
        }
        State coloured = to(COLOUR_ENCODING);
        if (coloured == State.WHOLE) {
            readColours();
        }
        return coloured;
    }

    /** Room for the samples, which {@link #picture} fills: row by row, the channels of a pixel side by side, in the machine's order. */
    MemorySegment samples(int channels, int bytes) {
        MemorySegment format = arena.allocate(24, 8);
        format.set(JAVA_INT, 0, channels);
        format.set(JAVA_INT, 4, bytes == 1 ? 2 : bytes == 2 ? 3 : 0);
        MemorySegment size = arena.allocate(JAVA_LONG);
        if (to(NEED_PICTURE_BUFFER) == State.CUT) {
            return MemorySegment.NULL;
        }
        if (library.size(decoder, format, size) != 0) {
            throw new MediaException(WORDS.say("itsSamplesCantBeDecoded"), 0);
        }
        MemorySegment samples = arena.allocate(size.get(JAVA_LONG, 0), 8);
        if (library.output(decoder, format, samples) != 0) {
            throw new MediaException(WORDS.say("itsSamplesCantBeDecoded"), 0);
        }
        return samples;
    }

    /** Decodes them all. */
    State picture() {
        return to(FULL_IMAGE);
    }

    private State to(int event) {
        int status = library.process(decoder);
        return status == event ? State.WHOLE : status == NEED_MORE_INPUT ? State.CUT : State.DAMAGED;
    }

    private int info(int at) {
        return info.get(JAVA_INT, at);
    }

    Size size() {
        return Size.of(info(WIDTH), info(HEIGHT));
    }

    /** As coded; of integers of over 16 bits the highest 16 are kept, floating-point samples come as 32 bits. */
    Depth depth() {
        return info(EXPONENT_BITS) > 0 ? Depth.floating(info(BITS) <= HIGHEST_KEPT ? HIGHEST_KEPT : 2 * HIGHEST_KEPT)
                : Depth.integer(Math.min(info(BITS), HIGHEST_KEPT));
    }

    AlphaKind alpha() {
        return info(ALPHA_BITS) == 0 ? AlphaKind.NONE : info(PREMULTIPLIED) != 0 ? AlphaKind.PREMULTIPLIED : AlphaKind.STRAIGHT;
    }

    boolean isGrey() {
        return info(COLOUR_CHANNELS) == 1;
    }

    boolean isMoving() {
        return info(ANIMATED) != 0;
    }

    Orientation orientation() {
        return Orientation.of(info(ORIENTATION));
    }

    /** Whether samples are light, as in EXR, rather than coded for display. */
    boolean isLight() {
        return linear && depth().floating();
    }

    /** What the file states of the samples' colours, by code points of ITU-T H.273 where these have them. */
    Stated colours() {
        return colours;
    }

    private void readColours() {
        MemorySegment encoding = arena.allocate(ENCODING_BYTES, 8);
        if (library.encoding(decoder, encoding) == 0) {
            colours = named(encoding);
            return;
        }
        MemorySegment length = arena.allocate(JAVA_LONG);
        if (library.profileSize(decoder, length) == 0) {
            MemorySegment profile = arena.allocate(length.get(JAVA_LONG, 0));
            if (library.profile(decoder, profile) == 0) {
                colours = IccProfile.stated(profile.toArray(ValueLayout.JAVA_BYTE), null);
            }
        }
    }

    private Stated named(MemorySegment encoding) {
        int transfer = encoding.get(JAVA_INT, TRANSFER);
        linear = transfer == LINEAR;
        Stated curve = transfer != POWER ? ColourHints.ofCodePoints(2, transfer)
                : ColourHints.ofGamma(1 / encoding.get(JAVA_DOUBLE, GAMMA));
        if (isGrey()) {
            return isLight() ? Stated.NOTHING : curve;
        }
        int primaries = encoding.get(JAVA_INT, PRIMARIES);
        int white = encoding.get(JAVA_INT, 4);
        boolean published = primaries != CUSTOM && (white == D65 || primaries == P3 && white == P3);
        if (isLight() && published && primaries == 1) {
            return Stated.NOTHING;
        }
        if (published && transfer != POWER) {
            return ColourHints.ofCodePoints(primaries == P3 && white == D65 ? P3_D65 : primaries, transfer);
        }
        double[] places = new double[8];
        for (int i = 0; i < 6; i++) {
            places[i] = encoding.get(JAVA_DOUBLE, PLACES + 8L * i);
        }
        places[6] = encoding.get(JAVA_DOUBLE, WHITE);
        places[7] = encoding.get(JAVA_DOUBLE, WHITE + 8L);
        return new Chromaticities(places).with(curve);
    }

    @Override
    public void close() {
        if (!decoder.equals(MemorySegment.NULL)) {
            library.destroy(decoder);
        }
        arena.close();
    }
}
