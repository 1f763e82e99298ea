package dev.vat.worker.output;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.media.compose.FieldWeaver;
import dev.vat.media.convert.Conversion;
import dev.vat.media.picture.Picture;

/** From the working pictures of a reel to the pictures that a file's encoder is given. Belongs to one thread. */
public final class FileConversion implements AutoCloseable {

    /** The working pictures of one reel frame after the other. */
    public interface Pictures {
        /** The caller closes it; null if there are no more. */
        Picture next() throws InterruptedException;
    }

    private final RunPlan plan;
    private final RunFile file;
    private final Conversion conversion;
    private final FieldWeaver weaver;
    private long busyNanos;

    public FileConversion(RunPlan plan, RunFile file) {
        this.plan = plan;
        this.file = file;
        this.conversion = new Conversion(file.codecInCatalogue(), file.expected().size(), file.expected().pixelAspect(), file.treatment());
        this.weaver = new FieldWeaver(file.treatment().scan());
    }

    /** A picture of the file, made of the next reel frame or of the next two; null if there are no more. */
    public Picture next(long frame, Pictures pictures) throws InterruptedException {
        Lettering lettering = plan.letteringAt(file, frame);
        Picture first = converted(pictures, lettering);
        if (first == null || !weaver.isWeaving()) {
            return first;
        }
        try (first; Picture second = file.reelFrame(frame) + 1 < plan.frames() ? converted(pictures, lettering) : first.share()) {
            return second == null ? null : weaver.weave(first, second);
        }
    }

    private Picture converted(Pictures pictures, Lettering lettering) throws InterruptedException {
        Picture working = pictures.next();
        if (working == null) {
            return null;
        }
        long since = System.nanoTime();
        try (working) {
            return conversion.convert(working, lettering);
        } finally {
            busyNanos += System.nanoTime() - since;
        }
    }

    /** How long it converted so far, apart from waiting. */
    public long busyNanos() {
        return busyNanos;
    }

    @Override
    public void close() {
        conversion.close();
        weaver.close();
    }
}
