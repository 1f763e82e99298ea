package dev.vat.engine.run;

import dev.vat.core.run.PictureKind;
import dev.vat.core.run.WorkingFormat;
import dev.vat.media.Picture;
import java.util.HashMap;
import java.util.Map;

/** One reel frame in every picture that a run's files are made of; mostly there is but one. */
public final class WorkingPictures implements AutoCloseable {

    private final Map<PictureKind, Picture> pictures = new HashMap<>();

    void put(PictureKind kind, Picture picture) {
        pictures.put(kind, picture);
    }

    /** The whole picture in one kind of samples; it stays this one's. */
    public Picture in(WorkingFormat format) {
        return in(new PictureKind(format, null));
    }

    /** One of its pictures; it stays this one's. */
    public Picture in(PictureKind kind) {
        Picture picture = pictures.get(kind);
        if (picture == null) {
            throw new IllegalArgumentException("No file of this run is made of " + kind);
        }
        return picture;
    }

    /** The same pictures, to be closed by themselves. */
    WorkingPictures share() {
        WorkingPictures shared = new WorkingPictures();
        pictures.forEach((kind, picture) -> shared.put(kind, picture.share()));
        return shared;
    }

    @Override
    public void close() {
        pictures.values().forEach(Picture::close);
        pictures.clear();
    }
}
