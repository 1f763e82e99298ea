package dev.vat.core.container;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Where a file names the library that put it together in four letters, and nothing can be said to the library about it. */
public final class MakerName {

    /** MuxingApp and WritingApp of RFC 9559. */
    private static final Set<Long> APPLICATIONS = Set.of(0x4D80L, 0x5741L);
    private static final int INFO = 0x1549A966;
    private static final int LETTERS = 4;
    /** QuickTime's vendor of a coding, behind the reserved bytes, the index and the versions of a sample description. */
    private static final int VENDOR = 12;

    private MakerName() {}

    /** The vendor of pictures and sounds in a QuickTime movie. @param name at most four letters */
    public static List<Patch> inMovie(Bytes file, String name) throws IOException {
        List<Patch> patches = new ArrayList<>();
        for (IsoBox track : IsoMovie.index(file).children()) {
            IsoBox descriptions = track.inside("mdia", "minf", "stbl", "stsd").orElse(null);
            if (descriptions != null) {
                for (IsoBox entry : descriptions.children(8)) {
                    // Labels have something else there.
                    if (!entry.type().equals("tmcd") && entry.content().length >= VENDOR + LETTERS
                            && entry.cursor().seek(VENDOR).s32() != 0) {
                        patches.add(new Patch(entry.at() + VENDOR, letters(name, ' ')));
                    }
                }
            }
        }
        return List.copyOf(patches);
    }

    /** The applications in a Matroska file. @param name at most four letters */
    public static List<Patch> inMatroska(Bytes file, String name) throws IOException {
        EbmlElement.Place head = EbmlElement.at(file, 0);
        EbmlElement.Place segment = EbmlElement.at(file, head.content() + head.size());
        EbmlElement.Place info = EbmlElement.at(file, segment.content());
        while (info.id() != INFO) {
            info = EbmlElement.at(file, info.content() + info.size());
        }
        List<Patch> patches = new ArrayList<>();
        for (long at = info.content(); at < info.content() + info.size();) {
            EbmlElement.Place place = EbmlElement.at(file, at);
            if (APPLICATIONS.contains(place.id()) && place.size() == LETTERS) {
                // A text may end before its element: zeros behind it don't count (RFC 8794, 7.4).
                patches.add(new Patch(place.content(), letters(name, '\0')));
            }
            at = place.content() + place.size();
        }
        return List.copyOf(patches);
    }

    private static byte[] letters(String name, char behind) {
        return (name + Character.toString(behind).repeat(LETTERS - name.length())).getBytes(StandardCharsets.US_ASCII);
    }
}
