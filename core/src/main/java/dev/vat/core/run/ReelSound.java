package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The sound that goes with a reel: that of its clips, each at its own place, with silence elsewhere. As long as the
 * pictures, to the sample.
 *
 * @param channels of every piece, after the first clip that has sound
 * @param samples length at 48 kHz
 */
public record ReelSound(int channels, String layout, long samples, List<Piece> pieces) {

    /**
     * A stretch of a file's first sound track. All counts are samples at 48 kHz.
     *
     * @param path of the file, absolute
     * @param from where in the file it begins
     * @param at where in the reel it begins
     */
    public record Piece(String path, long from, long at, long samples) { }

    public ReelSound {
        pieces = List.copyOf(pieces);
    }

    /** The sound of a reel, or empty if none of its clips has any that can go with its pictures. */
    public static Optional<ReelSound> of(Programme programme, Map<String, ClipFacts> clips) {
        Rate rate = programme.rate().orElse(null);
        if (rate == null) {
            return Optional.empty();
        }
        List<Piece> pieces = new ArrayList<>();
        ClipFacts.Track first = null;
        for (ReelPlan.Span span : programme.plan().spans()) {
            Programme.Entry entry = programme.entry(span.item()).orElse(null);
            if (entry == null || span.count() == 0 || track(entry, clips).isEmpty() || whyNot(programme, span).isPresent()) {
                continue;
            }
            first = first == null ? track(entry, clips).get() : first;
            Sequence file = entry.table().sequence();
            long at = samples(rate, span.start());
            pieces.add(new Piece(file.file(file.first()).toAbsolutePath().toString(), samples(rate, span.range().first() - file.first()), at,
                    samples(rate, span.end()) - at));
        }
        return first == null ? Optional.empty()
                : Optional.of(new ReelSound(first.channels(), first.layout(), samples(rate, programme.plan().count()), pieces));
    }

    private static Optional<ClipFacts.Track> track(Programme.Entry entry, Map<String, ClipFacts> clips) {
        ClipFacts clip = entry.table().sequence().kind().isMovie() ? clips.get(entry.source().id()) : null;
        return clip == null ? Optional.empty() : clip.sounds().stream().findFirst();
    }

    /** Why a clip's sound can't go along with its pictures. */
    public static Optional<String> whyNot(Programme programme, ReelPlan.Span span) {
        Programme.Entry entry = programme.entry(span.item()).orElseThrow();
        if (span.step() != 1 || span.hold() != 1 || !span.even()) {
            return Optional.of("not every frame is taken once");
        }
        if (entry.source().reading().gap() == GapPolicy.CLOSE) {
            return Optional.of("holes are closed up");
        }
        return entry.table().format().map(f -> f.stated().rate()).filter(own -> !programme.rate().filter(own::equals).isPresent())
                .map(own -> "it plays at another rate than its own " + own.label());
    }

    private static long samples(Rate rate, long frames) {
        return rate.seconds(frames).times(SoundCodec.RATE).round();
    }

    @JsonIgnore
    public Rational seconds() {
        return Rational.of(samples, SoundCodec.RATE);
    }
}
