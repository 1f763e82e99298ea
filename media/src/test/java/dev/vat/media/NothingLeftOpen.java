package dev.vat.media;

import dev.vat.media.picture.Unclosed;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Fails a whole run of tests that left pictures unclosed. Found by the service loader in every module whose tests make pictures. */
public final class NothingLeftOpen implements BeforeAllCallback {

    private static final AtomicBoolean WATCHED = new AtomicBoolean();
    /** So often is the collector asked before those that nobody has any more count as found. */
    private static final int LOOKS = 5;
    private static final long LOOK_MILLIS = 60;

    @Override
    public void beforeAll(ExtensionContext context) {
        if (WATCHED.compareAndSet(false, true)) {
            context.getRoot().getStore(Namespace.GLOBAL).put(NothingLeftOpen.class, (AutoCloseable) NothingLeftOpen::count);
        }
    }

    private static void count() throws InterruptedException {
        for (int i = 0; i < LOOKS; i++) {
            System.gc();
            Thread.sleep(LOOK_MILLIS);
        }
        System.out.println("Pictures that were never closed: " + Unclosed.count());
        if (Unclosed.count() > 0) {
            throw new AssertionError(Unclosed.count() + " pictures were never closed, such as " + Unclosed.found()
                    + "; -Dvat.unclosed=true says where they were made");
        }
    }
}
