package dev.vat.desktop.sound;

/** Where samples are heard: 48 kHz, stereo, 16 bits, as the listening copies hold them. Belongs to one thread but for {@link #heard}. */
interface Speaker extends AutoCloseable {

    /** Takes the device; false if there is none. */
    boolean open();

    /** Plays samples after those before; waits while the device has enough. */
    void play(byte[] samples, int length);

    /** Sample frames that were heard since {@link #open} or {@link #hush}. */
    long heard();

    /** Throws away what hasn't been heard yet, and counts from 0 again. */
    void hush();

    @Override
    void close();
}
