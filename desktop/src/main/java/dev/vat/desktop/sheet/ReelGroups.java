package dev.vat.desktop.sheet;

import dev.vat.core.project.ReelEdits;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
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

    private static final Words WORDS = Words.of(ReelGroups.class);

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
        String rate = programme.rate().map(r -> WORDS.say("fps", r.label())).orElse(WORDS.say("noneYet"));
        int sounds = programme.sounds().size();
        return List.of(
                Folds.Group.of("rate", WORDS.say("frameRate"), programme.reel().rate() == null ? WORDS.say("asTheFirstSource", rate) : rate,
                        () -> List.of(rate())),
                Folds.Group.of("start", WORDS.say("start"),
                        programme.reel().start() == null ? WORDS.say("noTimecode") : programme.reel().start(),
                        () -> List.of(start())),
                Folds.Group.of("sound", WORDS.say("sound"), sounds == 0 ? WORDS.say("thatOfItsClipsIfTheyHave")
                        : WORDS.say("underIt", sounds),
                        () -> List.of(new SoundPane(session, programme))),
                Folds.Group.of("burn-in", WORDS.say("burnIn"), lines == 0 ? WORDS.say("noBurnIn") : WORDS.say("linesOfBurnIn", lines),
                        () -> List.of(Parts.wrapped(WORDS.say("writtenIntoEveryFileThat"), "note"),
                                new BurnInPane(ask, "reel-burn-in", programme.reel().burnIn(), b -> session.edit(ReelEdits.burnIn(b))))));
    }

    /** The reel's own rate: what plays at another one is conformed. */
    private HBox rate() {
        List<Rate> offered = new ArrayList<>(Rate.USUAL);
        programme.rate().filter(r -> !offered.contains(r)).ifPresent(offered::addFirst);
        offered.addFirst(null);
        return Fields.field(WORDS.say("frameRate"),
                programme.reel().rate() == null ? WORDS.say("everyItemIsBroughtToThe")
                        : WORDS.say("everyItemIsBroughtToThis"),
                Fields.choice("reel-rate", offered.toArray(Rate[]::new), programme.reel().rate(),
                        r -> r == null ? WORDS.say("asTheFirstSource2") : r.label(), r -> session.edit(ReelEdits.setRate(r))));
    }

    private HBox start() {
        return Fields.field(WORDS.say("timecode"), WORDS.say("timecodeOfTheFirstFrame"),
                Fields.text("reel-start", programme.reel().start() == null ? "" : programme.reel().start(), 10, typed -> {
                    String label = typed.strip();
                    if (!label.isEmpty()) {
                        Timecode.parse(label, programme.rate().orElse(Rate.FPS_25));
                    }
                    session.edit(ReelEdits.setStart(label.isEmpty() ? null : label));
                }));
    }
}
