package dev.vat.protocol;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;

/**
 * Does what a worker does, whatever carries its words; found by {@link java.util.ServiceLoader}, since the side that asks doesn't know
 * the module.
 */
public interface WorkerService {

    /**
     * Says hello, then does what the lines on its input ask, until that ends.
     *
     * @param scratch a folder for what nobody else has to see
     */
    void serve(WorkerRole role, Path scratch, InputStream in, OutputStream out) throws IOException;
}
