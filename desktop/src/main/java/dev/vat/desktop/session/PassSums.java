package dev.vat.desktop.session;

import dev.vat.core.pass.MixedPicture;
import dev.vat.core.pass.PassReport;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import dev.vat.engine.picture.PassCheck;
import dev.vat.engine.viewer.Viewer;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.stream.Collectors;

/** Looks at some frames of every item that is made of passes, as soon as it is. On the interface's thread. */
final class PassSums {

    /** What was looked at holds for these frames. */
    private record Seen(List<FrameTable> tables, PassReport report) {}

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
            List<FrameTable> tables = programme.entries().stream().map(ReelEntry::table).toList();
            Seen before = seen.get(picture);
            if (before != null && before.tables.equals(tables)) {
                return;
            }
            seen.put(picture, new Seen(tables, null));
            PassCheck.sampled(programme, span).run(viewer, _ -> {})
                    // Where it can't be looked at, what stands in the way is told by the frames themselves.
                    .thenAcceptAsync(report -> take(picture, tables, report), ui);
        });
    }

    private void take(MixedPicture picture, List<FrameTable> tables, PassReport report) {
        if (seen.get(picture).tables.equals(tables)) {
            seen.put(picture, new Seen(tables, report));
            changed.run();
        }
    }
}
