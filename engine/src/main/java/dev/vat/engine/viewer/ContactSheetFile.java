package dev.vat.engine.viewer;

import dev.vat.core.handover.ContactSheet;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.ExecutionException;

/** A contact sheet as a file. */
public final class ContactSheetFile {

    private ContactSheetFile() {}

    /**
     * Has a sheet drawn and waits for it; the name's ending says what kind of file.
     *
     * @throws IOException in words, if it or one of its pictures can't be made
     */
    public static void write(Viewer viewer, ContactSheet sheet, Path file) throws IOException, InterruptedException {
        try {
            ContactSheet.endingOf(file.getFileName().toString());
            viewer.draw(sheet, file).get();
        } catch (ExecutionException e) {
            throw new IOException(e.getCause().getMessage(), e.getCause());
        } catch (IllegalArgumentException e) {
            throw new IOException(e.getMessage(), e);
        }
    }
}
