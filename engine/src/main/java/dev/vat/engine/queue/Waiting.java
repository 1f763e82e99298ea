package dev.vat.engine.queue;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.words.Words;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import java.util.Set;

/**
 * Files that are to be made later.
 *
 * @param id short, told to people
 * @param title the reel and who its files are for
 * @param project the whole project as text, as it was when it was put here
 * @param held whether it waits for somebody to let it go
 * @param notBefore when it may start, UTC, ISO 8601, or null
 * @param after id of another that must be through first, or null
 * @param whenComplete whether every frame that is expected must be there
 * @param run id of the run that it became, or null while it waits
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Waiting(String id, String title, String project, boolean held, String notBefore, String after, boolean whenComplete,
        String run) {

    private static final Words WORDS = Words.of(Waiting.class);

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("d LLL HH:mm");

    public Waiting withHeld(boolean other) {
        return new Waiting(id, title, project, other, notBefore, after, whenComplete, run);
    }

    public Waiting withNotBefore(Instant other) {
        return new Waiting(id, title, project, held, other == null ? null : other.toString(), after, whenComplete, run);
    }

    Waiting withoutAfter() {
        return new Waiting(id, title, project, held, notBefore, null, whenComplete, run);
    }

    public Waiting withRun(String other) {
        return new Waiting(id, title, project, held, notBefore, after, whenComplete, other);
    }

    /** Why it doesn't start yet, as far as that doesn't depend on its frames. @param there ids of all that wait or are being made */
    public Optional<String> whyNot(Instant now, Set<String> there) {
        if (held) {
            return Optional.of("held");
        }
        Instant start = notBefore == null ? Instant.MIN : Instant.parse(notBefore);
        if (now.isBefore(start)) {
            return Optional.of(WORDS.say("notBefore", CLOCK.withZone(ZoneId.systemDefault()).format(start)));
        }
        return after != null && there.contains(after) ? Optional.of(WORDS.say("after", after)) : Optional.empty();
    }

    @JsonIgnore
    public boolean isBegun() {
        return run != null;
    }
}
