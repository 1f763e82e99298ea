package dev.vat.desktop.runs;

import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Receipt;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Moments;
import dev.vat.desktop.look.Parts;
import java.util.List;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** A receipt to be read: the verdict, planned against found line by line, picture against source, what stands in. */
public final class ReceiptPage extends BorderPane {

    private static final Words WORDS = Words.of(ReceiptPage.class);

    private static final int MOST_FILLS = 12;
    private static final int PAIRS = 2;
    /** Letters of a value that is a list. */
    private static final int LONG = 60;

    /**
     * @param pictures of the file's frames
     * @param back where closing the page leads, in words
     * @param watch goes to a frame of the file
     * @param sheet writes a page to hand over
     * @param close puts the page away
     */
    public ReceiptPage(Receipt receipt, FilePictures pictures, String back, LongConsumer watch, Runnable sheet, Runnable close) {
        setId("receipt");
        getStyleClass().add("receipt");
        VBox title = new VBox(Parts.name(receipt.file(), "receipt-title"), Parts.wrapped(receipt.targetTitle(), "note"));
        title.setMinWidth(0);
        HBox.setHgrow(title, Priority.ALWAYS);
        HBox head = new HBox(title, Parts.button("write-sheet", WORDS.say("proofSheet"), sheet),
                Parts.button("watch-from-receipt", WORDS.say("watchTheFile"), () -> watch.accept(0)),
                Parts.button("close-receipt", back, close));
        head.getStyleClass().add("receipt-head");
        VBox body = new VBox(verdict(receipt), comparison(receipt));
        body.getStyleClass().add("receipt-body");
        if (receipt.quality() != null) {
            body.getChildren().add(quality(receipt, pictures, watch));
        }
        body.getChildren().add(origin(receipt));
        if (!receipt.fills().isEmpty()) {
            body.getChildren().add(fills(receipt, watch));
        }
        if (!receipt.notes().isEmpty()) {
            VBox notes = section(WORDS.say("notes"));
            receipt.notes().forEach(note -> notes.getChildren().add(Parts.wrapped(note)));
            body.getChildren().add(notes);
        }
        ScrollPane scroll = new ScrollPane(body);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        setTop(head);
        setCenter(scroll);
    }

    private static Label verdict(Receipt receipt) {
        String words = receipt.proven() ? WORDS.say(receipt.isSound() ? "provenEverySample" : "provenReopenedDecodedWhole")
                : WORDS.say("notProven", String.join("; ", receipt.reasons()));
        if (receipt.usedAnyway() != null) {
            words += WORDS.say("takenIntoUseAllTheSame", Moments.dated(receipt.usedAnyway()));
        }
        Label verdict = Parts.wrapped(words);
        verdict.setId("receipt-verdict");
        verdict.setGraphic((receipt.proven() ? Icon.PROVEN : Icon.BLOCKER).node());
        verdict.getStyleClass().setAll("label", "verdict", receipt.proven() ? "good" : "fault");
        verdict.setMaxWidth(Double.MAX_VALUE);
        return verdict;
    }

    /** In two halves side by side where there is room, so that all of it is seen at once. */
    private static Label name(Comparison.Line line) {
        Label name = new Label(line.name());
        name.getStyleClass().add("fact-name");
        name.setMinWidth(Region.USE_PREF_SIZE);
        return name;
    }

    private static Label found(Comparison.Line line) {
        Label found = Parts.wrapped(line.agrees() ? line.found() : WORDS.say("planned", line.found(), line.planned()));
        found.getStyleClass().setAll("label", "fact", line.agrees() ? "good" : "fault");
        found.setGraphic((line.agrees() ? Icon.PROVEN : Icon.BLOCKER).node());
        return found;
    }

    private static VBox comparison(Receipt receipt) {
        FlowPane halves = new FlowPane();
        // What a second reader found is a list: it has the whole width, below.
        List<Comparison.Line> brief = receipt.comparison().lines().stream().filter(l -> l.found().length() < LONG).toList();
        List<Comparison.Line> lists = receipt.comparison().lines().stream().filter(l -> l.found().length() >= LONG).toList();
        int each = Math.ceilDiv(brief.size(), PAIRS);
        for (int i = 0; i < brief.size(); i++) {
            if (i % each == 0) {
                GridPane half = new GridPane();
                half.getStyleClass().add("facts");
                halves.getChildren().add(half);
            }
            GridPane half = (GridPane) halves.getChildren().getLast();
            half.addRow(i % each, name(brief.get(i)), found(brief.get(i)));
        }
        VBox all = new VBox(halves);
        all.setId("receipt-comparison");
        all.getStyleClass().add("facts");
        lists.forEach(line -> all.getChildren().addAll(name(line), found(line)));
        VBox section = section(WORDS.say("asPlannedAsFound"));
        section.getChildren().add(all);
        if (!receipt.spacing().isEmpty()) {
            section.getChildren().add(Parts.wrapped(WORDS.say("fromFrameToFrame",
                    receipt.spacing().stream().map(s -> WORDS.say("sTimes", s.seconds(), s.times())).collect(Collectors.joining("; ")))));
        }
        if (receipt.loudness() != null) {
            section.getChildren().add(Parts.wrapped(WORDS.say("loudnessEBUR128", receipt.loudness().words())));
        }
        return section;
    }

    private static VBox quality(Receipt receipt, FilePictures pictures, LongConsumer watch) {
        Receipt.Quality q = receipt.quality();
        VBox section = section(WORDS.say("pictureAgainstSource"));
        String mean = q.meanPsnr() == null ? WORDS.say("notABitDiffers") : WORDS.say("meanDB", Words.decimal(q.meanPsnr(), 2));
        String worst = q.worstPsnr() == null ? "" : WORDS.say("worstFrameDBLowestSSIM", q.worstFrame(), q.worstSource(),
                Words.decimal(q.worstPsnr(), 2), Words.decimal(q.worstSsim(), 4));
        section.getChildren().addAll(Parts.wrapped(WORDS.say("psnrOfLumaEachDecodedFrame", mean)),
                new FlowPane(8, 4, Parts.wrapped(worst),
                        Parts.button("watch-worst", WORDS.say("watchIt"), () -> watch.accept(q.worstFrame()))));
        if (q.worst().size() > 1) {
            section.getChildren().add(worst(q, pictures, watch));
        }
        return section;
    }

    /** The frames that differ most, each as it is in the file: a press goes there. */
    private static FlowPane worst(Receipt.Quality quality, FilePictures pictures, LongConsumer watch) {
        FlowPane row = new FlowPane(8, 8);
        row.setId("receipt-worst");
        for (Receipt.Worst frame : quality.worst()) {
            Label words = new Label(WORDS.say("frameDB", frame.frame(), Words.decimal(frame.psnr(), 1)));
            words.getStyleClass().addAll("mono", "note");
            Button one = Controls.button("");
            one.setGraphic(new VBox(2, pictures.of(frame.frame()), words));
            one.setId("worst-" + frame.frame());
            one.setAccessibleText(WORDS.say("watchFrame", frame.frame(), frame.source()));
            one.setTooltip(new Tooltip(WORDS.say("frameMadeOfPSNRDBSSIM", frame.frame(), frame.source(), Words.decimal(frame.psnr(), 2),
                    Words.decimal(frame.ssim(), 4))));
            one.getStyleClass().add("picture-button");
            one.setOnAction(_ -> watch.accept(frame.frame()));
            row.getChildren().add(one);
        }
        return row;
    }

    private static VBox origin(Receipt receipt) {
        VBox section = section(WORDS.say("madeFrom"));
        for (Receipt.SourceLine source : receipt.sources()) {
            section.getChildren().add(Parts.wrapped(WORDS.say("toFrames", source.name(), source.first(), source.last(),
                    (source.step() == 1 ? "" : WORDS.say("by", source.step())), source.count())));
        }
        section.getChildren().addAll(
                Parts.wrapped(WORDS.say("rateFramesASecond", receipt.rate(), receipt.rateOrigin())),
                Parts.wrapped(
                        WORDS.say("madeByVatWithInParts", Moments.dated(receipt.made()), receipt.vat(), receipt.library(),
                                receipt.parts().size())));
        Label sha = Parts.wrapped("SHA-256 " + receipt.sha256(), "mono", "note");
        HBox.setHgrow(sha, Priority.ALWAYS);
        sha.setMinWidth(0);
        sha.setId("receipt-sha");
        HBox line = new HBox(8, sha, Parts.button("copy-sha", WORDS.say("copy"), () -> Clips.copy(receipt.sha256())));
        line.getStyleClass().add("row");
        section.getChildren().add(line);
        return section;
    }

    private static VBox fills(Receipt receipt, LongConsumer watch) {
        VBox section = section(WORDS.say("whatStandsInForFramesThat", receipt.fills().size()));
        for (Receipt.Fill fill : receipt.fills().stream().limit(MOST_FILLS).toList()) {
            section.getChildren()
                    .add(new FlowPane(8, 4, Parts.wrapped(WORDS.say("frame", fill.frame(), fill.source(), fill.wanted(), fill.shown())),
                            Parts.button("watch-fill-" + fill.frame(), WORDS.say("watchIt"), () -> watch.accept(fill.frame()))));
        }
        if (receipt.fills().size() > MOST_FILLS) {
            section.getChildren().add(Parts.wrapped(WORDS.say("and", receipt.fills().stream().skip(MOST_FILLS)
                    .map(f -> Long.toString(f.frame())).collect(Collectors.joining(", ")))));
        }
        return section;
    }

    private static VBox section(String title) {
        Label label = new Label(title);
        label.getStyleClass().add("section");
        return new VBox(2, label);
    }
}
