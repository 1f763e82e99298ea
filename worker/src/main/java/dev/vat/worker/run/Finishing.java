package dev.vat.worker.run;

import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.product.VatVersion;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.Loudness;
import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.core.sound.ChannelMap;
import dev.vat.media.encode.StillsWriter;
import dev.vat.media.mux.Joining;
import dev.vat.media.mux.Origin;
import dev.vat.media.proof.WaveProof;
import dev.vat.media.sound.BroadcastWave;
import dev.vat.media.sound.LoudnessMeter;
import dev.vat.media.sound.SoundMix;
import dev.vat.media.sound.WovenSound;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.run.Delivery;
import dev.vat.protocol.run.Journal;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import dev.vat.worker.proof.FileProof;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** From closed parts to a delivered file: join, prove, write the receipt, give the file its name. */
final class Finishing {

    static final String MIX = "sound.f32";
    /** In dB: by how much packing with loss may raise a peak. */
    private static final double LOSSY_PEAKS = .5;

    private final RunPlan plan;
    private final Journal journal;
    private final Consumer<FileProgress> listener;
    private final BooleanSupplier goOn;
    private final Path home;
    private Double mixedAt;
    /** By the channels that don't count. */
    private final Map<BitSet, Loudness> measured = new HashMap<>();

    /** @param home the run's own folder, for what all its files share */
    Finishing(Path home, RunPlan plan, Journal journal, Consumer<FileProgress> listener, BooleanSupplier goOn) {
        this.home = home;
        this.plan = plan;
        this.journal = journal;
        this.listener = listener;
        this.goOn = goOn;
    }

    void finish(RunFile planned, List<JournalEntry.PartClosed> parts) throws IOException {
        RunFile file = lit(levelled(planned), parts);
        Path work = RunHome.workFolder(plan, file);
        Path finished = RunHome.finished(plan, file);
        Path joined = file.isSingleStill() ? StillsWriter.file(finished, file.expected().stills(), 0) : finished;
        tell(file, Stage.JOINING, file.expected().frames(), 0, null, null, null, null);
        List<String> packed = List.of();
        if (file.isFolder()) {
            leaveOnlyPlanned(file, finished);
        } else if (file.isSound()) {
            packed = List.of(write(file, joined));
        } else {
            packed = join(file, parts, work, joined);
        }
        Durable.syncFolder(joined.getParent());
        prove(file, parts, packed, joined);
    }

    /** Stills of a part that was open when the run was stopped go, where the file ends before them. */
    private static void leaveOnlyPlanned(RunFile file, Path folder) throws IOException {
        Set<Path> planned = new HashSet<>();
        for (long frame = 0; frame < file.expected().frames(); frame++) {
            planned.add(StillsWriter.file(folder, file.expected().stills(), frame));
        }
        try (Stream<Path> there = Files.list(folder)) {
            for (Path still : there.filter(f -> !planned.contains(f)).toList()) {
                Files.delete(still);
            }
        }
    }

    private List<String> join(RunFile file, List<JournalEntry.PartClosed> parts, Path work, Path joined) throws IOException {
        List<String> packed = Joining.join(parts.stream().map(p -> new Joining.Part(
                PartStore.partFile(work, file, new RunPart(p.part(), p.first(), p.frames())),
                file.codecInCatalogue().partContainer(),
                p.first(), p.frames())).toList(),
                new Joining.Target(joined, file.expected().container(), file.expected().indexInFront(), file.expected().rate(),
                        file.expected().pixelAspect(), file.expected().timecode())
                        .withStreamBits(file.expected().streamBits()).withLoops(file.expected().loops())
                        .withLight(file.expected().light(), file.expected().mastering())
                        .withOrigin(new Origin(VatVersion.NAME, plan.vat(), plan.run() + "/" + file.target(), Instant.parse(plan.made()))),
                sound(file));
        Durable.sync(joined);
        return packed;
    }

    /** Sound alone, with how loud it is in its head. @return fingerprint of its samples */
    private String write(RunFile file, Path into) throws IOException {
        Expectation expected = file.expected();
        String print = BroadcastWave.write(sound(file),
                new BroadcastWave.Head(plan.project() + ", " + plan.reel() + ": " + file.title(), VatVersion.NAME, plan.vat(),
                        plan.run() + "/" + file.target(), plan.run(), Instant.parse(plan.made()),
                        expected.timeReference() == null ? 0 : expected.timeReference()),
                into);
        BroadcastWave.state(WaveProof.loudness(into, expected), into);
        Durable.sync(into);
        return print;
    }

    private void prove(RunFile file, List<JournalEntry.PartClosed> parts, List<String> packed, Path joined) throws IOException {
        Pace pace = new Pace();
        Receipt receipt = FileProof.of(plan, file,
                parts.stream().map(p -> new Receipt.PartLine(p.part(), p.first(), p.frames(), p.bytes(), p.crc())).toList(),
                parts.stream().flatMap(p -> p.checked().stream()).toList(), packed, joined, done -> {
                    pace.frame();
                    tell(file, Stage.PROVING, done, 0, pace, joined, null, null);
                    return goOn.getAsBoolean();
                });
        Path receiptWork = ReceiptFile.of(joined);
        Durable.write(receiptWork, Json.page(receipt));
        if (!receipt.proven()) {
            journal.write(new JournalEntry.Unproven(file.target(), joined.toString(), receiptWork.toString(), receipt.reasons()));
            tell(file, Stage.UNPROVEN, file.expected().frames(), Durable.size(joined), null, joined, receiptWork,
                    String.join("; ", receipt.reasons()));
            return;
        }
        journal.write(new JournalEntry.Proven(file.target(), joined.toString(), receiptWork.toString()));
        Path delivered = Delivery.deliver(joined, receipt, Path.of(plan.folder()));
        journal.write(new JournalEntry.Delivered(file.target(), delivered.toString()));
        RunHome.deleteWorkFolder(plan, file);
        tell(file, Stage.DELIVERED, file.expected().frames(), Durable.size(delivered), null, delivered, ReceiptFile.of(delivered), null);
    }

    /** With the light of its frames, which is known once all of them are made. */
    private static RunFile lit(RunFile file, List<JournalEntry.PartClosed> parts) {
        return ContentLight.of(parts.stream().flatMap(p -> p.checked().stream()).map(Receipt.FrameLine::light).toList())
                .map(light -> file.withExpected(file.expected().withLight(light))).orElse(file);
    }

    /**
     * With the loudness that its sound is brought to: what was wanted, or as much as its peaks allow. Silence can't be brought anywhere.
     */
    private RunFile levelled(RunFile file) throws IOException {
        Expectation.Level level = file.expected().level();
        if (level == null || file.expected().sound() == null) {
            return file;
        }
        Loudness found = measured(level, counting(file));
        if (found.integrated() == null) {
            return file.withExpected(file.expected().withLevel(null));
        }
        double room = level.mostPeak() - (codec(file).isLossless() ? 0 : LOSSY_PEAKS) - found.truePeak();
        return file.withExpected(file.expected().withLevel(level.reaching(Math.min(level.wanted(), found.integrated() + room))));
    }

    /** How loud the programme is as it was brought in, without what stands before and behind it: as a rule one for all files of a run. */
    private Loudness measured(Expectation.Level level, List<ChannelMap> shared) throws IOException {
        BitSet left = left(shared);
        Loudness known = measured.get(left);
        if (known != null) {
            return known;
        }
        Path mix = home.resolve("measured.f32");
        SoundMix.write(plan.sound().withoutTones(), mix);
        Loudness found = LoudnessMeter.ofMix(mix, plan.sound().channels(), left, level.from(), level.to());
        Files.delete(mix);
        measured.put(left, found);
        return found;
    }

    /** The tracks whose channels count for how loud it is: of sound alone all of them, so that files stay as loud as they were together. */
    private static List<ChannelMap> counting(RunFile file) {
        return file.isSound() ? List.of() : file.expected().shared();
    }

    /** Channels, from 0, that none of a file's tracks has, and that nobody hears in it. */
    private BitSet left(List<ChannelMap> shared) {
        BitSet left = new BitSet();
        if (!shared.isEmpty()) {
            left.set(0, plan.sound().channels());
            shared.stream().flatMap(t -> t.from().stream()).filter(c -> c > 0).forEach(c -> left.clear(c - 1));
        }
        return left;
    }

    private static SoundCodec codec(RunFile file) {
        return SoundCodec.ofReportedName(file.expected().sound().codec());
    }

    /** The reel's sound, put together once for all files that have it at one level. */
    private WovenSound sound(RunFile file) throws IOException {
        if (plan.sound() == null || file.expected().sound() == null) {
            return null;
        }
        Expectation.Level level = file.expected().level();
        double gain = level == null ? 0 : level.integrated() - measured(level, counting(file)).integrated();
        Path mix = home.resolve(MIX);
        if (!Objects.equals(mixedAt, gain)) {
            SoundMix.write(plan.sound(), gain, mix);
            mixedAt = gain;
        }
        return new WovenSound(mix, plan.sound().channels(), plan.sound().isPlaced(), codec(file),
                file.expected().sound().seconds().times(SoundCodec.RATE).round(), file.expected().shared());
    }

    void failed(RunFile file, String why) throws IOException {
        journal.write(new JournalEntry.Failed(file.target(), why));
    }

    private void tell(RunFile file, Stage stage, long done, long bytes, Pace pace, Path path, Path receipt,
            String why) {
        listener.accept(new FileProgress(file.target(), stage, done, file.expected().frames(), bytes,
                pace == null ? 0 : pace.speed(), pace == null ? -1 : pace.secondsLeft(file.expected().frames() - done),
                path == null ? null : path.toString(), receipt == null ? null : receipt.toString(), why));
    }
}
