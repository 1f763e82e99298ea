package dev.vat.engine.process;

import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.storage.Places;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** How a worker process is started: by the Java that this process runs on, with its class path. */
final class WorkerCommand {

    /** A run reads whole files into the heap, a few at a time; everything large is outside of it. */
    private static final String HEAP = "-Xmx1g";

    /** Where the media library's native parts are unpacked; an owner that was told another place hands it on. */
    private static final String NATIVE_CACHE = "org.bytedeco.javacpp.cachedir";

    private static final String MMAP_THRESHOLD = "MALLOC_MMAP_THRESHOLD_";
    private static final String TRIM_THRESHOLD = "MALLOC_TRIM_THRESHOLD_";
    private static final Path NICE = Path.of("/usr/bin/nice");
    private static final Path TASKSET = Path.of("/usr/bin/taskset");

    /** Names the file in which this Java keeps classes ready (an AOT cache, JEP 514) that were loaded by the same class path. */
    private static final String CACHE = "vat.worker.cache";

    /** Names another main class, for rigs that disturb workers. */
    private static final String OTHER_MAIN_CLASS = "vat.worker.main";

    private WorkerCommand() {}

    /** @param restraint how it steps back, or null if it doesn't */
    static Process start(WorkerRole role, Places places, Restraint restraint) throws IOException {
        Path scratch = places.scratch();
        Files.createDirectories(scratch);
        Files.createDirectories(places.log());
        ProcessBuilder builder = new ProcessBuilder(command(role, places, restraint));
        builder.directory(scratch.toFile());
        if (role == WorkerRole.CAPTURE) {
            // It is over soon, and memory that the system takes back and gives again with each picture costs more than the picture.
            builder.environment().put(MMAP_THRESHOLD, "33554432");
            builder.environment().put(TRIM_THRESHOLD, "67108864");
        } else {
            // Keeps the native heap from growing over a long session.
            builder.environment().put(MMAP_THRESHOLD, "65536");
        }
        builder.environment().put("SVT_LOG", "0");
        return builder.start();
    }

    /** Low priority and some of the cores only, where the system has the means. */
    private static List<String> steppingBack(WorkerRole role, Restraint restraint) {
        List<String> before = new ArrayList<>();
        if (restraint == null) {
            // Who turns over frames wants each press answered first, then the picture.
            if (role == WorkerRole.VIEWER && Files.isExecutable(NICE)) {
                before.addAll(List.of(NICE.toString(), "-n", "5"));
            }
            return before;
        }
        Integer cores = restraint.cores();
        if (cores != null && cores < Runtime.getRuntime().availableProcessors() && Files.isExecutable(TASKSET)) {
            before.addAll(List.of(TASKSET.toString(), "--cpu-list", "0-" + (Math.max(1, cores) - 1)));
        }
        if (Files.isExecutable(NICE)) {
            before.addAll(List.of(NICE.toString(), "-n", "10"));
        }
        return before;
    }

    /** An empty file says that none could be made. */
    private static String cache() {
        String file = System.getProperty(CACHE);
        return file == null || new File(file).length() == 0 ? "-Xshare:auto" : "-XX:AOTCache=" + file;
    }

    private static List<String> command(WorkerRole role, Places places, Restraint restraint) {
        List<String> command = new ArrayList<>(steppingBack(role, restraint));
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.add(cache());
        if (role == WorkerRole.CAPTURE) {
            // It lives for some seconds beside a scene that needs every core: compiling twice would cost more than it gives.
            command.add("-XX:TieredStopAtLevel=1");
            // Pictures come and go: a small nursery keeps them on pages that are warm.
            command.add("-Xmn32m");
        }
        command.addAll(
                List.of(HEAP, role == WorkerRole.VIEWER || role == WorkerRole.CAPTURE ? "-XX:+UseSerialGC" : "-XX:+UseParallelGC",
                        // Standard output is for messages: a word of the virtual machine there would end the conversation.
                        "-Xlog:disable", "-Xlog:all=warning:stderr", "-XX:-CreateCoredumpOnCrash",
                        // Lets threads that check frames in the background step back.
                        "-XX:ThreadPriorityPolicy=1",
                        "-XX:ErrorFile=" + places.log().resolve("crash-%p.log"), "--enable-native-access=ALL-UNNAMED",
                        "-Djava.awt.headless=true", "-Dlogback.configurationFile=" + WorkerRole.LOGGING,
                        "-D" + NATIVE_CACHE + "=" + System.getProperty(NATIVE_CACHE, places.cache().resolve("native").toString()),
                        "-cp", System.getProperty("java.class.path"), System.getProperty(OTHER_MAIN_CLASS, WorkerRole.MAIN_CLASS)));
        command.add(role.id());
        return command;
    }
}
