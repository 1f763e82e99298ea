package dev.vat.engine.run;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.product.VatVersion;
import dev.vat.core.project.Project;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.RatePromise;
import dev.vat.core.recipe.FrameStamp;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.PictureWords;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.EncoderOptions;
import dev.vat.core.run.PartCutting;
import dev.vat.core.run.Remade;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.type.Face;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;

/** Fixes everything that a run will do, from a project and what is known of its sources. */
public final class RunPlanner {

    private static final Words WORDS = Words.of(RunPlanner.class);

    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneOffset.UTC);
    private static final String LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";

    /** What the name of the second file of a pair ends in. */
    private static final String MATTE = "matte";

    private final Clock clock;
    private final RandomGenerator random;
    private final int threads;

    private RunPlanner(Clock clock, RandomGenerator random, int threads) {
        this.clock = clock;
        this.random = random;
        this.threads = threads;
    }

    public static RunPlanner ofSystem() {
        return new RunPlanner(Clock.systemUTC(), RandomGenerator.getDefault(),
                Math.clamp(Runtime.getRuntime().availableProcessors(), 1, 16));
    }

    /**
     * @param programme checked, with no blocker left
     * @param folder where the files go
     * @param clips what movie sources hold, by source id: their sound goes along
     * @param library the media library's version
     */
    public RunPlan plan(Project project, ResolvedReel programme, Path folder, Map<String, ClipFacts> clips, String rateOrigin,
            String library) {
        ReelSound sound = ReelSound.of(programme, clips).orElse(null);
        Rate rate = programme.rate().orElseThrow();
        PictureFormat shape = programme.shape().orElseThrow();
        List<RunSource> sources = programme.entries().stream().map(e -> {
            Sequence sequence = e.table().sequence();
            PictureFormat format = e.format().orElseThrow();
            return new RunSource(sequence.name(), sequence.folder().toString(), sequence.pattern(),
                    sequence.kind(), e.picture(), format.depth().bits(), format.size(), programme.placement(e).orElse(null),
                    e.lossyPasses(clips), e.pass() != null, stamps(e.table(), e.pass() == null));
        }).toList();
        List<RunFile> files = new ArrayList<>();
        for (Deliverable deliverable : project.deliverablesOn()) {
            List<RunFile> pictures = files(project, programme, deliverable, sound);
            files.addAll(pictures);
            files.addAll(SoundFiles.beside(pictures.getFirst(), deliverable, programme, sound));
        }
        return new RunPlan(RunPlan.VERSION, newId(), clock.instant().toString(), VatVersion.current(), library,
                project.name(), programme.reel().name(), rate, rateOrigin, shape.size(), shape.pixelAspect(),
                programme.working(), sources, RunSpans.of(programme), folder.toAbsolutePath().normalize().toString(),
                Face.fingerprint(), sound, files, null);
    }

    /**
     * Of a movie its one file; of numbered frames each.
     *
     * @param looked whether it is these pictures that were looked into: a pass may be another layer
     */
    private static List<FrameStamp> stamps(FrameTable table, boolean looked) {
        Sequence sequence = table.sequence();
        int files = sequence.kind().isMovie() ? 1 : sequence.count();
        return IntStream.range(0, files).mapToObj(i -> new FrameStamp(sequence.number(i), sequence.size(i), sequence.modified(i),
                sequence.kind().isMovie() || !looked ? null : table.lookAt(i).map(FrameLook::pixels).orElse(null),
                sequence.ending(i))).toList();
    }

    /** A deliverable's one file, or two where its matte goes beside it. */
    private List<RunFile> files(Project project, ResolvedReel programme, Deliverable deliverable, ReelSound sound) {
        PictureFormat shape = programme.shape().orElseThrow();
        Rate reelRate = programme.rate().orElseThrow();
        Settings settings = deliverable.settings();
        Rate rate = settings.framing().scanInUse().rate(reelRate);
        long frames = settings.framing().scanInUse().frames(programme.plan().count());
        Frame frame = deliverable.frameFor(shape.size(), shape.pixelAspect());
        Settings solved = settings.solved(frames, rate, sound == null ? 0 : sound.channels(), frame.size());
        String fileName = FileNaming.parse(project.naming()).fileName(deliverable,
                new FileNaming.Context(project.name(), programme.reel().name(),
                        programme.range(), LocalDate.now(clock), frame.size(), rate));
        Treatment treatment = deliverable.treatment(frame);
        PictureWords words = PictureWords.of(programme, deliverable, LocalDate.now(clock).toString()).orElse(null);
        Expectation asked = expected(deliverable, settings, programme, frames, rate, frame, sound, fileName)
                .withBits(RatePromise.of(settings, frame.size(), rate, frames, sound == null ? 0 : sound.channels()));
        RunFile picture = new RunFile(deliverable.id(), deliverable.title(), settings.codec().id(), fileName,
                treatment.look() == null ? treatment : treatment.withLook(printed(treatment.look())), words, threads,
                settings.control().passes(),
                EncoderOptions.mastered(EncoderOptions.labelled(EncoderOptions.options(solved, rate, frame.size()), settings.codec(),
                        asked.timecode()), asked.mastering()),
                PartCutting.cut(settings, rate, frames), asked, deliverable.accepted(),
                RoughForecast.of(settings, frame.size(), frames, rate, programme.transparent()));
        if (!deliverable.makesMatte() || !programme.transparent()) {
            return List.of(picture);
        }
        String matteName = FileNaming.beside(fileName, MATTE);
        Settings plain = settings.withColour(null);
        return List.of(picture, new RunFile(deliverable.matteId(), WORDS.say("matte", deliverable.title()), picture.codec(), matteName,
                treatment.withColour(plain.colourFor(frame.size())).asMatte(), null, threads, picture.passes(), picture.options(),
                picture.parts(),
                expected(deliverable, plain, programme, frames, rate, frame, null, matteName).withBits(asked.bits()),
                deliverable.accepted(), picture.forecast()));
    }

    private static Expectation expected(Deliverable deliverable, Settings settings, ResolvedReel programme, long frames, Rate rate,
            Frame frame, ReelSound sound, String fileName) {
        Expectation expected = Expectation.of(settings, frames, rate, frame.size(), frame.pixelAspect(), sound)
                .withTimecode(programme.start(rate).orElse(null))
                .withMastering(settings.statesMastering() ? deliverable.mastering() : null);
        if (expected.sound() != null) {
            expected = expected.withLevel(SoundFiles.level(deliverable.loudness(), programme, sound));
        }
        return settings.container().isFolder() ? expected.withStills(stills(fileName, deliverable, settings, programme, rate)) : expected;
    }

    /** With the fingerprint of its text, so that another table under the same name is noticed. */
    private static Look printed(Look look) {
        try {
            return AuxiliaryFiles.look(Path.of(look.path()));
        } catch (IOException e) {
            throw new IllegalStateException("Findings let a look through that can't be used: " + e.getMessage(), e);
        }
    }

    /**
     * Numbered as was chosen, or as the source's frames are, where one item is taken frame by frame; else from 1 on. At least four
     * digits.
     */
    private static Expectation.Stills stills(String name, Deliverable deliverable, Settings settings, ResolvedReel programme,
            Rate rate) {
        ReelSpan first = programme.plan().spans().getFirst();
        boolean alike = programme.isOneSource() && first.step() == 1 && first.hold() == 1 && first.range().first() >= 0
                && programme.entries().getFirst().source().reading().gap() != GapPolicy.CLOSE;
        long start = deliverable.firstNumber() != null ? deliverable.firstNumber() : alike ? first.range().first() : 1;
        int digits = Math.max(4, Long.toString(start + programme.plan().count()).length());
        return new Expectation.Stills(new SequencePattern(name + ".", digits, "." + settings.codec().extension(settings.container())),
                start, settings.codec().statesLabel(rate) ? programme.start(rate).map(Timecode::toString).orElse(null) : null,
                settings.compression());
    }

    /**
     * The same plan once more, as a run of its own.
     *
     * @param folder where its files go
     * @param what is made anew of a delivered file, or null for all
     */
    public RunPlan again(RunPlan plan, Path folder, Remade what) {
        return plan.again(newId(), clock.instant().toString(), folder.toString(), what);
    }

    private String newId() {
        StringBuilder id = new StringBuilder(STAMP.format(clock.instant())).append('-');
        for (int i = 0; i < 6; i++) {
            id.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        return id.toString();
    }
}
