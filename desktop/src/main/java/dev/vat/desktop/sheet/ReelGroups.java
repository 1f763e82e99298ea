package dev.vat.desktop.sheet;

import dev.vat.core.project.ReelEdits;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Fields;
import dev.vat.desktop.look.Folds;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.layout.HBox;

/** What concerns a whole reel, in groups: its rate, its start, its sound, what is written into all of it. */
final class ReelGroups {

    private final Session session;
    private final Dialogs ask;
    private final ResolvedReel programme;

    ReelGroups(Session session, Dialogs ask, ResolvedReel programme) {
        this.session = session;
        this.ask = ask;
        this.programme = programme;
    }

    List<Folds.Group> groups() {
        int lines = programme.reel().burnIn() == null ? 0 : programme.reel().burnIn().lines().size();
        String rate = programme.rate().map(r -> r.label() + " fps").orElse("none yet");
        int sounds = programme.sounds().size();
        return List.of(
                Folds.Group.of("rate", "Frame rate", programme.reel().rate() == null ? rate + ", as the first source" : rate,
                        () -> List.of(rate())),
                Folds.Group.of("start", "Start", programme.reel().start() == null ? "no timecode" : programme.reel().start(),
                        () -> List.of(start())),
                Folds.Group.of("sound", "Sound", sounds == 0 ? "that of its clips, if they have any"
                        : sounds + (sounds == 1 ? " sound" : " sounds") + " under it", () -> List.of(new SoundPane(session, programme))),
                Folds.Group.of("burn-in", "Burn-in", lines == 0 ? "none" : lines + (lines == 1 ? " line" : " lines"),
                        () -> List.of(Parts.wrapped("Written into every file that isn't set to be clean.", "note"),
                                new BurnInPane(ask, "reel-burn-in", programme.reel().burnIn(), b -> session.edit(ReelEdits.burnIn(b))))));
    }

    /** The reel's own rate: what plays at another one is conformed. */
    private HBox rate() {
        List<Rate> offered = new ArrayList<>(Rate.USUAL);
        programme.rate().filter(r -> !offered.contains(r)).ifPresent(offered::addFirst);
        offered.addFirst(null);
        return Fields.field("Frame rate",
                programme.reel().rate() == null ? "Every item is brought to the first source's rate."
                        : "Every item is brought to this rate.",
                Fields.choice("reel-rate", offered.toArray(Rate[]::new), programme.reel().rate(),
                        r -> r == null ? "as the first source" : r.label(), r -> session.edit(ReelEdits.setRate(r))));
    }

    private HBox start() {
        return Fields.field("Timecode", "Timecode of the first frame, written into MP4, MOV, Matroska and MXF; with ; for "
                + "drop-frame.",
                Fields.text("reel-start", programme.reel().start() == null ? "" : programme.reel().start(), 10, typed -> {
                    String label = typed.strip();
                    if (!label.isEmpty()) {
                        Timecode.parse(label, programme.rate().orElse(Rate.FPS_25));
                    }
                    session.edit(ReelEdits.setStart(label.isEmpty() ? null : label));
                }));
    }
}
