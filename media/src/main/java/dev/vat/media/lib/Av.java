package dev.vat.media.lib;

import static org.bytedeco.ffmpeg.global.avutil.AV_DICT_IGNORE_SUFFIX;
import static org.bytedeco.ffmpeg.global.avutil.AV_LOG_ERROR;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_free;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_set;
import static org.bytedeco.ffmpeg.global.avutil.av_get_pix_fmt;
import static org.bytedeco.ffmpeg.global.avutil.av_get_pix_fmt_name;
import static org.bytedeco.ffmpeg.global.avutil.av_log_set_level;
import static org.bytedeco.ffmpeg.global.avutil.av_make_q;
import static org.bytedeco.ffmpeg.global.avutil.av_strerror;
import static org.bytedeco.ffmpeg.global.avutil.setLogCallback;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.ffmpeg.avutil.LogCallback;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacpp.BytePointer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The few calls that every use of the library goes through: error codes, options, fractions, its log. */
public final class Av {

    private static final Words WORDS = Words.of(Av.class);

    /** Frame flags; the bindings leave these constants out. */
    public static final int FRAME_KEY = 2;
    public static final int FRAME_INTERLACED = 8;
    public static final int FRAME_TOP_FIRST = 16;
    public static final int PACKET_KEY = 1;

    public static final int EAGAIN = avutil.AVERROR_EAGAIN();
    public static final int EOF = avutil.AVERROR_EOF();

    private static final Logger LOG = LoggerFactory.getLogger("dev.vat.media.library");

    /** Kept in a field, since the library holds no reference that Java sees. */
    private static final LogCallback TO_LOG = new LogCallback() {
        @Override
        public void call(int level, BytePointer message) {
            LOG.debug("{}", message.getString(StandardCharsets.UTF_8).strip());
        }
    };

    static {
        av_log_set_level(AV_LOG_ERROR);
        setLogCallback(TO_LOG);
    }

    private Av() {}

    /** Passes a result on, or throws what a negative one means. */
    public static int check(int result, String what) {
        if (result < 0) {
            throw new MediaException(what + ": " + text(result), result);
        }
        return result;
    }

    public static String text(int code) {
        if (code == avutil.AVERROR_PATCHWELCOME()) {
            return WORDS.say("thisKindCantBeRead");
        }
        byte[] buffer = new byte[256];
        av_strerror(code, buffer, buffer.length);
        int end = 0;
        while (end < buffer.length && buffer[end] != 0) {
            end++;
        }
        return new String(buffer, 0, end, StandardCharsets.UTF_8);
    }

    public static AVRational fraction(Rational value) {
        return av_make_q(Math.toIntExact(value.numerator()), Math.toIntExact(value.denominator()));
    }

    public static Rational rational(AVRational value) {
        return value.den() == 0 ? Rational.ZERO : Rational.of(value.num(), value.den());
    }

    public static int format(String name) {
        int format = av_get_pix_fmt(name);
        if (format < 0) {
            throw new MediaException(WORDS.say("noSuchPixelFormat", name), format);
        }
        return format;
    }

    public static String formatName(int format) {
        return string(av_get_pix_fmt_name(format), "none");
    }

    public static String string(BytePointer pointer, String otherwise) {
        return pointer == null || pointer.isNull() ? otherwise : pointer.getString(StandardCharsets.UTF_8);
    }

    public static AVDictionary options(Map<String, String> options) {
        AVDictionary dictionary = new AVDictionary(null);
        options.forEach((key, value) -> av_dict_set(dictionary, key, value, 0));
        return dictionary;
    }

    /** Frees the dictionary; an option that nobody took is an error, since it would be lost in silence. */
    public static void requireAllTaken(AVDictionary dictionary, String by) {
        List<String> rest = new ArrayList<>();
        AVDictionaryEntry entry = null;
        while ((entry = av_dict_get(dictionary, "", entry, AV_DICT_IGNORE_SUFFIX)) != null) {
            rest.add(string(entry.key(), "") + "=" + string(entry.value(), ""));
        }
        av_dict_free(dictionary);
        if (!rest.isEmpty()) {
            throw new MediaException(WORDS.say("doesntKnowTheOptions", by, rest), 0);
        }
    }
}
