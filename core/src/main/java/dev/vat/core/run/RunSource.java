package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.FrameStamp;
import dev.vat.core.recipe.Recipes;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.Location;
import dev.vat.core.source.SequencePattern;
import java.nio.file.Path;
import java.util.List;

/**
 * A source as the run reads it.
 *
 * @param size of its frames, in stored pixels
 * @param placement where its picture lies in the reel's, or null where it is the reel's
 * @param lossyPasses how often its pictures were packed with loss before
 * @param pass whether it is a pass of a shot, of which none is shown by itself
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RunSource(String name, String folder, SequencePattern pattern, FileKind kind, PictureReading picture,
        int bits, Size size, Placement placement, int lossyPasses, boolean pass, List<FrameStamp> stamps)
        implements Recipes.Source {
    public RunSource {
        stamps = stamps == null ? List.of() : List.copyOf(stamps);
    }

    @Override
    public Location location() {
        return new Location(Path.of(folder), pattern);
    }

    /** All that are planned were there. */
    @Override
    public boolean has(long number) {
        return true;
    }

    /** Of a movie that of its one file; of a numbered frame its own; null where none was written down. */
    @Override
    public FrameStamp stamp(long number) {
        if (kind.isMovie()) {
            return stamps.isEmpty() ? null : stamps.getFirst();
        }
        int low = 0;
        int high = stamps.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int order = Long.compare(stamps.get(middle).number(), number);
            if (order == 0) {
                return stamps.get(middle);
            }
            if (order < 0) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return null;
    }

    RunSource withoutStamps() {
        return new RunSource(name, folder, pattern, kind, picture, bits, size, placement, lossyPasses, pass, List.of());
    }
}
