package dev.vat.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.preview.Preview;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.Rate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A project over some tables, all targets chosen unless said otherwise, at 25. */
final class Case {

    static final Observed.Destination GOOD_FOLDER = new Observed.Destination("/out", null, 1L << 40);

    final Map<String, FrameTable> tables = new LinkedHashMap<>();
    Project project;
    private List<Preview> previews = List.of();
    private Observed.Destination destination = GOOD_FOLDER;

    Case(FrameTable... brought) {
        project = Edits.bringIn(List.of(brought).stream().map(t -> t.sequence().location()).toList(), Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY);
        for (int i = 0; i < brought.length; i++) {
            tables.put("s" + (i + 1), brought[i]);
        }
        edit(DeliverableEdits.addTarget(Catalogue.WEB_H264)).edit(Edits.setRate(Rate.FPS_25));
    }

    Case edit(Edit edit) {
        project = edit.apply(project);
        return this;
    }

    Case into(Observed.Destination other) {
        destination = other;
        return this;
    }

    Case with(Preview... kept) {
        previews = List.of(kept);
        return this;
    }

    Findings find() {
        return Findings.of(project, new Observed(tables, destination).withPreviews(previews));
    }

    /** Frames of what is made. */
    long plays() {
        return ResolvedReel.of(project, tables).orElseThrow().plan().count();
    }

    Finding one(String id) {
        return find().all().stream().filter(f -> f.id().equals(id)).findFirst()
                .orElseThrow(() -> new AssertionError("no " + id + " in " + find().all()));
    }

    /** Presses the n-th remedy of a finding. */
    Case mend(String id, int remedy) {
        Remedy way = one(id).remedies().get(remedy);
        assertThat(way).isInstanceOf(Remedy.Apply.class);
        return edit(((Remedy.Apply) way).edit());
    }
}
