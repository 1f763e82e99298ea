package dev.vat.testkit;

import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import javafx.application.Platform;

/** Does things where the window lives, and waits for what comes of them. */
public final class InterfaceThread {

    private InterfaceThread() {}

    /** @throws ExecutionException with what the act threw */
    public static <T> T on(Callable<T> act) throws InterruptedException, ExecutionException {
        CompletableFuture<T> done = new CompletableFuture<>();
        Platform.runLater(() -> {
            try {
                done.complete(act.call());
            } catch (Exception e) {
                done.completeExceptionally(e);
            }
        });
        return done.get();
    }
}
