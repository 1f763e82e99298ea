package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.delivery.Container;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;

/**
 * What is to be done with finished movie files without encoding anything; paths are absolute. Files that are there already are never
 * written over.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "do")
@JsonSubTypes({
    @JsonSubTypes.Type(value = RepackOrder.Split.class, name = "split"),
    @JsonSubTypes.Type(value = RepackOrder.Join.class, name = "join"),
    @JsonSubTypes.Type(value = RepackOrder.Rewrap.class, name = "rewrap"),
    @JsonSubTypes.Type(value = RepackOrder.Recover.class, name = "recover"),
})
public sealed interface RepackOrder {

    /**
     * Into pieces.
     *
     * @param folder where they go
     * @param seconds how long each is, or null
     * @param marks frames with which pieces begin, where no length is given
     */
    record Split(String file, String folder, Rational seconds, List<Long> marks) implements RepackOrder {}

    /** Parts to one file. @param files in their order @param target the new file; its ending says the container */
    record Join(List<String> files, String target) implements RepackOrder {}

    /**
     * Into another container, or with other ends, sound or tags.
     *
     * @param from first frame and {@code to} last one, from 0; null for the file's own
     * @param sound another file's first sound track in place of its own, or null
     * @param silent whether its sound is left out
     * @param pixelAspect to be stated, or null
     * @param colour name of the colours to be stated, by its standard, such as rec709 or rec2020-pq, or null
     */
    record Rewrap(String file, String target, Long from, Long to, String sound, boolean silent, PixelAspect pixelAspect, String colour)
            implements RepackOrder {}

    /** What stands whole in a broken file. @param rate for where the file doesn't say it any more */
    record Recover(String file, String target, Rate rate) implements RepackOrder {}

    /** The container that a file's name asks for. @throws IllegalArgumentException naming those there are */
    static Container container(String file) {
        int dot = file.lastIndexOf('.');
        return Container.parse(dot < 0 ? "" : file.substring(dot + 1));
    }
}
