package dev.vat.core.setting;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Frame;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import java.util.Optional;

/**
 * What settings are looked at with: the same setting says more of a reel that was looked into.
 *
 * @param reel or null
 * @param sound that is heard with it, or null
 * @param rate that somebody said where the reel has none, or null
 */
public record SettingView(ResolvedReel reel, ReelSound sound, Rate rate) {

    /** Of no reel yet. @param rate or null */
    public static SettingView of(Rate rate) {
        return new SettingView(null, null, rate);
    }

    public Optional<ResolvedReel> known() {
        return Optional.ofNullable(reel);
    }

    /** The reel's, or else the one that was said. */
    public Optional<Rate> reelRate() {
        return known().flatMap(ResolvedReel::rate).or(() -> Optional.ofNullable(rate));
    }

    public Optional<Frame> frame(Deliverable deliverable) {
        return known().flatMap(r -> r.frame(deliverable));
    }

    public Optional<ReelSound> heard() {
        return Optional.ofNullable(sound);
    }
}
