package dev.vat.media.frame;

import dev.vat.core.recipe.PictureKind;
import dev.vat.core.words.Words;
import dev.vat.media.picture.Picture;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** What was made of one recipe, in every kind that is wanted of it; mostly there is but one. */
public final class WorkingPictures implements AutoCloseable {

    private static final Words WORDS = Words.of(WorkingPictures.class);

    /** Makes a picture of one kind. */
    interface Making {
        Picture of(PictureKind kind) throws IOException;
    }

    private final Map<PictureKind, Picture> pictures = new HashMap<>();

    private WorkingPictures() {}

    /** One of each kind; if one can't be made, those that were are let go. */
    static WorkingPictures of(Set<PictureKind> kinds, Making making) throws IOException {
        WorkingPictures made = new WorkingPictures();
        try {
            for (PictureKind kind : kinds) {
                made.pictures.put(kind, making.of(kind));
            }
            return made;
        } catch (IOException | RuntimeException | Error e) {
            made.close();
            throw e;
        }
    }

    /** One of its pictures; it stays this one's. */
    public Picture in(PictureKind kind) {
        Picture picture = pictures.get(kind);
        if (picture == null) {
            throw new IllegalArgumentException(WORDS.say("nobodyWantedOfThisFrame", kind, pictures.keySet()));
        }
        return picture;
    }

    /** The same pictures, to be closed by themselves. */
    public WorkingPictures share() {
        WorkingPictures shared = new WorkingPictures();
        pictures.forEach((kind, picture) -> shared.pictures.put(kind, picture.share()));
        return shared;
    }

    @Override
    public void close() {
        pictures.values().forEach(Picture::close);
        pictures.clear();
    }
}
