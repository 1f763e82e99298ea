package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** HEIF (ISO/IEC 23008-12) and AVIF: one coded picture or a grid of them, perhaps with alpha in a picture of its own. No checksum. */
final class HeifFile {

    private static final Words WORDS = Words.of(HeifFile.class);

    /** Coded data has no such run of zeros at its end; room that was reserved and never written has. */
    private static final int UNWRITTEN = 32;
    private static final int QUARTER = 3;
    private static final String NOWHERE = WORDS.say("theFileEndsBeforeItSays");

    private HeifFile() {}

    static Inspection inspect(FileKind kind, byte[] data) {
        HeifItems items = HeifItems.of(data);
        int primary = items.primary();
        if (items.isMoving()) {
            return Inspection.unreadable(kind, WORDS.say("itIsAMovieNotASinglePicture"));
        }
        List<Integer> coded = new ArrayList<>(coded(items, primary));
        if (items.type(primary).isEmpty() || coded.isEmpty()) {
            return Inspection.cut(kind, NOWHERE, null);
        }
        items.alphaOf(primary).ifPresent(alpha -> coded.addAll(coded(items, alpha)));
        Optional<String> strange = coded.stream().map(items::type).filter(t -> !t.equals("av01") && !t.equals("hvc1")).findFirst();
        if (strange.isPresent()) {
            return Inspection.unreadable(kind, WORDS.say("withPicturesOfTheKindWhich", kind.title(), strange.get()));
        }
        if (items.property(primary, "clap").isPresent()) {
            return Inspection.unreadable(kind, WORDS.say("withAPartCutOutOfItsPicture", kind.title()));
        }
        PictureFormat format = format(kind, items, primary);
        List<Integer> needed = new ArrayList<>(coded);
        Stream.concat(Stream.of(primary), items.alphaOf(primary).stream()).forEach(needed::add);
        for (int item : needed) {
            Optional<String> fault = fault(items, item);
            if (fault.isPresent()) {
                return Inspection.cut(kind, fault.get(), format);
            }
        }
        return Inspection.whole(kind, format, data).standing(orientation(items, primary));
    }

    /** The coded pictures that an item is made of: itself, or the tiles of a grid. */
    static List<Integer> coded(HeifItems items, int item) {
        return items.type(item).equals("grid") ? items.tiles(item) : List.of(item);
    }

    private static Optional<String> fault(HeifItems items, int item) {
        int end = items.data().limit();
        for (HeifItems.Extent part : items.extents(item)) {
            if (part.at() < 0 || part.length() < 1 || part.at() + part.length() > end) {
                return Optional.of(WORDS.say("theFileEndsAtByteItsPicture", end, (part.at() + part.length())));
            }
            if (part.length() > UNWRITTEN && isZero(items.data(), part.at() + part.length() - UNWRITTEN)) {
                return Optional.of(WORDS.say("itsCodedPictureEndsInZeros"));
            }
        }
        return items.extents(item).isEmpty() ? Optional.of(NOWHERE) : Optional.empty();
    }

    private static boolean isZero(ByteBuffer data, long from) {
        for (int i = 0; i < UNWRITTEN; i++) {
            if (data.get((int) from + i) != 0) {
                return false;
            }
        }
        return true;
    }

    private static PictureFormat format(FileKind kind, HeifItems items, int primary) {
        ByteBuffer data = items.data();
        HeifItems.Property size = items.property(primary, "ispe").orElseThrow(() -> new IllegalArgumentException(WORDS.say("noSize")));
        int first = coded(items, primary).getFirst();
        int bits = items.property(primary, "pixi").or(() -> items.property(first, "pixi")).map(p -> data.get(p.at() + 5) & 0xff)
                .orElseGet(() -> codedBits(items, first));
        AlphaKind alpha = items.alphaOf(primary).isEmpty() ? AlphaKind.NONE
                : items.isPremultiplied(primary) ? AlphaKind.PREMULTIPLIED : AlphaKind.STRAIGHT;
        PixelAspect aspect = items.property(primary, "pasp").filter(p -> data.getInt(p.at()) > 0 && data.getInt(p.at() + 4) > 0)
                .map(p -> PixelAspect.of(data.getInt(p.at()), data.getInt(p.at() + 4))).orElse(PixelAspect.SQUARE);
        return new PictureFormat(kind.title(), Size.of(data.getInt(size.at() + 4), data.getInt(size.at() + 8)), Depth.integer(bits), alpha,
                aspect, false, List.of()).withStated(stated(items, primary, first));
    }

    private static int codedBits(HeifItems items, int item) {
        ByteBuffer data = items.data();
        return items.property(item, "hvcC").map(p -> 8 + (data.get(p.at() + 17) & 7))
                .or(() -> items.property(item, "av1C")
                        .map(p -> (data.get(p.at() + 2) & 0x40) == 0 ? 8 : (data.get(p.at() + 2) & 0x20) == 0 ? 10 : 12))
                .orElse(8);
    }

    /** Code points go before a profile, as the standards have it. */
    private static Stated stated(HeifItems items, int primary, int first) {
        ByteBuffer data = items.data();
        Optional<HeifItems.Property> points = nclx(items, primary).or(() -> nclx(items, first));
        if (points.isPresent()) {
            return ColourHints.ofCodePoints(data.getShort(points.get().at() + 4), data.getShort(points.get().at() + 6));
        }
        return items.properties(primary).stream().filter(p -> p.type().equals("colr")).findFirst().map(p -> {
            byte[] profile = new byte[p.length() - 4];
            data.get(p.at() + 4, profile);
            return IccProfile.stated(profile, null);
        }).orElse(Stated.NOTHING);
    }

    /** Primaries, transfer, matrix and range of an item, by code points of ITU-T H.273. */
    static Optional<HeifItems.Property> nclx(HeifItems items, int item) {
        return items.properties(item).stream().filter(p -> p.type().equals("colr") && items.data().getInt(p.at()) == 0x6e636c78)
                .findFirst();
    }

    /** Turns and mirrors in their order; a turn is counted against the clock. */
    private static Orientation orientation(HeifItems items, int item) {
        Orientation all = Orientation.UPRIGHT;
        for (HeifItems.Property property : items.properties(item)) {
            int value = property.type().equals("irot") || property.type().equals("imir") ? items.data().get(property.at()) : 0;
            if (property.type().equals("irot")) {
                for (int i = 0; i < (value & QUARTER); i++) {
                    all = all.then(Orientation.LEFT);
                }
            } else if (property.type().equals("imir")) {
                all = all.then((value & 1) == 0 ? Orientation.FLIPPED : Orientation.MIRRORED);
            }
        }
        return all;
    }
}
