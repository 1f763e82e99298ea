package dev.vat.desktop.window;

import static dev.vat.desktop.window.Commands.control;
import static dev.vat.desktop.window.Commands.key;

import dev.vat.core.project.ReelEdits;
import dev.vat.core.resolved.PlanText;
import dev.vat.core.resolved.Remark;
import dev.vat.core.words.Words;
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

    private static final Words WORDS = Words.of(ReelCommands.class);

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
        commands.under(WORDS.say("reel")).add("hand-over-otio", WORDS.say("handTheReelOverAsOpenTimelineIO"), null, this::hasReel,
                () -> handOver(HandOver.OTIO, "OpenTimelineIO"))
                .add("hand-over-edl", WORDS.say("handTheReelOverAsAnEdit"), null, this::hasReel,
                        () -> handOver(HandOver.EDL, WORDS.say("editDecisionLists")))
                .add("add-item", WORDS.say("putTheChosenSourceAtThe"), key(KeyCode.P),
                        () -> looked.source() != null && session.watch().table(looked.source()) != null,
                        () -> session.edit(ReelEdits.addItem(looked.source())))
                .add("paste-marks", WORDS.say("markFramesFromAListOnThe"),
                        control(KeyCode.V, KeyCombination.SHIFT_DOWN), hasPicture, this::pasteMarks)
                .add("copy-marks", WORDS.say("copyAllMarksAsAList"), control(KeyCode.C, KeyCombination.SHIFT_DOWN),
                        () -> !Remark.toText(session.project()).isEmpty(), () -> Clips.copy(Remark.toText(session.project())))
                .add("copy-plan", WORDS.say("copyTheReelsPlanFrameBy"), null, this::hasReel,
                        () -> Clips.copy(PlanText.of(session.programme().orElseThrow())));
    }

    boolean hasReel() {
        return session.programme().filter(p -> p.plan().count() > 0).isPresent();
    }

    private void pasteMarks() {
        try {
            List<Remark> remarks = Remark.parse(Clips.text());
            if (remarks.isEmpty()) {
                session.fail(WORDS.say("thereIsNoListOnTheClipboard"));
                return;
            }
            session.edit(
                    Remark.mark(remarks, session.project(), session.programme().orElse(null), session.watch().tables(), looked.source()));
            session.say(remarks.size() == 1 ? WORDS.say("1LineMarkedFramesToBeRendered")
                    : WORDS.say("linesMarkedFramesToBeRendered", remarks.size()));
        } catch (IllegalArgumentException e) {
            session.fail(WORDS.say("nothingWasMarked", e.getMessage()));
        }
    }

    private void handOver(String ending, String kind) {
        ask.save(WORDS.say("handTheReelOver"), session.programme().orElseThrow().reel().name() + ending, kind)
                .ifPresent(session.handOver()::write);
    }
}
