package dev.vat.core.preview;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.source.Approved;
import dev.vat.core.source.FrameNumbers;
import dev.vat.core.source.Location;
import dev.vat.core.source.NameWords;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.List;
import java.util.Map;

/**
 * What was captured of a camera once.
 *
 * @param file name of its movie, {@code pier_v002.mp4}
 * @param revision of the scene that was captured
 * @param made when, ISO 8601 in UTC
 * @param drawn how many of the wished frames were drawn: fewer if it was cut off
 * @param idle the frame of the scene after which nothing moved in it, or null
 * @param bytes of its movie
 * @param why it was cut off, or null
 * @param note what somebody wrote of it, or null
 * @param approved whether the final frames are to be like it
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Preview(String file, String scene, String cameraTitle, long revision, Rate rate, CaptureWish wish, String made, long drawn,
        Long idle, long bytes, String why, String note, boolean approved,
        @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public Preview {
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    @JsonIgnore
    public boolean isWhole() {
        return drawn == wish.drawn();
    }

    /** The frames of the scene that it shows. */
    @JsonIgnore
    public FrameRange range() {
        return isWhole() ? wish.range() : FrameRange.of(wish.range().first(),
                Math.min(wish.range().last(), wish.frame(drawn - 1) + (wish.keepLength() ? wish.every() - 1 : 0)));
    }

    /** How the frames of its movie are numbered. */
    @JsonIgnore
    public FrameNumbers numbers() {
        return new FrameNumbers(wish.range().first(), wish.keepLength() ? 1 : wish.every());
    }

    /** What the final frames are held to that are to be like it. */
    public Approved asApproved() {
        return new Approved(file.replace(".mp4", ""), wish.camera(), range(), rate, wish.size(), wish.leadIn());
    }

    /** Approved ones that a source may be the final frames of: those whose camera its name has. */
    public static List<Approved> approvedFor(Location source, List<Preview> previews) {
        return previews.stream().filter(Preview::approved).filter(p -> NameWords.has(source, p.wish().camera())).map(Preview::asApproved)
                .toList();
    }

    public Preview withNote(String text) {
        return new Preview(file, scene, cameraTitle, revision, rate, wish, made, drawn, idle, bytes, why,
                text == null || text.isBlank() ? null : text.strip(), approved, extra);
    }

    public Preview withApproved(boolean yes) {
        return new Preview(file, scene, cameraTitle, revision, rate, wish, made, drawn, idle, bytes, why, note, yes, extra);
    }
}
