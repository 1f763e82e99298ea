package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.stream.Collectors;

/**
 * A kind of file that holds coded pictures, or sound alone, with what it can say of them and why some codecs can't stand in it.
 */
public enum Container {
    MP4("MP4", "mp4", true, true, Words.of(Container.class).say("mp4TakesOnlyWhatIsRegistered")),
    MOV("MOV", "mov", true, true, Words.of(Container.class).say("movHasNoAgreedWayToCarry")),
    MKV("Matroska", "mkv", true, true, Words.of(Container.class).say("matroskaHasNoAgreedWayTo")),
    WEBM("WebM", "webm", true, true, Words.of(Container.class).say("webmIsForVP9AndAV1Alone")),
    /** Its header has no place for colour, and pixel aspect only in an extension that few read. */
    AVI("AVI", "avi", false, false, Words.of(Container.class).say("aviIsForPicturesThatStand")),
    MXF("MXF", "mxf", true, true, Words.of(Container.class).say("mxfTakesOnlyWhatSMPTEHas")),
    /** ISO/IEC 13818-1: 188 bytes at a time, without an index; what is sent and what is looped in at a cable head. */
    TS(Words.of(Container.class).say("transportStream"), "ts", true, true, Words.of(Container.class).say("aTransportStreamTakesOnly")),
    GIF("GIF", "gif", false, false, Words.of(Container.class).say("gifHoldsPicturesOf256Colours")),
    APNG(Words.of(Container.class).say("animatedPNG"), "apng", true, false, Words.of(Container.class).say("animatedPNGHoldsPNGPictures")),
    WEBP(Words.of(Container.class).say("animatedWebP"), "webp", false, false,
            Words.of(Container.class).say("animatedWebPHoldsWebPPictures")),
    /** AV1 Image File Format 1.1, a sequence of images: pictures of AV1 in an ISO base media file that browsers take for an image. */
    AVIF(Words.of(Container.class).say("animatedAVIF"), "avif", true, true, Words.of(Container.class).say("animatedAVIFHoldsAV1")),
    /** A folder of stills, one a frame. */
    FRAMES(Words.of(Container.class).say("numberedFrames"), "", false, false, Words.of(Container.class).say("numberedFramesAreStills")),
    /** EBU Tech 3285: sound alone, beside the pictures' own file or folder. */
    WAV("WAV", "wav", false, false, Words.of(Container.class).say("wavHoldsSoundAlone"));

    private final String title;
    private final String extension;
    private final boolean colour;
    private final boolean pixelAspect;
    private final String refusal;

    Container(String title, String extension, boolean colour, boolean pixelAspect, String refusal) {
        this.title = title;
        this.extension = extension;
        this.colour = colour;
        this.pixelAspect = pixelAspect;
        this.refusal = refusal;
    }

    /** By its title or its extension. @throws IllegalArgumentException naming those there are */
    public static Container parse(String text) {
        return Arrays.stream(values())
                .filter(c -> !c.extension.isEmpty() && c.extension.equalsIgnoreCase(text.strip()) || c.name().equalsIgnoreCase(text.strip())
                        || c.title.equalsIgnoreCase(text.strip()))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.of(Container.class).say("thereIsNoContainerThere", text,
                        Arrays.stream(values()).map(c -> c.name().toLowerCase(Locale.ROOT)).collect(Collectors.joining(", ")))));
    }

    public String title() {
        return title;
    }

    public String extension() {
        return extension;
    }

    /** Whether it says what colours mean; where it doesn't, only the coded pictures themselves may. */
    public boolean statesColour() {
        return colour;
    }

    /** Whether it has a place for how bright frames in PQ are. */
    public boolean statesLight() {
        return this == MP4 || this == MOV || this == MKV || this == WEBM;
    }

    public boolean statesPixelAspect() {
        return pixelAspect;
    }

    /** Whether its index can stand in front, so that a player begins before the whole file has arrived. */
    public boolean mayHaveIndexInFront() {
        return this == MP4 || this == MOV;
    }

    /** The most bytes that a file of it can hold, where that is within reach: those of WebP are counted in 32 bits. */
    public OptionalLong mostBytes() {
        return this == WEBP ? OptionalLong.of((1L << 32) - 10) : OptionalLong.empty();
    }

    /** Whether it is a folder of files, and not a file. */
    public boolean isFolder() {
        return this == FRAMES;
    }

    /** Whether it is a still that moves: no sound, no tags, and it may be played over and over. */
    public boolean isMovingStill() {
        return this == GIF || this == APNG || this == WEBP || this == AVIF;
    }

    /** Whether it may hold sound beside pictures. */
    public boolean carriesSound() {
        return !isFolder() && !isMovingStill();
    }

    /** Whether readers of it expect several sound tracks that belong together. */
    public boolean carriesSeveralSounds() {
        return this == MOV || this == MXF || this == MKV;
    }

    /** Whether it has a place for the label of its first picture. */
    public boolean carriesTimecode() {
        return this == MP4 || this == MOV || this == MKV || this == MXF || this == WAV;
    }

    /** Whether it holds sound and no pictures. */
    public boolean isSoundAlone() {
        return this == WAV;
    }

    /** Why a codec that isn't in the catalogue's list for this container can't stand in it. */
    public String refusal() {
        return refusal;
    }
}
