package dev.vat.core.time;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A label HH:MM:SS:FF for a frame, after SMPTE ST 12-1. With drop-frame counting (written with {@code ;} before the
 * frames) two or four labels are left out at the start of each minute that isn't a multiple of ten.
 *
 * @param frame the frame's place counted from 00:00:00:00, below 24 hours
 */
public record Timecode(long frame, Rate rate, boolean dropFrame) {

    private static final Pattern TEXT = Pattern.compile("(\\d{1,2}):(\\d{2}):(\\d{2})([:;])(\\d{2,3})");

    public Timecode {
        if (dropFrame && !rate.allowsDropFrame()) {
            throw new IllegalArgumentException(
                    "Drop-frame timecode exists at 29.97 and 59.94 only, not at " + rate.label());
        }
        frame = Math.floorMod(frame, framesPerDay(rate, dropFrame));
    }

    public static Timecode of(long frame, Rate rate) {
        return new Timecode(frame, rate, false);
    }

    public static Timecode ofDropFrame(long frame, Rate rate) {
        return new Timecode(frame, rate, true);
    }

    public static Timecode parse(String text, Rate rate) {
        Matcher match = TEXT.matcher(text.strip());
        if (!match.matches()) {
            throw new IllegalArgumentException("Not a timecode HH:MM:SS:FF: '" + text + "'");
        }
        boolean drop = match.group(4).equals(";");
        long hours = Long.parseLong(match.group(1));
        long minutes = Long.parseLong(match.group(2));
        long seconds = Long.parseLong(match.group(3));
        long frames = Long.parseLong(match.group(5));
        int base = rate.timecodeBase();
        if (hours > 23 || minutes > 59 || seconds > 59 || frames >= base) {
            throw new IllegalArgumentException("No such timecode at " + rate.label() + ": '" + text + "'");
        }
        long totalMinutes = hours * 60 + minutes;
        long frame = (totalMinutes * 60 + seconds) * base + frames;
        if (drop) {
            int dropped = droppedPerMinute(rate);
            if (seconds == 0 && minutes % 10 != 0 && frames < dropped) {
                throw new IllegalArgumentException("Drop-frame counting leaves this label out: '" + text + "'");
            }
            frame -= dropped * (totalMinutes - totalMinutes / 10);
        }
        return new Timecode(frame, rate, drop);
    }

    private static int droppedPerMinute(Rate rate) {
        return rate.timecodeBase() / 15;
    }

    private static long framesPerDay(Rate rate, boolean drop) {
        long minutes = 24 * 60;
        long all = minutes * 60 * rate.timecodeBase();
        return drop ? all - droppedPerMinute(rate) * (minutes - minutes / 10) : all;
    }

    @Override
    public String toString() {
        int base = rate.timecodeBase();
        long label = frame;
        if (dropFrame) {
            int dropped = droppedPerMinute(rate);
            long perMinute = 60L * base - dropped;
            long perTenMinutes = 10 * perMinute + dropped;
            long tens = frame / perTenMinutes;
            long rest = frame % perTenMinutes;
            label += 9L * dropped * tens;
            if (rest >= dropped) {
                label += dropped * ((rest - dropped) / perMinute);
            }
        }
        long seconds = label / base;
        return "%02d:%02d:%02d%s%02d".formatted(seconds / 3600, seconds / 60 % 60, seconds % 60,
                dropFrame ? ";" : ":", label % base);
    }
}
