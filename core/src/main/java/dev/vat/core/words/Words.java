package dev.vat.core.words;

import java.text.FieldPosition;
import java.text.Format;
import java.text.MessageFormat;
import java.text.ParsePosition;
import java.util.Collections;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;

/**
 * What one class says to people: patterns of {@link MessageFormat} from the resource bundle {@code words} of its package, under keys that
 * begin with the class's name, in the language that the machine shows. An apostrophe stands twice in every pattern. Numbers that a pattern
 * doesn't format come without grouping, as frames and sizes are written.
 */
public final class Words {

    private static final ClassValue<Words> ALL = new ClassValue<>() {
        @Override
        protected Words computeValue(Class<?> speaker) {
            return new Words(speaker);
        }
    };

    private static final Format PLAIN = new Format() {
        private static final long serialVersionUID = 1;

        @Override
        public StringBuffer format(Object value, StringBuffer to, FieldPosition position) {
            return to.append(value);
        }

        @Override
        public Object parseObject(String text, ParsePosition position) {
            throw new UnsupportedOperationException("Words are never read back");
        }
    };

    private final String prefix;
    private final ResourceBundle bundle;
    private final Locale locale = Locale.getDefault(Locale.Category.DISPLAY);
    private final Map<String, String> whole = Collections.synchronizedMap(new HashMap<>());
    private final Map<String, MessageFormat> formats = Collections.synchronizedMap(new HashMap<>());

    private Words(Class<?> speaker) {
        this.prefix = speaker.getSimpleName() + ".";
        this.bundle = ResourceBundle.getBundle(speaker.getPackageName() + ".words", locale, speaker.getClassLoader());
    }

    /** @param speaker a top-level class, beside whose package's {@code words.properties} lies */
    public static Words of(Class<?> speaker) {
        return ALL.get(speaker);
    }

    /** @param key of a text without places for values @throws java.util.MissingResourceException if there is none */
    public String say(String key) {
        return whole.computeIfAbsent(key, k -> new MessageFormat(pattern(k), locale).format(new Object[0]));
    }

    /** @param values for {@code {0}} and on @throws java.util.MissingResourceException if nothing has this key */
    public String say(String key, Object... values) {
        // A format is for one thread at a time; a copy is made sooner than a pattern is read.
        return ((MessageFormat) formats.computeIfAbsent(key, this::format).clone()).format(values);
    }

    private MessageFormat format(String key) {
        MessageFormat format = new MessageFormat(pattern(key), locale);
        Format[] each = format.getFormats();
        for (int i = 0; i < each.length; i++) {
            if (each[i] == null) {
                format.setFormat(i, PLAIN);
            }
        }
        return format;
    }

    /** A figure with so many places behind a point, in every language: as rates, times and sizes are written, too. */
    public static String decimal(double value, int places) {
        return String.format(Locale.ROOT, "%." + places + "f", value);
    }

    private String pattern(String key) {
        return bundle.getString(prefix + key);
    }
}
