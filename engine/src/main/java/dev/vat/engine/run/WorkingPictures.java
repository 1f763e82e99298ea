package dev.vat.engine.run;

import dev.vat.core.run.WorkingFormat;
import dev.vat.media.Picture;
import java.util.EnumMap;
import java.util.Map;

/** One reel frame in every kind of samples that a run's files are made of; mostly there is but one. */
public final class WorkingPictures implements AutoCloseable {

    private final Map<WorkingFormat, Picture> pictures = new EnumMap<>(WorkingFormat.class);

    void put(WorkingFormat format, Picture picture) {
        pictures.put(format, picture);
    }

    /** The picture in one kind of samples; it stays this one's. */
    public Picture in(WorkingFormat format) {
        Picture picture = pictures.get(format);
        if (picture == null) {
            throw new IllegalArgumentException("No file of this run is made of " + format);
        }
        return picture;
    }

    /** The same pictures, to be closed by themselves. */
    WorkingPictures share() {
        WorkingPictures shared = new WorkingPictures();
        pictures.forEach((format, picture) -> shared.put(format, picture.share()));
        return shared;
    }

    @Override
    public void close() {
        pictures.values().forEach(Picture::close);
        pictures.clear();
    }
}
