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
import dev.vat.core.resolved.Relatives;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.LeadIn;
import dev.vat.core.source.Reading;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Extent;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Fields;
import dev.vat.desktop.look.Folds;
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

/** How one source is taken, in groups: its time first, then what is missing, its picture, its checks. */
final class SourceGroups {

    private static final Words WORDS = Words.of(SourceGroups.class);

    private final Session session;
    private final Source source;
    private final Reading reading;
    private final FrameTable table;
    private final Sequence sequence;
    private final long grid;
    private final boolean still;

    SourceGroups(Session session, Source source, FrameTable table) {
        this.session = session;
        this.source = source;
        this.reading = source.reading();
        this.table = table;
        this.sequence = table.sequence();
        this.grid = source.reading().stepIn(sequence);
        this.still = sequence.count() == 1 && sequence.pattern().isSingle();
    }

    List<Folds.Group> groups() {
        List<Folds.Group> groups = new ArrayList<>();
        groups.add(Folds.Group.of("timing", still ? WORDS.say("length") : WORDS.say("timing"), timingWords(), this::timing)
                .withTone(rateNow() == null ? "request" : ""));
        if (!still && !sequence.kind().isMovie()) {
            ResumeAdvice advice = session.watch().advice(source);
            boolean stops = reading.gap() == GapPolicy.REFUSE && !advice.wanted().isEmpty() && !advice.isOnlyToCome(table);
            groups.add(Folds.Group.of("missing", WORDS.say("missingFrames"), reading.gap().sentence(), this::missing)
                    .withTone(stops ? "fault" : ""));
        }
        table.format().ifPresent(format -> groups.addAll(new PictureFields(session, source, table, format).groups()));
        SourceState state = SourceState.of(session, source, table);
        groups.add(Folds.Group.of("checks", WORDS.say("checks"), state.words(), this::checks).withTone(state.style()));
        String note = reading.note() == null ? WORDS.say("none") : reading.note();
        groups.add(Folds.Group.of("note", WORDS.say("note"), note, () -> List.of(note())));
        return groups;
    }

    private String timingWords() {
        Rate rate = rateNow();
        long made = made();
        String length = rate == null ? WORDS.say("framesMade", made) : rate.seconds(made).toFixed(3) + " s";
        String fps = rate == null ? WORDS.say("chooseAFrameRate") : WORDS.say("fps", rate.label());
        if (still) {
            return fps + ", " + length;
        }
        Cadence cadence = reading.cadence();
        return String.join(", ", fps, reading.rangeIn(sequence).toString(), cadence.every() == 1 ? WORDS.say("everyFrame")
                : WORDS.say("step", cadence.every()), length);
    }

    private long made() {
        return ReelPlan.of(List.of(ReelPart.of(source.id(), table, reading))).count();
    }

    private List<Node> timing() {
        return still ? List.of(rate(), stillLength(), timecode()) : List.of(rate(), extent(), taken(), timecode());
    }

    private List<Node> missing() {
        List<Node> fields = new ArrayList<>(List.of(gap(), expected()));
        SequencePattern pattern = sequence.pattern();
        ResumeAdvice advice = session.watch().advice(source);
        // Nobody says of a whole shot what would come after it.
        boolean more = reading.expected() != null || session.watch().isWatched(source.id()) || !advice.wanted().isEmpty();
        advice.next().stream().filter(_ -> table.isChecked() && more)
                .forEach(next -> fields.add(Parts.label(WORDS.say("nextToRender", pattern.number(next)), "note")));
        return fields;
    }

    private List<Node> checks() {
        List<Node> fields = new ArrayList<>(List.of(new SourceNotes(session, source, table)));
        fields.add(session.watch().isChecking(source.id())
                ? Parts.small("stop-check", WORDS.say("stopChecking"), () -> session.watch().cancel(source.id()))
                : Parts.small("check-again", WORDS.say("checkAgain"), () -> session.watch().again(source)));
        return fields;
    }

    private Rate rateNow() {
        return reading.rateOf(table).orElse(null);
    }

    private HBox rate() {
        List<Rate> offered = new ArrayList<>(Rate.USUAL);
        Rate now = rateNow();
        Rate stated = table.format().map(f -> f.stated().rate()).orElse(null);
        for (Rate first : new Rate[] {session.settings().lastRate(), stated, now}) {
            // The usual ones keep their places.
            if (first != null && !offered.contains(first)) {
                offered.addFirst(first);
            }
        }
        List<Node> values = new ArrayList<>();
        for (Node button : choice("rate", offered.toArray(Rate[]::new), now, Rate::label,
                rate -> session.edit(SourceEdits.setSourceRate(source.id(), rate)))) {
            values.add(button);
        }
        values.add(text("rate-other", "", 4, typed -> session.edit(SourceEdits.setSourceRate(source.id(), Rate.parse(typed)))));
        ((TextField) values.getLast()).setPromptText(WORDS.say("other"));
        return field(WORDS.say("frameRate"), stated != null && reading.rate() == null ? WORDS.say("statedByTheFile") : "",
                values.toArray(Node[]::new));
    }

    private void apply(Extent extent) {
        FrameRange range = extent.range();
        session.edit(
                SourceEdits.setRange(source.id(),
                        range.equals(Reading.PLAIN.withExpected(reading.expected()).rangeIn(sequence)) ? null : range));
    }

    /** Range, count, seconds and timecode: four ways to say the same. */
    private HBox extent() {
        Extent extent = new Extent(reading.rangeIn(sequence), grid, rateNow());
        List<Node> values = new ArrayList<>();
        values.add(text("range", extent.range().toString(), 8,
                typed -> apply(typed.isBlank() ? new Extent(sequence.range(), grid, null)
                        : new Extent(FrameRange.parse(typed), grid, rateNow()))));
        values.add(
                named(WORDS.say("frames"), text("range-count", Long.toString(extent.count()), 4, typed -> apply(extent.withCount(typed)))));
        values.add(named("s", text("range-seconds", orEmpty(() -> extent.seconds().toDecimal(3)), 5,
                typed -> apply(extent.withSeconds(typed)))));
        TextField length = text("range-timecode", orEmpty(extent::timecode), 8, typed -> apply(extent.withTimecode(typed)));
        length.setTooltip(new Tooltip(WORDS.say("theLengthAsTimecode")));
        values.add(length);
        session.previews().of(source).filter(p -> p.idle() != null).map(p -> FrameRange.of(p.range().first(), p.idle()))
                .filter(busy -> !busy.equals(reading.range()))
                .ifPresent(busy -> values.add(Parts.small("keep-moving", WORDS.say("nothingMovesAfterTake", busy.last(), busy),
                        () -> session.edit(SourceEdits.setRange(source.id(), busy)))));
        return field(WORDS.say("range"), "", values.toArray(Node[]::new));
    }

    private void cadence(Function<Cadence, Cadence> change) {
        session.edit(SourceEdits.setCadence(source.id(), change.apply(reading.cadence())));
    }

    /** Step and lead-in: which frames of the range are taken. */
    private HBox taken() {
        Cadence cadence = reading.cadence();
        ToggleButton keep = Controls.toggle(WORDS.say("keepTheLength"));
        keep.setId("keep-length");
        keep.setSelected(cadence.keepLength());
        keep.setOnAction(_ -> cadence(c -> c.withKeepLength(keep.isSelected())));
        long there = new Extent(reading.rangeIn(sequence), grid, null).count();
        long rest = Math.max(0, there - cadence.leadIn());
        long every = reading.everyIn(sequence);
        long taken = Math.ceilDiv(rest, every);
        String step = cadence.every() == 1 && !cadence.keepLength() ? ""
                : WORDS.say("byIs", rest, every, taken, (cadence.keepLength()
                        ? WORDS.say("eachShownForFrames", every * grid) : WORDS.say("whichPlaysFaster")));
        String drop = cadence.leadIn() == 0 ? "" : WORDS.say("theFirstFramesAreLeftOut", cadence.leadIn(),
                (rateNow() == null ? "." : " (" + rateNow().seconds(cadence.leadIn()).toFixed(3) + " s)."));
        TextField leadIn = text("lead-in", Long.toString(cadence.leadIn()), 5,
                typed -> cadence(c -> c.withLeadIn(LeadIn.parse(typed, rateNow()))));
        leadIn.setTooltip(new Tooltip(WORDS.say("framesToDropAtTheStartOr")));
        return field(WORDS.say("step2"), step + drop, named(WORDS.say("every"), text("step", Long.toString(cadence.every()), 3,
                typed -> cadence(c -> c.withEvery(Fields.whole(typed, 1))))), keep, named(WORDS.say("skipTheFirst"), leadIn));
    }

    private HBox stillLength() {
        long length = reading.cadence().length() == null ? 1 : reading.cadence().length();
        Extent extent = new Extent(FrameRange.of(0, length - 1), 1, rateNow());
        return field(WORDS.say("length"), WORDS.say("aStillIsShownForAsLongAs"),
                named(WORDS.say("frames"),
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
        new Relatives(session.project().sources(), session.watch().tables()).expected(source)
                .filter(range -> !range.equals(expected) && !range.equals(sequence.range()))
                .ifPresent(range -> values
                        .add(Parts.small("expect-kin", WORDS.say("asItsKin", range),
                                () -> session.edit(SourceEdits.setExpected(source.id(), range)))));
        session.previews().approvedFor(source).stream().filter(a -> !a.equals(reading.approved()))
                .forEach(a -> values.add(Parts.small("expect-approved", WORDS.say("asApproved", a.preview(), a.range()),
                        () -> session.edit(PreviewEdits.hold(source.id(), a)))));
        if (reading.approved() != null) {
            values.add(Parts.small("expect-nothing", WORDS.say("notAs", reading.approved().preview()),
                    () -> session.edit(PreviewEdits.hold(source.id(), null))));
        }
        return field(WORDS.say("expected"), reading.approved() != null ? WORDS.say("asTheApprovedPreviewHas")
                : expected == null ? WORDS.say("theFramesThatThereShould") : "", values.toArray(Node[]::new));
    }

    private HBox gap() {
        return field(WORDS.say("instead"), "", choice("gap", GapPolicy.values(), reading.gap(), GapPolicy::title,
                policy -> session.edit(SourceEdits.setGap(source.id(), policy))));
    }

    private HBox timecode() {
        String stated = table.format().map(f -> f.stated().timecode()).orElse(null);
        String now = reading.timecode() != null ? reading.timecode() : stated == null ? "" : stated;
        return field(WORDS.say("timecode"), reading.timecode() == null && stated != null ? WORDS.say("ofTheFirstFrameAsTheFile") : "",
                text("first-timecode", now, 10, typed -> {
                    if (!typed.isBlank()) {
                        Timecode.parse(typed, rateNow() == null ? Rate.FPS_25 : rateNow());
                    }
                    session.edit(
                            SourceEdits.setTimecode(source.id(), typed.isBlank() || typed.strip().equals(stated) ? null : typed.strip()));
                }), Parts.label(WORDS.say("ofTheFirstFrame"), "note"));
    }

    private HBox note() {
        return field(WORDS.say("note"), "", text("render-note", reading.note() == null ? "" : reading.note(), 30,
                typed -> session.edit(SourceEdits.setNote(source.id(), typed))));
    }
}
