package dev.vat.core.time;

import dev.vat.core.words.Words;

/**
 * A label HH:MM:SS:FF for a frame, after SMPTE ST 12-1. With drop-frame counting (written with {@code ;} before the
 * frames) two or four labels are left out at the start of each minute that isn't a multiple of ten.
 *
 * @param frame the frame's place counted from 00:00:00:00, below 24 hours
 */
public record Timecode(long frame, Rate rate, boolean dropFrame) {

    private static final int MOST_PACKED = 30;
    private static final Words WORDS = Words.of(Timecode.class);

    public Timecode {
        if (dropFrame && !rate.allowsDropFrame()) {
            throw new IllegalArgumentException(
                    WORDS.say("dropFrameTimecodeExists", rate.label()));
        }
        frame = Math.floorMod(frame, framesPerDay(rate, dropFrame));
    }

    /** Counting every label. @param frame from 00:00:00:00 on; a day later it begins again */
    public static Timecode of(long frame, Rate rate) {
        return new Timecode(frame, rate, false);
    }

    /**
     * Leaving labels out, as SMPTE ST 12-1 has it for the rates over 1001.
     *
     * @param frame from 00:00:00;00 on; a day later it begins again
     * @throws IllegalArgumentException if the rate has no such counting
     */
    public static Timecode ofDropFrame(long frame, Rate rate) {
        return new Timecode(frame, rate, true);
    }

    /**
     * Whether labels of a rate, packed as SMPTE ST 12-1 has it, leave room for its flags: those of up to 30 a second do.
     *
     * @param rate of the frames that are labelled
     */
    public static boolean leavesRoomForFlags(Rate rate) {
        return rate.timecodeBase() <= MOST_PACKED;
    }

    /**
     * Reads {@code 10:00:00:00}, or {@code 10:00:00;00} for drop-frame counting.
     *
     * @throws IllegalArgumentException carrying the text, if it is no label or none that the rate counts to
     */
    public static Timecode parse(String text, Rate rate) {
        String label = text.strip();
        // One or two figures, two, two, and two or three. By hand: lists of marks and whole days of labels are read.
        int minutesAt = label.indexOf(':') + 1;
        int framesAt = minutesAt + 6;
        boolean shaped = (minutesAt == 2 || minutesAt == 3) && (label.length() == framesAt + 2 || label.length() == framesAt + 3)
                && label.charAt(minutesAt + 2) == ':'
                && (label.charAt(framesAt - 1) == ':' || label.charAt(framesAt - 1) == ';');
        if (!shaped) {
            throw notOne(text);
        }
        boolean drop = label.charAt(framesAt - 1) == ';';
        long hours = number(label, 0, minutesAt - 1);
        long minutes = number(label, minutesAt, minutesAt + 2);
        long seconds = number(label, minutesAt + 3, minutesAt + 5);
        long frames = number(label, framesAt, label.length());
        int base = rate.timecodeBase();
        if (hours > 23 || minutes > 59 || seconds > 59 || frames >= base) {
            throw new IllegalArgumentException(WORDS.say("noSuchTimecodeAt", rate.label(), text));
        }
        long totalMinutes = hours * 60 + minutes;
        long frame = (totalMinutes * 60 + seconds) * base + frames;
        if (drop) {
            int dropped = droppedPerMinute(rate);
            if (seconds == 0 && minutes % 10 != 0 && frames < dropped) {
                throw new IllegalArgumentException(WORDS.say("dropFrameCountingLeaves", text));
            }
            frame -= dropped * (totalMinutes - totalMinutes / 10);
        }
        return new Timecode(frame, rate, drop);
    }

    /** The label of a frame so many later, or earlier if below 0; round midnight. */
    public Timecode plusFrames(long frames) {
        return new Timecode(frame + frames, rate, dropFrame);
    }

    private static long number(String label, int from, int to) {
        long number = 0;
        for (int i = from; i < to; i++) {
            int figure = label.charAt(i) - '0';
            if (figure < 0 || figure > 9) {
                throw notOne(label);
            }
            number = 10 * number + figure;
        }
        return number;
    }

    private static IllegalArgumentException notOne(String text) {
        return new IllegalArgumentException(WORDS.say("notATimecodeHHMMSSFF", text));
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
        // By hand: bands and plans ask for very many of these.
        StringBuilder text = new StringBuilder(12);
        two(text, seconds / 3600).append(':');
        two(text, seconds / 60 % 60).append(':');
        two(text, seconds % 60).append(dropFrame ? ';' : ':');
        return two(text, label % base).toString();
    }

    private static StringBuilder two(StringBuilder text, long number) {
        return (number < 10 ? text.append('0') : text).append(number);
    }
}
