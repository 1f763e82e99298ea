package dev.vat.desktop.window;

import static dev.vat.desktop.window.Commands.control;
import static dev.vat.desktop.window.Commands.key;

import dev.vat.core.project.ReelEdits;
import dev.vat.core.resolved.PlanText;
import dev.vat.core.resolved.Remark;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.session.HandOver;
import dev.vat.desktop.session.Session;
import java.util.List;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;

/** What can be done with the reel and its marks from anywhere: filling it, taking notes in, handing it over as text. */
final class ReelCommands {

    private final Session session;
    private final Dialogs ask;
    private final LookedAt looked;
    private final BooleanSupplier hasPicture;

    ReelCommands(Session session, Dialogs ask, LookedAt looked, BooleanSupplier hasPicture) {
        this.session = session;
        this.ask = ask;
        this.looked = looked;
        this.hasPicture = hasPicture;
    }

    void addTo(Commands commands) {
        commands.under("Reel").add("hand-over-otio", "Hand the reel over as OpenTimelineIO", null, this::hasReel,
                () -> handOver(HandOver.OTIO, "OpenTimelineIO"))
                .add("hand-over-edl", "Hand the reel over as an edit decision list", null, this::hasReel,
                        () -> handOver(HandOver.EDL, "Edit decision lists"))
                .add("add-item", "Put the chosen source at the end of the reel", key(KeyCode.P),
                        () -> looked.source() != null && session.table(looked.source()) != null,
                        () -> session.edit(ReelEdits.addItem(looked.source())))
                .add("paste-marks", "Mark frames from a list on the clipboard",
                        control(KeyCode.V, KeyCombination.SHIFT_DOWN), hasPicture, this::pasteMarks)
                .add("copy-marks", "Copy all marks as a list", control(KeyCode.C, KeyCombination.SHIFT_DOWN),
                        () -> !Remark.toText(session.project()).isEmpty(), () -> Clips.copy(Remark.toText(session.project())))
                .add("copy-plan", "Copy the reel's plan, frame by frame", null, this::hasReel,
                        () -> Clips.copy(PlanText.of(session.programme().orElseThrow())));
    }

    boolean hasReel() {
        return session.programme().filter(p -> p.plan().count() > 0).isPresent();
    }

    private void pasteMarks() {
        try {
            List<Remark> remarks = Remark.parse(Clips.text());
            if (remarks.isEmpty()) {
                session.fail("There is no list on the clipboard. A line of one: 0264 ribbon jumps");
                return;
            }
            session.edit(
                    Remark.mark(remarks, session.project(), session.programme().orElse(null), session.watch().tables(), looked.source()));
            session.say(remarks.size() == 1 ? "1 line marked frames to be rendered again." : remarks.size() + " lines marked frames to "
                    + "be rendered again.");
        } catch (IllegalArgumentException e) {
            session.fail(e.getMessage() + ". Nothing was marked.");
        }
    }

    private void handOver(String ending, String kind) {
        ask.save("Hand the reel over", session.programme().orElseThrow().reel().name() + ending, kind).ifPresent(session.handOver()::write);
    }
}
