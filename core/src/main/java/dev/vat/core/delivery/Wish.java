package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** What people wish of a file, in their own words. */
public enum Wish {
    TRANSPARENT(Words.of(Wish.class).say("canBeSeenThrough"), "alpha|transparen\\w*|see[- ]through|cut[- ]?out", t -> t.codec().hasAlpha()),
    ANYWHERE(Words.of(Wish.class).say("playsAnywhere"),
            "any\\s?where|every\\s?where|any ?body|every ?body|anyone|everyone|any (?:device|player)|all players",
            t -> t.codec().reach() == Reach.ANYWHERE),
    BROWSERS(Words.of(Wish.class).say("playsInBrowsers"), "browsers?|web|pages?|online|sites?",
            t -> t.codec().reach() != Reach.PROGRAMS && !t.container().isFolder()),
    SMALL(Words.of(Wish.class).say("isSmall"), "small\\w*|tiny|light|little|few bytes|mail", t -> t.codec().lowBitsPerPixel() <= .05),
    WITHOUT_LOSS(Words.of(Wish.class).say("losesNothing"), "loss\\s?less|without loss|no loss|exact\\w*|archiv\\w*|master\\w*",
            t -> t.settings().control() instanceof RateControl.Lossless),
    DEEP(Words.of(Wish.class).say("has10BitsOrMore"), "10[- ]?bits?|12[- ]?bits?|16[- ]?bits?|deep|banding|grad(?:e|ing)|smooth",
            t -> t.codec().codedBits() >= 10),
    STANDS_ALONE(Words.of(Wish.class).say("hasEveryFrameByItself"), "edit\\w*|cut(?:ting)?|intra|scrub\\w*|nle",
            t -> t.codec().everyFrameStandsAlone() && !t.container().isMovingStill()),
    SOUND(Words.of(Wish.class).say("carriesSound"), "sound|audio|music|voice", t -> t.container().carriesSound()),
    HIGH_RANGE(Words.of(Wish.class).say("isHDR"), "hdr|pq|hlg|high dynamic range|rec\\.? ?2[01][02]0",
            t -> t.settings().colourFor(Size.of(1920, 1080)).isHighRange()),
    BROADCAST(Words.of(Wish.class).say("isTakenByBroadcasters"), "broadcast\\w*|stations?|tv|mxf|interlaced",
            t -> t.recipient().equals(Targets.BROADCAST)),
    FRAMES(Words.of(Wish.class).say("isAFolderOfFrames"), "frames|stills|sequence|dpx|exr|tiff?", t -> t.container().isFolder()),
    LOOPS(Words.of(Wish.class).say("playsOverAndOver"), "loop\\w*|gif|over and over|sticker", t -> t.container().isMovingStill());

    private final String words;
    private final Pattern said;
    private final Predicate<Target> met;

    Wish(String words, String said, Predicate<Target> met) {
        this.words = words;
        this.said = Pattern.compile("\\b(?:" + said + ")\\b", Pattern.CASE_INSENSITIVE);
        this.met = met;
    }

    /** In words that go on from {@code a file that}. */
    public String words() {
        return words;
    }

    public boolean isMetBy(Target target) {
        return met.test(target);
    }

    /**
     * Wishes as people say them: {@code alpha, plays anywhere, small}.
     *
     * @throws IllegalArgumentException if none is understood, naming examples
     */
    public static Set<Wish> parse(String text) {
        EnumSet<Wish> wishes = EnumSet.noneOf(Wish.class);
        Arrays.stream(values()).filter(w -> w.said.matcher(text.toLowerCase(Locale.ROOT)).find()).forEach(wishes::add);
        if (wishes.isEmpty()) {
            throw new IllegalArgumentException(Words.of(Wish.class).say("saysNothingThatVatUnderstands", text.strip()));
        }
        return wishes;
    }

    /** What of some wishes says nothing that a target could meet, each as it was written; it isn't passed over in silence. */
    public static List<String> notUnderstood(String text) {
        return Arrays.stream(text.split("[,;&]|\\band\\b")).map(String::strip).filter(part -> !part.isEmpty())
                .filter(part -> Arrays.stream(values()).noneMatch(w -> w.said.matcher(part.toLowerCase(Locale.ROOT)).find())).toList();
    }

    /** A target that doesn't meet every wish, and which it doesn't. */
    public record Near(Target target, List<Wish> lacks) {
        public String words() {
            return Words.of(Wish.class).say("allButThatIt", target.title(), target.id(),
                    lacks.stream().map(Wish::words).collect(Collectors.joining(Words.of(Wish.class).say("andThatIt"))), target.why());
        }
    }

    /**
     * What comes of some wishes.
     *
     * @param meeting the targets that meet all of them, in the catalogue's order
     * @param obstacles where none does: what stands in the way, in whole sentences
     * @param nearest where none does: the two that come nearest
     */
    public record Answer(Set<Wish> wishes, List<Target> meeting, List<String> obstacles, List<Near> nearest) {}

    public static Answer answer(Set<Wish> wishes) {
        return WishAnswering.answer(wishes);
    }
}
