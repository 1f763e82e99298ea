package dev.vat.desktop.sheet;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.orEmpty;
import static dev.vat.desktop.look.Fields.text;

import dev.vat.core.project.PreviewEdits;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.ReelPart;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.LeadIn;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Extent;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Fields;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What can be done with one source, and how it is taken: its time first, then its picture, then what is worth knowing. */
final class ReadingPane extends VBox {

    private final Session session;
    private final Source source;
    private final Reading reading;
    private final FrameTable table;
    private final Sequence sequence;

    ReadingPane(Session session, Dialogs ask, Source source, FrameTable table) {
        this.session = session;
        this.source = source;
        this.reading = source.reading();
        this.table = table;
        this.sequence = table.sequence();
        setId("reading");
        getStyleClass().add("reading");
        getChildren().addAll(new SourceActs(session, ask, source, table), new SourceNotes(session, source, table), rate());
        boolean still = sequence.count() == 1 && sequence.pattern().isSingle();
        if (still) {
            getChildren().add(stillLength());
        } else {
            getChildren().addAll(extent(), taken());
            if (!sequence.kind().isMovie()) {
                getChildren().addAll(expected(), gap());
            }
        }
        getChildren().add(timecode());
        getChildren().add(new PictureFields(session, source, table));
        getChildren().add(note());
    }

    private Rate rateNow() {
        return reading.rateOf(table).orElse(null);
    }

    private HBox rate() {
        List<Rate> offered = new ArrayList<>(Rate.USUAL);
        Rate now = rateNow();
        Rate stated = table.format().map(f -> f.stated().rate()).orElse(null);
        for (Rate first : new Rate[] {session.offeredRate(), stated, now}) {
            if (first != null) {
                offered.remove(first);
                offered.addFirst(first);
            }
        }
        List<Node> values = new ArrayList<>();
        for (Node button : choice("rate", offered.toArray(Rate[]::new), now, Rate::label,
                rate -> session.edit(SourceEdits.setSourceRate(source.id(), rate)))) {
            values.add(button);
        }
        values.add(text("rate-other", "", 6, typed -> session.edit(SourceEdits.setSourceRate(source.id(), Rate.parse(typed)))));
        ((TextField) values.getLast()).setPromptText("other");
        return field("Frame rate", stated != null && reading.rate() == null ? "Stated by the file." : "", values.toArray(Node[]::new));
    }

    private void apply(Extent extent) {
        FrameRange range = extent.range();
        session.edit(
                SourceEdits.setRange(source.id(),
                        range.equals(Reading.PLAIN.withExpected(reading.expected()).rangeIn(sequence)) ? null : range));
    }

    /** Range, count, seconds and timecode: four ways to say the same. */
    private HBox extent() {
        Extent extent = new Extent(reading.rangeIn(sequence), sequence.step(), rateNow());
        long made = ReelPlan.of(List.of(ReelPart.of(source.id(), table, reading))).count();
        String frames = made == 1 ? "1 frame" : made + " frames";
        String effect = rateNow() == null ? frames
                : frames + " at " + rateNow().label() + " = " + rateNow().seconds(made).toFixed(3) + " s";
        return field("Range", effect,
                text("range", extent.range().toString(), 9,
                        typed -> apply(typed.isBlank() ? new Extent(sequence.range(), sequence.step(), null)
                                : new Extent(FrameRange.parse(typed), sequence.step(), rateNow()))),
                named("frames", text("range-count", Long.toString(extent.count()), 5, typed -> apply(extent.withCount(typed)))),
                named("s",
                        text("range-seconds", orEmpty(() -> extent.seconds().toDecimal(3)), 5, typed -> apply(extent.withSeconds(typed)))),
                named("length", text("range-timecode", orEmpty(extent::timecode), 8, typed -> apply(extent.withTimecode(typed)))));
    }

    private void cadence(Function<Cadence, Cadence> change) {
        session.edit(SourceEdits.setCadence(source.id(), change.apply(reading.cadence())));
    }

    /** Step and lead-in: which frames of the range are taken. */
    private HBox taken() {
        Cadence cadence = reading.cadence();
        ToggleButton keep = Controls.toggle("keep the length");
        keep.setId("keep-length");
        keep.setSelected(cadence.keepLength());
        keep.setOnAction(_ -> cadence(c -> c.withKeepLength(keep.isSelected())));
        long there = new Extent(reading.rangeIn(sequence), sequence.step(), null).count();
        long rest = Math.max(0, there - cadence.leadIn());
        long taken = Math.ceilDiv(rest, cadence.every());
        String step = cadence.every() == 1 && !cadence.keepLength() ? "" : rest + " by " + cadence.every() + " is " + taken
                + (cadence.keepLength() ? ", each shown for " + cadence.every() * sequence.step() + " frames. " : ", which plays faster. ");
        String drop = cadence.leadIn() == 0 ? "" : "The first " + cadence.leadIn() + " frames are left out"
                + (rateNow() == null ? "." : " (" + rateNow().seconds(cadence.leadIn()).toFixed(3) + " s).");
        TextField leadIn = text("lead-in", Long.toString(cadence.leadIn()), 5,
                typed -> cadence(c -> c.withLeadIn(LeadIn.parse(typed, rateNow()))));
        leadIn.setTooltip(new Tooltip("Frames to drop at the start, or seconds such as 0.5 s"));
        return field("Step", step + drop, named("every", text("step", Long.toString(cadence.every()), 3,
                typed -> cadence(c -> c.withEvery(Fields.whole(typed, 1))))), keep, named("skip the first", leadIn));
    }

    private HBox stillLength() {
        long length = reading.cadence().length() == null ? 1 : reading.cadence().length();
        Extent extent = new Extent(FrameRange.of(0, length - 1), 1, rateNow());
        return field("Length", "A still is shown for as long as you say.",
                named("frames",
                        text("still-count", Long.toString(length), 5,
                                typed -> cadence(c -> c.withLength(extent.withCount(typed).count())))),
                named("s", text("still-seconds", orEmpty(() -> extent.seconds().toDecimal(3)), 6,
                        typed -> cadence(c -> c.withLength(extent.withSeconds(typed).count())))));
    }

    private HBox expected() {
        FrameRange expected = reading.expected();
        List<Node> values = new ArrayList<>();
        values.add(text("expected", expected == null ? "" : expected.toString(), 9,
                typed -> session.edit(SourceEdits.setExpected(source.id(), typed.isBlank() ? null : FrameRange.parse(typed)))));
        session.relatives().expected(source).filter(range -> !range.equals(expected) && !range.equals(sequence.range()))
                .ifPresent(range -> values
                        .add(Parts.small("expect-kin", range + " as its kin",
                                () -> session.edit(SourceEdits.setExpected(source.id(), range)))));
        session.previews().approvedFor(source).stream().filter(a -> !a.equals(reading.approved()))
                .forEach(a -> values.add(Parts.small("expect-approved", "as approved, " + a.preview() + " " + a.range(),
                        () -> session.edit(PreviewEdits.hold(source.id(), a)))));
        if (reading.approved() != null) {
            values.add(Parts.small("expect-nothing", "not as " + reading.approved().preview(),
                    () -> session.edit(PreviewEdits.hold(source.id(), null))));
        }
        return field("Expected", reading.approved() != null ? "As the approved preview has them."
                : expected == null ? "The frames that there should be, if more are to come." : "", values.toArray(Node[]::new));
    }

    private HBox gap() {
        return field("Missing frames", reading.gap().sentence(), choice("gap", GapPolicy.values(), reading.gap(), GapPolicy::title,
                policy -> session.edit(SourceEdits.setGap(source.id(), policy))));
    }

    private HBox timecode() {
        String stated = table.format().map(f -> f.stated().timecode()).orElse(null);
        String now = reading.timecode() != null ? reading.timecode() : stated == null ? "" : stated;
        return field("Timecode", reading.timecode() == null && stated != null ? "Of the first frame, as the file states it." : "",
                text("first-timecode", now, 10, typed -> {
                    if (!typed.isBlank()) {
                        Timecode.parse(typed, rateNow() == null ? Rate.FPS_25 : rateNow());
                    }
                    session.edit(
                            SourceEdits.setTimecode(source.id(), typed.isBlank() || typed.strip().equals(stated) ? null : typed.strip()));
                }), Parts.label("of the first frame", "note"));
    }

    private HBox note() {
        return field("Note", "", text("render-note", reading.note() == null ? "" : reading.note(), 30,
                typed -> session.edit(SourceEdits.setNote(source.id(), typed))));
    }
}
