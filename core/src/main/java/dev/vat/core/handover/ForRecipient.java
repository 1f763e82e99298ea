package dev.vat.core.handover;

import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.Receipt;
import dev.vat.core.source.CodecName;
import dev.vat.core.time.Rate;
import java.util.List;
import java.util.Locale;

/** What lies in a set, in plain words, for those who get it. */
public final class ForRecipient {

    /** Beside the films. */
    public record Other(String path, String what) {}

    private ForRecipient() {}

    /** @param name of the set @param comment of whoever hands it over, may be empty @param date ISO 8601 */
    public static String text(String name, String date, String comment, List<Receipt> films, List<Other> others) {
        StringBuilder text = new StringBuilder(name).append("\nHanded over on ").append(date).append("\n");
        if (!comment.isBlank()) {
            text.append("\n").append(comment.strip()).append("\n");
        }
        text.append("\nFILMS\n");
        for (Receipt film : films) {
            text.append("\n").append(film.file()).append("\n    ").append(film.targetTitle()).append("\n    ").append(picture(film))
                    .append("\n    ").append(length(film)).append("\n    ")
                    .append(sound(film)).append("\n    ").append(film.proven() ? "Opened again and looked into frame by frame when it "
                            + "was made: as it was asked for."
                            : "Not all of it is as it was asked for: " + String.join("; ", film.reasons()) + ".")
                    .append("\n");
            if (film.draft()) {
                text.append("    A draft: not for use.\n");
            }
        }
        if (!others.isEmpty()) {
            text.append("\nBESIDE THEM\n\n");
            others.forEach(o -> text.append(o.path()).append("\n    ").append(o.what()).append("\n"));
        }
        text.append("\nIS ALL OF IT HERE?\n\nThe folder ").append(Manifest.FOLDER).append(" holds a list of every file with its "
                + "fingerprint (ASC Media Hash List 2.0, C4 and MD5).\n")
                .append("With Vat: vat prove ").append(name).append("\nWithout: any program that knows such lists, or one that shows "
                        + "MD5 sums.\n");
        return text.toString();
    }

    private static String picture(Receipt film) {
        Expectation asked = film.planned();
        return film.found() == null ? asked.size().toString()
                : asked.size() + ", " + CodecName.of(film.found().codec()) + " in " + film.found().container();
    }

    private static String length(Receipt film) {
        Rate rate = film.planned().rate();
        long frames = film.planned().frames();
        return String.format(Locale.ROOT, "%d frames at %s, %s s%s", frames, rate.label(), rate.seconds(frames).toFixed(3),
                film.planned().timecode() == null ? "" : ", from " + film.planned().timecode());
    }

    private static String sound(Receipt film) {
        return film.planned().sound() == null ? "Without sound"
                : "With sound: " + film.planned().sound().channels() + (film.planned().sound().channels() == 1 ? " channel" : " channels");
    }
}
