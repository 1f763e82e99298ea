package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_DATA_DISPLAYMATRIX;
import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_DATA_FRAME_CROPPING;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_side_data_get;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Standing;
import dev.vat.core.words.Words;
import dev.vat.media.decode.still.Orientation;
import dev.vat.media.filter.Filtering;
import dev.vat.media.picture.ChromaGrid;
import dev.vat.media.picture.Picture;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacketSideData;

/**
 * What a movie's container says of how its stored pictures are shown: the edges that are left out (clean aperture, pixel crop), and how the
 * rest is turned (the matrix of a track, ISO/IEC 14496-12). Belongs to one thread.
 */
final class ShownPart implements AutoCloseable {

    private static final Words WORDS = Words.of(ShownPart.class);

    /** Edges in pixels. */
    private record Edges(int top, int bottom, int left, int right) {
        static final Edges NONE = new Edges(0, 0, 0, 0);
    }

    private final int storedWidth;
    private final Edges edges;
    private final Orientation stated;
    private final Orientation orientation;
    private final Filtering cutting;
    private final Turning turning = new Turning();

    private ShownPart(int storedWidth, Edges edges, Orientation stated, boolean asStored) {
        this.storedWidth = storedWidth;
        this.edges = edges;
        this.stated = stated;
        this.orientation = asStored ? Orientation.UPRIGHT : stated;
        this.cutting = new Filtering(p -> "crop=" + (p.width() - edges.left - edges.right) + ":"
                + (p.height() - edges.top - edges.bottom) + ":" + edges.left + ":" + edges.top + ":exact=1");
    }

    /** @param standing null for upright */
    static ShownPart of(AVCodecParameters track, Standing standing) {
        return new ShownPart(track.width(), edges(track), orientation(track), standing == Standing.STORED);
    }

    private static ByteBuffer sideData(AVCodecParameters track, int kind, int bytes) {
        AVPacketSideData data = av_packet_side_data_get(track.coded_side_data(), track.nb_coded_side_data(), kind);
        if (data == null || data.isNull() || data.size() < bytes) {
            return null;
        }
        byte[] copy = new byte[bytes];
        data.data().get(copy);
        return ByteBuffer.wrap(copy);
    }

    private static Edges edges(AVCodecParameters track) {
        ByteBuffer data = sideData(track, AV_PKT_DATA_FRAME_CROPPING, 16);
        if (data == null) {
            return Edges.NONE;
        }
        data.order(ByteOrder.LITTLE_ENDIAN);
        Edges edges = new Edges(data.getInt(), data.getInt(), data.getInt(), data.getInt());
        boolean sensible = Math.min(Math.min(edges.top, edges.bottom), Math.min(edges.left, edges.right)) >= 0
                && (long) edges.top + edges.bottom < track.height() && (long) edges.left + edges.right < track.width();
        return sensible ? edges : Edges.NONE;
    }

    private static Orientation orientation(AVCodecParameters track) {
        ByteBuffer data = sideData(track, AV_PKT_DATA_DISPLAYMATRIX, 36);
        if (data == null) {
            return Orientation.UPRIGHT;
        }
        data.order(ByteOrder.nativeOrder());
        return Orientation.ofMatrix(data.getInt(0), data.getInt(4), data.getInt(12), data.getInt(16));
    }

    /** Takes over the picture that it is given. */
    Picture of(Picture stored) {
        // Where the decoder has left the edges out itself, nothing is left to do.
        if (edges.equals(Edges.NONE) || stored.width() != storedWidth) {
            return turning.upright(stored, orientation);
        }
        try (stored; Picture fine = isOnGrid(stored) ? stored.share() : turning.fine(stored)) {
            return turning.upright(cutting.apply(fine), orientation);
        }
    }

    /** Whether the cut falls between samples of colour too. */
    private boolean isOnGrid(Picture picture) {
        return ChromaGrid.isFine(picture) || (edges.top | edges.bottom | edges.left | edges.right) % 4 == 0 && ChromaGrid.isWhole(picture);
    }

    /** The format of what is shown of pictures of that format. */
    PictureFormat format(PictureFormat stored) {
        Size size = stored.size();
        return orientation.turned(stored.withSize(
                Size.of(size.width() - edges.left - edges.right, size.height() - edges.top - edges.bottom))
                .withStated(stated == Orientation.UPRIGHT ? stored.stated() : stored.stated().withTurned(stated.words())));
    }

    /** What was done to the stored pictures, in words, or null. */
    String note() {
        List<String> words = new ArrayList<>();
        if (!edges.equals(Edges.NONE)) {
            words.add(WORDS.say("theFileLeavesOutItsEdges", edges.top, edges.bottom, edges.left, edges.right));
        }
        if (orientation != Orientation.UPRIGHT) {
            words.add(orientation.said());
        } else if (stated != Orientation.UPRIGHT) {
            words.add(WORDS.say("shownAsStoredTheFileSays", stated.words()));
        }
        return words.isEmpty() ? null : String.join("; ", words);
    }

    @Override
    public void close() {
        cutting.close();
        turning.close();
    }
}
