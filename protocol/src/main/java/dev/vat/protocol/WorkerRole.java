package dev.vat.protocol;

import dev.vat.core.words.Words;
import java.util.Arrays;

/** What a worker process is for. */
public enum WorkerRole {
    /** Pictures for the window, and checks of sources. */
    VIEWER("viewer"),
    /** One run. */
    RUN("run"),
    /** A trial: excerpts of files, to learn what the whole ones will be. */
    TRIAL("trial"),
    /** A preview that is taken from a scene. */
    CAPTURE("capture"),
    /** The stand-in scene, where the window started it. */
    SCENE("scene");

    /** The class with the main method of a worker process; named here since the side that starts it doesn't know the module. */
    public static final String MAIN_CLASS = "dev.vat.worker.WorkerMain";
    /** The logging of workers: to standard error alone. */
    public static final String LOGGING = "logback-worker.xml";

    private final String id;

    WorkerRole(String id) {
        this.id = id;
    }

    public String id() {
        return id;
    }

    public static WorkerRole parse(String id) {
        return Arrays.stream(values()).filter(r -> r.id.equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.of(WorkerRole.class).say("thereIsNoWorker", id)));
    }
}
