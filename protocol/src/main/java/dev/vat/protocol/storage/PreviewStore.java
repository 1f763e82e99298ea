package dev.vat.protocol.storage;

import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Where previews are kept: {@code DATA/previews/SCENE/CAMERA/camera_v001.mp4}, each with a page about it beside it. Nothing is ever
 * written over, and nothing goes unless somebody says so.
 */
public final class PreviewStore {

    /** What a capture that goes on, or was cut off, has in its folder. */
    public static final String WORK = ".vat-capture-";

    private static final Logger LOG = LoggerFactory.getLogger(PreviewStore.class);
    private static final String PAGE = ".preview.json";
    private static final String MOVIE = ".mp4";

    private final Path folder;

    public PreviewStore(Path folder) {
        this.folder = folder;
    }

    public static PreviewStore in(Places places) {
        return new PreviewStore(places.data().resolve("previews"));
    }

    public Path folder() {
        return folder;
    }

    Path of(String scene, String camera) {
        return folder.resolve(plain(scene)).resolve(plain(camera));
    }

    /** A name that any file system takes. */
    private static String plain(String name) {
        String plain = name.strip().toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
        return plain.isEmpty() ? "unnamed" : plain;
    }

    public Path movie(Preview preview) {
        return of(preview.scene(), preview.wish().camera()).resolve(preview.file());
    }

    private Path page(Preview preview) {
        return movie(preview).resolveSibling(preview.file().replace(MOVIE, PAGE));
    }

    /** A name that no preview of the camera has, nor one that went. */
    public String freshName(String scene, CaptureWish wish) throws IOException {
        Path place = of(scene, wish.camera());
        Files.createDirectories(place);
        int last = 0;
        try (Stream<Path> files = Files.list(place)) {
            for (Path file : files.toList()) {
                String name = file.getFileName().toString();
                if (name.matches(".*_v\\d+\\..*")) {
                    last = Math.max(last, Integer.parseInt(name.replaceAll(".*_v(\\d+)\\..*", "$1")));
                }
            }
        }
        return plain(wish.camera()) + "_v" + String.format(Locale.ROOT, "%03d", last + 1) + MOVIE;
    }

    /** Writes what is known of a preview beside its movie. */
    public void keep(Preview preview) throws IOException {
        Path page = page(preview);
        Path fresh = page.resolveSibling("." + page.getFileName() + ".new");
        Durable.write(fresh, Json.page(preview));
        Files.move(fresh, page, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    /** Every preview whose movie is there, the newest first. */
    public List<Preview> all() {
        List<Preview> found = new ArrayList<>();
        if (!Files.isDirectory(folder)) {
            return found;
        }
        try (Stream<Path> files = Files.walk(folder, 3)) {
            for (Path page : files.filter(f -> f.getFileName().toString().endsWith(PAGE) && !f.getFileName().toString().startsWith("."))
                    .toList()) {
                try {
                    Preview preview = Json.MAPPER.readValue(Files.readString(page), Preview.class);
                    if (Files.isRegularFile(movie(preview))) {
                        found.add(preview);
                    }
                } catch (IOException e) {
                    LOG.info("{} tells of no preview", page.getFileName(), e);
                }
            }
        } catch (IOException e) {
            LOG.info("Previews can't be looked for", e);
        }
        found.sort(Comparator.comparing(Preview::made).thenComparing(Preview::file).reversed());
        return found;
    }

    /** Only one preview of a camera is the approved one: the one before is none any more. @param yes or it is none either */
    public void approve(Preview preview, boolean yes) throws IOException {
        for (Preview other : all()) {
            if (other.approved() && other.scene().equals(preview.scene()) && other.wish().camera().equals(preview.wish().camera())
                    && !other.file().equals(preview.file())) {
                keep(other.withApproved(false));
            }
        }
        keep(preview.withApproved(yes));
    }

    /** Deletes a preview. @return the bytes that are free again */
    public long delete(Preview preview) throws IOException {
        Path movie = movie(preview);
        long bytes = Files.size(movie) + Files.size(page(preview));
        Files.delete(movie);
        Files.delete(page(preview));
        Durable.syncFolder(movie.getParent());
        return bytes;
    }

    /** Folders of captures that go on or were cut off. */
    public List<Path> unfinished() throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.walk(folder, 3)) {
            return files.filter(f -> f.getFileName().toString().startsWith(WORK) && Files.isDirectory(f)).toList();
        }
    }
}
