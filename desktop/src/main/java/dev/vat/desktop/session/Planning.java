package dev.vat.desktop.session;

import dev.vat.core.project.Project;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** The current reel with what is known of its sources; it is made anew only when either isn't what it was. */
final class Planning {

    private final Supplier<Project> project;
    private final Watch watch;
    private Planned planned;

    /** A resolved reel with what it was made of: as long as that stays, so does it. */
    private record Planned(Project project, Map<String, FrameTable> tables, Optional<ResolvedReel> reel) {}

    Planning(Supplier<Project> project, Watch watch) {
        this.project = project;
        this.watch = watch;
    }

    Optional<ResolvedReel> reel() {
        Map<String, FrameTable> tables = watch.tables();
        if (planned == null || planned.project != project.get() || !planned.tables.equals(tables)) {
            planned = new Planned(project.get(), Map.copyOf(tables), ResolvedReel.of(project.get(), tables));
        }
        return planned.reel;
    }

    Optional<ReelSound> sound() {
        return reel().flatMap(r -> ReelSound.of(r, watch.clips()));
    }
}
