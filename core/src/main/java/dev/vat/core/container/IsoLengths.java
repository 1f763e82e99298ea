package dev.vat.core.container;

import dev.vat.core.time.Rational;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Lengths in the index of an MP4 or MOV file that are to follow from its sample times: of media (mdhd), and of the timecode's track, which
 * lasts as long as the pictures. Where pictures are shown in another order than they are coded, the library says a frame more.
 */
public final class IsoLengths {

    private final List<Patch> patches = new ArrayList<>();

    private IsoLengths() {}

    /** What is to be written so that all lengths follow from the sample times; empty where they do. */
    public static List<Patch> mended(Bytes file) throws IOException {
        List<IsoBox> tracks = IsoMovie.index(file).children().stream().filter(b -> b.type().equals("trak")).toList();
        IsoLengths lengths = new IsoLengths();
        Optional<IsoBox> pictures = first(tracks, "vide");
        if (pictures.isPresent()) {
            lengths.mend(pictures.get(), first(tracks, "tmcd").orElse(null));
        }
        return List.copyOf(lengths.patches);
    }

    private static Optional<IsoBox> first(List<IsoBox> tracks, String handler) throws Malformed {
        for (IsoBox track : tracks) {
            if (IsoTrack.of(track).handler().equals(handler)) {
                return Optional.of(track);
            }
        }
        return Optional.empty();
    }

    /** @param labels the timecode's track, or null */
    private void mend(IsoBox pictures, IsoBox labels) throws Malformed {
        IsoTrack shown = IsoTrack.of(pictures);
        put(inside(pictures, "mdia", "mdhd"), 16, 24, shown.samples().ticks());
        if (labels == null) {
            return;
        }
        long length = Rational.of(shown.samples().ticks(), shown.timescale()).times(IsoTrack.of(labels).timescale()).round();
        put(inside(labels, "mdia", "mdhd"), 16, 24, length);
        put(inside(labels, "mdia", "minf", "stbl", "stts"), 12, 12, length);
        put(inside(labels, "tkhd"), 20, 28, shown.shown());
        Optional<IsoBox> edits = labels.inside("edts", "elst");
        if (edits.isPresent()) {
            put(edits.get(), 8, 8, shown.shown());
        }
    }

    private static IsoBox inside(IsoBox track, String... path) throws Malformed {
        // They were read as parts of the track already.
        return track.inside(path).orElseThrow();
    }

    /** @param narrow where the value lies in a box of version 0, with four bytes @param wide in one of version 1, with eight */
    private void put(IsoBox box, int narrow, int wide, long value) {
        boolean eight = box.content()[0] == 1;
        int place = eight ? wide : narrow;
        Cursor now = box.cursor().seek(place);
        if ((eight ? now.s64() : now.u32()) != value) {
            ByteBuffer fresh = ByteBuffer.allocate(eight ? 8 : 4);
            patches.add(new Patch(box.at() + place, (eight ? fresh.putLong(value) : fresh.putInt((int) value)).array()));
        }
    }
}
