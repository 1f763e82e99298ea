package dev.vat.core.resolved;

import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.LongStream;

/** The plan of a reel as text, a line for each reel frame: its number, its timecode, and what of which source stands there. */
public final class PlanText {

    private static final Words WORDS = Words.of(PlanText.class);

    private PlanText() {}

    public static String of(ResolvedReel programme) {
        return lines(programme, 0, programme.plan().count());
    }

    /** Of one item only, with what it is mixed with. @param place of the item in its reel */
    public static String of(ResolvedReel programme, int place) {
        return programme.plan().spans().stream().filter(s -> s.place() == place).findFirst().map(s -> lines(programme, s.start(), s.end()))
                .orElse("");
    }

    private static String lines(ResolvedReel programme, long from, long to) {
        Timecode start = programme.start().or(() -> programme.rate().map(r -> Timecode.of(0, r))).orElse(null);
        return LongStream.range(from, to)
                .mapToObj(f -> f + (start == null ? "" : " " + start.plusFrames(f)) + " -> " + shown(programme, programme.plan().at(f)))
                .collect(Collectors.joining("\n"));
    }

    private static String shown(ResolvedReel programme, ReelFrame frame) {
        return switch (frame.content()) {
            case ReelFrame.SourceFrame(long number) -> name(programme, frame, number)
                    + (frame.isFill() ? WORDS.say("heldFor", number(programme, frame, frame.wanted())) : "");
            case ReelFrame.Blend(long before, long after, Rational share) -> WORDS.say("ofTheLater", name(programme, frame, before),
                    number(programme, frame, after), share);
            case ReelFrame.Cross(ReelFrame low, ReelFrame high, Rational share) -> WORDS.say("ofTheLater", shown(programme, low),
                    shown(programme, high), share);
            case ReelFrame.Card(String reason) -> WORDS.say("aCardFor", name(programme, frame, frame.wanted()), reason);
            case ReelFrame.Plain(var colour) -> WORDS.say("colour", colour);
            case ReelFrame.Together(var _, var frames) -> frames.stream().map(f -> shown(programme, f)).collect(Collectors.joining(" | "));
            case ReelFrame.Drawing _ -> drawn(programme.plan(), frame);
        };
    }

    private static String drawn(ReelPlan plan, ReelFrame frame) {
        return frame.content() instanceof ReelFrame.Count count ? WORDS.say("leader", count.figure())
                : plan.part(frame.item()).item().drawn().title().toLowerCase(Locale.ROOT);
    }

    private static String name(ResolvedReel programme, ReelFrame frame, long number) {
        return programme.entry(frame.item()).orElseThrow().table().sequence().pattern().baseName() + " " + number(programme, frame, number);
    }

    private static String number(ResolvedReel programme, ReelFrame frame, long number) {
        return programme.entry(frame.item()).orElseThrow().table().sequence().pattern().number(number);
    }
}
