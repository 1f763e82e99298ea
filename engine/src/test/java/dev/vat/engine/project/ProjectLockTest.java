package dev.vat.engine.project;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.engine.TestPlaces;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ProjectLockTest {

    @TempDir
    Path folder;

    @Test
    void theSecondWindowLearnsWhoHasTheProject() throws IOException {
        Places places = TestPlaces.in(folder);
        Path project = Files.writeString(folder.resolve("kite.vat"), "{}");
        Path link = Files.createSymbolicLink(folder.resolve("also.vat"), project);
        ProjectLock.Outcome first = ProjectLock.take(places, project);
        assertThat(first).isInstanceOf(ProjectLock.Outcome.Taken.class);
        assertThat(ProjectLock.take(places, link)).as("by another name").isInstanceOfSatisfying(ProjectLock.Outcome.Elsewhere.class,
                e -> assertThat(e.who()).startsWith("process " + ProcessHandle.current().pid() + ", since "));
        assertThat(ProjectLock.take(places, folder.resolve("other.vat"))).isInstanceOf(ProjectLock.Outcome.Taken.class);
        ((ProjectLock.Outcome.Taken) first).lock().close();
        assertThat(ProjectLock.take(places, link)).isInstanceOf(ProjectLock.Outcome.Taken.class);
    }
}
