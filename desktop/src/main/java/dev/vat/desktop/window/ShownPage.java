package dev.vat.desktop.window;

import dev.vat.desktop.look.Parts;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;

/** What stands where the picture does: the picture, a welcome or a page. The keyboard goes to a page, and back when it is left. */
final class ShownPage extends StackPane {

    private final Documents documents;
    private final Runnable focusBand;
    private Node beforePage;

    /** @param focusBand gives the keyboard to the band, where what had it is gone */
    ShownPage(Documents documents, Runnable focusBand) {
        this.documents = documents;
        this.focusBand = focusBand;
    }

    /** @param otherwise what is shown while no page is open */
    void show(Node otherwise) {
        boolean page = documents.open() != null;
        Node shown = page ? documents.open() : otherwise;
        if (isOn(shown)) {
            return;
        }
        if (page && beforePage == null) {
            beforePage = getScene() == null ? null : getScene().getFocusOwner();
        }
        getChildren().setAll(shown);
        if (page) {
            documents.takeKeyboard();
        } else if (beforePage != null) {
            giveBack();
        }
    }

    boolean isOn(Node shown) {
        return getChildren().contains(shown);
    }

    private void giveBack() {
        if (beforePage.getScene() == getScene() && Parts.isShown(beforePage)) {
            beforePage.requestFocus();
        } else {
            focusBand.run();
        }
        beforePage = null;
    }
}
