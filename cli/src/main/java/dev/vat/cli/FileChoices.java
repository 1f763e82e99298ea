package dev.vat.cli;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Line;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.GroupLength;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Option;

/** What is said of files on the command line in place of what their targets have; it holds for every file. */
final class FileChoices {

    @Option(names = "--codec", paramLabel = "ID", description = "In place of the target's codec. See: vat targets --codecs")
    private String codec;

    @Option(names = "--container", paramLabel = "KIND", description = "In place of the target's container: mp4, mov, mkv, webm, avi or mxf.")
    private String container;

    @Option(names = "--quality", paramLabel = "TEXT", description = "In place of the target's: a number, '8 Mbit/s', 'constant 8 Mbit/s', '20, at most 12 Mbit/s', '8 Mbit/s in two passes', '25 MB'.")
    private String quality;

    @Option(names = "--flatten", paramLabel = "GROUND", description = "Behind transparent places where a target has no alpha: RRGGBB, checker, or 'picture FILE'.")
    private String flatten;

    @Option(names = "--matte", description = "Alpha as a second file, where a target has none.")
    private boolean matte;

    @Option(names = "--draft", description = "Every file at half size, marked in name and picture.")
    private boolean draft;

    @Option(names = "--accept", paramLabel = "FINDING", description = "An explicit yes to a finding that stands in the way, such as far-enlarged or draft-material; receipts keep it.")
    private List<String> accept = new ArrayList<>();

    @Option(names = "--effort", paramLabel = "HOW", description = "Time against bytes: quick, normal or thorough.")
    private String effort;

    @Option(names = "--group", paramLabel = "LENGTH", description = "From one self-contained frame to the next: '2 s' or '48 frames'.")
    private String group;

    @Option(names = "--first-number", paramLabel = "N", description = "The number of the first still, where frames come out.")
    private Long firstNumber;

    @Option(names = "--colour", paramLabel = "ID", description = "What samples mean, in place of what is usual: rec709, rec709-full, srgb, rec601-625, rec601-525, rec2020, rec2100-pq, rec2100-hlg.")
    private String colour;

    @Option(names = "--look", paramLabel = "FILE", description = "A table of colours (.cube) that pictures go through.")
    private Path look;

    @Option(names = "--loudness", paramLabel = "LUFS", description = "What sound is brought to: -23, or '-16 LUFS, at most -2 dBTP'.")
    private String loudness;

    @Option(names = "--burn-in", paramLabel = "WORDS@PLACE", description = "A line written into every picture, in place of the reel's: '{source} {frame}@bottom-left'. May stand several times.")
    private List<String> burnIn = new ArrayList<>();

    @Option(names = "--clean", description = "Nothing is written into pictures, whatever the reel has.")
    private boolean clean;

    @Option(names = "--scan", paramLabel = "ORDER", description = "progressive, top or bottom: interlaced frames are woven of two reel frames each.")
    private String scan;

    /** @param known the rate that was said, or null */
    Project apply(Project start, Rate known) {
        Project project = start;
        for (Deliverable deliverable : start.deliverables()) {
            String id = deliverable.id();
            try {
                project = codec == null ? project : Edits.setCodec(id, Catalogue.codec(codec)).apply(project);
                project = container == null ? project : Edits.setContainer(id, Container.parse(container)).apply(project);
                project = colour == null ? project : Edits.setColour(id, ColourCoding.parse(colour)).apply(project);
                project = look == null ? project : Edits.setLook(id, Look.of(look)).apply(project);
                for (String finding : accept) {
                    project = Edits.accept(id, finding).apply(project);
                }
                project = effort == null ? project : Edits.follow(id, d -> d.withEffort(Effort.parse(effort))).apply(project);
                project = group == null ? project : Edits.follow(id, d -> d.withGroup(GroupLength.parse(group, known))).apply(project);
                project = firstNumber == null ? project : Edits.follow(id, d -> d.withFirstNumber(firstNumber)).apply(project);
                project = matte ? Edits.setMatte(id, true).apply(project) : project;
                project = scan == null ? project : Edits.setFraming(id, settings(project, id).framing().withScan(Scan.parse(scan))).apply(project);
                project = loudness == null ? project : Edits.follow(id, d -> d.withLoudness(LoudnessTarget.parse(loudness))).apply(project);
                project = burnIn.isEmpty() ? project : Edits.follow(id, d -> d.withBurnIn(BurnIn.NOTHING.withLines(burnIn.stream().map(Line::parse).toList()))).apply(project);
                project = clean ? Edits.follow(id, Deliverable::withCleanPictures).apply(project) : project;
                project = quality == null ? project : Edits.setControl(id, settings(project, id).codec().control(quality)).apply(project);
            } catch (IllegalArgumentException e) {
                throw new CommandFailure(ExitCode.WRONG_USE, deliverable.title() + ": " + e.getMessage());
            }
        }
        if (flatten != null) {
            Ground ground = MakeCommand.parse(absolute(flatten), Ground::parse);
            for (var deliverable : project.deliverables()) {
                project = Edits.setFlatten(deliverable.id(), ground).apply(project);
            }
        }
        return draft ? Edits.setDraft(true).apply(project) : project;
    }

    /** The path of a picture behind, seen from here. */
    private static String absolute(String ground) {
        return ground.startsWith(Ground.PICTURE) ? Ground.PICTURE + Path.of(ground.substring(Ground.PICTURE.length()).strip()).toAbsolutePath() : ground;
    }

    private static Settings settings(Project project, String deliverable) {
        return project.deliverables().stream().filter(d -> d.id().equals(deliverable)).findFirst().orElseThrow().settings();
    }
}
