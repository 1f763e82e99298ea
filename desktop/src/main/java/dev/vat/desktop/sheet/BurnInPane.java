package dev.vat.desktop.sheet;

import dev.vat.desktop.session.Session;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.delivery.Deliverable;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.onChosen;
import static dev.vat.desktop.look.Fields.text;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Watermark;
import dev.vat.core.burnin.Wording;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Parts;
import dev.vat.engine.run.AuxiliaryFiles;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What is written into pictures, line by line: of a reel, of one of its items, or of a deliverable. */
final class BurnInPane extends VBox {

    private static final Words WORDS = Words.of(BurnInPane.class);

    private static final int ACROSS = 3;

    private final Dialogs ask;
    private final String id;
    private final BurnIn now;
    private final Consumer<BurnIn> change;

    /** @param id begins the ids of all that is in it @param now what it is, or null for nothing @param change told what it is to be */
    BurnInPane(Dialogs ask, String id, BurnIn now, Consumer<BurnIn> change) {
        this.ask = ask;
        this.id = id;
        this.now = now == null ? BurnIn.NOTHING : now;
        this.change = change;
        setId(id);
        getStyleClass().add("burn-in");
        for (int i = 0; i < this.now.lines().size(); i++) {
            getChildren().add(line(i, this.now.lines().get(i)));
        }
        if (this.now.watermark() != null) {
            getChildren().add(watermark(this.now.watermark()));
        }
        getChildren().add(more());
    }

    private HBox line(int index, Line line) {
        String of = id + "-" + index;
        TextField words = text(of + "-words", line.words().text(), 15,
                typed -> change.accept(typed.isBlank() ? now.without(index) : now.withLine(index, line.withWords(Wording.parse(typed)))));
        words.setTooltip(new Tooltip(
                WORDS.say("fieldsInBraces",
                        Arrays.stream(Field.values()).map(f -> f + " " + f.title()).collect(Collectors.joining(", ")))));
        HBox row = Parts.row(spots(of, line.at(), spot -> change.accept(now.withLine(index, line.withSpot(spot)))), words,
                named("% high",
                        text(of + "-size", number(line.size()), 3,
                                typed -> change.accept(now.withLine(index, line.withSize(percent(typed)))))),
                named("% dark",
                        text(of + "-ground", Integer.toString(line.ground()), 3,
                                typed -> change.accept(now.withLine(index, line.withGround(whole(typed)))))),
                Parts.small(of + "-out", WORDS.say("remove"), () -> change.accept(now.without(index))));
        row.getStyleClass().add("burn-in-line");
        return row;
    }

    private HBox watermark(Watermark mark) {
        String of = id + "-mark";
        Path file = Path.of(mark.path());
        HBox row = Parts.row(spots(of, mark.at(), spot -> change.accept(now.withWatermark(mark.withSpot(spot)))),
                Parts.label(String.valueOf(file.getFileName()), "mono"),
                named("% high",
                        text(of + "-size", number(mark.size()), 3,
                                typed -> change.accept(now.withWatermark(mark.withSize(percent(typed)))))),
                named("% opaque",
                        text(of + "-opacity", Integer.toString(mark.opacity()), 3,
                                typed -> change.accept(now.withWatermark(mark.withOpacity(whole(typed)))))),
                Parts.small(of + "-out", WORDS.say("remove"), () -> change.accept(now.withWatermark(null))));
        row.getStyleClass().add("burn-in-line");
        return row;
    }

    /** Nine places, as they lie in the picture. */
    static GridPane spots(String of, Spot now, Consumer<Spot> chosen) {
        GridPane spots = new GridPane();
        spots.getStyleClass().add("spots");
        ToggleGroup group = new ToggleGroup();
        for (Spot spot : Spot.values()) {
            ToggleButton button = Controls.toggle("");
            button.setId(of + "-" + spot.id());
            button.setToggleGroup(group);
            button.setSelected(spot == now);
            button.setTooltip(new Tooltip(spot.title()));
            button.setAccessibleText(spot.title());
            onChosen(button, () -> chosen.accept(spot));
            spots.add(button, spot.ordinal() % ACROSS, spot.ordinal() / ACROSS);
        }
        return spots;
    }

    private HBox more() {
        List<Node> ways = new ArrayList<>();
        if (now.isNothing()) {
            ways.add(Parts.small(id + "-review", WORDS.say("forReviewSourceFrameTimecode"), () -> change.accept(BurnIn.forReview())));
        }
        ways.add(add("source", WORDS.say("sourceAndFrame"), new Wording(Field.SOURCE + " " + Field.FRAME), Spot.BOTTOM_LEFT));
        ways.add(add("timecode", WORDS.say("timecode"), Wording.of(Field.TIMECODE), Spot.BOTTOM_RIGHT));
        ways.add(add("reel-frame", WORDS.say("reelFrame"), Wording.of(Field.REEL_FRAME), Spot.BOTTOM));
        ways.add(add("version", WORDS.say("versionAndDate"), new Wording(Field.VERSION + " " + Field.DATE), Spot.TOP_RIGHT));
        ways.add(add("camera", WORDS.say("camera"), Wording.of(Field.CAMERA), Spot.TOP_LEFT));
        ways.add(add("words", WORDS.say("wordsOfYourOwn"), new Wording(WORDS.say("forReviewOnly")), Spot.TOP));
        if (now.watermark() == null) {
            ways.add(Parts.small(id + "-add-mark", WORDS.say("aPictureLaidOver"),
                    () -> ask.file(WORDS.say("aPictureToLayOver"), WORDS.say("pictures"), FileKind.stillExtensions())
                            .ifPresent(file -> change.accept(now.withWatermark(Watermark.of(file.toString()))))));
        }
        if (!now.lines().isEmpty()) {
            ways.add(Parts.small(id + "-face",
                    now.face() == null ? WORDS.say("anotherFace") : WORDS.say("face", Path.of(now.face()).getFileName()),
                    () -> ask.file(WORDS.say("aFaceForWordsInPictures"), WORDS.say("fontFiles"), AuxiliaryFiles.FONTS)
                            .ifPresent(file -> change.accept(now.withFace(file.toString())))));
        }
        if (now.face() != null) {
            ways.add(Parts.small(id + "-own-face", WORDS.say("vatsOwnFace"), () -> change.accept(now.withFace(null))));
        }
        return field(WORDS.say("writeIn"), "", ways.toArray(Node[]::new));
    }

    private Node add(String which, String title, Wording words, Spot at) {
        return Parts.small(id + "-add-" + which, title, () -> change.accept(now.with(Line.of(words, at))));
    }

    static String number(double percent) {
        return percent == Math.rint(percent) ? Long.toString((long) percent) : Double.toString(percent);
    }

    private static int whole(String typed) {
        return Math.toIntExact(Math.round(percent(typed)));
    }

    static double percent(String typed) {
        try {
            return Math.round(Double.parseDouble(typed.strip().replace(',', '.').replace("%", "").strip()) * 10) / 10.;
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(WORDS.say("isNoPercentage", typed), e);
        }
    }

    /** What a file has written into its pictures in place of the reel's. */
    static VBox ofFile(Session session, Dialogs ask, Deliverable deliverable) {
        VBox own = new VBox(Parts.label(WORDS.say("burnInOf", deliverable.title()), "strong"),
                new BurnInPane(ask, "own-burn-in", deliverable.burnIn(),
                        b -> session.edit(DeliverableEdits.follow(deliverable.id(), x -> x.withBurnIn(b)))));
        own.setId("file-burn-in");
        own.getStyleClass().addAll("reading", "file-burn-in");
        return own;
    }
}
