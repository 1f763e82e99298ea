package dev.vat.core.delivery;

import java.util.Comparator;
import java.util.stream.Collectors;

/** The catalogue as a page for people, in Markdown. */
public final class CatalogueText {

    /** Which test holds which field, and by which reader: what stands here is what these tests do. */
    private static final String READ_BACK = """

            # How files are read back

            Every legal pair of codec and container is made as a short real file, in two parts where it may be cut, at its highest rate \
            (23.976 or
            59.94 where any will do) and with pixels that aren't square where these can be said; every legal pair of container and sound \
            codec with a real clip's
            sound; every colour coding and order of lines by choice in every container. The library reads all fields back \
            (`DeliveryMatrixTest`,
            `ColoursAndScansTest`, `SoundOutTest`, `StillsOutTest`). Readers of Vat's own, written from the published standards \
            (`core.container`, `core.bitstream`, `core.opinion`), look at the same bytes a second time, here and in the proof of every \
            run: where they find something else, the file isn't proven. A reader from outside looks at what it knows (`Mediainfo`, \
            `OutsideReadersTest`).

            | Field | Second reader: Vat's own, in every proof | Reader from outside | Not carried by |
            |---|---|---|---|
            | container, codec | MP4, MOV, MXF, Matroska, WebM, AVI | mediainfo | |
            | frames, constant rate | the same, GIF, animated PNG and WebP; MPEG-2, DV, ProRes, DPX, EXR | mediainfo; of moving stills \
            Chromium's image decoder | numbered frames but DPX and EXR say no rate |
            | start at 0, length | MP4, MOV, MXF; of the timecode's track too; length of moving stills | Chromium (MP4, WebM); else the \
            library | numbered frames |
            | size | containers, moving stills, all numbered frames; H.264, H.265, MPEG-2, ProRes, DNx, DV, AV1, VP9 | \
            mediainfo | |
            | pixel aspect in the container | MP4, MOV, MXF, Matroska, WebM, DPX, EXR; PNG and JPEG where they say it | mediainfo | AVI, \
            moving stills, TIFF, TGA; MXF for DNxHD and DNxHR |
            | pixel aspect in the pictures | H.264, H.265, MPEG-2 | the library, where pictures state it | ProRes, DNxHR, v210 and \
            others that have no place |
            | profile, level | H.264, H.265, MPEG-2, ProRes, DNx, AV1, VP9 | mediainfo for H.264, ProRes; else the library | codecs \
            that have but one |
            | chroma, depth | H.264, H.265, MPEG-2, DNx, AV1, VP9; chroma of ProRes; MXF; depth of numbered frames | mediainfo | |
            | matrix, range, primaries, transfer | MP4, MOV, Matroska, WebM; H.264, H.265, MPEG-2, ProRes, AV1, VP9; PNG | mediainfo | \
            AVI, GIF, WebP, numbered frames but PNG; what else is missing stands as \
            not carried in the receipt |
            | order of lines | MXF, Matroska; ProRes, MPEG-2; that H.264 is progressive | mediainfo; of DV it calls every file \
            interlaced | moving stills, numbered frames |
            | alpha and its kind | announced in MOV and WebM; ProRes; numbered frames | Chromium (WebM, animated PNG and WebP); else the \
            library | |
            | index in front | MP4, MOV | mediainfo | all but MP4 and MOV |
            | loops | GIF, animated PNG and WebP | Chromium; animated WebP's frames are also unwrapped one by one | all but moving stills |
            | sound: codec, channels, rate, length | tracks and channels in all; length in MP4, MOV; every packet as it was packed \
            | the library, a tone within 30 ms | moving stills, numbered frames |
            | every frame's samples | | dav1d, vpxdec and libde265, to the last bit (`OtherDecodersTest`); OpenImageIO for numbered frames \
            (`MadeStillsTest`); else the library by CRC32C; Chromium within 4 codes on flat patches | |
            | bit rate: average, cap, constant | | the library's packets, counted by Vat | where quality or profile decides |
            | light levels, mastering display (SMPTE ST 2086) | MP4, MOV, Matroska, WebM | mediainfo | all others; only in PQ |
            | timecode of the first frame | MP4, MOV, MXF, Matroska, DPX, EXR; groups of MPEG-2 | mediainfo | all others, of which a \
            finding says so |
            | maker: Vat and its version | `DeliveryMatrixTest` | | where a container has no field |
            | identifiers (SMPTE ST 330) | MXF | | all but MXF |
            | class of AVC-Intra (SMPTE RP 2027) | MXF, MOV: bytes of every frame, its delimiter, its label (`AvcIntraTest`) | | |

            Left out since this library can't write them so that they read back: uncompressed 4:2:2 and MP3 in AVI, H.265 and run-length \
            in AVI,
            run-length in Matroska. VP9 of 10 bits and H.265 with alpha: their encoders here are built without. Floating-point TIFF: its
            encoder has whole numbers alone.
            """;

    private CatalogueText() {}

    public static String page() {
        StringBuilder page = new StringBuilder("# Delivery targets\n\nMade from the catalogue in `core.delivery`; what stands there "
                + "is what holds.\n\n");
        page.append("| Target | For | Codec | Container | Quality | If stopped | Why |\n|---|---|---|---|---|---|---|\n");
        for (Target target : Catalogue.targets()) {
            Settings s = target.settings();
            page.append("| `%s` | %s: %s | %s | %s%s | %s | %s | %s |%n".formatted(target.id(), target.recipient(), target.title(),
                    s.codec().title(),
                    s.container().title(), s.indexInFront() ? ", index in front" : "", s.codec().words(s.control()), stopped(s),
                    target.why()));
        }
        page.append("\n# Codecs\n\n| Codec | Id | Samples | Alpha | Stands in | Bits ruled by | Colours by choice | Interlaced | "
                + "Limits | Where it plays |\n|---|---|---|---|---|---|---|---|---|---|\n");
        for (Codec codec : Catalogue.codecs()) {
            page.append("| %s | `%s` | %s %s | %s | %s | %s | %s | %s | %s | %s%s |%n"
                    .formatted(codec.title(), codec.id(), codec.depthText(), codec.chroma().label(),
                            codec.hasAlpha() ? codec.alphaBits() + "-bit, "
                                    + (ColourCoding.LINEAR.equals(codec.ownColour()) ? "premultiplied" : "straight") : "none",
                            containers(codec), controls(codec), colours(codec), scans(codec), limits(codec),
                            codec.plays(), codec.unwise().isEmpty() ? "" : " **" + codec.unwise() + ".**"));
        }
        page.append("\nColour codings by choice:\n\n");
        ColourCoding.ALL.forEach(c -> page.append(
                "- `%s`: %s; matrix %s, primaries %s, transfer %s, by the names of ITU-T H.273.%n".formatted(c.id(), c.title(), c.matrix(),
                        c.primaries(), c.transfer())));
        page.append("\nColour: red, green and blue are kept as they are, full range, where a codec has RGB samples; Motion JPEG has "
                + "the matrix and "
                + "range of JFIF; all else is Y'CbCr in limited range, by the matrix of Rec.601 at 720x576 and 720x480 and by "
                + "Rec.709's at every other "
                + "size, tagged so in stream and container as far as these can say it.\n\n## What can't go together\n\n");
        for (Container container : Container.values()) {
            page.append("- **").append(container.title()).append("**: ").append(container.refusal()).append(".\n");
        }
        page.append("\n# Sound\n\n| Codec | Stands in | Bits a second |\n|---|---|---|\n");
        for (SoundCodec codec : SoundCodec.values()) {
            page.append("| %s | %s | %s |%n".formatted(codec.title(),
                    codec.containers().stream().sorted().map(Container::title).collect(Collectors.joining(", ")),
                    codec.isLossless() ? "every sample is kept" : codec.bitsPerSecond(1) / 1000 + " kbit/s a channel"));
        }
        return page.append(READ_BACK).toString().replace(System.lineSeparator(), "\n");
    }

    private static String containers(Codec codec) {
        return codec.containers().stream().sorted().map(Container::title).collect(Collectors.joining(", "));
    }

    private static String controls(Codec codec) {
        return codec.controls().stream().sorted().map(k -> k == RateControl.Kind.QUALITY ? "quality " + codec.quality().best() + " to "
                + codec.quality().worst() : k.title()).collect(Collectors.joining(", "));
    }

    private static String colours(Codec codec) {
        return codec.ownColour() != null && codec.colours().size() == 1 ? codec.ownColour().title()
                : codec.colours().stream().map(c -> "`" + c.id() + "`").collect(Collectors.joining(", "));
    }

    private static String scans(Codec codec) {
        String orders = codec.interlaced().stream().sorted().map(s -> s == Scan.TOP_FIRST ? "top first" : "bottom first")
                .collect(Collectors.joining(", "));
        String not = codec.containers().stream().filter(c -> !codec.interlaced().isEmpty() && codec.interlaced(c).isEmpty()).sorted()
                .map(Container::title).collect(Collectors.joining(", "));
        return not.isEmpty() ? orders : orders + "; not in " + not;
    }

    private static String limits(Codec codec) {
        Limits l = codec.limits();
        String sizes = !l.sizes().isEmpty() ? l.sizes().stream().map(Object::toString).sorted().collect(Collectors.joining(", "))
                : l.equals(Limits.NONE) ? "" : "up to " + l.widest() + "x" + l.tallest();
        String rates = l.rates().stream().sorted(Comparator.naturalOrder()).map(r -> r.label()).collect(Collectors.joining(", "));
        return sizes + (rates.isEmpty() ? "" : " at " + rates);
    }

    private static String stopped(Settings settings) {
        return settings.codec().partForm(settings.control()) == PartForm.WHOLE ? "starts again" : "made in parts";
    }
}
