package dev.vat.desktop.sheet;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.PartForm;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Project;
import dev.vat.core.run.ResolvedReel;
import dev.vat.core.time.Rational;
import dev.vat.desktop.session.Session;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** The rows of the Out face: what each says of a deliverable, and one plain sentence on it. */
enum OutRow {
    CONTAINER(Group.OPEN, "Container", "The kind of file. Enter chooses among those that the codec may stand in."),
    CODEC(Group.OPEN, "Codec", "How pictures are packed. Enter chooses another."),
    SIZE(Group.OPEN, "Size", "Width and height in pixels, as the source has them; Enter types others: 1280x720, 50 %, 1280 wide, 720 high, or a shape: 2.39, 16:9 at 1280."),
    RATE(Group.OPEN, "Rate", "Frames a second, exactly. It is the reel's rate for every file."),
    ALPHA(Group.OPEN, "Alpha", "Whether the file can be seen through. Where its codec carries none, Enter types what shows instead: a colour, checker, or picture and its path; add matte for a second file."),
    SOUND(Group.OPEN, "Sound", "How sound is packed. A clip's sound goes along with its pictures; where nothing is to be heard, no track is written."),
    LOUDNESS(Group.FILE, "Loudness", "As the sound is; or Enter types what the programme is brought to (EBU R 128): -23, or -16 LUFS, at most -2 dBTP. Broadcast in Europe asks for -23, the web is usual at -14."),
    QUALITY(Group.OPEN, "Quality", "How much is given up for size. Enter takes a number, a bit rate, a file size such as 25 MB, or 20, at most 12 Mbit/s."),
    FIT(Group.PICTURE, "Fit", "How the picture is brought into another shape. Enter chooses; what fills the frame is dragged in the picture."),
    PIXEL_ASPECT(Group.PICTURE, "Pixel aspect", "The shape of a pixel, width to height. It follows the source; Enter types another, such as 16:15."),
    DEPTH(Group.PICTURE, "Depth", "Bits in each sample. Deeper sources are dithered, so that smooth skies don't band."),
    CHROMA(Group.PICTURE, "Chroma", "How finely colour is sampled beside brightness."),
    COLOUR(Group.PICTURE, "Colour", "What the samples mean, written into stream and container alike, as far as these can say it. Enter chooses, high dynamic range too."),
    LOOK(Group.PICTURE, "Look", "A table of colours (.cube) that display codes go through first. Enter chooses a file; Backspace takes it away."),
    BURN_IN(Group.PICTURE, "Burn-in", "What is written into its pictures: what the reel has, nothing at all, or something of its own. Enter chooses."),
    SCAN(Group.PICTURE, "Scan", "How lines follow each other. Interlaced frames are woven of two reel frames each, so that the file runs at half the reel's rate."),
    EFFORT(Group.FILE, "Effort", "Time against bytes at the same quality: quick, normal, thorough. Enter chooses."),
    GROUP(Group.FILE, "Key frames", "From one self-contained frame to the next: shorter is quicker to step through, longer is smaller. Enter types 2 s or 48 frames."),
    FIRST_NUMBER(Group.FILE, "First number", "The number of the first still. It follows the source's; Enter types another."),
    LOOPS(Group.FILE, "Played", "How often a moving still is played. Enter types a number; 0 is for ever."),
    NAME(Group.FILE, "Name", "The file's name. Its pattern is set above; a name that is taken gets a version number."),
    STOP(Group.FILE, "If stopped", "Whether a stop costs the work so far: what is made in parts goes on at the first unfinished one."),
    FORECAST(Group.FORECAST, "Bytes", "What the file will weigh: by test encodes, with the range that holds nine times of ten; before, a wide guess from the codec alone."),
    LIKENESS(Group.FORECAST, "Likeness", "How near the file's frames will come to the source, by test encodes: PSNR in decibels, and SSIM, where 1 is the same."),
    MAKING(Group.FORECAST, "Making", "How long making and proving this file will take of the whole run, by test encodes.");

    /** Rows that are seen at once, and headings under which the others are folded. */
    enum Group {
        OPEN(""), FORECAST("Forecast"), PICTURE("Picture"), FILE("File");

        private final String title;

        Group(String title) {
            this.title = title;
        }

        String title() {
            return title;
        }

        List<OutRow> rows() {
            return Arrays.stream(OutRow.values()).filter(r -> r.group == this).toList();
        }
    }

    private final Group group;
    private final String title;
    private final String sentence;

    OutRow(Group group, String title, String sentence) {
        this.group = group;
        this.title = title;
        this.sentence = sentence;
    }

    String title() {
        return title;
    }

    /** The row in one sentence, and what holds for a deliverable. */
    String sentence(ResolvedReel programme, Deliverable deliverable) {
        if (!deliverable.isKnown()) {
            return "This Vat doesn't know what the column asks for.";
        }
        return switch (this) {
            case CODEC -> sentence + " " + deliverable.settings().codec().plays();
            case SIZE -> sentence + programme.frame(deliverable).filter(f -> f.headroom() > 1)
                    .map(f -> " Zoom headroom %.2f times.".formatted(f.headroom())).orElse("");
            case QUALITY -> deliverable.settings().codec().quality() == null
                    ? "How much is given up for size: this codec leaves nothing to choose." : sentence;
            default -> sentence;
        };
    }

    /** What a cell shows; empty where the setting doesn't apply. */
    Optional<String> value(Session studio, ResolvedReel programme, Deliverable deliverable) {
        if (!deliverable.isKnown()) {
            return Optional.empty();
        }
        Settings settings = deliverable.settings();
        Codec codec = settings.codec();
        return switch (this) {
            case CODEC -> Optional.of(codec.title());
            case CONTAINER -> Optional.of(settings.container().title());
            case SIZE -> programme.frame(deliverable).map(f -> f.size().toString());
            case PIXEL_ASPECT -> programme.frame(deliverable).map(f -> f.pixelAspect().toString() + (f.pixelAspect().isSquare() ? ""
                    : ", seen " + f.pixelAspect().seen(f.size())));
            case FIT -> programme.frame(deliverable).map(f -> fit(programme, deliverable, f));
            case RATE -> programme.rate().map(r -> settings.framing().scanInUse().rate(r).label());
            case DEPTH -> Optional.of(codec.codedBits() == codec.readBits() ? codec.codedBits() + "-bit"
                    : codec.codedBits() + "-bit, read as " + codec.readBits());
            case CHROMA -> Optional.of(codec.chroma().label());
            case COLOUR -> programme.frame(deliverable).map(f -> settings.colourFor(f.size()).title());
            case LOOK -> Optional.of(deliverable.look() == null ? "none" : deliverable.look().name());
            case EFFORT -> codec.hasEffort() ? Optional.of(settings.effort().title()) : Optional.empty();
            case GROUP -> codec.everyFrameStandsAlone() ? Optional.empty() : Optional.of(group(programme, settings));
            case FIRST_NUMBER -> settings.container().isFolder() ? Optional.of(deliverable.firstNumber() == null ? "as the source" : deliverable.firstNumber().toString()) : Optional.empty();
            case LOOPS -> settings.container().isMovingStill() ? Optional.of(settings.loops() == 0 ? "for ever" : settings.loops() == 1 ? "once" : settings.loops() + " times") : Optional.empty();
            case BURN_IN -> Optional.of(burnIn(programme, deliverable));
            case SCAN -> Optional.of(settings.framing().scanInUse().title());
            case ALPHA -> Optional.of(alpha(programme, deliverable));
            case QUALITY -> Optional.of(codec.words(settings.control()));
            case SOUND -> Optional.of(studio.sound().filter(_ -> settings.container().carriesSound()).map(s -> settings.sound().title() + ", " + s.layout()).orElse("none"));
            case LOUDNESS -> studio.sound().filter(_ -> settings.container().carriesSound()).map(_ -> deliverable.loudness() == null ? "as it is" : deliverable.loudness().toString());
            case STOP -> Optional.of(codec.partForm(settings.control()) == PartForm.WHOLE ? "begins again" : "made in parts");
            case NAME -> Optional.of(name(studio.project(), programme, deliverable));
            case FORECAST -> studio.foretelling().of(deliverable).map(f -> ForecastWords.bytes(f.bytes())).or(() -> programme.forecast(deliverable).map(f -> f.toString()));
            case LIKENESS -> studio.foretelling().of(deliverable).map(ForecastWords::likeness);
            case MAKING -> studio.foretelling().of(deliverable).map(f -> ForecastWords.time(f.makeSeconds().plus(f.proofSeconds())));
        };
    }

    private static String group(ResolvedReel programme, Settings settings) {
        Rational seconds = settings.group() != null ? settings.group() : Rational.of(settings.codec().groupSeconds());
        return seconds.toDecimal(2) + " s" + programme.rate().map(r -> ", " + settings.groupFrames(settings.framing().scanInUse().rate(r)) + " frames").orElse("");
    }

    /** How the picture lies in the file's, or that it simply is the file's. */
    private static String fit(ResolvedReel programme, Deliverable deliverable, Frame frame) {
        Framing framing = deliverable.settings().framing();
        return programme.size().filter(reel -> frame.placement().isWhole(reel, frame.size())).isPresent() ? "the whole picture"
                : framing.fitInUse().title() + framing.kept().map(share -> ", at " + Math.round(100 * share.toDouble()) + " %").orElse("");
    }

    private static String alpha(ResolvedReel programme, Deliverable deliverable) {
        Codec codec = deliverable.settings().codec();
        if (codec.hasAlpha()) {
            return programme.transparent() ? codec.alphaBits() + "-bit " + (ColourCoding.LINEAR.equals(codec.ownColour()) ? "premultiplied" : "straight") : "opaque";
        }
        return !programme.transparent() ? "none" : "flattened on " + deliverable.flatten().words() + (deliverable.matte() ? ", matte beside" : "");
    }

    private static String burnIn(ResolvedReel programme, Deliverable deliverable) {
        BurnIn inUse = deliverable.burnInWith(programme.reel().burnIn()).orElse(null);
        if (inUse == null || inUse.isNothing()) {
            return inUse == null ? "none, clean" : "none";
        }
        String lines = inUse.lines().size() == 1 ? "1 line" : inUse.lines().size() + " lines";
        return (deliverable.burnIn() == null ? "as the reel, " : "its own, ") + lines + (inUse.watermark() == null ? "" : " and a mark");
    }

    /** Why a setting doesn't apply. */
    String absence() {
        return switch (this) {
            case RATE -> "choose a rate";
            case LOOPS -> "by its player";
            case EFFORT -> "none to choose";
            case GROUP -> "every frame";
            case FIRST_NUMBER -> "one file";
            case LOUDNESS -> "no sound";
            case LIKENESS, MAKING -> "not tried yet";
            default -> "not known yet";
        };
    }

    private static String name(Project project, ResolvedReel programme, Deliverable deliverable) {
        try {
            return FileNaming.parse(project.naming()).fileName(deliverable, new FileNaming.Context(
                    project.name(), programme.reel().name(), programme.range(), LocalDate.now(),
                    programme.frame(deliverable).map(Frame::size).orElse(Size.of(1, 1)),
                    programme.rate().orElse(null)));
        } catch (IllegalArgumentException e) {
            return "the pattern can't be used";
        }
    }

    /** Whether the deliverable has something else here than its target. */
    boolean differs(Deliverable deliverable) {
        return deliverable.isKnown() && !back(deliverable).equals(deliverable);
    }

    /** The same with this row as the target has it. */
    Deliverable back(Deliverable deliverable) {
        return switch (this) {
            case CODEC -> deliverable.withCodec(deliverable.targetInCatalogue().codec());
            case CONTAINER -> deliverable.settings().codec().containers().contains(deliverable.targetInCatalogue().container())
                    ? deliverable.withContainer(deliverable.targetInCatalogue().container()) : deliverable;
            case QUALITY -> deliverable.withUsualControl();
            case SOUND -> deliverable.withSound(null);
            case LOUDNESS -> deliverable.withLoudness(null);
            case ALPHA -> deliverable.withFlatten(Ground.BLACK).withMatte(false);
            case COLOUR -> deliverable.withColour(null);
            case LOOK -> deliverable.withLook(null);
            case BURN_IN -> deliverable.withBurnIn(null);
            case LOOPS -> deliverable.withLoops(null);
            case EFFORT -> deliverable.withEffort(null);
            case GROUP -> deliverable.withGroup(null);
            case FIRST_NUMBER -> deliverable.withFirstNumber(null);
            case SCAN -> deliverable.withFraming(framing(deliverable).withScan(targets(deliverable).scan()));
            case SIZE -> deliverable.withCropToGrid(false).withFraming(framing(deliverable).withSize(targets(deliverable).size()));
            case FIT -> deliverable.withFraming(framing(deliverable).withFit(targets(deliverable).fit()));
            case PIXEL_ASPECT -> deliverable.withFraming(framing(deliverable).withPixelAspect(targets(deliverable).pixelAspect()));
            default -> deliverable;
        };
    }

    private static Framing framing(Deliverable deliverable) {
        return deliverable.settings().framing();
    }

    private static Framing targets(Deliverable deliverable) {
        return deliverable.targetInCatalogue().settings().framing();
    }

    boolean isEditable(Deliverable deliverable) {
        return deliverable.isKnown() && switch (this) {
            case CODEC, CONTAINER, SOUND, SIZE, RATE, FIT, PIXEL_ASPECT, LOOK, BURN_IN -> true;
            case COLOUR -> deliverable.settings().codec().colours().size() > 1;
            case EFFORT -> deliverable.settings().codec().hasEffort();
            case GROUP -> deliverable.settings().codec().mayChooseGroup();
            case FIRST_NUMBER -> deliverable.settings().container().isFolder();
            case LOOPS -> deliverable.settings().container().isMovingStill();
            case SCAN -> !deliverable.settings().codec().interlaced().isEmpty();
            case QUALITY -> deliverable.settings().codec().quality() != null;
            case ALPHA -> !deliverable.settings().codec().hasAlpha();
            case LOUDNESS -> deliverable.settings().container().carriesSound();
            default -> false;
        };
    }
}
