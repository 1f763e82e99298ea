package dev.vat.engine.handover;

import dev.vat.core.delivery.FileNaming;
import dev.vat.core.handover.ContactSheet;
import dev.vat.core.handover.EdlText;
import dev.vat.core.handover.ForRecipient;
import dev.vat.core.handover.Manifest;
import dev.vat.core.handover.OtioWriter;
import dev.vat.core.handover.Timeline;
import dev.vat.core.product.VatVersion;
import dev.vat.core.proof.Receipt;
import dev.vat.core.words.Words;
import dev.vat.engine.process.Task;
import dev.vat.engine.viewer.ContactSheetFile;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Puts together what leaves the house: films with their receipts and proof sheets, the timeline, contact sheets, a list in plain words and
 * a manifest. It is put together beside its place, read again whole, and gets its name only then.
 */
public final class HandOverSet {

    private static final Words WORDS = Words.of(HandOverSet.class);

    private static final String LIST = "contents.txt";
    private static final String WORK = ".vat-set-";
    private static final int MOST_VERSIONS = 1000;
    private static final int LONGEST_NAME = 100;

    /**
     * What is wanted.
     *
     * @param name of the folder, or of the ZIP file without its ending
     * @param folder where it goes
     * @param films files that Vat made, with their receipts beside them
     * @param timeline the reel that they were made of, or null to leave it out
     * @param comment for the recipient, may be empty
     * @param zip whether it becomes one ZIP file
     * @param sheets whether proof sheets and contact sheets go along
     */
    public record Wish(String name, Path folder, List<Path> films, Timeline timeline, String comment, boolean zip, boolean sheets) {
        public Wish {
            name = name.strip();
            if (name.isEmpty() || name.length() > LONGEST_NAME || name.matches(".*[\\\\/:*?\"<>|\\p{Cntrl}].*") || name.startsWith(".")) {
                throw new IllegalArgumentException(WORDS.say("aSetsNameIsThatOfAFolder", name));
            }
            films = films.stream().map(f -> f.toAbsolutePath().normalize()).distinct().toList();
            if (films.isEmpty()) {
                throw new IllegalArgumentException(WORDS.say("aSetHasOneFileAtLeast"));
            }
        }
    }

    private final Places places;
    private final Wish wish;
    private final Consumer<String> doing;
    private final Clock clock;
    private final List<Receipt> receipts = new ArrayList<>();
    private final List<ForRecipient.Other> others = new ArrayList<>();

    private HandOverSet(Places places, Wish wish, Consumer<String> doing, Clock clock) {
        this.places = places;
        this.wish = wish;
        this.doing = doing;
        this.clock = clock;
    }

    /**
     * @param doing told in words what goes on
     * @return where the set is
     * @throws IOException naming the file, if one can't be read, has no receipt, or isn't what was written
     */
    public static Path make(Places places, Wish wish, Consumer<String> doing) throws IOException, InterruptedException {
        return new HandOverSet(places, wish, doing, Clock.systemUTC()).run();
    }

    private Path run() throws IOException, InterruptedException {
        requireReceipts();
        Files.createDirectories(wish.folder());
        Path work = Files.createTempDirectory(wish.folder(), WORK);
        Path set = Files.createDirectory(work.resolve(wish.name()));
        try {
            for (Path film : wish.films()) {
                copy(film, set);
            }
            if (wish.timeline() != null) {
                timeline(set);
            }
            if (wish.sheets()) {
                sheets(set);
            }
            Durable.write(set.resolve(LIST), ForRecipient.text(wish.name(),
                    clock.instant().truncatedTo(ChronoUnit.DAYS).toString().substring(0, 10), wish.comment(), receipts, others));
            manifest(set);
            doing.accept(WORDS.say("readingAllOfItAgain"));
            SetCheck.Result read = SetCheck.check(set);
            if (!read.holds()) {
                throw new IOException(WORDS.say("whatWasWrittenIsntWhatWas", String.join("; ", read.reasons())));
            }
            return named(wish.zip() ? zipped(work, set) : set);
        } finally {
            Durable.deleteTree(work);
        }
    }

    private void requireReceipts() throws IOException {
        Set<String> names = new HashSet<>();
        for (Path film : wish.films()) {
            if (!Files.exists(film)) {
                throw new NoSuchFileException(film.toString(), null, WORDS.say("thereIsNoSuchFile"));
            }
            if (!Files.isRegularFile(ReceiptFile.of(film))) {
                throw new NoSuchFileException(film.toString(), null, WORDS.say("itHasNoReceiptBesideItOnly"));
            }
            if (!names.add(film.getFileName().toString())) {
                throw new FileAlreadyExistsException(film.toString(), null, WORDS.say("twoFilesOfOneNameCantLie"));
            }
        }
    }

    private void copy(Path film, Path set) throws IOException {
        doing.accept(WORDS.say("copying", film.getFileName()));
        Receipt receipt = ReceiptFile.read(ReceiptFile.of(film));
        Path target = set.resolve(film.getFileName().toString());
        if (Files.isDirectory(film)) {
            Files.createDirectories(target);
            for (String file : SetCheck.files(film).toList()) {
                copied(film.resolve(file), target.resolve(file));
            }
        } else {
            copied(film, target);
        }
        String now = Durable.sha256(target);
        if (receipt.sha256() != null && !receipt.sha256().equals(now)) {
            throw new IOException(WORDS.say("isntTheFileThatItsReceipt", film));
        }
        // As its name is in here, whatever it was called.
        receipts.add(receipt.withFile(target.getFileName().toString()));
        Durable.write(ReceiptFile.of(target), Json.page(receipts.getLast()));
        others.add(new ForRecipient.Other(ReceiptFile.of(target).getFileName().toString(),
                WORDS.say("whatWasAskedForAndWhatWas", target.getFileName())));
    }

    private static void copied(Path file, Path to) throws IOException {
        Files.createDirectories(to.getParent());
        Files.copy(file, to, StandardCopyOption.COPY_ATTRIBUTES);
        Durable.sync(to);
    }

    private void timeline(Path set) throws IOException {
        doing.accept(WORDS.say("writingTheTimeline"));
        String name = FileNaming.legal(wish.timeline().name());
        Durable.write(set.resolve(name + ".otio"), OtioWriter.writeWithoutPlaces(wish.timeline()));
        others.add(new ForRecipient.Other(name + ".otio", WORDS.say("theTimelineForEditingPrograms")));
        Durable.write(set.resolve(name + ".edl"), EdlText.writeWithoutPlaces(wish.timeline()));
        List<String> left = EdlText.leftOut(wish.timeline());
        others.add(new ForRecipient.Other(name + ".edl",
                WORDS.say("theSameAsAnEditListCMX3600", (left.isEmpty() ? "" : WORDS.say("itCantSay", String.join("; ", left))))));
    }

    private void sheets(Path set) throws IOException, InterruptedException {
        try (Viewer viewer = new Viewer(places)) {
            for (Receipt receipt : receipts) {
                Path film = set.resolve(receipt.file());
                doing.accept(WORDS.say("writingSheetsOf", receipt.file()));
                if (Files.isRegularFile(film)) {
                    Task.ask(places, new TaskMessage.WriteSheet(1, film.toString()), _ -> {}, TaskMessage.SheetWritten.class::isInstance);
                    others.add(new ForRecipient.Other(receipt.file() + ".proof.pdf, .html", WORDS.say("onePageToLookAtFiguresFrames")));
                    if (receipt.isSound()) {
                        continue;
                    }
                    Path contacts = set.resolve(receipt.file() + ".contacts.pdf");
                    ContactSheetFile.write(viewer, ContactSheet.ofFilm(film, receipt), contacts);
                    others.add(new ForRecipient.Other(contacts.getFileName().toString(), WORDS.say("contactSheet")));
                }
            }
        }
    }

    private void manifest(Path set) throws IOException {
        doing.accept(WORDS.say("takingFingerprints"));
        List<Manifest.Entry> entries = new ArrayList<>();
        for (String path : SetCheck.files(set).toList()) {
            Path file = set.resolve(path);
            entries.add(new Manifest.Entry(path, Files.size(file), Files.getLastModifiedTime(file).toInstant(), Digests.of(file)));
        }
        Instant now = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        Manifest manifest = new Manifest(now, "Vat", VatVersion.current(), entries);
        Path home = Files.createDirectory(set.resolve(Manifest.FOLDER));
        String text = MhlText.write(manifest);
        String name = manifest.fileName(1, wish.name());
        Durable.write(home.resolve(name), text);
        Durable.write(home.resolve(Manifest.CHAIN), MhlText.chain(name, Digests.of(home.resolve(name)).c4()));
    }

    /** Films are packed already: everything is stored as it is. */
    private Path zipped(Path work, Path set) throws IOException {
        doing.accept(WORDS.say("packingTheZIPFile"));
        Path zip = work.resolve(wish.name() + ".zip");
        try (ZipOutputStream out = new ZipOutputStream(
                Files.newOutputStream(zip, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE))) {
            out.setLevel(0);
            List<Path> files;
            try (var all = Files.walk(set)) {
                files = all.filter(Files::isRegularFile).sorted().toList();
            }
            for (Path file : files) {
                ZipEntry entry = new ZipEntry(work.relativize(file).toString().replace('\\', '/'));
                entry.setLastModifiedTime(Files.getLastModifiedTime(file));
                out.putNextEntry(entry);
                Files.copy(file, out);
                out.closeEntry();
            }
        }
        Durable.sync(zip);
        SetCheck.Result read = SetCheck.check(zip);
        if (!read.holds()) {
            throw new IOException(WORDS.say("theZIPFileIsntWhatWasTo", String.join("; ", read.reasons())));
        }
        return zip;
    }

    /** Under its name, or the next free version of it. */
    private Path named(Path made) throws IOException {
        String ending = wish.zip() ? ".zip" : "";
        for (int version = 1; version < MOST_VERSIONS; version++) {
            Path target = wish.folder().resolve(wish.name() + (version == 1 ? "" : "_v%02d".formatted(version)) + ending);
            if (Files.notExists(target)) {
                Files.move(made, target, StandardCopyOption.ATOMIC_MOVE);
                Durable.syncFolder(wish.folder());
                return target;
            }
        }
        throw new IOException(WORDS.say("noFreeNameForIn", wish.name(), wish.folder()));
    }
}
