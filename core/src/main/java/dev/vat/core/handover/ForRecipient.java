package dev.vat.core.handover;

import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.Receipt;
import dev.vat.core.source.CodecName;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Locale;

/** What lies in a set, in plain words, for those who get it. */
public final class ForRecipient {

    private static final Words WORDS = Words.of(ForRecipient.class);

    /** Beside the films. */
    public record Other(String path, String what) {}

    private ForRecipient() {}

    /** @param name of the set @param comment of whoever hands it over, may be empty @param date ISO 8601 */
    public static String text(String name, String date, String comment, List<Receipt> films, List<Other> others) {
        StringBuilder text = new StringBuilder(name).append(WORDS.say("handedOverOn")).append(date).append("\n");
        if (!comment.isBlank()) {
            text.append("\n").append(comment.strip()).append("\n");
        }
        text.append("\nFILMS\n");
        for (Receipt film : films) {
            text.append("\n").append(film.file()).append("\n    ").append(film.targetTitle()).append("\n    ").append(picture(film))
                    .append("\n    ").append(length(film)).append("\n    ")
                    .append(sound(film)).append("\n    ").append(film.proven() ? WORDS.say("openedAgainAndLookedInto")
                            : WORDS.say("notAllOfItIsAsItWasAsked", String.join("; ", film.reasons())))
                    .append("\n");
            if (film.draft()) {
                text.append(WORDS.say("aDraftNotForUse"));
            }
        }
        if (!others.isEmpty()) {
            text.append(WORDS.say("besideTHEM"));
            others.forEach(o -> text.append(o.path()).append("\n    ").append(o.what()).append("\n"));
        }
        text.append(WORDS.say("isALLOFITHERETheFolder")).append(Manifest.FOLDER).append(WORDS.say("holdsAListOfEveryFileWith"))
                .append(WORDS.say("withVatVatProve")).append(name).append(WORDS.say("withoutAnyProgramThatKnows"));
        return text.toString();
    }

    private static String picture(Receipt film) {
        Expectation asked = film.planned();
        if (film.isSound()) {
            return WORDS.say("soundAlone", CodecName.of(asked.sound().codec()), asked.container().title());
        }
        return film.found() == null ? asked.size().toString()
                : WORDS.say("in", asked.size(), CodecName.of(film.found().codec()), film.found().container());
    }

    private static String length(Receipt film) {
        Rate rate = film.planned().rate();
        long frames = film.planned().frames();
        return WORDS.say("framesAtS", frames, rate.label(), rate.seconds(frames).toFixed(3),
                film.planned().timecode() == null ? "" : WORDS.say("from", film.planned().timecode()));
    }

    private static String sound(Receipt film) {
        return film.planned().sound() == null ? WORDS.say("withoutSound")
                : WORDS.say("withSoundChannels", film.planned().sound().channels());
    }
}
