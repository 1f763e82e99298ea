package dev.vat.worker.proof;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.Standing;
import dev.vat.core.proof.Expectation;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** What a receipt says in words: what became of pictures and sound on their way, and what somebody decided. */
final class ReceiptNotes {

    private static final Words WORDS = Words.of(ReceiptNotes.class);

    private ReceiptNotes() {}

    static List<String> of(RunPlan plan, RunFile file, Path joined) throws IOException {
        List<String> notes = new ArrayList<>();
        long bytes = Durable.size(joined);
        if (file.forecast() != null && !file.forecast().holds(bytes)) {
            notes.add(WORDS.say("thanWasForecast",
                    RoughForecast.bytes(bytes) + (bytes < file.forecast().lowBytes() ? WORDS.say("less") : WORDS.say("more")),
                    file.forecast()));
        }
        notes.add(WORDS.say("rate", plan.rate().label(), plan.rateOrigin()));
        if (FileProof.reelFrames(plan, file) < plan.frames()) {
            notes.add(WORDS.say("endedEarlyByHandTheFirst", FileProof.reelFrames(plan, file), plan.frames()));
        }
        if (plan.remade() != null && plan.remade().frames().isEmpty()) {
            notes.add(WORDS.say("soundLaidAnewThePictures", Path.of(plan.remade().file()).getFileName(), plan.remade().sha256()));
        } else if (plan.remade() != null) {
            notes.add(WORDS.say("madeAnewOfSHA256FramesChanged", Path.of(plan.remade().file()).getFileName(), plan.remade().sha256(),
                    plan.remade().frames(), plan.remade().taken().size(), file.parts().size()));
        }
        if (file.isSound()) {
            notes.add(WORDS.say("soundBeside"));
        } else {
            picture(plan, file, notes);
        }
        file.accepted().stream().sorted().forEach(id -> notes.add(WORDS.say("saidYesToAllTheSame", id)));
        Expectation.Level level = file.expected().level();
        if (level != null && level.integrated() < level.wanted() - .05) {
            notes.add(WORDS.say("loudnessLUFSWereWantedTrue", Words.decimal(level.wanted(), 1), Words.decimal(level.mostPeak(), 1),
                    Words.decimal(level.integrated(), 1)));
        }
        if (plan.sound() != null && !plan.sound().pieces().isEmpty()) {
            notes.add(WORDS.say("soundOfAt48KHzAsLongAsThe",
                    plan.sound().pieces().stream().map(p -> Path.of(p.path()).getFileName().toString()).distinct()
                            .collect(Collectors.joining(", ")),
                    plan.sound().layout()));
        }
        return notes;
    }

    /** What became of its pictures. */
    private static void picture(RunPlan plan, RunFile file, List<String> notes) {
        boolean transparent = plan.sources().stream().anyMatch(s -> s.picture().alpha().carriesTransparency());
        if (file.expected().alphaBits() == 0 && transparent && !file.treatment().isMatte()) {
            notes.add(WORDS.say("transparentPlacesFlattened", file.treatment().ground().words()));
        }
        if (file.expected().alphaBits() > 0) {
            notes.add(WORDS.say("alphaIsCodedInBitsFromBit",
                    (file.treatment().colour().equals(ColourCoding.LINEAR) ? WORDS.say("premultiplied") : WORDS.say("straight")),
                    file.expected().alphaBits(), file.expected().codedBits(), (transparent ? "" : WORDS.say("opaqueEverywhereItCarries"))));
        }
        if (plan.sources().stream().anyMatch(s -> s.picture().alpha() == AlphaKind.PREMULTIPLIED)) {
            notes.add(WORDS.say("premultipliedAlphaOfThe"));
        }
        plan.sources().stream().filter(s -> s.picture().colour().kind() != ColourReading.Kind.DISPLAY)
                .forEach(s -> notes.add(s.name() + ": " + s.picture().colour().describe()
                        + (file.treatment().colour().isHighRange() ? "" : WORDS.say("rec709PrimariesClampedIn"))));
        plan.sources().stream().filter(s -> s.picture().fields() == FieldReading.DEINTERLACED)
                .forEach(s -> notes.add(WORDS.say("deinterlacedTheMomentOf", s.name())));
        plan.sources().stream().filter(s -> s.picture().fields() == FieldReading.EACH)
                .forEach(s -> notes.add(WORDS.say("eachFieldAFrameOfItsOwn", s.name())));
        plan.sources().stream().filter(s -> s.picture().standing() == Standing.STORED)
                .forEach(s -> notes.add(WORDS.say("picturesAsStoredWhatever", s.name())));
        plan.sources().stream().filter(s -> s.picture().layer() != null && !s.picture().layer().isEmpty())
                .forEach(s -> notes.add(WORDS.say("layer", s.name(), s.picture().layer())));
        int deepest = plan.sources().stream().mapToInt(RunSource::bits).max().orElse(8);
        if (deepest > file.expected().codedBits()) {
            notes.add(WORDS.say("bitSourceDitheredToBits", deepest, file.expected().codedBits()));
        }
        new Frame(file.expected().size(), file.expected().pixelAspect(), file.treatment().placement())
                .describe(plan.size(), plan.pixelAspect())
                .forEach(notes::add);
        if (file.expected().light() != null && file.expected().mastering() == null) {
            notes.add(WORDS.say("onWhichDisplay"));
        }
        if (file.treatment().scan().isInterlaced()) {
            notes.add(WORDS.say("twoMomentsWovenIntoEach", file.treatment().scan().title()));
        }
        if (file.treatment().draft()) {
            notes.add(WORDS.say("draftHalfSizeWhereTheCodec"));
        }
        if (file.words() != null && !file.words().burnIn().isNothing()) {
            BurnIn burnIn = file.words().burnIn();
            String lines = burnIn.lines().stream().map(l -> WORDS.say("atThe", l.words().text(), l.at().title()))
                    .collect(Collectors.joining("; "));
            notes.add(WORDS.say("writtenIntoThePictures", lines, (burnIn.watermark() == null ? ""
                    : WORDS.say("theMark", (lines.isEmpty() ? "" : "; "), Path.of(burnIn.watermark().path()).getFileName())),
                    (burnIn.face() == null ? "" : WORDS.say("setIn", Path.of(burnIn.face()).getFileName()))));
        }
        if (file.treatment().isMatte()) {
            notes.add(WORDS.say("theMatteOfTheFileBeside"));
        }
        if (file.treatment().look() != null) {
            notes.add(WORDS.say("lookOnDisplayCodesInterpolated", file.treatment().look().name(), file.treatment().look().crc()));
        }
        if (file.treatment().colour().isHighRange() || file.treatment().colour().equals(ColourCoding.REC2020)) {
            notes.add(file.treatment().colour().describe());
        }
    }
}
