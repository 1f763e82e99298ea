package dev.vat.engine.run;

import dev.vat.core.content.ContentReview;
import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.finding.WrittenWords;
import dev.vat.core.pass.MixedPicture;
import dev.vat.core.pass.PassReport;
import dev.vat.core.preview.Preview;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.picture.PassCheck;
import dev.vat.engine.storage.FolderRule;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import dev.vat.protocol.storage.PreviewStore;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletionException;

/** From a project to a plan without a window: its sources are listed and checked whole, then it is judged. */
public sealed interface Preparation {

    /** All that is known of the project now. */
    Findings findings();

    /**
     * Files that can be made.
     *
     * @param complete whether every frame that is expected is there and good
     * @param leftOut what stands in the way of single files, which aren't in the plan: the others don't wait for them
     */
    record Ready(Findings findings, RunPlan plan, boolean complete, List<Finding> leftOut) implements Preparation {}

    /** Something stands in the way. */
    record Blocked(Findings findings) implements Preparation {}

    /**
     * @param places where approved previews are kept
     * @throws IOException with the reason in words, if a source can't be read
     */
    static Preparation of(Project project, Places places, Viewer viewer, Survey.Check check) throws IOException {
        Survey survey = Survey.of(project, viewer, check);
        Map<MixedPicture, PassReport> passes = passes(project, survey, viewer);
        List<Preview> previews = PreviewStore.in(places).all();
        Findings findings = judge(project, survey, passes, previews);
        List<Finding> leftOut = findings.blockers();
        Project possible = project;
        for (Finding blocker : leftOut) {
            if (blocker.target() == null) {
                return new Blocked(findings);
            }
            possible = DeliverableEdits.switchOff(blocker.target(), true).apply(possible);
        }
        if (possible.deliverablesOn().isEmpty() || !leftOut.isEmpty() && !judge(possible, survey, passes, previews).mayRun()) {
            return new Blocked(findings);
        }
        ResolvedReel programme = ResolvedReel.of(possible, survey.tables()).orElseThrow();
        return new Ready(findings, RunPlanner.ofSystem().plan(possible, programme, FolderRule.USUAL.folderOf(possible), survey.clips(),
                RunPlan.CHOSEN, viewer.library()), programme.isComplete(), leftOut);
    }

    /** What is to be said of a project whose sources were looked into; the sums of passes by samples. */
    static Findings judge(Project project, Survey survey, Places places, Viewer viewer) throws IOException {
        return judge(project, survey, passes(project, survey, viewer), PreviewStore.in(places).all());
    }

    private static Findings judge(Project project, Survey survey, Map<MixedPicture, PassReport> passes, List<Preview> previews) {
        Map<String, ContentReview> reviews = new HashMap<>();
        survey.tables().forEach((source, table) -> reviews.put(source, ContentReview.of(table)));
        return Findings.of(project,
                new Observed(survey.tables(), reviews, survey.clips(), DestinationProbe.probe(FolderRule.USUAL.folderOf(project)), Set.of(),
                        AuxiliaryFiles.unusable(AuxiliaryFiles.files(project)), AuxiliaryFiles.lacking(WrittenWords.byFace(project)))
                        .withPasses(passes).withPreviews(previews));
    }

    private static Map<MixedPicture, PassReport> passes(Project project, Survey survey, Viewer viewer) throws IOException {
        Map<MixedPicture, PassReport> reports = new HashMap<>();
        Map<MixedPicture, PassCheck> checks = ResolvedReel.of(project, survey.tables()).map(PassCheck::sampled).orElse(Map.of());
        try {
            for (Map.Entry<MixedPicture, PassCheck> check : checks.entrySet()) {
                reports.put(check.getKey(), check.getValue().run(viewer, _ -> {}).join());
            }
        } catch (CompletionException e) {
            throw new IOException(e.getCause().getMessage(), e.getCause());
        }
        return reports;
    }
}
