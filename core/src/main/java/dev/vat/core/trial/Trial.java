package dev.vat.core.trial;

import dev.vat.core.time.FrameRange;
import java.util.List;
import java.util.Map;

/**
 * What was learnt of a reel and of files of it, by trying.
 *
 * @param looked cost of the frames that were looked at, see {@link ReelCosts#of}
 * @param flashes frames of the reel within which the picture flashes too often
 * @param files by their target's id
 * @param failures why a file couldn't be tried, by its target's id
 */
public record Trial(List<FrameCost> looked, List<FrameRange> flashes, Map<String, FileTrial> files, Map<String, String> failures) {
    public Trial {
        looked = List.copyOf(looked);
        flashes = List.copyOf(flashes);
        files = Map.copyOf(files);
        failures = Map.copyOf(failures);
    }
}
