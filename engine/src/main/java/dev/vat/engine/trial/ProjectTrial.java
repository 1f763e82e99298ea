package dev.vat.engine.trial;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.project.Project;
import dev.vat.core.proof.Expectation;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.time.Rate;
import dev.vat.core.trial.DeliverableForecast;
import dev.vat.core.trial.Estimate;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.trial.FileShape;
import dev.vat.core.trial.ReelCosts;
import dev.vat.core.trial.Trial;
import dev.vat.core.trial.Variants;
import dev.vat.engine.run.RunPlanner;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A project's files as they are tried, and what that says of each. */
public final class ProjectTrial {

    /** What a run needs before its first frame and behind its last, in seconds: a process, its decoders, delivery. As measured. */
    private static final Estimate START = new Estimate(1, 2.4, 5);
    private static final int PCM_BITS = 24;

    private final Project project;
    private final RunPlan plan;

    private ProjectTrial(Project project, RunPlan plan) {
        this.project = project;
        this.plan = plan;
    }

    /**
     * Of all files that are on.
     *
     * @param project of which nothing stands in the way of making it
     */
    public static ProjectTrial of(Project project, ResolvedReel programme, Map<String, ClipFacts> clips, String library) {
        return of(project, programme, clips, library, project.deliverablesOn().stream().flatMap(d -> Variants.of(d).stream()).toList());
    }

    /** Of other files in their place, each under an id of its own. */
    public static ProjectTrial of(Project project, ResolvedReel programme, Map<String, ClipFacts> clips, String library,
            List<Deliverable> variants) {
        RunPlan plan = RunPlanner.ofSystem().plan(project.withDeliverables(variants), programme, Path.of("trial"), clips, RunPlan.CHOSEN,
                library);
        // Neither names nor what was said yes to changes a bit.
        return new ProjectTrial(project.withDeliverables(variants),
                plan.withFiles(plan.files().stream().filter(f -> !f.isSound()).toList()));
    }

    public RunPlan plan() {
        return plan;
    }

    /** What each file that was tried will be, by its target's id; variants by theirs. */
    public Map<String, FileForecast> files(Trial trial) {
        ReelCosts costs = ReelCosts.of(trial.looked(), plan.frames());
        Map<String, FileForecast> found = new HashMap<>();
        for (RunFile file : plan.files()) {
            if (trial.files().containsKey(file.target())) {
                found.put(file.target(), FileForecast.of(costs, trial.files().get(file.target()), shape(file)));
            }
        }
        return found;
    }

    private FileShape shape(RunFile file) {
        Expectation expected = file.expected();
        Settings settings = deliverable(file.target()).settings();
        return FileShape.of(expected, file.reelFrames(), settings.groupFrames(expected.rate()), soundBytes(expected));
    }

    /** A matte goes with the deliverable that it belongs to. */
    private Deliverable deliverable(String target) {
        return project.deliverables().stream().filter(d -> target.equals(d.id()) || target.equals(d.matteId())).findFirst().orElseThrow();
    }

    private static long soundBytes(Expectation expected) {
        if (expected.sound() == null) {
            return 0;
        }
        SoundCodec codec = SoundCodec.ofReportedName(expected.sound().codec());
        long bits = codec.isLossless() ? (long) PCM_BITS * expected.sound().channels() * expected.sound().rate()
                : codec.bitsPerSecond(expected.sound().channels());
        return expected.sound().seconds().times(bits).dividedBy(dev.vat.core.time.Rational.of(8)).round();
    }

    /**
     * What each deliverable of the project that is meant will be, by its id; its matte is part of it.
     *
     * @param meant the deliverables whose variants were tried
     */
    public Map<String, FileForecast> deliverables(Trial trial, List<Deliverable> meant) {
        Map<String, FileForecast> tried = files(trial);
        Map<String, FileForecast> found = new LinkedHashMap<>();
        for (Deliverable deliverable : meant) {
            Optional<RunFile> file = plan.files().stream().filter(f -> Variants.deliverable(f.target()).equals(deliverable.id()))
                    .findFirst();
            file.flatMap(f -> {
                Rate rate = f.expected().rate();
                int channels = f.expected().sound() == null ? 0 : f.expected().sound().channels();
                Settings solved = deliverable.settings().solved(f.expected().frames(), rate, channels, f.expected().size());
                return DeliverableForecast.of(deliverable, tried, shape(f), rate.seconds(f.expected().frames()).toDouble(), solved);
            }).ifPresent(forecast -> found.put(deliverable.id(), withMatte(forecast, deliverable, tried)));
        }
        return found;
    }

    private static FileForecast withMatte(FileForecast picture, Deliverable deliverable, Map<String, FileForecast> tried) {
        FileForecast matte = tried.get(deliverable.matteId());
        return matte == null ? picture
                : new FileForecast(picture.bytes().plus(matte.bytes()), picture.psnr(), picture.ssim(),
                        picture.makeSeconds().plus(matte.makeSeconds()),
                        picture.proofSeconds().plus(matte.proofSeconds()));
    }

    /** How long a run of all of these takes, in seconds. */
    public static Estimate seconds(Map<String, FileForecast> deliverables) {
        Estimate sum = START;
        for (FileForecast file : deliverables.values()) {
            sum = sum.plus(file.makeSeconds()).plus(file.proofSeconds());
        }
        return sum;
    }

}
