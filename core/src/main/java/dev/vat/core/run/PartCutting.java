package dev.vat.core.run;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.PartForm;
import dev.vat.core.delivery.Settings;
import dev.vat.core.time.Rate;
import java.util.ArrayList;
import java.util.List;

/**
 * Where a deliverable is cut into parts. Boundaries depend on the plan alone, so that an interrupted and an uninterrupted
 * run make the same file.
 */
public final class PartCutting {

    /**
     * Long-GOP codecs lose at each cut what their encoders have under way: half a second where frames are quick to encode, which has
     * to be little against a part.
     */
    private static final int LONG_GROUP_SECONDS = 40;
    private static final int INTRA_SECONDS = 4;

    private PartCutting() {}

    public static List<RunPart> cut(Settings settings, Rate rate, long frames) {
        long length = frames;
        Codec codec = settings.codec();
        if (codec.partForm(settings.control()) != PartForm.WHOLE) {
            long group = settings.groupFrames(rate);
            long wanted = codec.groupSeconds() > 0 ? LONG_GROUP_SECONDS : INTRA_SECONDS;
            long groups = Math.max(1, (rate.perSecond().times(wanted).round() + group / 2) / group);
            length = groups * group;
        }
        List<RunPart> parts = new ArrayList<>();
        for (long first = 0; first < frames; first += length) {
            parts.add(new RunPart(parts.size(), first, Math.min(length, frames - first)));
        }
        return parts;
    }
}
