package dev.vat.desktop.window;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Source;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.resolved.PictureWords;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.source.FrameTable;
import dev.vat.core.words.Words;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.ReelStrip;
import dev.vat.desktop.band.SourceStrip;
import dev.vat.desktop.picture.Dragged;
import dev.vat.desktop.session.Session;
import dev.vat.protocol.ViewerMessage;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Optional;

/** What band and picture show: by the sheet's face a source, the reel, or the reel as one deliverable; or a finished file. */
final class LookedAt implements Dragged {

    private static final Words WORDS = Words.of(LookedAt.class);

    private final Session session;
    private final SheetPane sheet;
    private String selected;
    private FrameTrack watched;
    private String watchedTitle = "";

    LookedAt(Session session, SheetPane sheet) {
        this.session = session;
        this.sheet = sheet;
    }

    /** Id of the chosen source, or null if there is none. */
    String source() {
        return selected;
    }

    void choose(String source) {
        selected = source;
        watched = null;
    }

    void watch(FrameTrack file, String title) {
        watched = file;
        watchedTitle = title;
    }

    void leaveFile() {
        watched = null;
    }

    boolean isFile() {
        return watched != null;
    }

    /** A source that is gone gives way to the first one. */
    void keepToWhatIsThere() {
        if (session.project().source(selected).isEmpty()) {
            selected = session.project().sources().isEmpty() ? null : session.project().sources().getFirst().id();
        }
    }

    Optional<FrameTrack> strip() {
        if (watched != null) {
            return Optional.of(watched);
        }
        if (sheet.face() == SheetPane.Face.IN) {
            FrameTable table = selected == null ? null : session.watch().table(selected);
            return session.project().source(selected).filter(_ -> table != null)
                    .map(s -> new SourceStrip(s, table, session.watch().review(s.id())));
        }
        return session.programme().filter(p -> p.plan().count() > 0)
                .map(p -> new ReelStrip(p, session.observing().sound().orElse(null),
                        PictureWords.of(p, column().orElse(null), LocalDate.now(ZoneOffset.UTC).toString()).orElse(null),
                        column().map(Deliverable::pass).orElse(null)));
    }

    private Optional<Deliverable> column() {
        return sheet.face() == SheetPane.Face.OUT && watched == null ? sheet.out().focused().filter(Deliverable::isKnown)
                : Optional.empty();
    }

    String heading() {
        if (watched != null) {
            return WORDS.say("file", watchedTitle);
        }
        return switch (sheet.face()) {
            case IN -> WORDS.say("source");
            case REEL -> WORDS.say("reel");
            case OUT -> column().map(d -> WORDS.say("asIn", d.title())).orElse(WORDS.say("reel"));
        };
    }

    /** The colour behind transparency that a deliverable will have; otherwise a checker shows through. */
    Rgb ground() {
        return column().map(LookedAt::ground).orElse(null);
    }

    /** Behind transparency in a file; null where it carries alpha, or something else than a colour shows. */
    static Rgb ground(Deliverable deliverable) {
        return !deliverable.settings().codec().hasAlpha() && deliverable.flatten() instanceof Ground.Colour(Rgb colour) ? colour : null;
    }

    /** Makes a still of the frame at a place of what is shown. */
    void keepStill(FrameTrack strip, long place) {
        switch (strip) {
            case SourceStrip s -> session.making().keepStill(s.source(), s.frame(place));
            case ReelStrip r -> {
                ReelFrame frame = r.programme().plan().at(place);
                Source source = r.programme().entry(frame.item()).map(ReelEntry::source).orElse(null);
                if (source != null && frame.content() instanceof ReelFrame.SourceFrame(long number)) {
                    session.making().keepStill(source, number);
                } else {
                    session.say(WORDS.say("thisPlaceOfTheReelIsntOne"));
                }
            }
            default -> session.say(WORDS.say("stillsAreMadeOfSourcesAnd"));
        }
    }

    @Override
    public Placement.Room room() {
        return cutOff().map(c -> c.placement().room(c.reel())).orElse(Placement.Room.NONE);
    }

    /** A picture that is cut off is dragged to what is to be kept of it. */
    @Override
    public void by(double rightwards, double downwards) {
        cutOff().ifPresent(c -> session.edit(DeliverableEdits.setFraming(c.deliverable().id(),
                c.deliverable().settings().framing().moved(c.placement(), c.reel(), rightwards, downwards))));
    }

    private record CutOff(Deliverable deliverable, Placement placement, Size reel) {}

    private Optional<CutOff> cutOff() {
        return column().filter(d -> d.settings().framing().fitInUse() == Fit.FILL || d.settings().framing().fitInUse() == Fit.PIXELS)
                .flatMap(d -> session.programme()
                        .flatMap(p -> p.frame(d).flatMap(frame -> p.size().map(reel -> new CutOff(d, frame.placement(), reel)))));
    }

    /** The deliverable in focus, whose own conversion the picture goes through. */
    ViewerMessage.OutputView as() {
        return column().flatMap(d -> as(session, d)).orElse(null);
    }

    /** How a deliverable shapes the picture; empty while it can't be made. */
    static Optional<ViewerMessage.OutputView> as(Session session, Deliverable deliverable) {
        return session.programme().flatMap(reel -> ViewerMessage.OutputView.of(reel, deliverable));
    }
}
