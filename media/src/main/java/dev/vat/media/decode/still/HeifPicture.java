package dev.vat.media.decode.still;

import static org.bytedeco.ffmpeg.global.avutil.AVCHROMA_LOC_CENTER;
import static org.bytedeco.ffmpeg.global.avutil.AVCHROMA_LOC_UNSPECIFIED;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_MPEG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_RGB;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_SMPTE170M;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_UNSPECIFIED;

import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.util.List;

/** The picture of a HEIF file that was found whole: its tiles laid beside each other, with alpha where it has any. */
public final class HeifPicture {

    private static final Words WORDS = Words.of(HeifPicture.class);

    /** Decodes one coded picture. */
    public interface Decoding {
        /** @param configuration what the decoder has to know before, as the file keeps it */
        Picture decode(boolean av1, byte[] configuration, byte[] coded);
    }

    private static final int CONFIGURATION_OF_AV1 = 4;
    private static final int GRID = 8;
    private static final int WIDE_GRID = 12;

    private final HeifItems items;
    private final Decoding decoding;

    private HeifPicture(byte[] data, Decoding decoding) {
        this.items = HeifItems.of(data);
        this.decoding = decoding;
    }

    /** @throws MediaException if one of its pictures can't be decoded, or they don't belong together */
    public static Picture read(byte[] data, Decoding decoding) {
        HeifPicture heif = new HeifPicture(data, decoding);
        int primary = heif.items.primary();
        Integer alpha = heif.items.alphaOf(primary).orElse(null);
        Picture colour = heif.whole(primary);
        if (alpha == null) {
            return colour;
        }
        try (colour; Picture mask = heif.whole(alpha)) {
            return withAlpha(colour, mask);
        }
    }

    private Picture whole(int item) {
        if (!items.type(item).equals("grid")) {
            return coloured(item, coded(item));
        }
        ByteBuffer grid = ByteBuffer.wrap(items.bytes(item));
        boolean wide = grid.limit() > 1 && (grid.get(1) & 1) != 0;
        if (grid.limit() < (wide ? WIDE_GRID : GRID)) {
            throw new MediaException(WORDS.say("itsGridIsntDescribed"), 0);
        }
        int rows = (grid.get(2) & 0xff) + 1;
        int columns = (grid.get(3) & 0xff) + 1;
        int width = wide ? grid.getInt(4) : grid.getShort(4) & 0xffff;
        int height = wide ? grid.getInt(8) : grid.getShort(6) & 0xffff;
        List<Integer> tiles = items.tiles(item);
        if (tiles.size() != rows * columns) {
            throw new MediaException(WORDS.say("aGridOfByHasTiles", rows, columns, tiles.size()), 0);
        }
        Picture first = coded(tiles.getFirst());
        try (first) {
            if (first.width() * columns < width || first.height() * rows < height) {
                throw new MediaException(WORDS.say("itsTilesDontFillX", width, height), 0);
            }
            Picture whole = Picture.filled(first.formatName(), width, height, picture -> {
                lay(first, picture, 0, 0, picture.planes());
                for (int i = 1; i < tiles.size(); i++) {
                    try (Picture tile = coded(tiles.get(i))) {
                        if (!tile.formatName().equals(first.formatName()) || tile.width() != first.width()
                                || tile.height() != first.height()) {
                            throw new MediaException(WORDS.say("itsTilesAreOfSeveralKinds"), 0);
                        }
                        lay(tile, picture, i % columns * first.width(), i / columns * first.height(), picture.planes());
                    }
                }
                picture.frame().color_range(first.frame().color_range());
                picture.frame().colorspace(first.frame().colorspace());
                picture.frame().chroma_location(first.frame().chroma_location());
            });
            return coloured(item, whole);
        }
    }

    private Picture coded(int item) {
        boolean av1 = items.type(item).equals("av01");
        HeifItems.Property kept = items.property(item, av1 ? "av1C" : "hvcC")
                .orElseThrow(() -> new MediaException(WORDS.say("aCodedPictureWithoutIts"), 0));
        int from = av1 ? CONFIGURATION_OF_AV1 : 0;
        byte[] configuration = new byte[Math.max(0, kept.length() - from)];
        items.data().get(kept.at() + from, configuration);
        return decoding.decode(av1, configuration, items.bytes(item));
    }

    /**
     * What the file says of its colours goes before what is said inside the coded pictures; where nothing is said it is full range, with
     * colour between its pixels.
     */
    private Picture coloured(int item, Picture picture) {
        HeifFile.nclx(items, item).or(() -> HeifFile.nclx(items, HeifFile.coded(items, item).getFirst())).ifPresentOrElse(points -> {
            picture.frame().colorspace(items.data().getShort(points.at() + 8));
            picture.frame().color_range((items.data().get(points.at() + 10) & 0x80) != 0 ? AVCOL_RANGE_JPEG : AVCOL_RANGE_MPEG);
        }, () -> {
            if (picture.frame().color_range() == 0) {
                picture.frame().color_range(AVCOL_RANGE_JPEG);
            }
        });
        if (picture.frame().colorspace() == AVCOL_SPC_UNSPECIFIED && !picture.isRgb()) {
            picture.frame().colorspace(AVCOL_SPC_SMPTE170M);
        }
        if (picture.frame().chroma_location() == AVCHROMA_LOC_UNSPECIFIED) {
            picture.frame().chroma_location(AVCHROMA_LOC_CENTER);
        }
        return picture;
    }

    /** Copies as much of a tile as fits. */
    private static void lay(Picture tile, Picture to, int left, int top, int planes) {
        for (int p = 0; p < planes; p++) {
            boolean chroma = (p == 1 || p == 2) && !to.isRgb();
            int across = chroma ? to.descriptor().log2_chroma_w() : 0;
            int down = chroma ? to.descriptor().log2_chroma_h() : 0;
            int sample = to.bits() > 8 ? 2 : 1;
            int width = Math.min(half(tile.width(), across), half(to.width(), across) - (left >> across));
            int height = Math.min(half(tile.height(), down), half(to.height(), down) - (top >> down));
            for (int y = 0; y < height; y++) {
                MemorySegment.copy(tile.plane(p), (long) y * tile.stride(p), to.plane(p),
                        (long) (y + (top >> down)) * to.stride(p) + (long) (left >> across) * sample, (long) width * sample);
            }
        }
    }

    private static int half(int size, int shift) {
        return size + (1 << shift) - 1 >> shift;
    }

    private static Picture withAlpha(Picture colour, Picture mask) {
        String name = colour.formatName().replaceFirst("^yuvj?4", "yuva4").replaceFirst("^gbrp", "gbrap");
        if (!name.contains("a4") && !name.startsWith("gbrap") || name.startsWith("yuva420p12") || mask.bits() != colour.bits()
                || mask.width() != colour.width() || mask.height() != colour.height()) {
            throw new MediaException(WORDS.say("colourOfBitsXAndAlphaOf", colour.bits(), colour.width(), colour.height(), mask.bits(),
                    mask.width(), mask.height()), 0);
        }
        return Picture.filled(name, colour.width(), colour.height(), picture -> {
            lay(colour, picture, 0, 0, 3);
            int sample = mask.bits() > 8 ? 2 : 1;
            boolean full = mask.frame().color_range() != AVCOL_RANGE_MPEG;
            for (int y = 0; y < mask.height(); y++) {
                MemorySegment from = mask.plane(0).asSlice((long) y * mask.stride(0), (long) mask.width() * sample);
                MemorySegment to = picture.plane(3).asSlice((long) y * picture.stride(3), (long) mask.width() * sample);
                to.copyFrom(from);
                for (int x = 0; !full && x < mask.width(); x++) {
                    widen(to, x, mask.bits());
                }
            }
            picture.frame().color_range(colour.frame().color_range());
            picture.frame().colorspace(colour.frame().colorspace());
            picture.frame().chroma_location(colour.frame().chroma_location());
        });
    }

    /** From 16 to 235 of eight bits to the whole range. */
    private static void widen(MemorySegment row, int x, int bits) {
        int most = (1 << bits) - 1;
        int low = 16 << bits - 8;
        int code = bits > 8 ? row.getAtIndex(ValueLayout.JAVA_SHORT_UNALIGNED, x) & 0xffff : row.get(ValueLayout.JAVA_BYTE, x) & 0xff;
        int wide = Math.clamp(Math.round((code - low) * (float) most / (219 << bits - 8)), 0, most);
        if (bits > 8) {
            row.setAtIndex(ValueLayout.JAVA_SHORT_UNALIGNED, x, (short) wide);
        } else {
            row.set(ValueLayout.JAVA_BYTE, x, (byte) wide);
        }
    }
}
