package dev.vat.worker.run;

import java.util.function.LongSupplier;

/**
 * How long a whole run still takes: frames are read once for all its files, then file after file is joined and proven. On the thread of
 * the run only.
 */
final class WholePace {

    /** What joining and proving all files takes of the time that making them took; measured, and learned anew in every run. */
    private static final double PROVING_SHARE = .16;
    /** The first frames wait for decoders and encoders to start. */
    private static final int START_UP = 8;

    private final int files;
    private final LongSupplier clock;
    private long started;
    private long last;
    private long read;
    private double provingSeconds;
    private long proven;

    /** @param files that the run makes */
    WholePace(int files) {
        this(files, System::nanoTime);
    }

    /** @param clock in nanoseconds, from whenever */
    WholePace(int files, LongSupplier clock) {
        this.files = Math.max(1, files);
        this.clock = clock;
        this.started = clock.getAsLong();
        this.last = started;
    }

    /** A frame more was read and given to everybody. */
    void read() {
        last = clock.getAsLong();
        if (++read == START_UP) {
            started = last;
        }
    }

    /** Time in which nothing was to be read doesn't count. */
    void held(long nanos) {
        started += nanos;
    }

    /** A file's frames went through its proof. */
    void proven(long frames, double seconds) {
        proven += frames;
        provingSeconds += seconds;
    }

    /**
     * @param toRead frames that are still to be read
     * @param toProve frames of all files that are still to be proven
     * @return seconds, or -1 while too little is known
     */
    double secondsLeft(long toRead, long toProve) {
        long counted = read - START_UP;
        if (counted < START_UP && proven == 0) {
            return -1;
        }
        double each = counted < 1 ? 0 : (last - started) / 1e9 / counted;
        double proof = proven > 0 ? provingSeconds / proven : PROVING_SHARE * each / files;
        return (counted < 1 ? 0 : each * toRead) + proof * toProve;
    }
}
