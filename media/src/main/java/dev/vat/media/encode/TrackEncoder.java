package dev.vat.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_FLAG_GLOBAL_HEADER;
import static org.bytedeco.ffmpeg.global.avcodec.AV_FIELD_BB;
import static org.bytedeco.ffmpeg.global.avcodec.AV_FIELD_PROGRESSIVE;
import static org.bytedeco.ffmpeg.global.avcodec.AV_FIELD_TT;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_encoder_by_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_frame;
import static org.bytedeco.ffmpeg.global.avutil.AVALPHA_MODE_PREMULTIPLIED;
import static org.bytedeco.ffmpeg.global.avutil.AVALPHA_MODE_STRAIGHT;
import static org.bytedeco.ffmpeg.global.avutil.AVCHROMA_LOC_LEFT;
import static org.bytedeco.ffmpeg.global.avutil.AVCHROMA_LOC_TOPLEFT;
import static org.bytedeco.ffmpeg.global.avutil.AVCHROMA_LOC_UNSPECIFIED;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_MPEG;
import static org.bytedeco.ffmpeg.global.avutil.AV_PICTURE_TYPE_NONE;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_set;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.run.EncoderOptions;
import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.lib.PacketDrain;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SampleFormat;
import java.io.IOException;
import java.nio.file.Files;
import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.BytePointer;

/** One encoder from its first frame to its last packet. Belongs to one thread. */
public final class TrackEncoder implements AutoCloseable {

    private static final Words WORDS = Words.of(TrackEncoder.class);

    private final EncoderSpec spec;
    private final AVCodecContext context;
    private final Palette palette;
    private final PacketDrain packets = new PacketDrain();
    private long frames;

    TrackEncoder(EncoderSpec spec) {
        this.spec = spec;
        this.palette = spec.codec().reportedName().equals("gif") ? new Palette(spec.codec().hasAlpha()) : null;
        String encoder = EncoderOptions.encoder(spec.codec());
        AVCodec codec = avcodec_find_encoder_by_name(encoder);
        if (codec == null || codec.isNull()) {
            throw new MediaException(WORDS.say("thisBuildHasNoEncoder", encoder), 0);
        }
        context = avcodec_alloc_context3(codec);
        context.width(spec.size().width()).height(spec.size().height())
                .pix_fmt(Av.format(palette == null ? SampleFormat.of(spec.codec()) : "pal8"))
                .time_base(Av.fraction(spec.rate().perSecond().inverse()))
                .framerate(Av.fraction(spec.rate().perSecond()))
                .sample_aspect_ratio(Av.fraction(spec.pixelAspect().ratio()))
                .color_range(spec.colour().isFull() ? AVCOL_RANGE_JPEG : AVCOL_RANGE_MPEG).colorspace(ColourTags.matrix(spec.colour()))
                .color_primaries(ColourTags.primaries(spec.colour())).color_trc(ColourTags.transfer(spec.colour()))
                .chroma_sample_location(chromaLocation(spec.codec()))
                .thread_count(spec.threads());
        context.field_order(switch (spec.scan()) {
            case PROGRESSIVE -> AV_FIELD_PROGRESSIVE;
            case TOP_FIRST -> AV_FIELD_TT;
            case BOTTOM_FIRST -> AV_FIELD_BB;
        });
        if (spec.codec().hasAlpha()) {
            context.alpha_mode(spec.colour().equals(ColourCoding.LINEAR) ? AVALPHA_MODE_PREMULTIPLIED : AVALPHA_MODE_STRAIGHT);
        }
        if (isVp9() && spec.pass() != null && !spec.pass().first()) {
            context.stats_in(new BytePointer(readNotes()));
        }
        AVDictionary options = Av.options(RepeatableCode.with(spec.options(), encoder));
        try {
            int result = avcodec_open2(context, codec, withGlobalHeader(options));
            Av.check(result, WORDS.say("at", spec.codec().title(), spec.size()));
            Av.requireAllTaken(options, encoder);
        } catch (MediaException e) {
            close();
            throw e;
        }
    }

    /**
     * DV's samples lie at the upper left (IEC 61834), MPEG's at the left; where colour isn't sampled more coarsely there is nothing to
     * say.
     */
    private static int chromaLocation(Codec codec) {
        return switch (codec.chroma()) {
            case RGB, YUV444 -> AVCHROMA_LOC_UNSPECIFIED;
            default -> codec.reportedName().equals("dvvideo") ? AVCHROMA_LOC_TOPLEFT : AVCHROMA_LOC_LEFT;
        };
    }

    /** Options set flags anew, so that the flag for parameters outside the packets has to go the same way. */
    private AVDictionary withGlobalHeader(AVDictionary options) {
        if (spec.codec().isSelfContained()) {
            return options;
        }
        if (spec.options().containsKey("flags")) {
            av_dict_set(options, "flags",
                    spec.options().get("flags") + "+global_header", 0);
        } else {
            context.flags(context.flags() | AV_CODEC_FLAG_GLOBAL_HEADER);
        }
        return options;
    }

    /** VP9 alone hands its notes over and takes them back; the others write and read the file themselves. */
    private boolean isVp9() {
        return spec.codec().reportedName().equals("vp9");
    }

    private String readNotes() {
        try {
            return Files.readString(spec.pass().notes());
        } catch (IOException e) {
            throw new MediaException(WORDS.say("theNotesOfTheFirstPassCant", e.getMessage()), 0);
        }
    }

    private void writeNotes() {
        try {
            Files.writeString(spec.pass().notes(), context.stats_out().getString());
        } catch (IOException e) {
            throw new MediaException(WORDS.say("theNotesOfTheFirstPassCant2", e.getMessage()), 0);
        }
    }

    AVCodecContext context() {
        return context;
    }

    void encode(Picture picture, Consumer<AVPacket> sink) {
        if (palette == null) {
            take(picture, sink);
            return;
        }
        try (Picture reduced = palette.reduce(picture)) {
            take(reduced, sink);
        }
    }

    private void take(Picture picture, Consumer<AVPacket> sink) {
        AVFrame frame = picture.frame();
        if (frame.width() != context.width() || frame.height() != context.height()
                || frame.format() != context.pix_fmt()) {
            throw new MediaException(
                    WORDS.say("aPictureOfXCameToAnEncoder", frame.width(), frame.height(), picture.formatName(), spec.size()), 0);
        }
        frame.pts(frames++);
        // Decoded stills say "key frame"; the encoder would follow that for every one.
        frame.pict_type(AV_PICTURE_TYPE_NONE);
        frame.flags(frame.flags() & ~Av.FRAME_KEY);
        frame.sample_aspect_ratio(Av.fraction(spec.pixelAspect().ratio()));
        frame.chroma_location(context.chroma_sample_location());
        // Motion JPEG takes its quality from every frame anew.
        frame.quality(context.global_quality());
        Av.check(avcodec_send_frame(context, frame), WORDS.say("encoding"));
        drain(sink);
    }

    void flush(Consumer<AVPacket> sink) {
        Av.check(avcodec_send_frame(context, null), WORDS.say("encodingTheLastFrames"));
        drain(sink);
        if (isVp9() && spec.pass() != null && spec.pass().first()) {
            writeNotes();
        }
    }

    private void drain(Consumer<AVPacket> sink) {
        packets.drain(context, WORDS.say("encoding"), packet -> {
            packet.duration(1);
            sink.accept(packet);
        });
    }

    @Override
    public void close() {
        if (palette != null) {
            palette.close();
        }
        avcodec_free_context(context);
        packets.close();
    }
}
