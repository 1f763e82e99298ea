package dev.vat.desktop.compare;

import dev.vat.core.trial.PairLikeness;
import dev.vat.core.trial.RenderReport;
import dev.vat.core.words.Words;
import dev.vat.desktop.band.Alongside;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.engine.viewer.Viewer;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The bar of a comparison: what is held against what, how it is seen, how like both are at the playhead, and the way to the frames that
 * differ most.
 */
public final class CompareBar extends VBox {

    private static final Words WORDS = Words.of(CompareBar.class);

    /** The picture that is compared. */
    public interface Picture {
        /** Something is to be seen otherwise. */
        void again();

        /** Ends the comparison. */
        void close();

        void seek(long place);

        /** Plays a stretch over and over. */
        void loop(long first, long last);

        /** More frames were measured. */
        void measured();
    }

    private static final List<Integer> GAINS = List.of(1, 4, 16, 64, 256);
    private static final long AROUND = 12;

    private final Viewer viewer;
    private final Picture picture;
    private final Map<Way, ToggleButton> ways = new EnumMap<>(Way.class);
    private final Label names = Parts.name("", "strong");
    private final Label likeness = Parts.label("", "mono");
    private final Label step = Parts.wrapped("", "dim");
    private final Button gain = Parts.button("compare-gain", "", this::nextGain);
    private final ToggleButton signed = Controls.toggle(WORDS.say("signed"));
    private final Button worst = Parts.button("compare-worst", WORDS.say("worst"), () -> nextWorst(true));
    private Side first;
    private Side second;
    private long offset;
    private Way way = Way.WIPE;
    private boolean flipped;
    private int gains = 2;
    private Measuring measuring;
    private long shownPlace;

    public CompareBar(Viewer viewer, Picture picture) {
        this.viewer = viewer;
        this.picture = picture;
        setId("compare");
        getStyleClass().addAll("bar", "transport", "compare-bar");
        FlowPane below = Parts.choices();
        for (Way each : Way.values()) {
            ToggleButton toggle = Controls.toggle(each.title());
            toggle.setId("way-" + each.name().toLowerCase(Locale.ROOT));
            toggle.setOnAction(_ -> setWay(each));
            ways.put(each, toggle);
            below.getChildren().add(toggle);
        }
        gain.setTooltip(new Tooltip(WORDS.say("howManyTimesAsStrongThe")));
        signed.setId("compare-signed");
        signed.setTooltip(new Tooltip(WORDS.say("greyWhereNothingDiffers")));
        signed.setOnAction(_ -> picture.again());
        worst.setTooltip(new Tooltip(WORDS.say("toTheFramesThatDifferMost")));
        Button close = Parts.button("compare-close", "", picture::close);
        close.setGraphic(Icon.CLOSE.node());
        close.setAccessibleText(WORDS.say("endTheComparison"));
        names.setId("compare-names");
        likeness.setId("compare-likeness");
        likeness.setMinWidth(Region.USE_PREF_SIZE);
        step.setMinWidth(0);
        Button earlier = Parts.button("compare-earlier", "\u2212", () -> shift(-1));
        earlier.setAccessibleText(WORDS.say("theSecondOneFrameLaterBeside"));
        Button later = Parts.button("compare-later", "+", () -> shift(1));
        later.setAccessibleText(WORDS.say("theSecondOneFrameEarlier"));
        Stream.concat(ways.values().stream(), Stream.of(signed)).forEach(b -> b.setMinWidth(Region.USE_PREF_SIZE));
        HBox top = new HBox(8, names, Parts.space(), likeness, step, earlier, later, close);
        top.setAlignment(Pos.CENTER_LEFT);
        Button report = Parts.button("compare-report", WORDS.say("copyReport"), () -> Clips.copy(report()));
        report.setTooltip(new Tooltip(WORDS.say("whatOneHasAndTheOtherHasnt")));
        below.getChildren().addAll(gain, signed, worst, report);
        getChildren().addAll(top, below);
    }

    /** Begins a comparison. @param main what is shown already */
    public void start(Side main, Side other) {
        stop();
        second = other;
        offset = Alongside.usualOffset(main.strip(), other.strip());
        flipped = false;
        setMain(main);
        show();
    }

    public void stop() {
        second = null;
        if (measuring != null) {
            measuring.stop();
            measuring = null;
        }
    }

    public boolean isGoing() {
        return second != null;
    }

    /** What is shown first is another one now. */
    public void setMain(Side main) {
        boolean other = !main.equals(first);
        first = main;
        if (isGoing() && (other || measuring == null)) {
            measure();
        }
    }

    private void measure() {
        if (measuring != null) {
            measuring.stop();
        }
        measuring = new Measuring(viewer, first, beside(), () -> {
            words();
            picture.measured();
        });
        measuring.start();
    }

    /** The second side in step with the first. */
    public Side beside() {
        return new Side(new Alongside(second.strip(), first.strip(), offset), second.heading(), second.ground(), second.as());
    }

    public Way way() {
        return way;
    }

    public void setWay(Way other) {
        way = other;
        show();
        picture.again();
    }

    public void nextWay() {
        setWay(Way.values()[(way.ordinal() + 1) % Way.values().length]);
    }

    /** Shows the other of the two, where one is seen at a time. */
    public void flip() {
        if (way == Way.FLIP) {
            flipped = !flipped;
        } else {
            way = Way.FLIP;
            flipped = true;
        }
        show();
        picture.again();
    }

    public boolean isFlipped() {
        return flipped;
    }

    public int gain() {
        return GAINS.get(gains);
    }

    public boolean isSigned() {
        return signed.isSelected();
    }

    private void nextGain() {
        gains = (gains + 1) % GAINS.size();
        show();
        picture.again();
    }

    private void shift(long by) {
        offset += by;
        show();
        measure();
        picture.again();
    }

    /** Goes to the next of the frames that differ most. */
    public void nextWorst(boolean forward) {
        List<Long> all = measuring == null ? List.of() : measuring.worst();
        if (!all.isEmpty()) {
            int at = all.indexOf(shownPlace);
            picture.seek(all.get(Math.floorMod(at < 0 ? forward ? 0 : -1 : at + (forward ? 1 : -1), all.size())));
        }
    }

    /** Plays around the frame that is shown. */
    public void loopHere() {
        picture.loop(Math.max(0, shownPlace - AROUND), Math.min(first.strip().count() - 1, shownPlace + AROUND));
    }

    public Map<Long, PairLikeness> likeness() {
        return measuring == null ? Map.of() : measuring.found();
    }

    public boolean isMeasured() {
        return measuring == null || measuring.isOver();
    }

    /** How the two differ, as text. */
    String report() {
        Side beside = beside();
        return RenderReport.of(render(first), render(beside), likeness(), first.strip()::number);
    }

    private RenderReport.Render render(Side side) {
        FrameTrack strip = side.strip();
        Set<Long> missing = new HashSet<>();
        Set<Long> repeated = new HashSet<>();
        for (long place = 0; place < first.strip().count(); place++) {
            if (strip.recipe(place).isEmpty()) {
                missing.add(place);
            } else if (strip.repeats(place)) {
                repeated.add(place);
            }
        }
        return new RenderReport.Render(side.heading(), missing, repeated);
    }

    /** Another place is shown. */
    public void setPlace(long place) {
        shownPlace = place;
        words();
    }

    private void show() {
        ways.forEach((each, toggle) -> toggle.setSelected(each == way));
        Parts.present(gain, way == Way.DIFFERENCE);
        Parts.present(signed, way == Way.DIFFERENCE);
        gain.setText("x " + gain());
        names.setText(way == Way.FLIP ? (flipped ? WORDS.say("second", second.heading()) : WORDS.say("first", first.heading()))
                : first.heading() + "  |  " + second.heading());
        words();
    }

    private void words() {
        if (!isGoing()) {
            return;
        }
        String inStep = new Alongside(second.strip(), first.strip(), offset).inStep();
        step.setText((inStep.isEmpty() ? "" : inStep + "  ")
                + (offset == 0 ? WORDS.say("inStep")
                        : WORDS.say(offset > 0 ? "secondAhead" : "secondBehind", Math.abs(offset))));
        PairLikeness here = measuring == null ? null : measuring.found().get(shownPlace);
        String progress = measuring == null || measuring.isOver() ? ""
                : WORDS.say("measuring", 100 * measuring.found().size() / Math.max(1, first.strip().count()));
        likeness.setText(!measuring.trouble().isEmpty() ? measuring.trouble() : here == null ? progress.strip() : here.words() + progress);
        List<Long> all = measuring.worst();
        worst.setText(all.isEmpty() ? measuring.isOver() && !measuring.found().isEmpty() ? WORDS.say("noFrameDiffers") : WORDS.say("worst")
                : WORDS.say("worst2", first.strip().number(all.getFirst())));
        worst.setDisable(all.isEmpty());
    }
}
