package dev.vat.desktop.session;

import dev.vat.core.pass.MixedPicture;
import dev.vat.core.pass.PassReport;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import dev.vat.engine.picture.PassCheck;
import dev.vat.engine.viewer.Viewer;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Looks at some frames of every item that is made of passes, as soon as it is. On the interface's thread. */
final class PassSums {

    /** What was looked at holds for these frames. */
    private record Seen(List<FrameTable> tables, PassReport report) {}

    private static final Logger LOG = LoggerFactory.getLogger(PassSums.class);

    private final Viewer viewer;
    private final Executor ui;
    private final Runnable changed;
    private final Map<MixedPicture, Seen> seen = new HashMap<>();

    /** @param changed told when something is known that wasn't */
    PassSums(Viewer viewer, Executor ui, Runnable changed) {
        this.viewer = viewer;
        this.ui = ui;
        this.changed = changed;
    }

    Map<MixedPicture, PassReport> reports() {
        return seen.entrySet().stream().filter(e -> e.getValue().report != null)
                .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().report));
    }

    /** Looks at what isn't known yet. */
    void look(ResolvedReel programme) {
        PassCheck.mixed(programme).forEach((picture, span) -> {
            List<FrameTable> tables = tables(programme, span);
            Seen before = seen.get(picture);
            if (before == null || !before.tables.equals(tables)) {
                seen.put(picture, new Seen(tables, null));
                PassCheck.sampled(programme, span).run(viewer, _ -> {}).whenCompleteAsync((report, failure) -> {
                    if (failure == null) {
                        take(picture, tables, report);
                    } else {
                        // What keeps frames from being looked at is told by the frames themselves; the next look asks again.
                        LOG.info("The passes of {} can't be looked at", picture.source(), failure);
                        seen.remove(picture);
                    }
                }, ui);
            }
        });
    }

    /** What the item takes frames of: the source that it stands for, and its passes. */
    private static List<FrameTable> tables(ResolvedReel programme, ReelSpan span) {
        return IntStream.concat(IntStream.of(span.item()), programme.plan().cells(span.item())).mapToObj(programme::entry)
                .flatMap(Optional::stream).map(ReelEntry::table).toList();
    }

    private void take(MixedPicture picture, List<FrameTable> tables, PassReport report) {
        Seen asked = seen.get(picture);
        if (asked != null && asked.tables.equals(tables)) {
            seen.put(picture, new Seen(tables, report));
            changed.run();
        }
    }
}
