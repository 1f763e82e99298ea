package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import java.util.Map;
import java.util.Optional;

/**
 * One file to be made from a reel: a column of the Out face. What is null follows the target.
 *
 * @param id stable name of the column in its project; that of the target, with a number where the target stands twice
 * @param target id in the {@link Catalogue}
 * @param off whether it is left out for now
 * @param codec id in the catalogue of the codec chosen in place of the target's, or null
 * @param container chosen in place of the target's, or null
 * @param control how bits are ruled, chosen in place of the target's, or null
 * @param framing size and shape chosen in place of the target's, or null
 * @param sound how sound is packed, chosen in place of what is usual in the container, or null
 * @param flatten the colour that shows through where the source is transparent, if the codec carries no alpha
 * @param cropToGrid whether an odd size loses its last column or row, so that it falls on the chroma grid
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Deliverable(String id, String target, boolean off, String codec, Container container, RateControl control,
                          Framing framing, SoundCodec sound, Rgb flatten, boolean cropToGrid, @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public Deliverable {
        id = id == null ? target : id;
        flatten = flatten == null ? Rgb.BLACK : flatten;
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public static Deliverable of(Target target) {
        return new Deliverable(target.id(), target.id(), false, null, null, null, null, null, Rgb.BLACK, false, Map.of());
    }

    public Deliverable withId(String other) {
        return new Deliverable(other, target, off, codec, container, control, framing, sound, flatten, cropToGrid, extra);
    }

    public Deliverable withOff(boolean other) {
        return new Deliverable(id, target, other, codec, container, control, framing, sound, flatten, cropToGrid, extra);
    }

    /** With a codec, in the container it had if that is legal, else in the first that is; its bits are ruled as is usual for it. */
    public Deliverable withCodec(Codec other) {
        Target wanted = targetInCatalogue();
        String chosen = other.id().equals(wanted.codec().id()) ? null : other.id();
        Container now = container == null ? wanted.container() : container;
        Container legal = other.containers().contains(now) ? container : other.containers().stream().sorted().findFirst().orElseThrow();
        return new Deliverable(id, target, off, chosen, legal == wanted.container() ? null : legal, null, framing, sound, flatten, cropToGrid, extra);
    }

    /** @throws IllegalArgumentException if the codec can't stand in it */
    public Deliverable withContainer(Container other) {
        Legality.against(codecInUse(), other).ifPresent(reason -> {
            throw new IllegalArgumentException(reason);
        });
        return new Deliverable(id, target, off, codec, other == targetInCatalogue().container() ? null : other, control, framing, sound, flatten,
                cropToGrid, extra);
    }

    /** @throws IllegalArgumentException if the codec has no such setting, or not that far */
    public Deliverable withControl(RateControl other) {
        Legality.against(codecInUse(), other).ifPresent(reason -> {
            throw new IllegalArgumentException(reason);
        });
        RateControl usual = codec == null ? targetInCatalogue().settings().control() : codecInUse().usualControl();
        return new Deliverable(id, target, off, codec, container, other.equals(usual) ? null : other, framing, sound, flatten, cropToGrid, extra);
    }

    public Deliverable withFlatten(Rgb colour) {
        return new Deliverable(id, target, off, codec, container, control, framing, sound, colour, cropToGrid, extra);
    }

    public Deliverable withCropToGrid(boolean crop) {
        return new Deliverable(id, target, off, codec, container, control, framing, sound, flatten, crop, extra);
    }

    /** With its bits ruled as the target, or the codec, usually has them. */
    public Deliverable withUsualControl() {
        return new Deliverable(id, target, off, codec, container, null, framing, sound, flatten, cropToGrid, extra);
    }

    /** As the target has it, apart from what it is called and whether it is on. */
    public Deliverable asTarget() {
        return Deliverable.of(targetInCatalogue()).withId(id).withOff(off);
    }

    @JsonIgnore
    public Target targetInCatalogue() {
        return Catalogue.target(target);
    }

    /** Whether this Vat has its target and its codec: a project may come from a newer one. Nothing else may be asked of it otherwise. */
    @JsonIgnore
    public boolean isKnown() {
        return Catalogue.find(target).isPresent() && (codec == null || Catalogue.findCodec(codec).isPresent());
    }

    private Codec codecInUse() {
        return codec == null ? targetInCatalogue().codec() : Catalogue.codec(codec);
    }

    /** All that the file is made by. Its container may be one in which the codec can't stand: findings tell. */
    @JsonIgnore
    public Settings settings() {
        Settings wanted = targetInCatalogue().settings();
        Codec used = codecInUse();
        RateControl ruled = control != null ? control : codec == null ? wanted.control() : used.usualControl();
        Container stands = container == null ? wanted.container() : container;
        boolean kept = sound != null && sound.containers().contains(stands);
        SoundCodec usual = container == null ? wanted.sound() : SoundCodec.usualIn(stands);
        return new Settings(used, stands, ruled, wanted.indexInFront(), framing == null ? wanted.framing() : framing, kept ? sound : usual)
                .withIndexInFront(wanted.indexInFront());
    }

    /** Heading in plain words. */
    @JsonIgnore
    public String title() {
        return Catalogue.find(target).map(Target::title).orElse(target) + number().map(n -> " " + n).orElse("");
    }

    /** The number behind the target's id where it stands in a project more than once. */
    @JsonIgnore
    public Optional<String> number() {
        return id.equals(target) ? Optional.empty() : Optional.of(id.substring(id.lastIndexOf('-') + 1));
    }

    /** @param other null for the target's */
    public Deliverable withFraming(Framing other) {
        Framing chosen = other != null && other.equals(targetInCatalogue().settings().framing()) ? null : other;
        return new Deliverable(id, target, off, codec, container, control, chosen, sound, flatten, cropToGrid, extra);
    }

    /** @param other null for what is usual */
    public Deliverable withSound(SoundCodec other) {
        return new Deliverable(id, target, off, codec, container, control, framing, other, flatten, cropToGrid, extra);
    }

    /** The file's picture for a reel's; see {@link #fitsGrid}. */
    public Frame frameFor(Size reel, PixelAspect reelPixel) {
        Settings settings = settings();
        return settings.framing().frame(settings.codec(), reel, reelPixel, cropToGrid);
    }

    /** Whether a size falls on the codec's chroma grid. */
    public boolean fitsGrid(Size size) {
        Chroma chroma = codecInUse().chroma();
        return size.width() % chroma.widthStep() == 0 && size.height() % chroma.heightStep() == 0;
    }
}
