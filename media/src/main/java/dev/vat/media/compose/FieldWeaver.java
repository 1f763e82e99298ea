package dev.vat.media.compose;

import dev.vat.core.delivery.Scan;
import dev.vat.core.words.Words;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;

/**
 * Weaves interlaced frames: lines of the first field from one picture, those of the other from the next. Lines are softened downwards
 * first (1-2-1), since what is but one line high would flicker with every field. Belongs to one thread.
 */
public final class FieldWeaver implements AutoCloseable {

    private static final Words WORDS = Words.of(FieldWeaver.class);

    private final Scan scan;
    private final Filtering filtering;

    public FieldWeaver(Scan scan) {
        this.scan = scan;
        filtering = new Filtering(_ -> "interlace=lowpass=linear:scan=" + (scan == Scan.TOP_FIRST ? "tff" : "bff"));
    }

    public boolean isWeaving() {
        return scan.isInterlaced();
    }

    /** @param earlier as the encoder takes it @param later one moment after it */
    public Picture weave(Picture earlier, Picture later) {
        Picture none = filtering.offer(earlier);
        if (none != null) {
            none.close();
            throw new MediaException(WORDS.say("aFrameWasWovenOutOfOnePicture"), 0);
        }
        Picture woven = filtering.offer(later);
        if (woven == null) {
            throw new MediaException(WORDS.say("twoPicturesGaveNoFrame"), 0);
        }
        ColourTags.like(later, woven);
        return woven;
    }

    @Override
    public void close() {
        filtering.close();
    }
}
