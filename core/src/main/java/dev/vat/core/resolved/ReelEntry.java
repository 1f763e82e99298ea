package dev.vat.core.resolved;

import dev.vat.core.pass.Pass;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Item;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Reading;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.time.FrameSet;
import dev.vat.core.time.Rate;
import java.util.Map;
import java.util.Optional;

/**
 * An item that takes frames of a source, with that and its frame table.
 *
 * @param item its number in the plan
 * @param place its number in the reel
 * @param use what is taken and how it plays
 * @param cell whether it doesn't stand in the reel by itself, but is a part of an item's pictures
 * @param pass what it is among the passes of a shot, or null
 */
public record ReelEntry(int item, int place, Item use, Source source, FrameTable table, boolean cell, Pass pass) {
    /** Its reading, with the frames that the item takes of it. */
    public Reading reading() {
        return use.range() == null ? source.reading() : source.reading().withRange(use.range());
    }

    /** What is missing or faulty of the frames that it takes; those that somebody marked aside. */
    public ResumeAdvice advice() {
        return ResumeAdvice.of(table, reading().withMarked(FrameSet.EMPTY));
    }

    /** What its frames hold, with the pixel aspect as it is read. */
    public Optional<PictureFormat> format() {
        return table.format().map(f -> f.withPixelAspect(source.reading().picture().pixelAspectOf(f)));
    }

    public Optional<Rate> rate() {
        return source.reading().rateOf(table);
    }

    /** How often its pictures were packed with loss before, as far as anybody knows. @param clips by source id */
    public int lossyPasses(Map<String, ClipFacts> clips) {
        ClipFacts clip = clips.get(source.id());
        return clip != null ? clip.lossyPasses() : table.sequence().kind() == FileKind.JPEG ? 1 : 0;
    }

    /** Whether it is a file that Vat made as a draft. @param clips by source id */
    public boolean isDraft(Map<String, ClipFacts> clips) {
        return clips.containsKey(source.id()) && clips.get(source.id()).draft();
    }

    public PictureReading picture() {
        PictureReading own = source.reading().picture().resolve(table);
        if (pass == null) {
            return own;
        }
        // Layers of EXR files are premultiplied, where they have alpha at all.
        return table.sequence().kind() == FileKind.EXR ? new PictureReading(AlphaKind.PREMULTIPLIED, pass.layer(), own.colour()) : own;
    }
}
