package dev.vat.desktop.session;

import dev.vat.core.content.ContentReview;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.Arrivals;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;

/** What is known of one source by now. On the interface's thread only. */
final class Seen {

    /** Of one source: how it is read, the same without its range, and both as they were before an edit. */
    private static final int READINGS = 4;

    final Location location;
    final Arrivals arrivals = new Arrivals();
    /** What is shown: what was judged, and which frames can't be judged yet. */
    FrameTable table;
    /** The outcome of the last whole check. */
    FrameTable judged;
    /** What was known of the files at the place where the source lay before; null for a source that never moved. */
    FrameTable before;
    /** The last whole check, also after its files were lost. */
    FrameTable last;
    ContentReview review = ContentReview.NOTHING;
    ClipFacts clip;
    String trouble;
    int checked;
    /** Which picture of each file the table is about. */
    PictureChoice choice;
    /** Whether the folder is looked at again and again. */
    boolean watched;
    boolean listing;
    /** How long the last listing took. */
    long listMillis;
    /** How many looks in a row found nothing new. */
    long quiet;
    /** The check that goes on, if one does. */
    CompletableFuture<FrameTable> check;
    /** What is shown with each field counted as a frame, and the table that it was made of. */
    private FrameTable ofFields;
    private FrameTable ofFrames;
    /** What is to be rendered again, by how the frames are read, and of which frames: each is gone through for it. */
    private final Map<Reading, ResumeAdvice> advice = new HashMap<>();
    private FrameTable advised;
    /** A newer listing that waits until the check of the older one is over. */
    Sequence next;

    Seen(Location location) {
        this.location = location;
    }

    /** A table that isn't whole yet. */
    void keep(FrameTable partial) {
        judged = null;
        show(partial);
    }

    /** A table as it is to be shown: what may still be written isn't judged. */
    void show(FrameTable judged) {
        Set<Long> arriving = watched ? arrivals.arriving(judged) : Set.of();
        table = judged.withArriving(arriving);
    }

    /** Frames that were looked into at the old place and show another picture here. */
    int otherPictures() {
        if (before == null || judged == null) {
            return 0;
        }
        int others = 0;
        for (int i = 0; i < judged.sequence().count(); i++) {
            int old = before.sequence().indexOf(judged.sequence().number(i));
            boolean both = old >= 0 && before.lookAt(old).isPresent() && judged.lookAt(i).isPresent();
            others += both && before.lookAt(old).get().pixels() != judged.lookAt(i).get().pixels() ? 1 : 0;
        }
        return others;
    }

    /** The frames as they are counted by a reading; the same value as long as nothing changes. */
    FrameTable asRead(Interpretation picture) {
        if (table == null || picture.fields() != FieldReading.EACH) {
            return table;
        }
        if (ofFrames != table) {
            ofFrames = table;
            ofFields = picture.asRead(table);
        }
        return ofFields;
    }

    /** What is to be rendered again; the same value as long as neither the frames nor how they are read change. */
    ResumeAdvice advice(Reading reading) {
        FrameTable frames = asRead(reading.picture());
        if (advised != frames || advice.size() > READINGS) {
            advised = frames;
            advice.clear();
        }
        return advice.computeIfAbsent(reading, r -> ResumeAdvice.of(frames, r));
    }

    boolean isChecking() {
        return check != null;
    }

    /** Whether a listing shows the very files that the table is about. */
    boolean isAbout(Sequence other) {
        if (table == null || table.sequence().count() != other.count()) {
            return false;
        }
        Sequence own = table.sequence();
        for (int i = 0; i < own.count(); i++) {
            if (own.number(i) != other.number(i) || own.size(i) != other.size(i) || own.modified(i) != other.modified(i)) {
                return false;
            }
        }
        return true;
    }
}
