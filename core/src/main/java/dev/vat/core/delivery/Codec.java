package dev.vat.core.delivery;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * One codec at one profile: what it can carry, where it may stand, how its bits may be ruled, and what a decoder will
 * report of it. Entries are written by a {@link CodecBuilder}, one file a family.
 */
public final class Codec {

    private static final Words WORDS = Words.of(Codec.class);

    private final CodecBuilder b;

    Codec(CodecBuilder b) {
        this.b = b;
    }

    /** Begins an entry. @param id our name for it, used in projects and plans @param title as people say it, with its profile */
    static CodecBuilder named(String id, String title) {
        return new CodecBuilder(id, title);
    }

    public String id() {
        return b.id;
    }

    public String title() {
        return b.title;
    }

    /** The codec's name as the media library reports it. */
    public String reportedName() {
        return b.reportedName;
    }

    /** The profile as the media library reports it, {@code unknown} where it reports none. */
    public String reportedProfile() {
        return b.reportedProfile;
    }

    public Chroma chroma() {
        return b.chroma;
    }

    /** Bits of a sample that are coded. */
    public int codedBits() {
        return b.codedBits;
    }

    /** Bits of a sample that decoders give back, which may be more than were coded. */
    public int readBits() {
        return b.readBits == 0 ? b.codedBits : b.readBits;
    }

    /** Bits of the alpha samples; 0 if it carries none. Alpha is straight. */
    public int alphaBits() {
        return b.alphaBits;
    }

    public boolean hasAlpha() {
        return b.alphaBits > 0;
    }

    /** Whether alpha goes beside the pictures, in blocks of the container, as in VP9: nothing in the coded pictures says so. */
    public boolean hasHiddenAlpha() {
        return hasAlpha() && reportedName().equals("vp9");
    }

    /** Where it may stand. */
    public Set<Container> containers() {
        return b.containers;
    }

    /** The file that a part of it is closed in. */
    public Container partContainer() {
        return b.parts;
    }

    /** Whether each frame says all that a decoder needs, and keeps its bytes wherever it stands. */
    public boolean isSelfContained() {
        return b.selfContained;
    }

    /** Whether each still has a place for the label of its frame; OpenEXR's has room for up to 30 labels a second. */
    public boolean statesLabel(Rate rate) {
        return reportedName().equals("dpx") || reportedName().equals("exr") && Timecode.leavesRoomForFlags(rate);
    }

    /** How its files are called at their end: of stills their own, else the container's. */
    public String extension(Container container) {
        return container.isFolder() ? b.extension : container.extension();
    }

    /**
     * Bits a second above which a lossy codec's pictures gain nothing, seen from what its dearest pictures take, and above which players
     * that manage the size need not manage the rate.
     */
    public long mostUsefulBits(Size size, Rate rate) {
        long dearest = Math.round(highBitsPerPixel() * size.pixels() * rate.perSecond().toDouble());
        return Math.max(RateControl.LEAST_BITS, Math.min(dearest, CodecLevel.usualBits(this, size, rate).orElse(dearest)));
    }

    public Set<RateControl.Kind> controls() {
        return b.controls;
    }

    public RateControl usualControl() {
        return b.usual;
    }

    /** Whether there is anything to choose of how its bits are ruled. */
    public boolean leavesBitsOpen() {
        return quality() != null || controls().size() > 1;
    }

    /** Its quality scale, or null if it has none. */
    public Quality quality() {
        return b.quality;
    }

    public Limits limits() {
        return b.limits;
    }

    /** Seconds from one self-contained frame to the next; 0 if every frame is one. */
    public int groupSeconds() {
        return b.groupSeconds;
    }

    /** Whether that may be chosen. */
    public boolean mayChooseGroup() {
        return b.groupSeconds > 0 && !b.fixedGroup;
    }

    /** Whether its encoder can take more or less time over the same. */
    public boolean hasEffort() {
        return b.effort;
    }

    /** How its stills may be packed, the usual first; empty where there is nothing to choose. */
    public List<Compression> compressions() {
        return b.compressions;
    }

    public boolean everyFrameStandsAlone() {
        return b.groupSeconds == 0;
    }

    /** Whether it keeps red, green and blue, or has one fixed meaning of its own; else null, and the size decides. */
    public ColourCoding ownColour() {
        return b.ownColour == null && b.chroma == Chroma.RGB ? ColourCoding.RGB : b.ownColour;
    }

    /** What its samples mean in a file that has a size, if nobody chooses. */
    public ColourCoding colourFor(Size size) {
        return ownColour() != null ? ownColour() : ColourCoding.usualFor(size);
    }

    /** What its samples may mean by choice: its own first where there is one; nothing but the usual if empty. */
    public List<ColourCoding> colours() {
        return ownColour() == null ? b.colours : Stream.concat(Stream.of(ownColour()), b.colours.stream()).toList();
    }

    /** Whether a file of it says by which primaries and which curve its samples are meant. */
    public boolean statesColour(Container container) {
        return container.statesColour() || container.isFolder() && reportedName().equals("png");
    }

    /** How its lines may follow each other, beside one after the other. */
    public Set<Scan> interlaced() {
        return b.interlaced;
    }

    /** The same in a container that may have no word for it. */
    public Set<Scan> interlaced(Container container) {
        return b.wholeIn.contains(container) ? Set.of() : b.interlaced;
    }

    /** What readers say of its frames: DV calls every frame interlaced. */
    public Scan scanOf(Scan made) {
        return b.alwaysCalled == null ? made : b.alwaysCalled;
    }

    /** Whether a file of it says by which matrix it was coded. */
    public boolean statesMatrix(Container container) {
        return container.statesColour() || b.statesItself;
    }

    /** Whether a file of it says whether its range is full or limited. */
    public boolean statesRange(Container container) {
        return statesMatrix(container) && !b.rangeUnstatedIn.contains(container);
    }

    /** The only pixel aspects there are, or empty for any. */
    public Set<PixelAspect> pixelAspects() {
        return b.pixelAspects;
    }

    /** Whether a file of it can say the shape of its pixels. */
    public boolean statesPixelAspect(Container container) {
        return container.statesPixelAspect() && !b.squareIn.contains(container) || !b.pixelAspects.isEmpty();
    }

    public Reach reach() {
        return b.reach;
    }

    public String plays() {
        return b.plays;
    }

    /** What is unwise about it, though legal; empty for most. */
    public String unwise() {
        return b.unwise;
    }

    /** A rough lower bound of the bits that a pixel takes. */
    public double lowBitsPerPixel() {
        return b.lowBitsPerPixel;
    }

    /** A rough upper bound of the bits that a pixel takes. */
    public double highBitsPerPixel() {
        return b.highBitsPerPixel;
    }

    /** Whether pictures lose anything but depth and fineness of colour. Floats of half precision count as nothing lost. */
    public boolean isLossy() {
        return !(b.usual instanceof RateControl.Lossless) && !ColourCoding.LINEAR.equals(ownColour());
    }

    /** Whether, and how, it is made in parts under a rate control. */
    public PartForm partForm(RateControl control) {
        if (b.containers.contains(Container.FRAMES)) {
            return PartForm.FILES;
        }
        return control.mayBeCut() && !b.whole ? PartForm.STRETCH : PartForm.WHOLE;
    }

    /** {@code 10-bit}, or {@code 10-bit coded, read as 12} where decoders give back more. */
    public String depthText() {
        return codedBits() == readBits() ? codedBits() + "-bit" : WORDS.say("bitCodedReadAs", codedBits(), readBits());
    }

    /** A rate control in words, with the number in its unit. */
    public String words(RateControl control) {
        return ControlText.words(this, control);
    }

    /**
     * A rate control as it is typed: {@code 17}, {@code average 8 Mbit/s}, {@code constant 50 Mbit/s}, {@code 20, at most 12 Mbit/s};
     * also what {@link #words} gives. A bare bit rate is an average. A cap holds over one second, or {@code 20, at most 12 Mbit/s over 2
     * s}.
     *
     * @throws IllegalArgumentException naming what was typed, or what the codec has in its place
     */
    public RateControl control(String text) {
        return ControlText.parse(this, text);
    }

    @Override
    public String toString() {
        return b.id;
    }
}
