package dev.vat.core.delivery;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** What can't go together, each with its reason; and what can but shouldn't. */
public final class Legality {

    private static final Words WORDS = Words.of(Legality.class);

    private Legality() {}

    /** Why a codec can't stand in a container, as a whole sentence that says where it may. */
    public static Optional<String> against(Codec codec, Container container) {
        return reason(codec, container)
                .map(why -> WORDS.say("cantStandInItMayStandIn", codec.title(), container.title(), why, containers(codec)));
    }

    /** The reason alone. */
    public static Optional<String> reason(Codec codec, Container container) {
        if (codec.containers().contains(container)) {
            return Optional.empty();
        }
        boolean hidden = codec.hasHiddenAlpha() && container == Container.MP4;
        return Optional.of(hidden ? WORDS.say("mp4HasNoPlaceForTheSecond") : container.refusal());
    }

    static String containers(Codec codec) {
        List<String> titles = codec.containers().stream().sorted(Comparator.naturalOrder()).map(Container::title).toList();
        return titles.size() == 1 ? titles.getFirst()
                : WORDS.say("or", String.join(", ", titles.subList(0, titles.size() - 1)), titles.getLast());
    }

    /** Why a codec's bits can't be ruled in a way. */
    public static Optional<String> against(Codec codec, RateControl control) {
        if (!codec.controls().contains(control.kind())) {
            return Optional.of(WORDS.say("hasNoSettingItHas", codec.title(), control.kind().title(),
                    codec.controls().stream().map(k -> "'" + k.title() + "'").sorted().collect(Collectors.joining(", "))));
        }
        int number = switch (control) {
            case RateControl.Constant(int n) -> n;
            case RateControl.Capped(int n, long _, long _) -> n;
            default -> codec.quality() == null ? 0 : codec.quality().best();
        };
        boolean outside = codec.quality() != null && (number < codec.quality().best() || number > codec.quality().worst());
        return outside
                ? Optional.of(WORDS.say("theQualityOfGoesFromBest", codec.title(), codec.quality().best(), codec.quality().worst(), number))
                : Optional.empty();
    }

    /** Why samples of a codec can't mean something in a container. */
    public static Optional<String> against(Codec codec, Container container, ColourCoding colour) {
        if (!codec.colours().contains(colour)) {
            return Optional.of(codec.title() + (codec.colours().isEmpty() ? WORDS.say("hasTheUsualColoursOfIts")
                    : WORDS.say("hasOnlyNot", codec.colours().stream().map(ColourCoding::title).collect(Collectors.joining("; "))))
                    + colour.title());
        }
        boolean said = container.isFolder() || colour.equals(codec.ownColour()) || container.statesColour();
        return said ? Optional.empty() : Optional.of(WORDS.say("cantSayWhatItsColoursMean", container.title(), colour.title()));
    }

    /** Why stills can't be packed in a way. */
    public static Optional<String> against(Codec codec, Compression compression) {
        return codec.compressions().contains(compression) ? Optional.empty()
                : Optional.of(codec.compressions().isEmpty() ? WORDS.say("noCompression", codec.title())
                        : WORDS.say("otherCompressions", codec.title(), compression.title(),
                                codec.compressions().stream().map(Compression::id).collect(Collectors.joining(", "))));
    }

    /** Why lines can't follow each other in a way. @param rate frames a second of the file */
    public static Optional<String> against(Codec codec, Container container, Scan scan, Rate rate) {
        if (!scan.isInterlaced()) {
            return Optional.empty();
        }
        if (!codec.interlaced().contains(scan)) {
            return Optional.of(codec.title()
                    + (codec.interlaced().isEmpty() ? WORDS.say("isProgressiveOnlyNot")
                            : WORDS.say("mayBeNot",
                                    codec.interlaced().stream().sorted().map(Scan::title).collect(Collectors.joining(" or "))))
                    + scan.title());
        }
        if (!codec.interlaced(container).contains(scan)) {
            return Optional.of(WORDS.say("filesOfCallEveryFrameWhole", container.title(), codec.title(), scan.title(),
                    codec.containers().stream().filter(c -> codec.interlaced(c).contains(scan)).sorted()
                            .map(Container::title).collect(Collectors.joining(" or "))));
        }
        return Scan.RATES.contains(rate) ? Optional.empty()
                : Optional.of(WORDS.say("interlacedFramesAreWoven", new Rate(rate.perSecond().times(2)).label()));
    }

    /** Why a codec can't take a size. */
    public static Optional<String> against(Codec codec, Size size) {
        return codec.limits().against(size).map(reason -> codec.title() + " " + reason);
    }

    /** Why a codec can't take a rate. */
    public static Optional<String> against(Codec codec, Rate rate) {
        return codec.limits().against(rate).map(reason -> codec.title() + " " + reason);
    }

    /** Why pixels of a shape can't be. */
    public static Optional<String> against(Codec codec, Container container, PixelAspect aspect) {
        if (!codec.pixelAspects().isEmpty() && !codec.pixelAspects().contains(aspect)) {
            return Optional
                    .of(WORDS.say("hasPixelsOfOnlyNot", codec.title(), codec.pixelAspects().stream().map(PixelAspect::toString).sorted()
                            .collect(Collectors.joining(" or ")), aspect));
        }
        return aspect.isSquare() || codec.statesPixelAspect(container) ? Optional.empty()
                : Optional.of(WORDS.say("cantSayThatPixelsArentSquare", container.title(), aspect));
    }

    /** What is legal but unwise about a pair, in whole sentences; often nothing. */
    public static List<String> unwise(Codec codec, Container container) {
        String codecSays = codec.unwise().isEmpty() ? "" : codec.unwise() + ".";
        String containerSays = container == Container.AVI && codec.ownColour() == null
                ? WORDS.say("aviCantSayWhatItsColours") : "";
        return List.of(codecSays, containerSays).stream().filter(s -> !s.isEmpty()).toList();
    }

    /** Why sound can't be shared out in a way. */
    static Optional<String> against(Container container, SoundTracks tracks) {
        return tracks.way() == SoundTracks.Way.TOGETHER || container.carriesSeveralSounds() ? Optional.empty()
                : Optional.of(WORDS.say("hasOneSoundTrack", container.title()));
    }

    /** Why a file can't say on which display it was judged. @param display null for nothing to be said */
    static Optional<String> against(Settings settings, MasteringDisplay display) {
        return display == null || settings.statesMastering() ? Optional.empty() : Optional.of(WORDS.say("aMasteringDisplayIsStated"));
    }
}
