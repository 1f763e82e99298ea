package dev.vat.desktop.window;

import dev.vat.core.project.Edit;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.EdgeTrim;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import dev.vat.desktop.band.Band;
import dev.vat.desktop.band.EdgeListener;
import dev.vat.desktop.band.BandColours;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Marks;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.band.ReelStrip;
import dev.vat.desktop.band.SourceStrip;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.Optional;
import java.util.function.LongConsumer;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The band with its heading: whose frames, which of them are selected, and what the marks mean. */
final class BandPane extends VBox {

    private static final Words WORDS = Words.of(BandPane.class);

    private final Session session;
    private final Player player;
    private final BandColours dyes;
    private final Band band;
    private final Label name = new Label();
    private final Label range = new Label();
    private final Label selected = new Label();
    private final Button trim = Controls.button("");
    private final Button whole = Controls.button(WORDS.say("wholeAgain"));
    private final Button clear = Controls.button(WORDS.say("unselect"));
    private final HBox legend = new HBox();
    private final LongConsumer seek;
    private FrameTrack strip;
    private FrameTrack legendOf;

    BandPane(Session session, Player player, BandColours dyes, LongConsumer seek) {
        this.session = session;
        this.player = player;
        this.dyes = dyes;
        this.seek = seek;
        this.band = new Band(dyes, session.viewer());
        getStyleClass().add("band");
        name.getStyleClass().add("strong");
        name.setId("band-name");
        range.getStyleClass().add("mono");
        range.setId("band-range");
        selected.getStyleClass().add("mono");
        selected.setId("band-selected");
        legend.setSpacing(12);
        legend.setAlignment(Pos.CENTER_RIGHT);
        legend.setId("legend");
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        for (Label label : new Label[] {name, range, selected}) {
            label.setMinWidth(Region.USE_PREF_SIZE);
        }
        small(trim, "trim", WORDS.say("onlyTheSelectedFramesAre"), this::trim);
        small(whole, "trim-whole", WORDS.say("allFramesOfTheSourceAgain"), () -> source()
                .ifPresent(s -> session.edit(SourceEdits.setRange(s.source().id(), null))));
        small(clear, "unselect", WORDS.say("playsEverythingAgainEsc"), this::clearSelection);
        HBox head = new HBox(name, range, whole, selected, trim, clear, space, legend);
        head.getStyleClass().add("band-head");
        getChildren().addAll(head, band);
        dyes.addListener(() -> legendOf = null);
        band.setOnSeek(seek);
        band.setOnEdge(new EdgeListener() {
            @Override
            public void moving(FrameTrack.Edge edge, long by) {
                Parts.present(selected, true);
                selected.setText(edgeWords(edge, by));
            }

            @Override
            public void moved(FrameTrack.Edge edge, long by) {
                clearSelection();
                if (strip instanceof ReelStrip r && edge.dissolve()) {
                    Joint now = r.programme().reel().items().get(edge.item().place()).joint();
                    session.edit(ReelEdits.joinItem(edge.item().place(), new Joint(now.kind(), dissolve(edge, by), now.colour())));
                } else if (strip instanceof ReelStrip r) {
                    EdgeTrim.of(r.programme(), edge.item(), edge.start(), by).ifPresent(session::edit);
                }
            }
        });
        band.setOnRange((first, last) -> {
            player.setLoopRange(first, last);
            show(strip);
        });
    }

    private static void small(Button button, String id, String words, Runnable act) {
        button.setId(id);
        button.getStyleClass().add("remedy");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setTooltip(new Tooltip(words));
        button.setOnAction(_ -> act.run());
    }

    /** How long a dissolve is whose end was dragged: never longer than its item. */
    private static long dissolve(FrameTrack.Edge edge, long by) {
        return Math.clamp(edge.item().overlap() + by, 1, Math.max(1, edge.item().count() - 1));
    }

    /** {@code item 2 begins 12 frames later}. */
    private static String edgeWords(FrameTrack.Edge edge, long by) {
        if (edge.dissolve()) {
            return WORDS.say("dissolveOf", frames(dissolve(edge, by)));
        }
        return WORDS.say(edge.start() ? by < 0 ? "beginsEarlier" : "beginsLater" : by < 0 ? "endsEarlier" : "endsLater",
                edge.item().place() + 1, frames(Math.abs(by)));
    }

    Band band() {
        return band;
    }

    void show(FrameTrack other) {
        strip = other;
        band.setStrip(other);
        if (other == null || other.count() == 0) {
            name.setText("");
            range.setText("");
            legend.getChildren().clear();
            legendOf = null;
        } else {
            name.setText(other.title());
            range.setText(rangeWords(other));
            // Runs report ten times a second: what didn't change isn't laid out anew.
            if (!other.equals(legendOf)) {
                legend();
                legendOf = other;
            }
        }
        boolean trimmed = source().map(s -> s.used().count() < s.count()).orElse(false);
        Parts.present(whole, trimmed);
        boolean any = player.hasLoopRange() && other != null;
        band.setSelection(any ? player.first() : -1, any ? player.last() : -1);
        selected.setText(any ? WORDS.say("selectedTo", other.number(player.first()), other.number(player.last()),
                frames(player.last() - player.first() + 1)) : "");
        Optional<FrameRange> wanted = any ? trimTarget() : Optional.empty();
        Parts.present(selected, any);
        Parts.present(clear, any);
        Parts.present(trim, wanted.isPresent());
        wanted.ifPresent(w -> trim.setText(WORDS.say("trimTo", w)));
    }

    private static String frames(long count) {
        return WORDS.say("frames", count);
    }

    private static String rangeWords(FrameTrack strip) {
        FrameRange used = strip.used();
        String words = WORDS.say("to", strip.number(0), strip.number(strip.count() - 1), frames(strip.count()));
        return used.count() == strip.count() ? words
                : WORDS.say("onlyTo", words, strip.number(used.first()), strip.number(used.last()), frames(used.count()));
    }

    private Optional<SourceStrip> source() {
        return strip instanceof SourceStrip s ? Optional.of(s) : Optional.empty();
    }

    /** The source frames that the selection means, if it lies in one item. */
    private Optional<FrameRange> trimTarget() {
        return switch (strip) {
            case SourceStrip s -> Optional.of(FrameRange.of(s.frame(player.first()), s.frame(player.last())));
            case ReelStrip r -> {
                ReelPlan plan = r.programme().plan();
                long first = plan.at(player.first()).wanted();
                long last = plan.at(player.last()).wanted();
                ReelSpan item = plan.spanAt(player.first());
                yield item.isDrawn() || item.isViews() || plan.spanAt(player.last()) != item ? Optional.empty()
                        : Optional.of(FrameRange.of(Math.min(first, last), Math.max(first, last)));
            }
            default -> Optional.empty();
        };
    }

    void trim() {
        trimTarget().filter(_ -> player.hasLoopRange()).ifPresent(wanted -> {
            Edit edit = switch (strip) {
                case SourceStrip s -> SourceEdits.setRange(s.source().id(), wanted);
                case ReelStrip r -> ReelEdits.trimItem(r.programme().plan().spanAt(player.first()).place(), wanted);
                default -> throw new IllegalStateException("Finished files aren't trimmed");
            };
            clearSelection();
            session.edit(edit);
        });
    }

    /** Marks what is selected, or else the frame at the playhead, to be rendered again; a second time takes the marks away. */
    void mark() {
        if (strip instanceof SourceStrip s && s.count() > 0) {
            FrameRange frames = player.hasLoopRange() ? FrameRange.of(s.frame(player.first()), s.frame(player.last()))
                    : FrameRange.of(s.frame(player.place()), s.frame(player.place()));
            session.edit(SourceEdits.mark(s.source().id(), frames, !s.source().reading().marked().contains(frames.first())));
        } else {
            session.say(WORDS.say("framesAreMarkedInTheirSource"));
        }
    }

    void clearSelection() {
        player.clearLoopRange();
        show(strip);
    }

    /** In or out at the playhead. */
    void select(boolean in) {
        if (strip == null || strip.count() == 0) {
            return;
        }
        long place = player.place();
        long first = in ? place : player.hasLoopRange() ? Math.min(player.first(), place) : 0;
        long last = in ? player.hasLoopRange() ? Math.max(player.last(), place) : strip.count() - 1 : place;
        player.setLoopRange(first, last);
        show(strip);
    }

    private void next(FrameTrack.Mark mark) {
        long place = band.view().next(mark, player.place());
        if (place >= 0) {
            seek.accept(place);
        }
    }

    private void legend() {
        legend.getChildren().clear();
        for (FrameTrack.Mark mark : FrameTrack.Mark.values()) {
            long count = band.view().count(mark);
            if (count > 0) {
                Canvas swatch = new Canvas(14, 12);
                Marks.swatch(swatch.getGraphicsContext2D(), mark, dyes);
                String words = mark.words();
                Button tally = Parts.button("tally-" + mark.id(), WORDS.say("tally", words, count), () -> next(mark));
                tally.setGraphic(swatch);
                tally.getStyleClass().add("legend");
                tally.setTooltip(new Tooltip(WORDS.say("toTheNextFrameThatIs", words)));
                legend.getChildren().add(tally);
            }
        }
    }
}
