package dev.vat.core.resolved;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.sound.ChannelMap;
import dev.vat.core.sound.Channels;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.Fade;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.sound.SoundLayout;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The sound that goes with a reel: that of its clips, each at its own place, and what was laid to it; with silence elsewhere, and as long
 * as the pictures, to the sample. Where two sound at once they are added.
 *
 * @param channels of every piece, after the first clip that has sound
 * @param samples length at 48 kHz
 * @param tones that go with bars and leaders
 */
public record ReelSound(int channels, String layout, long samples, List<Piece> pieces,
        @JsonInclude(JsonInclude.Include.NON_EMPTY) List<Tone> tones) {

    private static final Words WORDS = Words.of(ReelSound.class);

    /**
     * A stretch of a file's first sound track. All counts are samples at 48 kHz.
     *
     * @param path of the file, absolute
     * @param from where in the file it begins
     * @param at where in the reel it begins
     * @param shaping null where it is heard as it is
     * @param stretch how many times as long it lasts, all of it, by resampling; null for once
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Piece(String path, long from, long at, long samples, Shaping shaping, Rational stretch) {
        public Piece(String path, long from, long at, long samples) {
            this(path, from, at, samples, null, null);
        }

        public Piece(String path, long from, long at, long samples, Shaping shaping) {
            this(path, from, at, samples, shaping, null);
        }

        long end() {
            return at + samples;
        }

        /**
         * Channels without places take the file's in their order, unless somebody said otherwise; dual mono takes a file's only one twice.
         *
         * @param layout of the reel, or null
         */
        private Piece in(SoundLayout layout, ClipFacts.Track track) {
            Shaping shaped = shaping == null ? Shaping.PLAIN : shaping;
            if (layout == null || layout.placed() || shaped.map != null || shaped.channels != Channels.ALL) {
                return this;
            }
            boolean twice = layout.equals(SoundLayout.DUAL_MONO) && track.channels() == 1;
            return new Piece(path, from, at, samples, shaped.withMap(twice ? ChannelMap.all(1, 2) : ChannelMap.straight(layout.channels())),
                    stretch);
        }
    }

    /**
     * What becomes of a piece on its way.
     *
     * @param gain in decibels
     * @param fadeIn samples at its start over which it comes
     * @param fadeOut samples at its end over which it goes
     * @param map which of the file's own channels goes where; null to have its layout brought to the reel's
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Shaping(double gain, long fadeIn, Fade.Shape in, long fadeOut, Fade.Shape out, Channels channels, ChannelMap map) {
        private static final Shaping PLAIN = new Shaping(0, 0, Fade.Shape.EQUAL_POWER, 0, Fade.Shape.EQUAL_POWER, Channels.ALL);

        public Shaping(double gain, long fadeIn, Fade.Shape in, long fadeOut, Fade.Shape out, Channels channels) {
            this(gain, fadeIn, in, fadeOut, out, channels, null);
        }

        private Shaping withMap(ChannelMap other) {
            return new Shaping(gain, fadeIn, in, fadeOut, out, channels, other);
        }

        private Shaping withFadeOut(long samples) {
            return new Shaping(gain, fadeIn, in, samples, out, channels, map);
        }

        /** How much a moment is multiplied by. @param place counted from the piece's start @param length of the piece */
        public double factor(long place, long length) {
            double factor = Math.pow(10, gain / 20);
            if (place < fadeIn) {
                factor *= in.gain((place + .5) / fadeIn);
            }
            long left = length - place;
            return left <= fadeOut ? factor * out.gain((left - .5) / fadeOut) : factor;
        }
    }

    /** A sine of 1 kHz on all channels. @param level its peak, in dB below full scale */
    public record Tone(long at, long samples, int level) {
        public static final int HERTZ = 1000;
    }

    public ReelSound {
        pieces = List.copyOf(pieces);
        tones = tones == null ? List.of() : List.copyOf(tones);
    }

    public ReelSound(int channels, String layout, long samples, List<Piece> pieces) {
        this(channels, layout, samples, pieces, List.of());
    }

    /** The sound of a reel, or empty if it has none, and none of its clips has any that can go with its pictures. */
    public static Optional<ReelSound> of(ResolvedReel programme, Map<String, ClipFacts> clips) {
        Rate rate = programme.rate().orElse(null);
        if (rate == null) {
            return Optional.empty();
        }
        List<Piece> pieces = new ArrayList<>();
        SoundLayout layout = programme.reel().layout();
        ClipFacts.Track first = null;
        for (ReelSpan span : programme.plan().spans()) {
            ReelEntry entry = programme.entry(span.item()).orElse(null);
            if (entry == null || span.count() == 0 || track(entry, clips).isEmpty() || whyNot(programme, span).isPresent()) {
                continue;
            }
            first = first == null ? track(entry, clips).get() : first;
            Sequence file = entry.table().sequence();
            long at = samples(rate, span.start());
            long across = samples(rate, span.start() + span.overlap()) - at;
            if (across > 0 && !pieces.isEmpty() && pieces.getLast().end() > at) {
                Piece before = pieces.removeLast();
                pieces.add(new Piece(before.path, before.from, before.at, before.samples,
                        (before.shaping == null ? Shaping.PLAIN : before.shaping).withFadeOut(across), before.stretch));
            }
            pieces.add(
                    new Piece(file.file(file.first()).toAbsolutePath().toString(), samples(rate, span.range().first() - file.first()), at,
                            samples(rate, span.end()) - at,
                            across == 0 ? null : new Shaping(0, across, Fade.Shape.EQUAL_POWER, 0, Fade.Shape.EQUAL_POWER, Channels.ALL),
                            stretch(programme, entry)).in(layout, track(entry, clips).get()));
        }
        long whole = samples(rate, programme.plan().count());
        for (Sounding sounding : programme.sounds()) {
            ClipFacts facts = clips.get(sounding.source().id());
            if (facts == null || facts.sounds().isEmpty()) {
                continue;
            }
            first = first == null ? facts.sounds().getFirst() : first;
            piece(sounding, facts, whole).map(p -> p.in(layout, facts.sounds().getFirst())).ifPresent(pieces::add);
        }
        List<Tone> tones = tones(programme.plan(), rate);
        if (first == null && tones.isEmpty()) {
            return Optional.empty();
        }
        if (layout != null) {
            return Optional.of(new ReelSound(layout.channels(), layout.toString(), whole, pieces, tones));
        }
        return Optional.of(first == null ? new ReelSound(2, "stereo", whole, pieces, tones)
                : new ReelSound(first.channels(), first.layout(), whole, pieces, tones));
    }

    /**
     * One sound file under pictures.
     *
     * @param at seconds after the first picture at which it begins; below 0 its start is cut off
     * @param length of the pictures, in seconds
     * @throws IllegalArgumentException if nothing of it would be heard
     */
    public static ReelSound of(Path file, ClipFacts.Track track, Rational at, Rational length) {
        long whole = samples(length);
        long begin = samples(at);
        long cut = Math.max(0, -begin);
        long heard = Math.min(track.samples() * SoundCodec.RATE / track.rate() - cut, whole - Math.max(0, begin));
        if (heard <= 0) {
            throw new IllegalArgumentException(WORDS.say("nothingOfWouldBeHeardIt", file.getFileName()));
        }
        return new ReelSound(track.channels(), track.layout(), whole,
                List.of(new Piece(file.toAbsolutePath().toString(), cut, Math.max(0, begin), heard)));
    }

    /** Of what is drawn: along with bars, and for one frame with the last figure of a leader. */
    private static List<Tone> tones(ReelPlan plan, Rate rate) {
        List<Tone> tones = new ArrayList<>();
        for (ReelSpan span : plan.spans()) {
            switch (plan.part(span.item()).item().drawn()) {
                case GeneratedItem.Bars bars when bars.tone() != null -> tones.add(tone(rate, span.start(), span.end(), bars.tone()));
                case GeneratedItem.Leader leader when leader.tone() != null && leader.lastFigureAt() >= 0 -> tones
                        .add(tone(rate, span.start() + leader.lastFigureAt(), span.start() + leader.lastFigureAt() + 1, leader.tone()));
                case null, default -> {}
            }
        }
        return tones;
    }

    private static Tone tone(Rate rate, long from, long to, int level) {
        return new Tone(samples(rate, from), samples(rate, to) - samples(rate, from), level);
    }

    /** With the 0.1 % speed, sound goes along; null elsewhere. */
    private static Rational stretch(ResolvedReel programme, ReelEntry entry) {
        return entry.use().playingInUse().conformInUse() != Conform.PULL ? null
                : entry.rate().orElseThrow().perSecond().dividedBy(programme.rate().orElseThrow().perSecond());
    }

    /** What of a sound lies within the reel. */
    private static Optional<Piece> piece(Sounding sounding, ClipFacts facts, long whole) {
        SoundUse use = sounding.use();
        long from = samples(use.from() == null ? Rational.ZERO : use.from());
        long to = Math.min(samples(facts.seconds()), use.to() == null ? Long.MAX_VALUE : samples(use.to()));
        long at = samples(use.at());
        long cut = Math.max(0, -at);
        long samples = Math.min(to - from - cut, whole - Math.max(0, at));
        if (samples <= 0) {
            return Optional.empty();
        }
        Shaping shaping = new Shaping(use.gain(), use.fadeIn() == null ? 0 : Math.min(samples, samples(use.fadeIn().seconds())),
                use.fadeIn() == null ? Fade.Shape.LINEAR : use.fadeIn().shape(),
                use.fadeOut() == null ? 0 : Math.min(samples, samples(use.fadeOut().seconds())),
                use.fadeOut() == null ? Fade.Shape.LINEAR : use.fadeOut().shape(), use.channelsInUse(), use.map());
        return Optional.of(
                new Piece(sounding.source().location().file().toAbsolutePath().toString(), from + cut, Math.max(0, at), samples, shaping));
    }

    /** By how many frames a sound goes on after the reel's last one, 0 if it doesn't. */
    public static long framesBeyond(ResolvedReel programme, Sounding sounding, ClipFacts facts) {
        Rational from = sounding.use().from() == null ? Rational.ZERO : sounding.use().from();
        Rational to = sounding.use().to() == null ? facts.seconds() : sounding.use().to();
        Rate rate = programme.rate().orElseThrow();
        Rational beyond = sounding.use().at().plus(to).minus(from).minus(rate.seconds(programme.plan().count())).times(rate.perSecond());
        return beyond.signum() <= 0 ? 0 : beyond.isWhole() ? beyond.floor() : beyond.floor() + 1;
    }

    private static long samples(Rational seconds) {
        return seconds.times(SoundCodec.RATE).round();
    }

    private static Optional<ClipFacts.Track> track(ReelEntry entry, Map<String, ClipFacts> clips) {
        ClipFacts clip = entry.table().sequence().kind().isMovie() ? clips.get(entry.source().id()) : null;
        return clip == null ? Optional.empty() : clip.sounds().stream().findFirst();
    }

    /** Why a clip's sound can't go along with its pictures. */
    public static Optional<String> whyNot(ResolvedReel programme, ReelSpan span) {
        ReelEntry entry = programme.entry(span.item()).orElseThrow();
        if (span.step() != 1 || span.hold() != 1 || !span.even()) {
            return Optional.of(WORDS.say("notEveryFrameIsTakenOnce"));
        }
        if (entry.source().reading().gap() == GapPolicy.CLOSE) {
            return Optional.of(WORDS.say("holesAreClosedUp"));
        }
        if (entry.use().playingInUse().conformInUse() == Conform.PULL) {
            return Optional.empty();
        }
        return entry.table().format().map(f -> f.stated().rate()).filter(own -> !programme.rate().filter(own::equals).isPresent())
                .map(own -> WORDS.say("itPlaysAtAnotherRateThan", own.label()));
    }

    /** Samples at 48 kHz until a frame of a rate begins. */
    public static long samples(Rate rate, long frames) {
        return rate.seconds(frames).times(SoundCodec.RATE).round();
    }

    /** The same without the tones that go with what is drawn: what of it is the programme's own. */
    public ReelSound withoutTones() {
        return new ReelSound(channels, layout, samples, pieces, List.of());
    }

    /** Whether each channel has its place in front of a listener. */
    @JsonIgnore
    public boolean isPlaced() {
        return !layout.equals(SoundLayout.DUAL_MONO.toString()) && !layout.endsWith("discrete");
    }

    @JsonIgnore
    public Rational seconds() {
        return Rational.of(samples, SoundCodec.RATE);
    }
}
