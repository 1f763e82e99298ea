package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Target;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Project;
import dev.vat.core.run.Programme;
import java.time.LocalDate;
import java.util.Optional;

/** The rows of the Out face: what each says of a deliverable, and one plain sentence on it. */
enum OutRow {
    CODEC("Codec", "How pictures are packed. It follows from the target."),
    CONTAINER("Container", "The kind of file. It follows from the target."),
    SIZE("Size", "Width and height in pixels. It follows the source; Enter crops an odd size to an even one."),
    PIXEL_ASPECT("Pixel aspect", "The shape of a pixel, width to height. It follows the source."),
    RATE("Rate", "Frames a second, exactly. It is the reel's rate for every file."),
    DEPTH("Depth", "Bits in each sample. Deeper sources are dithered, so that smooth skies don't band."),
    CHROMA("Chroma", "How finely colour is sampled beside brightness."),
    COLOUR("Colour", "Rec.709 matrix and limited range, written into stream and container alike."),
    ALPHA("Alpha", "Whether the file can be seen through. Straight means that colour isn't multiplied by alpha."),
    FLATTEN("Behind alpha", "The colour that shows where the source is transparent. Enter types RRGGBB."),
    QUALITY("Quality", "How much is given up for size. It follows from the target."),
    SOUND("Sound", "No sound was brought in, so no sound track is written."),
    STOP("If stopped", "Made in parts that are closed one by one; for now a stopped file is made again from its start."),
    NAME("Name", "The file's name. Its pattern is set above; a name that is taken gets a version number."),
    FORECAST("Bytes, rough", "A wide guess from the codec alone, before anything has been tried.");

    private final String title;
    private final String sentence;

    OutRow(String title, String sentence) {
        this.title = title;
        this.sentence = sentence;
    }

    String title() {
        return title;
    }

    String sentence() {
        return sentence;
    }

    /** What a cell shows; empty where the setting doesn't apply. */
    Optional<String> value(Project project, Programme programme, Deliverable deliverable) {
        Target target = deliverable.targetInCatalogue();
        Codec codec = target.codec();
        return switch (this) {
            case CODEC -> Optional.of(codec.title());
            case CONTAINER -> Optional.of(target.container().title());
            case SIZE -> programme.size().map(s -> deliverable.sizeFor(s).toString());
            case PIXEL_ASPECT -> programme.shape().map(f -> f.pixelAspect().toString());
            case RATE -> programme.rate().map(r -> r.label());
            case DEPTH -> Optional.of(codec.codedBits() == codec.readBits() ? codec.codedBits() + "-bit"
                    : codec.codedBits() + "-bit, read as " + codec.readBits());
            case CHROMA -> Optional.of(codec.chroma().label());
            case COLOUR -> Optional.of("Rec.709 limited");
            case ALPHA -> Optional.of(!codec.hasAlpha() ? "none" : programme.transparent() ? codec.alphaBits() + "-bit straight" : "opaque");
            case FLATTEN -> codec.hasAlpha() ? Optional.empty() : Optional.of("#" + deliverable.flatten());
            case QUALITY -> Optional.of(codec.rateControl());
            case SOUND -> Optional.of("none");
            case STOP -> Optional.of("made again");
            case NAME -> Optional.of(name(project, programme, deliverable));
            case FORECAST -> programme.size().map(s -> RoughForecast.of(codec, deliverable.sizeFor(s), programme.plan().count(),
                    programme.transparent()).toString().replace("rough: ", ""));
        };
    }

    /** Why a setting doesn't apply. */
    String absence(Programme programme, Deliverable deliverable) {
        return switch (this) {
            case FLATTEN -> "keeps alpha";
            case RATE -> "choose a rate";
            default -> "not known yet";
        };
    }

    private static String name(Project project, Programme programme, Deliverable deliverable) {
        try {
            return FileNaming.parse(project.naming()).fileName(deliverable.targetInCatalogue(), new FileNaming.Context(
                    project.name(), programme.reel().name(), programme.range(), LocalDate.now(),
                    programme.size().map(deliverable::sizeFor).orElse(Size.of(1, 1)),
                    programme.rate().orElse(null)));
        } catch (IllegalArgumentException e) {
            return "the pattern can't be used";
        }
    }

    boolean isEditable(Deliverable deliverable) {
        return this == FLATTEN && !deliverable.targetInCatalogue().codec().hasAlpha() || this == SIZE || this == RATE;
    }
}
