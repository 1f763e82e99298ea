package dev.vat.core.delivery;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * One codec at one profile: what it can carry, where it may stand, how its bits may be ruled, and what a decoder will
 * report of it. Entries are written by a {@link Builder}, one file a family.
 */
public final class Codec {

    private final Builder b;

    private Codec(Builder b) {
        this.b = b;
    }

    /** Begins an entry. @param id our name for it, used in projects and plans @param title as people say it, with its profile */
    static Builder named(String id, String title) {
        return new Builder(id, title);
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

    /** How its files are called at their end: of stills their own, else the container's. */
    public String extension(Container container) {
        return container.isFolder() ? b.extension : container.extension();
    }

    public Set<RateControl.Kind> controls() {
        return b.controls;
    }

    public RateControl usualControl() {
        return b.usual;
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

    /** What its samples may mean by choice; only its own where there is one, and nothing but the usual if empty. */
    public List<ColourCoding> colours() {
        return ownColour() != null ? List.of(ownColour()) : b.colours;
    }

    /** How its lines may follow each other, beside one after the other. */
    public Set<Scan> interlaced() {
        return b.interlaced;
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
        return codedBits() == readBits() ? codedBits() + "-bit" : codedBits() + "-bit coded, read as " + readBits();
    }

    /** A rate control in words, with the number in its unit. */
    public String words(RateControl control) {
        return ControlText.words(this, control);
    }

    /**
     * A rate control as it is typed: {@code 17}, {@code average 8 Mbit/s}, {@code constant 50 Mbit/s}, {@code 20, at most 12 Mbit/s};
     * also what {@link #words} gives. A bare bit rate is an average. A cap holds over one second, or {@code 20, at most 12 Mbit/s over 2 s}.
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

    /** Writes an entry of the catalogue; what isn't said is: no alpha, any size and rate, every frame stands alone. */
    static final class Builder {
        private final String id;
        private final String title;
        private String reportedName;
        private String reportedProfile = "unknown";
        private Chroma chroma;
        private int codedBits;
        private int readBits;
        private int alphaBits;
        private Set<Container> containers = Set.of();
        private Container parts = Container.MOV;
        private Set<RateControl.Kind> controls = EnumSet.of(RateControl.Kind.PROFILE);
        private RateControl usual = new RateControl.ByProfile();
        private String extension = "";
        private Quality quality;
        private Limits limits = Limits.NONE;
        private int groupSeconds;
        private boolean whole;
        private boolean fixedGroup;
        private boolean effort;
        private boolean statesItself;
        private Set<PixelAspect> pixelAspects = Set.of();
        private Set<Container> squareIn = Set.of();
        private Set<Container> rangeUnstatedIn = Set.of();
        private ColourCoding ownColour;
        private Set<Scan> interlaced = Set.of();
        private Scan alwaysCalled;
        private List<ColourCoding> colours = List.of();
        private Reach reach = Reach.PROGRAMS;
        private String plays = "";
        private String unwise = "";
        private double lowBitsPerPixel;
        private double highBitsPerPixel;

        private Builder(String id, String title) {
            this.id = id;
            this.title = title;
        }

        Builder reports(String name, String profile) {
            reportedName = name;
            reportedProfile = profile;
            return this;
        }

        Builder samples(Chroma how, int bits) {
            chroma = how;
            codedBits = bits;
            return this;
        }

        Builder readAs(int bits) {
            readBits = bits;
            return this;
        }

        Builder alpha(int bits) {
            alphaBits = bits;
            return this;
        }

        Builder in(Container... where) {
            containers = Set.copyOf(List.of(where));
            return this;
        }

        /** What names of its stills end in. */
        Builder extension(String end) {
            extension = end;
            return this;
        }

        /** The file that parts are closed in, where that isn't MOV. */
        Builder partsIn(Container container) {
            parts = container;
            return this;
        }

        Builder quality(Quality scale, int usualNumber) {
            quality = scale;
            controls = EnumSet.of(RateControl.Kind.QUALITY);
            usual = new RateControl.Constant(scale.require(usualNumber));
            return this;
        }

        /** Further ways to rule its bits. */
        Builder also(RateControl.Kind... kinds) {
            controls = EnumSet.copyOf(controls);
            controls.addAll(List.of(kinds));
            return this;
        }

        Builder lossless() {
            controls = EnumSet.of(RateControl.Kind.LOSSLESS);
            usual = new RateControl.Lossless();
            return this;
        }

        Builder limits(Limits what) {
            limits = what;
            return this;
        }

        /** Its encoder can take more or less time over the same. */
        Builder effort() {
            effort = true;
            return this;
        }

        /** The group is what broadcasters ask for. */
        Builder fixedGroup() {
            fixedGroup = true;
            return this;
        }

        Builder group(int seconds) {
            groupSeconds = seconds;
            return this;
        }

        /** Matrix and range are known from the coded pictures alone. */
        Builder statesItself() {
            statesItself = true;
            return this;
        }

        /** Shapes of its pixels that the coded pictures state themselves; there are no others. */
        Builder pixelAspects(PixelAspect... only) {
            pixelAspects = Set.of(only);
            return this;
        }

        /** Containers that say the shape of pixels, but not for this codec. */
        Builder squareIn(Container... where) {
            squareIn = Set.of(where);
            return this;
        }

        /** Neither the coded pictures nor these containers have a place for the range. */
        Builder rangeUnstatedIn(Container... where) {
            rangeUnstatedIn = Set.of(where);
            return this;
        }

        /** Its bits are ruled over the whole file, so that it can't be cut. */
        Builder whole() {
            whole = true;
            return this;
        }

        Builder colour(ColourCoding own) {
            ownColour = own;
            return this;
        }

        Builder interlaced(Scan... scans) {
            interlaced = Set.of(scans);
            return this;
        }

        /** What its frames are called whatever they hold. */
        Builder alwaysCalled(Scan scan) {
            alwaysCalled = scan;
            return this;
        }

        /** Any of the matrices of ordinary brightness, in limited range. */
        Builder matrices() {
            return colours(ColourCoding.REC709, ColourCoding.REC601_625, ColourCoding.REC601_525);
        }

        /** Full range, and the curve of computer screens. */
        Builder screenColours() {
            return colours(ColourCoding.REC709_FULL, ColourCoding.SRGB);
        }

        /** Wide colours and high dynamic range: for ten bits or more. */
        Builder wideColours() {
            return colours(ColourCoding.REC2020, ColourCoding.PQ, ColourCoding.HLG);
        }

        private Builder colours(ColourCoding... more) {
            colours = Stream.concat(colours.stream(), Stream.of(more)).toList();
            return this;
        }

        Builder reach(Reach how) {
            reach = how;
            return this;
        }

        Builder plays(String where) {
            plays = where;
            return this;
        }

        Builder unwise(String why) {
            unwise = why;
            return this;
        }

        Builder bitsPerPixel(double low, double high) {
            lowBitsPerPixel = low;
            highBitsPerPixel = high;
            return this;
        }

        Codec build() {
            if (chroma == null || codedBits == 0 || reportedName == null || containers.isEmpty() || highBitsPerPixel == 0) {
                throw new IllegalStateException("The entry " + id + " isn't complete");
            }
            return new Codec(this);
        }
    }
}
