package dev.vat.core.burnin;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.ArrayList;
import java.util.List;

/**
 * What is written into one picture, every field filled in.
 *
 * @param watermark a picture laid over, or null
 * @param face path of the font file, or null for Vat's own
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Lettering(List<Written> lines, Watermark watermark, String face) {

    public static final Lettering NOTHING = new Lettering(List.of(), null, null);

    private static final Written DRAFT = new Written("DRAFT", Spot.TOP_LEFT, 6, 55);

    /** A line as it is to be read; see {@link Line} for size and ground. */
    public record Written(String text, Spot at, double size, int ground) {}

    public Lettering {
        lines = List.copyOf(lines);
    }

    @JsonIgnore
    public boolean isNothing() {
        return lines.isEmpty() && watermark == null;
    }

    /** With the mark that says that it is a draft. */
    public Lettering withDraft() {
        List<Written> all = new ArrayList<>(lines);
        all.addFirst(DRAFT);
        return new Lettering(all, watermark, face);
    }
}
