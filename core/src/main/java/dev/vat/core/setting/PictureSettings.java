package dev.vat.core.setting;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Line;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Legality;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.MasteringDisplay;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.setting.Setting.Group;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Objects;

/** What becomes of a deliverable's pictures. */
final class PictureSettings {

    private static final Words WORDS = Words.of(PictureSettings.class);

    private static final String USUAL_DISPLAY = "P3, 1000 cd/m2";

    private static final Setting FIT = Setting.of("fit", Group.PICTURE, WORDS.say("fit"), WORDS.say("howThePictureIsBroughtInto"))
            .showing((view, d) -> view.frame(d).map(f -> fit(view.reel(), d, f))).chosen((_, d) -> fits(d)).judgedBy("squashed")
            .back(d -> d.withFraming(framing(d).withFit(targets(d).fit())))
            .option("--fit", "HOW", WORDS.say("barsFillStretchOrPixels"),
                    (_, d, text) -> d.withFraming(framing(d).withFit(Fit.parse(text))))
            .option("--keep", "WHERE", WORDS.say("whatOfThePictureStays"), (_, d, text) -> d.withFraming(keeping(framing(d), text)));

    private static final Setting PIXEL_ASPECT = Setting
            .of("pixel-aspect", Group.PICTURE, WORDS.say("pixelAspect"), WORDS.say("theShapeOfAPixelWidthTo"))
            .showing((view, d) -> view.frame(d)
                    .map(f -> f.pixelAspect() + (f.pixelAspect().isSquare() ? "" : WORDS.say("seen", f.pixelAspect().seen(f.size())))))
            .judgedBy("shape-illegal", "squashed")
            .typed((view, d) -> view.frame(d).map(f -> f.pixelAspect().toString()).orElse(Objects.toString(framing(d).pixelAspect(), "")),
                    (_, d, text) -> d.withFraming(framing(d).withPixelAspect(PixelAspect.parse(text))))
            .back(d -> d.withFraming(framing(d).withPixelAspect(targets(d).pixelAspect())))
            .option("--pixel-aspect", "W:H", WORDS.say("theShapeOfTheFilesPixels"),
                    (_, d, text) -> d.withFraming(framing(d).withPixelAspect(PixelAspect.parse(text))));

    private static final Setting COLOUR = Setting.of("colour", Group.COLOUR, WORDS.say("colour"),
            WORDS.say("whatTheSamplesMeanWritten"))
            .showing((view, d) -> view.frame(d).map(f -> d.settings().colourFor(f.size()).title())).chosen((_, d) -> colours(d))
            .judgedBy("colour-illegal", "nothing-above-white")
            .where(d -> d.settings().codec().colours().size() > 1).back(d -> d.withColour(null))
            .option("--colour", "ID", WORDS.say("whatSamplesMeanInPlaceOf"),
                    (_, d, text) -> d.withColour(ColourCoding.parse(text)));

    private static final Setting MASTERING = Setting.of("mastering", Group.COLOUR, WORDS.say("masteringDisplay"),
            WORDS.say("theDisplayOnWhich"))
            .showing((_, d) -> d.settings().statesMastering()
                    ? Optional.of(d.mastering() == null ? WORDS.say("notSaid") : d.mastering().toString()) : Optional.empty())
            .absent(WORDS.say("onlyInPQ"))
            .where(d -> d.settings().statesMastering())
            .typed((_, d) -> d.mastering() == null ? USUAL_DISPLAY : d.mastering().toString(),
                    (_, d, text) -> d.withMastering(text.isBlank() ? null : MasteringDisplay.parse(text)))
            .back(d -> d.withMastering(null))
            .option("--mastering", "DISPLAY", WORDS.say("theDisplayOnWhich2"),
                    (_, d, text) -> d.withMastering(MasteringDisplay.parse(text)));

    private static final Setting LOOK = Setting.of("look", Group.COLOUR, "LUT", WORDS.say("aTableOfColoursCubeThat"))
            .showing(d -> d.look() == null ? WORDS.say("none") : d.look().name()).judgedBy("look-unusable", "look-above-white")
            .back(d -> d.withLook(null)).carried((from, to) -> to.withLook(from.look()))
            .option("--look", "FILE", WORDS.say("aTableOfColoursCubeThat2"),
                    (_, d, text) -> d.withLook(Look.of(Path.of(text))));

    private static final Setting BURN_IN = Setting
            .of("burn-in", Group.PICTURE, WORDS.say("burnIn"), WORDS.say("whatIsWrittenIntoItsPictures"))
            .showing((view, d) -> view.known().map(reel -> burnIn(reel, d))).chosen(PictureSettings::burnIns)
            .judgedBy("burn-in-small", "letters-missing", "face-unusable", "watermark-unusable")
            .back(d -> d.withBurnIn(null))
            .carried((from, to) -> from.clean() ? to.withCleanPictures() : to.withBurnIn(from.burnIn()))
            .optionOfMany("--burn-in", "WORDS@PLACE", WORDS.say("aLineWrittenIntoEveryPicture"), PictureSettings::line)
            .option("--clean", null, WORDS.say("nothingIsWrittenIntoPictures"), (_, d, _) -> d.withCleanPictures());

    private static final Setting SCAN = Setting.of("scan", Group.PICTURE, WORDS.say("scan"),
            WORDS.say("howLinesFollowEachOther"))
            .showing(d -> framing(d).scanInUse().title()).chosen((_, d) -> scans(d)).judgedBy("scan-illegal")
            .where(d -> !d.settings().codec().interlaced(d.settings().container()).isEmpty() || framing(d).scanInUse().isInterlaced())
            .back(d -> d.withFraming(framing(d).withScan(targets(d).scan())))
            .option("--scan", "ORDER", WORDS.say("progressiveTopOrBottomInterlaced"),
                    (_, d, text) -> d.withFraming(framing(d).withScan(Scan.parse(text))));

    static final List<Setting> ALL = List.of(FIT, PIXEL_ASPECT, COLOUR, MASTERING, LOOK, BURN_IN, SCAN);

    private PictureSettings() {}

    private static Framing framing(Deliverable deliverable) {
        return OpenSettings.framing(deliverable);
    }

    private static Framing targets(Deliverable deliverable) {
        return deliverable.targetInCatalogue().settings().framing();
    }

    /** How the picture lies in the file's, or that it simply is the file's. */
    private static String fit(ResolvedReel reel, Deliverable d, Frame frame) {
        Framing framing = framing(d);
        return reel.size().filter(size -> frame.placement().isWhole(size, frame.size())).isPresent() ? WORDS.say("theWholePicture")
                : framing.fitInUse().title() + framing.kept().map(share -> WORDS.say("at", Math.round(100 * share.toDouble()))).orElse("");
    }

    private static Framing keeping(Framing framing, String where) {
        Rational place = switch (where.strip().toLowerCase(Locale.ROOT)) {
            case "first" -> Rational.ZERO;
            case "middle" -> Rational.of(1, 2);
            case "last" -> Rational.ONE;
            default -> throw new IllegalArgumentException(WORDS.say("noSuchPlaceToKeep", where));
        };
        return framing.withLook(place, place);
    }

    private static List<Choice> fits(Deliverable d) {
        List<Choice> all = new ArrayList<>(Arrays.stream(Fit.values())
                .map(fit -> Choice.of("fit-" + fit.ordinal(), fit.title(), fit == framing(d).fitInUse(),
                        x -> x.withFraming(framing(x).withFit(fit))))
                .toList());
        if (framing(d).cutsOff()) {
            // Only one of the two directions is ever cut off.
            all.add(kept(d, "keep-first", WORDS.say("keepTheLeftOrTheTop"), Rational.ZERO));
            all.add(kept(d, "keep-middle", WORDS.say("keepTheMiddle"), Rational.of(1, 2)));
            all.add(kept(d, "keep-last", WORDS.say("keepTheRightOrTheBottom"), Rational.ONE));
        }
        return all;
    }

    private static Choice kept(Deliverable d, String id, String title, Rational where) {
        Rational now = framing(d).across() == null ? Rational.of(1, 2) : framing(d).across();
        return Choice.of(id, title, now.equals(where), x -> x.withFraming(framing(x).withLook(where, where)));
    }

    private static List<Choice> colours(Deliverable d) {
        Settings settings = d.settings();
        List<Choice> all = new ArrayList<>();
        ColourCoding own = settings.codec().ownColour();
        if (own == null && (d.codec() != null || d.targetInCatalogue().settings().colour() == null)) {
            all.add(Choice.of("colour-usual", WORDS.say("asUsualForTheSize"), settings.colour() == null, x -> x.withColour(null)));
        }
        for (ColourCoding colour : settings.codec().colours()) {
            String refusal = Legality.against(settings.codec(), settings.container(), colour).orElse(null);
            boolean usual = colour.equals(own);
            all.add(Choice.of("colour-" + colour.id(), refusal == null ? colour.title() : refusal,
                    colour.equals(settings.colour()) || usual && settings.colour() == null,
                    x -> x.withColour(usual ? null : colour)).refused(refusal));
        }
        return all;
    }

    private static List<Choice> scans(Deliverable d) {
        Settings s = d.settings();
        return Arrays.stream(Scan.values()).filter(scan -> !scan.isInterlaced() || s.codec().interlaced(s.container()).contains(scan))
                .map(scan -> Choice.of("scan-" + scan.ordinal(), scan.title(), scan == framing(d).scanInUse(),
                        x -> x.withFraming(framing(x).withScan(scan))))
                .toList();
    }

    private static String burnIn(ResolvedReel reel, Deliverable d) {
        BurnIn inUse = d.burnInWith(reel.reel().burnIn()).orElse(null);
        if (inUse == null || inUse.isNothing()) {
            return inUse == null ? WORDS.say("noneClean") : WORDS.say("none");
        }
        String lines = WORDS.say("lines", inUse.lines().size());
        return (d.burnIn() == null ? WORDS.say("asTheReel") : WORDS.say("itsOwn")) + lines
                + (inUse.watermark() == null ? "" : WORDS.say("andAMark"));
    }

    private static List<Choice> burnIns(SettingView view, Deliverable d) {
        BurnIn ofReel = view.known().map(r -> r.reel().burnIn()).orElse(null);
        return List.of(Choice.of("burn-in-reel", WORDS.say("asTheReelHasIt"), !d.clean() && d.burnIn() == null, x -> x.withBurnIn(null)),
                Choice.of("burn-in-clean", WORDS.say("nothingCleanPictures"), d.clean(), Deliverable::withCleanPictures),
                Choice.of("burn-in-own", WORDS.say("itsOwn2"), d.burnIn() != null,
                        x -> x.withBurnIn(ofReel == null || ofReel.isNothing() ? BurnIn.forReview() : ofReel)));
    }

    /** One line more. */
    private static Deliverable line(SettingView view, Deliverable d, String text) {
        List<Line> lines = new ArrayList<>(d.burnIn() == null ? List.of() : d.burnIn().lines());
        lines.add(Line.parse(text));
        return d.withBurnIn(BurnIn.NOTHING.withLines(lines));
    }
}
