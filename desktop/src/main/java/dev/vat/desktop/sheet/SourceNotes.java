package dev.vat.desktop.sheet;

import dev.vat.core.project.Source;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.RenderForecast;
import dev.vat.core.source.RenderPace;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.layout.VBox;

/** What is worth knowing of a source, in plain sentences. */
final class SourceNotes extends VBox {

    private static final Words WORDS = Words.of(SourceNotes.class);

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm").withZone(ZoneId.systemDefault());

    SourceNotes(Session session, Source source, FrameTable table) {
        getStyleClass().add("reading-part");
        List<String> words = new ArrayList<>();
        Sequence sequence = table.sequence();
        int others = session.watch().otherPictures(source.id());
        if (others > 0) {
            words.add(WORDS.say("otherPictures", others));
        }
        table.format().filter(f -> !f.stated().describe().isEmpty())
                .ifPresent(f -> words.add(WORDS.say("theFilesState", f.stated().describe())));
        session.watch().clip(source.id()).ifPresent(clip -> clip(clip, words));
        pace(session, source, table, words);
        if (!sequence.kind().hasChecksum() && !sequence.kind().isMovie()) {
            words.add(WORDS.say("filesCarryNoChecksumAChanged", sequence.kind().title()));
        }
        table.notes().forEach((note, frames) -> words.add(frames.toText(sequence.pattern()::number) + " " + note));
        source.reading().remarks().forEach((frame, said) -> words.add(WORDS.say("marked", sequence.pattern().number(frame), said)));
        ResumeAdvice.digits(sequence, source.reading().rangeIn(sequence)).ifPresent(advice -> words.add(
                Character.toUpperCase(advice.charAt(0)) + advice.substring(1) + "."));
        if (sequence.count() == 1 && !sequence.pattern().isSingle()) {
            words.add(WORDS.say("1FileWhereASequenceWasExpected"));
        }
        words.forEach(text -> getChildren().add(Parts.wrapped(text, "note")));
        Parts.present(this, !words.isEmpty());
    }

    private static void clip(ClipFacts clip, List<String> words) {
        words.add(WORDS.say("containerS", clip.container(), (clip.timecode() == null ? "" : WORDS.say("timecode", clip.timecode())),
                clip.seconds().toFixed(3)));
        clip.sounds().forEach(sound -> words.add(WORDS.say("sound", sound.describe())));
        if (clip.fields() != null) {
            words.add(WORDS.say("interlaced", clip.fields().title()));
        }
        if (clip.uneven() != null) {
            words.add(WORDS.say("variableRateFrames", clip.uneven().describe()));
        }
    }

    /** How fast frames came, and when the rest will be there. */
    private static void pace(Session session, Source source, FrameTable table, List<String> words) {
        RenderPace.of(table.sequence()).ifPresent(pace -> {
            String each = RenderForecast.inWords(Rational.of(pace.median().toMillis(), 1000));
            FrameRange expected = source.reading().expected();
            long remaining = expected == null ? 0 : session.watch().adviceOnAll(source).wanted().count();
            Instant now = Instant.now();
            if (remaining > 0) {
                words.add(pace.median().toMillis() < 1000 ? WORDS.say("lessThanASecondAFrameTo", remaining)
                        : WORDS.say("aFrameMedianToComeDoneAbout", each, remaining, CLOCK.format(pace.finish(remaining, now)),
                                (pace.isStalled(now) ? WORDS.say("nothingHasComeSince", CLOCK.format(pace.latest())) : ".")));
            } else if (pace.median().toMillis() >= 1000) {
                words.add(WORDS.say("renderedAtAFrameMedianOf", each, (pace.breaks() == 0 ? "." : WORDS.say("withBreaks", pace.breaks()))));
            }
        });
    }
}
