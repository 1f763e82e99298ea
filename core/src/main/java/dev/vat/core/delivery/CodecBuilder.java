package dev.vat.core.delivery;

import dev.vat.core.picture.PixelAspect;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Writes an entry of the catalogue; what isn't said is: no alpha, any size and rate, every frame stands alone. */
final class CodecBuilder {
    final String id;
    final String title;
    String reportedName;
    String reportedProfile = "unknown";
    Chroma chroma;
    int codedBits;
    int readBits;
    int alphaBits;
    Set<Container> containers = Set.of();
    Container parts = Container.MOV;
    boolean selfContained;
    Set<RateControl.Kind> controls = EnumSet.of(RateControl.Kind.PROFILE);
    RateControl usual = new RateControl.ByProfile();
    String extension = "";
    Quality quality;
    Limits limits = Limits.NONE;
    int groupSeconds;
    boolean whole;
    boolean fixedGroup;
    boolean effort;
    boolean statesItself;
    Set<PixelAspect> pixelAspects = Set.of();
    Set<Container> squareIn = Set.of();
    Set<Container> rangeUnstatedIn = Set.of();
    ColourCoding ownColour;
    List<Compression> compressions = List.of();
    Set<Scan> interlaced = Set.of();
    Set<Container> wholeIn = Set.of();
    Scan alwaysCalled;
    List<ColourCoding> colours = List.of();
    Reach reach = Reach.PROGRAMS;
    String plays = "";
    String unwise = "";
    double lowBitsPerPixel;
    double highBitsPerPixel;

    CodecBuilder(String id, String title) {
        this.id = id;
        this.title = title;
    }

    CodecBuilder reports(String name, String profile) {
        reportedName = name;
        reportedProfile = profile;
        return this;
    }

    CodecBuilder samples(Chroma how, int bits) {
        chroma = how;
        codedBits = bits;
        return this;
    }

    CodecBuilder readAs(int bits) {
        readBits = bits;
        return this;
    }

    CodecBuilder alpha(int bits) {
        alphaBits = bits;
        return this;
    }

    CodecBuilder in(Container... where) {
        containers = Set.copyOf(List.of(where));
        return this;
    }

    /** What names of its stills end in. */
    CodecBuilder extension(String end) {
        extension = end;
        return this;
    }

    /** The file that parts are closed in, where that isn't MOV. */
    CodecBuilder partsIn(Container container) {
        parts = container;
        return this;
    }

    /** Each frame says all that a decoder needs, and is to keep its bytes wherever it stands. */
    CodecBuilder selfContained() {
        selfContained = true;
        return this;
    }

    CodecBuilder quality(Quality scale, int usualNumber) {
        quality = scale;
        controls = EnumSet.of(RateControl.Kind.QUALITY);
        usual = new RateControl.Constant(scale.require(usualNumber));
        return this;
    }

    /** Its bits are ruled by rates alone. @param usually with its rate @param others beside that */
    CodecBuilder ruled(RateControl usually, RateControl.Kind... others) {
        usual = usually;
        controls = EnumSet.of(usually.kind(), others);
        return this;
    }

    /** Further ways to rule its bits. */
    CodecBuilder also(RateControl.Kind... kinds) {
        controls = EnumSet.copyOf(controls);
        controls.addAll(List.of(kinds));
        return this;
    }

    CodecBuilder lossless() {
        controls = EnumSet.of(RateControl.Kind.LOSSLESS);
        usual = new RateControl.Lossless();
        return this;
    }

    CodecBuilder limits(Limits what) {
        limits = what;
        return this;
    }

    /** Its encoder can take more or less time over the same. */
    CodecBuilder effort() {
        effort = true;
        return this;
    }

    /** The group is what broadcasters ask for. */
    CodecBuilder fixedGroup() {
        fixedGroup = true;
        return this;
    }

    CodecBuilder group(int seconds) {
        groupSeconds = seconds;
        return this;
    }

    /** Matrix and range are known from the coded pictures alone. */
    CodecBuilder statesItself() {
        statesItself = true;
        return this;
    }

    /** Shapes of its pixels that the coded pictures state themselves; there are no others. */
    CodecBuilder pixelAspects(PixelAspect... only) {
        pixelAspects = Set.of(only);
        return this;
    }

    /** Containers that say the shape of pixels, but not for this codec. */
    CodecBuilder squareIn(Container... where) {
        squareIn = Set.of(where);
        return this;
    }

    /** Neither the coded pictures nor these containers have a place for the range. */
    CodecBuilder rangeUnstatedIn(Container... where) {
        rangeUnstatedIn = Set.of(where);
        return this;
    }

    /** Its bits are ruled over the whole file, so that it can't be cut. */
    CodecBuilder whole() {
        whole = true;
        return this;
    }

    CodecBuilder colour(ColourCoding own) {
        ownColour = own;
        return this;
    }

    /** @param offered the usual first */
    CodecBuilder compressed(List<Compression> offered) {
        compressions = offered;
        return this;
    }

    CodecBuilder interlaced(Scan... scans) {
        interlaced = Set.of(scans);
        return this;
    }

    /** Containers that, as they are written here, call every frame of it whole. */
    CodecBuilder wholeIn(Container... containers) {
        wholeIn = Set.of(containers);
        return this;
    }

    /** What its frames are called whatever they hold. */
    CodecBuilder alwaysCalled(Scan scan) {
        alwaysCalled = scan;
        return this;
    }

    /** Any of the matrices of ordinary brightness, in limited range. */
    CodecBuilder matrices() {
        return colours(ColourCoding.REC709, ColourCoding.REC601_625, ColourCoding.REC601_525);
    }

    /** Full range, and the curve of computer screens. */
    CodecBuilder screenColours() {
        return colours(ColourCoding.REC709_FULL, ColourCoding.SRGB);
    }

    /** Wide colours and high dynamic range: for ten bits or more. */
    CodecBuilder wideColours() {
        return colours(ColourCoding.REC2020, ColourCoding.PQ, ColourCoding.HLG);
    }

    CodecBuilder colours(ColourCoding... more) {
        colours = Stream.concat(colours.stream(), Stream.of(more)).toList();
        return this;
    }

    CodecBuilder reach(Reach how) {
        reach = how;
        return this;
    }

    CodecBuilder plays(String where) {
        plays = where;
        return this;
    }

    CodecBuilder unwise(String why) {
        unwise = why;
        return this;
    }

    CodecBuilder bitsPerPixel(double low, double high) {
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
