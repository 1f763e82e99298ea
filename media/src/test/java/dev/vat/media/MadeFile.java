package dev.vat.media;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.MasteringDisplay;
import dev.vat.core.delivery.PartForm;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.proof.Expectation;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.run.EncoderOptions;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.media.compose.Composer;
import dev.vat.media.compose.FieldWeaver;
import dev.vat.media.convert.Conversion;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.FrameProof;
import dev.vat.media.encode.PartWriter;
import dev.vat.media.mux.Joining;
import dev.vat.media.mux.Origin;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A short real file of one codec in one container, made in two parts where it may be cut, at its highest rate (23.976 or 59.94) and with
 * pixels that aren't square where it can say so.
 */
public record MadeFile(Path file, Expectation expected, List<FrameProof> proofs) {

    private static final int FIRST = 6;
    private static final int SECOND = 5;

    public static MadeFile of(Codec codec, Container container, Path folder) throws IOException {
        Size size = codec.limits().sizes().stream().findFirst().orElse(Size.of(256, 144));
        Rate any = codec.limits().fastest() != null ? codec.limits().fastest()
                : container.ordinal() % 2 == 0 ? Rate.of(24000, 1001) : Rate.of(60000, 1001);
        Rate rate = codec.limits().rates().stream().max(Rate::compareTo).orElse(any);
        PixelAspect aspect = !codec.pixelAspects().isEmpty() ? codec.pixelAspects().iterator().next()
                : codec.statesPixelAspect(container) ? PixelAspect.of(16, 15) : PixelAspect.SQUARE;
        return of(Settings.of(codec, container).withIndexInFront(true), size, rate, aspect, folder);
    }

    public static MadeFile of(Settings settings, Size size, Rate rate, PixelAspect aspect, Path folder) throws IOException {
        Codec codec = settings.codec();
        Expectation expected = Expectation.of(settings, FIRST + SECOND, rate, size, aspect, null)
                .withTimecode(Timecode.parse("10:00:00:00", rate));
        EncoderSpec spec = EncoderSpec.of(settings, size, aspect, rate, 2);
        for (Map.Entry<String, String> label : EncoderOptions.labelled(Map.of(), codec, expected.timecode()).entrySet()) {
            spec = spec.withOption(label.getKey(), label.getValue());
        }
        boolean whole = codec.partForm(settings.control()) == PartForm.WHOLE;
        List<Joining.Part> parts = new ArrayList<>();
        List<FrameProof> proofs = new ArrayList<>();
        int first = 0;
        for (int length : whole ? new int[] {FIRST + SECOND} : new int[] {FIRST, SECOND}) {
            Path file = folder.resolve("p" + first + "." + codec.partContainer().extension());
            proofs.addAll(part(file, spec, first, length));
            parts.add(new Joining.Part(file, codec.partContainer(), first, length));
            first += length;
        }
        expected = expected.withLight(ContentLight.of(proofs.stream().map(FrameProof::light).toList()).orElse(null));
        if (settings.statesMastering()) {
            expected = expected.withMastering(MasteringDisplay.parse("P3, 0.005 to 1000"));
        }
        Path joined = folder.resolve("joined." + settings.container().extension());
        Joining.join(parts, new Joining.Target(joined, settings.container(), settings.indexInFront(), rate, aspect, expected.timecode())
                .withLight(expected.light(), expected.mastering()).withLoops(expected.loops())
                .withOrigin(new Origin("Vat", "test", settings.toString(), Instant.parse("2031-05-04T10:00:00Z"))), null);
        return new MadeFile(joined, expected, proofs);
    }

    private static List<FrameProof> part(Path file, EncoderSpec spec, int first, int count) throws IOException {
        boolean alpha = spec.codec().hasAlpha();
        Treatment treatment = Treatment.plain(spec.codec(), spec.size()).withColour(spec.colour());
        try (Conversion conversion = new Conversion(spec.codec(), spec.size(), treatment);
                FieldWeaver weaver = new FieldWeaver(spec.scan()); PartWriter writer = new PartWriter(file, spec, first, true)) {
            for (int i = 0; i < count; i++) {
                int moment = spec.scan().isInterlaced() ? 2 * (first + i) : first + i;
                try (Picture converted = converted(spec, conversion, moment, alpha)) {
                    if (!weaver.isWeaving()) {
                        writer.write(converted);
                        continue;
                    }
                    try (Picture later = converted(spec, conversion, moment + 1, alpha); Picture woven = weaver.weave(converted, later)) {
                        writer.write(woven);
                    }
                }
            }
            return writer.finish();
        }
    }

    private static Picture converted(EncoderSpec spec, Conversion conversion, int moment, boolean alpha) {
        boolean high = spec.colour().isHighRange();
        try (Picture shown = SamplePictures.of(TestPictures.ramp(spec.size().width(), spec.size().height(), moment, alpha));
                Composer composer = new Composer(high ? WorkingFormat.HIGH : WorkingFormat.W16, alpha);
                Picture working = composer.compose(shown, PictureReading.of(alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, false))) {
            return conversion.convert(working);
        }
    }
}
