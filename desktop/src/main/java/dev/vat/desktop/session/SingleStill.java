package dev.vat.desktop.session;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Target;
import dev.vat.core.picture.Depth;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.List;

/** One frame of a source as a project of its own, whose one file is a still that keeps the frame's depth and alpha. */
final class SingleStill {

    /** Its files are called by it, whatever codec keeps what is in the frame. */
    private static final Target FRAMES = Catalogue.target("frames-png");

    private SingleStill() {}

    static Project of(Project whole, Source source, FrameTable table, long number) {
        Project one = Edits.bringIn(List.of(source.location()), Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY.withNaming(whole.naming().replace("{target}", FRAMES.shortName())).withFolder(whole.folder()));
        String id = one.sources().getFirst().id();
        Reading reading = source.reading().withCadence(Cadence.PLAIN);
        one = one.withSource(id, s -> s.withReading(reading.rate() == null ? reading.withRate(Rate.FPS_25) : reading));
        one = SourceEdits.setRange(id, FrameRange.of(number, number)).apply(one);
        one = DeliverableEdits.addTarget(FRAMES).apply(one);
        boolean alpha = source.reading().picture().resolve(table).alpha().carriesTransparency();
        Depth depth = table.format().orElseThrow().depth();
        String codec = depth.floating() ? "frames-exr" + (alpha ? "-rgba" : "")
                : "frames-png" + (alpha ? "-rgba" : "") + (depth.bits() > 8 ? "-16" : "-8");
        return DeliverableEdits.setCodec(one.deliverables().getFirst().id(), Catalogue.codec(codec)).apply(one);
    }
}
