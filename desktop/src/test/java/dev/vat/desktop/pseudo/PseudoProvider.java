package dev.vat.desktop.pseudo;

import java.io.IOException;
import java.util.Collections;
import java.util.Enumeration;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.spi.ResourceBundleControlProvider;

/** Gives Vat's bundles in {@link PseudoWords} to whoever asks for that locale; all others as they are. */
public final class PseudoProvider implements ResourceBundleControlProvider {

    private static final class Pseudo extends ResourceBundle {
        private final ResourceBundle plain;

        Pseudo(ResourceBundle plain) {
            this.plain = plain;
        }

        @Override
        protected Object handleGetObject(String key) {
            return PseudoWords.of(plain.getString(key));
        }

        @Override
        public Enumeration<String> getKeys() {
            return Collections.enumeration(plain.keySet());
        }
    }

    private static final class Reading extends ResourceBundle.Control {
        @Override
        public ResourceBundle newBundle(String name, Locale locale, String format, ClassLoader loader, boolean reload)
                throws IllegalAccessException, InstantiationException, IOException {
            if (!locale.equals(PseudoWords.LOCALE)) {
                return super.newBundle(name, locale, format, loader, reload);
            }
            ResourceBundle plain = super.newBundle(name, Locale.ROOT, format, loader, reload);
            return plain == null ? null : new Pseudo(plain);
        }
    }

    @Override
    public ResourceBundle.Control getControl(String name) {
        return name.startsWith("dev.vat.") ? new Reading() : null;
    }
}
