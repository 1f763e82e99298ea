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
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.setting.Setting.Group;
import dev.vat.core.time.Rational;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;

/** What becomes of a deliverable's pictures. */
final class PictureSettings {

    private static final Setting FIT = Setting.of("fit", Group.PICTURE, "Fit", "How the picture is brought into another shape. Enter "
            + "chooses; what fills the frame is dragged in the picture.")
            .showing((view, d) -> view.frame(d).map(f -> fit(view.reel(), d, f))).chosen((_, d) -> fits(d)).judgedBy("squashed")
            .back(d -> d.withFraming(framing(d).withFit(targets(d).fit())));

    private static final Setting PIXEL_ASPECT = Setting.of("pixel-aspect", Group.PICTURE, "Pixel aspect", "The shape of a pixel, "
            + "width to height. It follows the source; Enter types another, such as 16:15.")
            .showing((view, d) -> view.frame(d)
                    .map(f -> f.pixelAspect() + (f.pixelAspect().isSquare() ? "" : ", seen " + f.pixelAspect().seen(f.size()))))
            .judgedBy("shape-illegal", "squashed")
            .typed((view, d) -> view.frame(d).map(f -> f.pixelAspect().toString()).orElse(Objects.toString(framing(d).pixelAspect(), "")),
                    (_, d, text) -> d.withFraming(framing(d).withPixelAspect(PixelAspect.parse(text))))
            .back(d -> d.withFraming(framing(d).withPixelAspect(targets(d).pixelAspect())));

    private static final Setting COLOUR = Setting.of("colour", Group.COLOUR, "Colour",
            "What the samples mean, written into stream and container alike, as far as these can say it. Enter chooses, high "
                    + "dynamic range too.")
            .showing((view, d) -> view.frame(d).map(f -> d.settings().colourFor(f.size()).title())).chosen((_, d) -> colours(d))
            .judgedBy("colour-illegal", "nothing-above-white")
            .where(d -> d.settings().codec().colours().size() > 1).back(d -> d.withColour(null))
            .option("--colour", "ID", "What samples mean, in place of what is usual: rec709, rec709-full, srgb, rec601-625, "
                    + "rec601-525, rec2020, rec2100-pq, rec2100-hlg.",
                    (_, d, text) -> d.withColour(ColourCoding.parse(text)));

    private static final Setting LOOK = Setting.of("look", Group.COLOUR, "LUT", "A table of colours (.cube) that display codes go "
            + "through first. Enter chooses a file; Backspace takes it away.")
            .showing(d -> d.look() == null ? "none" : d.look().name()).judgedBy("look-unusable", "look-above-white")
            .back(d -> d.withLook(null)).carried((from, to) -> to.withLook(from.look()))
            .option("--look", "FILE", "A table of colours (.cube) that pictures go through.",
                    (_, d, text) -> d.withLook(Look.of(Path.of(text))));

    private static final Setting BURN_IN = Setting.of("burn-in", Group.PICTURE, "Burn-in", "What is written into its pictures: what "
            + "the reel has, nothing at all, or something of its own. Enter chooses.")
            .showing((view, d) -> view.known().map(reel -> burnIn(reel, d))).chosen(PictureSettings::burnIns)
            .judgedBy("burn-in-small", "letters-missing", "face-unusable", "watermark-unusable")
            .back(d -> d.withBurnIn(null))
            .carried((from, to) -> from.clean() ? to.withCleanPictures() : to.withBurnIn(from.burnIn()))
            .optionOfMany("--burn-in", "WORDS@PLACE", "A line written into every picture, in place of the reel's: '{source} "
                    + "{frame}@bottom-left'. May stand several times.", PictureSettings::line)
            .option("--clean", null, "Nothing is written into pictures, whatever the reel has.", (_, d, _) -> d.withCleanPictures());

    private static final Setting SCAN = Setting.of("scan", Group.PICTURE, "Scan",
            "How lines follow each other. Interlaced frames are woven of two reel frames each, so that the file runs at half "
                    + "the reel's rate.")
            .showing(d -> framing(d).scanInUse().title()).chosen((_, d) -> scans(d)).judgedBy("scan-illegal")
            .where(d -> !d.settings().codec().interlaced(d.settings().container()).isEmpty() || framing(d).scanInUse().isInterlaced())
            .back(d -> d.withFraming(framing(d).withScan(targets(d).scan())))
            .option("--scan", "ORDER", "progressive, top or bottom: interlaced frames are woven of two reel frames each.",
                    (_, d, text) -> d.withFraming(framing(d).withScan(Scan.parse(text))));

    static final List<Setting> ALL = List.of(FIT, PIXEL_ASPECT, COLOUR, LOOK, BURN_IN, SCAN);

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
        return reel.size().filter(size -> frame.placement().isWhole(size, frame.size())).isPresent() ? "the whole picture"
                : framing.fitInUse().title() + framing.kept().map(share -> ", at " + Math.round(100 * share.toDouble()) + " %").orElse("");
    }

    private static List<Choice> fits(Deliverable d) {
        List<Choice> all = new ArrayList<>(Arrays.stream(Fit.values())
                .map(fit -> Choice.of("fit-" + fit.ordinal(), fit.title(), fit == framing(d).fitInUse(),
                        x -> x.withFraming(framing(x).withFit(fit))))
                .toList());
        if (framing(d).cutsOff()) {
            // Only one of the two directions is ever cut off.
            all.add(kept(d, "keep-first", "Keep the left or the top", Rational.ZERO));
            all.add(kept(d, "keep-middle", "Keep the middle", Rational.of(1, 2)));
            all.add(kept(d, "keep-last", "Keep the right or the bottom", Rational.ONE));
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
        if (d.codec() != null || d.targetInCatalogue().settings().colour() == null) {
            all.add(Choice.of("colour-usual", "As usual for the size", settings.colour() == null, x -> x.withColour(null)));
        }
        for (ColourCoding colour : settings.codec().colours()) {
            String refusal = Legality.against(settings.codec(), settings.container(), colour).orElse(null);
            all.add(Choice.of("colour-" + colour.id(), refusal == null ? colour.title() : refusal, colour.equals(settings.colour()),
                    x -> x.withColour(colour)).refused(refusal));
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
            return inUse == null ? "none, clean" : "none";
        }
        String lines = inUse.lines().size() == 1 ? "1 line" : inUse.lines().size() + " lines";
        return (d.burnIn() == null ? "as the reel, " : "its own, ") + lines + (inUse.watermark() == null ? "" : " and a mark");
    }

    private static List<Choice> burnIns(SettingView view, Deliverable d) {
        BurnIn ofReel = view.known().map(r -> r.reel().burnIn()).orElse(null);
        return List.of(Choice.of("burn-in-reel", "As the reel has it", !d.clean() && d.burnIn() == null, x -> x.withBurnIn(null)),
                Choice.of("burn-in-clean", "Nothing: clean pictures", d.clean(), Deliverable::withCleanPictures),
                Choice.of("burn-in-own", "Its own", d.burnIn() != null,
                        x -> x.withBurnIn(ofReel == null || ofReel.isNothing() ? BurnIn.forReview() : ofReel)));
    }

    /** One line more. */
    private static Deliverable line(SettingView view, Deliverable d, String text) {
        List<Line> lines = new ArrayList<>(d.burnIn() == null ? List.of() : d.burnIn().lines());
        lines.add(Line.parse(text));
        return d.withBurnIn(BurnIn.NOTHING.withLines(lines));
    }
}
