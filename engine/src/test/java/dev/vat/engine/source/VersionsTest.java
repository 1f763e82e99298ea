package dev.vat.engine.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.source.Location;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class VersionsTest {

    @TempDir
    Path folder;

    private Path frames(String place, String name) throws IOException {
        Path in = Files.createDirectories(folder.resolve(place));
        for (int n = 1; n <= 3; n++) {
            Files.writeString(in.resolve("%s.%04d.png".formatted(name, n)), "x");
        }
        return in;
    }

    private Location source(String place) throws IOException {
        return SourceFinder.find(folder.resolve(place)).sequences().getFirst().location();
    }

    private static List<String> names(List<Location> found) {
        return found.stream().map(l -> l.folder().getFileName() + "/" + l.name()).toList();
    }

    @Test
    void versionsLieBesideEachOtherInOneFolder() throws IOException {
        frames("shots", "sh010_v01");
        frames("shots", "sh010_v02");
        frames("shots", "sh020_v02");
        frames("shots/deeper", "sh010_v03");
        assertThat(names(Versions.beside(source("shots")))).containsExactly("shots/sh010_v02.####.png");
    }

    @Test
    void versionsLieInFoldersOfTheirOwn() throws IOException {
        frames("sh010_v01", "sh010_v01");
        frames("sh010_v02", "sh010_v02");
        frames("sh010_V11", "sh010_V11");
        frames("sh020_v02", "sh020_v02");
        frames("sh010_wip", "sh010_wip");
        assertThat(names(Versions.beside(source("sh010_v01")))).containsExactly("sh010_V11/sh010_V11.####.png",
                "sh010_v02/sh010_v02.####.png");
    }

    @Test
    void onlyTheFolderNamesTheVersion() throws IOException {
        frames("v001", "kite");
        frames("v002", "kite");
        assertThat(names(Versions.beside(source("v001")))).containsExactly("v002/kite.####.png");
        frames("alone", "kite");
        assertThat(Versions.beside(source("alone"))).isEmpty();
    }
}
