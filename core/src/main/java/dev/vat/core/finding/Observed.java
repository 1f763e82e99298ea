package dev.vat.core.finding;

import dev.vat.core.content.ContentReview;
import dev.vat.core.pass.MixedPicture;
import dev.vat.core.pass.PassReport;
import dev.vat.core.preview.Preview;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.FrameRange;
import dev.vat.core.trial.FileForecast;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What is seen on disk at one moment; findings are made from this and the project alone.
 *
 * @param tables by source id; a source without one hasn't been found
 * @param reviews by source id: what looks wrong in the pictures, for sources that were looked into wholly
 * @param clips by source id: what movie and sound files hold
 * @param checking ids of sources that are being looked into
 * @param unusable files beside the frames, such as looks, that can't be used: by path, why
 * @param foretold by a deliverable's id: what trials say that it will be
 * @param flashes frames of the current reel within which its picture flashes too often, as far as it was looked at
 * @param passes what was seen of pictures that are made again of their passes
 * @param previews that were captured on this machine
 * @param lacking letters that are to be written into pictures and that a face hasn't: by its path, empty for Vat's own
 */
public record Observed(Map<String, FrameTable> tables, Map<String, ContentReview> reviews, Map<String, ClipFacts> clips,
        Destination destination, Set<String> checking, Map<String, String> unusable, Map<String, String> lacking,
        Map<String, FileForecast> foretold, List<FrameRange> flashes, Map<MixedPicture, PassReport> passes, List<Preview> previews) {

    public Observed {
        tables = Map.copyOf(tables);
        reviews = Map.copyOf(reviews);
        clips = Map.copyOf(clips);
        checking = Set.copyOf(checking);
        unusable = Map.copyOf(unusable);
        lacking = Map.copyOf(lacking);
        foretold = Map.copyOf(foretold);
        flashes = List.copyOf(flashes);
        passes = Map.copyOf(passes);
        previews = List.copyOf(previews);
    }

    /** Nothing was tried. */
    public Observed(Map<String, FrameTable> tables, Map<String, ContentReview> reviews, Map<String, ClipFacts> clips,
            Destination destination,
            Set<String> checking, Map<String, String> unusable, Map<String, String> lacking) {
        this(tables, reviews, clips, destination, checking, unusable, lacking, Map.of(), List.of(), Map.of(), List.of());
    }

    /** The same with what trials found. */
    public Observed withTrial(Map<String, FileForecast> files, List<FrameRange> flashing) {
        return new Observed(tables, reviews, clips, destination, checking, unusable, lacking, files, flashing, passes, previews);
    }

    /** The same with what was seen of passes. */
    public Observed withPasses(Map<MixedPicture, PassReport> reports) {
        return new Observed(tables, reviews, clips, destination, checking, unusable, lacking, foretold, flashes, reports, previews);
    }

    /** The same with previews that are kept. */
    public Observed withPreviews(List<Preview> kept) {
        return new Observed(tables, reviews, clips, destination, checking, unusable, lacking, foretold, flashes, passes, kept);
    }

    /** Every letter can be written. */
    public Observed(Map<String, FrameTable> tables, Map<String, ContentReview> reviews, Map<String, ClipFacts> clips,
            Destination destination,
            Set<String> checking, Map<String, String> unusable) {
        this(tables, reviews, clips, destination, checking, unusable, Map.of());
    }

    /** Every file beside the frames can be used, or there is none. */
    public Observed(Map<String, FrameTable> tables, Map<String, ContentReview> reviews, Map<String, ClipFacts> clips,
            Destination destination,
            Set<String> checking) {
        this(tables, reviews, clips, destination, checking, Map.of());
    }

    /** Nothing is known of the pictures' content. */
    public Observed(Map<String, FrameTable> tables, Destination destination, Set<String> checking) {
        this(tables, Map.of(), Map.of(), destination, checking);
    }

    /** Nothing is being looked into any more. */
    public Observed(Map<String, FrameTable> tables, Destination destination) {
        this(tables, destination, Set.of());
    }

    public ContentReview review(String source) {
        return reviews.getOrDefault(source, ContentReview.NOTHING);
    }

    /**
     * The folder that deliverables go to, after it was tried.
     *
     * @param problem why it can't be written, in words, or null
     * @param freeBytes space left, or -1 if unknown
     */
    public record Destination(String path, String problem, long freeBytes) {
        public static final Destination UNKNOWN = new Destination("", null, -1);
    }
}
