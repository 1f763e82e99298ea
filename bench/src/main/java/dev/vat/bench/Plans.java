package dev.vat.bench;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.engine.run.RunPlanner;
import dev.vat.engine.source.SourceFinder;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** Plans over measured material; each real file is looked into once. */
final class Plans {

    private Plans() {}

    static RunPlan of(Path frames, Path out, List<String> targets) throws IOException {
        return of(List.of(frames), out, targets, project -> project);
    }

    /** Of several sequences. @param change what becomes of the project */
    static RunPlan of(List<Path> folders, Path out, List<String> targets, UnaryOperator<Project> change) throws IOException {
        List<Sequence> sequences = new ArrayList<>();
        for (Path folder : folders) {
            sequences.add(SourceFinder.find(folder).sequences().getFirst());
        }
        Project project = Project.EMPTY;
        for (Sequence sequence : sequences) {
            project = Edits.bringIn(List.of(sequence.location()), Edits.Layout.ONE_PROGRAMME).apply(project);
        }
        boolean woven = targets.stream().anyMatch(t -> Catalogue.target(t).settings().framing().scanInUse().isInterlaced());
        project = Edits.setFolder(Place.of(out)).apply(Edits.setRate(woven ? Rate.of(50) : Rate.FPS_25).apply(project));
        for (String target : targets) {
            project = DeliverableEdits.addTarget(Catalogue.target(target)).apply(project);
        }
        Map<String, FrameTable> tables = new HashMap<>();
        for (int i = 0; i < sequences.size(); i++) {
            tables.put("s" + (i + 1), table(sequences.get(i)));
        }
        Project changed = change.apply(project);
        return RunPlanner.ofSystem().plan(changed, ResolvedReel.of(changed, tables).orElseThrow(), out, Map.of(), "bench",
                MediaLibrary.version());
    }

    private static FrameTable table(Sequence sequence) throws IOException {
        FrameTable.Collector table = FrameTable.collect(sequence);
        try (FrameReader reader = new FrameReader()) {
            Map<Path, FrameCheck> known = new HashMap<>();
            for (int i = 0; i < sequence.count(); i++) {
                Path file = sequence.file(sequence.number(i));
                FrameCheck check = known.get(file.toRealPath());
                if (check == null) {
                    check = reader.check(file, sequence.kind(), PictureChoice.MAIN, sequence.number(i));
                    known.put(file.toRealPath(), check);
                }
                table.add(check.at(sequence.number(i)));
            }
        }
        return table.build();
    }
}
