package dev.vat.testkit.start;

import dev.vat.cli.Vat;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * What commands and their workers do with a few frames, done once in one process while the JVM writes down which classes it takes (JEP
 * 514): later starts of both find them ready.
 */
public final class CommandTraining {

    private CommandTraining() {}

    /** Within a home of its own, by the environment: what it makes must not stand in anybody's history. */
    public static void main(String[] arguments) throws Exception {
        if (System.getenv("VAT_HOME") == null) {
            throw new IllegalStateException("VAT_HOME says where training may write");
        }
        System.setProperty("org.bytedeco.javacpp.cachedir", Places.ofSystem().cache().resolve("native").toString());
        Path own = Files.createTempDirectory("vat-training");
        try {
            String frames = Training.frames(Files.createDirectories(own.resolve("kite"))).toString();
            Vat.run("targets");
            Vat.run("look", frames);
            Vat.run("make", frames, "--rate", "25", "--target", "web-h264", "--target", "edit-prores-hq", "--out",
                    own.resolve("out").toString(), "--json");
        } finally {
            Durable.deleteTree(own);
        }
        System.exit(0);
    }
}
