package dev.vat.desktop.sheet;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.FieldOrder;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Standing;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Interpretation;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Folds;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;

/** What the pictures of a source mean: layer, pixel shape, alpha, colour, fields. Only what applies is there. */
final class PictureFields {

    private static final Words WORDS = Words.of(PictureFields.class);

    private final Session session;
    private final Source source;
    private final Interpretation picture;
    private final FrameTable table;
    private final PictureFormat format;

    PictureFields(Session session, Source source, FrameTable table, PictureFormat format) {
        this.session = session;
        this.source = source;
        this.picture = source.reading().picture();
        this.table = table;
        this.format = format;
    }

    List<Folds.Group> groups() {
        return List.of(Folds.Group.of("shape", WORDS.say("shape"), shapeWords(), this::shape),
                Folds.Group.of("alpha", WORDS.say("alpha"), alphaWords(), () -> List.of(alpha())),
                Folds.Group.of("colour", WORDS.say("colour"), picture.colourOf(format).describe(), () -> picture.colourOf(format)
                        .kind() == ColourReading.Kind.DISPLAY ? List.of(colour(), toLight()) : List.of(colour())));
    }

    private String shapeWords() {
        PixelAspect now = picture.pixelAspectOf(format);
        List<String> words = new ArrayList<>();
        words.add(format.size().toString());
        words.add(now.isSquare() ? WORDS.say("squarePixels") : WORDS.say("pixelSeen", now, now.seen(format.size())));
        if (picture.layer() != null) {
            words.add(WORDS.say("layer", picture.layer()));
        }
        if (format.stated().turned() != null && picture.standing() != null) {
            words.add(picture.standing().title());
        }
        scan().ifPresent(first -> words.add((picture.fields() == null ? FieldReading.KEPT : picture.fields()).title()));
        return String.join(", ", words);
    }

    private Optional<FieldOrder> scan() {
        return session.watch().clip(source.id()).map(ClipFacts::fields);
    }

    private List<Node> shape() {
        List<Node> fields = new ArrayList<>();
        if (format.layers().size() > 1 || !format.hasMain()) {
            fields.add(layer());
        }
        fields.add(pixelAspect());
        if (format.stated().turned() != null) {
            fields.add(orientation(format.stated().turned()));
        }
        scan().ifPresent(first -> fields.add(fields(first)));
        return fields;
    }

    private String alphaWords() {
        if (format.alpha() == AlphaKind.NONE) {
            return WORDS.say("noAlpha");
        }
        if (!table.alpha().carriesTransparency()) {
            return WORDS.say("aChannelButEveryPixelIs");
        }
        AlphaKind now = picture.alphaOf(table);
        return now == AlphaKind.NONE ? WORDS.say("passedOver") : now.label();
    }

    private void set(UnaryOperator<Interpretation> change) {
        session.edit(SourceEdits.setPicture(source.id(), change.apply(picture)));
    }

    private HBox layer() {
        List<Node> values = new ArrayList<>(List.of(choice("layer", format.layers().toArray(String[]::new),
                picture.layer() == null && format.hasMain() ? PictureFormat.MAIN : picture.layer(),
                l -> l.isEmpty() ? WORDS.say("mainPicture") : l, l -> set(p -> p.withLayer(l.isEmpty() ? null : l)))));
        TextField channel = text("layer-other", "", 8, typed -> set(p -> p.withLayer(typed.isBlank() ? null : typed.strip())));
        channel.setPromptText(WORDS.say("anyChannel"));
        values.add(channel);
        return field(WORDS.say("layer2"), WORDS.say("orTheFullNameOfAnyChannel"), values.toArray(Node[]::new));
    }

    private HBox pixelAspect() {
        PixelAspect now = picture.pixelAspectOf(format);
        Size seen = now.seen(format.size());
        List<PixelAspect> offered = new ArrayList<>(List.of(PixelAspect.SQUARE));
        if (format.size().height() == 576) {
            offered.addAll(List.of(PixelAspect.of(12, 11), PixelAspect.of(16, 15), PixelAspect.of(16, 11), PixelAspect.of(64, 45)));
        } else if (format.size().height() == 480 || format.size().height() == 486) {
            offered.addAll(List.of(PixelAspect.of(10, 11), PixelAspect.of(8, 9), PixelAspect.of(40, 33), PixelAspect.of(32, 27)));
        } else if (format.size().width() == 1440) {
            offered.add(PixelAspect.of(4, 3));
        } else {
            offered.add(PixelAspect.of(2, 1));
        }
        for (PixelAspect known : new PixelAspect[] {format.pixelAspect(), now}) {
            if (!offered.contains(known)) {
                offered.add(known);
            }
        }
        List<Node> values = new ArrayList<>(List.of(choice("pixel-aspect", offered.toArray(PixelAspect[]::new), now, PixelAspect::toString,
                a -> set(p -> p.withPixelAspect(a.equals(format.pixelAspect()) ? null : a)))));
        TextField other = text("pixel-aspect-other", "", 5,
                typed -> set(p -> p.withPixelAspect(PixelAspect.parse(typed.strip().replace(',', '.').replace(':', '/')))));
        other.setPromptText(WORDS.say("other"));
        values.add(other);
        String sentence = now.isSquare() ? "" : WORDS.say("storedSeen", format.size(), seen);
        return field(WORDS.say("pixels"), sentence, values.toArray(Node[]::new));
    }

    private HBox alpha() {
        if (format.alpha() == AlphaKind.NONE) {
            return field(WORDS.say("alpha"), WORDS.say("thePicturesHaveNoAlphaEverything"));
        }
        AlphaKind found = table.alpha();
        if (!found.carriesTransparency()) {
            return field(WORDS.say("alpha"), WORDS.say("thereIsAChannelButEvery"));
        }
        AlphaKind now = picture.alphaOf(table);
        String sentence = switch (now) {
            case STRAIGHT -> WORDS.say("colourIsStoredAsItIsWhatever");
            case PREMULTIPLIED -> WORDS.say("colourIsStoredMultiplied");
            default -> WORDS.say("theChannelIsPassedOverEverything");
        };
        return field(WORDS.say("alpha"), WORDS.say("aWrongChoiceShowsAsADark", sentence),
                choice("alpha", new AlphaKind[] {AlphaKind.STRAIGHT, AlphaKind.PREMULTIPLIED, AlphaKind.NONE}, now,
                        a -> a == AlphaKind.NONE ? WORDS.say("passOver") : a.label(), a -> set(p -> p.withAlpha(a == found ? null : a))));
    }

    private HBox orientation(String turned) {
        Standing now = picture.standing() == null ? Standing.UPRIGHT : picture.standing();
        return field(WORDS.say("orientation"), WORDS.say("theFileSays", turned),
                choice("orientation", Standing.values(), now, Standing::title,
                        how -> set(p -> p.withStanding(how == Standing.UPRIGHT ? null : how))));
    }

    private HBox fields(FieldOrder first) {
        FieldReading now = picture.fields() == null ? FieldReading.KEPT : picture.fields();
        String sentence = switch (now) {
            case KEPT -> WORDS.say("interlacedWhatMovesHasCombed", first.title());
            case DEINTERLACED -> WORDS.say("eachFrameShowsTheMoment");
            case EACH -> WORDS.say("twiceAsManyFramesAtTwice");
        };
        return field(WORDS.say("fields"), sentence,
                choice("fields", FieldReading.values(), now, FieldReading::title,
                        how -> session.edit(SourceEdits.setFields(source.id(), how))));
    }

    private HBox colour() {
        ColourReading now = picture.colourOf(format);
        ColourReading usual = format.linear() ? ColourReading.LINEAR : ColourReading.DISPLAY;
        List<Node> values = new ArrayList<>(List.of(choice("colour", ColourReading.Kind.values(), now.kind(), ColourReading.Kind::title,
                kind -> set(p -> p.withColour(kind == usual.kind() ? null : ColourReading.of(kind))))));
        if (now.isLinear()) {
            values.add(named("stops", text("exposure", now.exposure().toDecimal(2), 4, typed -> set(p -> p.withColour(plain(now)
                    .withExposure(Rational.parse(typed.strip().replace(',', '.').replaceFirst("^\\+", ""))))))));
            values.addAll(List.of(choice("curve", ColourReading.Curve.values(), now.curve(), ColourReading.Curve::title,
                    curve -> set(p -> p.withColour(plain(now).withCurve(curve))))));
        }
        String stated = format.stated().colour() == null ? "" : WORDS.say("theFileStates", format.stated().colour());
        HBox field = field(WORDS.say("colour"), now.kind().sentence() + stated, values.toArray(Node[]::new));
        field.setAccessibleText(WORDS.say("colour2", now.describe()));
        return field;
    }

    /** Only files of light and of high range ask for it. */
    private HBox toLight() {
        ColourReading now = picture.colourOf(format);
        ColourReading.Curve stated = now.withToLight(null).curveToLight();
        return field(WORDS.say("toLight"), WORDS.say("forEXRAndHDR", stated.title()),
                choice("to-light", ColourReading.Curve.values(), now.curveToLight(), ColourReading.Curve::title,
                        curve -> set(p -> p.withColour(plain(now).withToLight(curve == stated ? null : curve)))));
    }

    /** What is kept in the project holds nothing that a file states. */
    private static ColourReading plain(ColourReading colour) {
        return colour.withTags(null, null);
    }
}
