package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avutil.av_dict_set;

import dev.vat.core.delivery.Container;
import dev.vat.core.product.VatVersion;
import dev.vat.media.lib.Av;
import java.time.Instant;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avutil.AVDictionary;

/**
 * Where a file comes from.
 *
 * @param program that made it @param version of that program
 * @param name what tells it from any other file: the same name always gives the same identifiers
 * @param made when, or null where the file is to say nothing of that
 */
public record Origin(String program, String version, String name, Instant made) {

    private static final String ENCODER = "encoder";

    /** Before the file is started: what a container has its maker in, by the library's names. */
    void sign(AVFormatContext context, Container container) {
        switch (container) {
            case MP4 -> context.metadata(with(context.metadata(), "encoding_tool", text()));
            case AVI -> context.metadata(with(context.metadata(), "ISFT", text()));
            case TS -> context.metadata(with(with(context.metadata(), "service_provider", program), "service_name", text()));
            case MXF -> {
                AVDictionary all = with(context.metadata(), "company_name", program);
                context.metadata(with(with(all, "product_name", program), "product_version", version));
            }
            case MKV, WEBM -> context.streams(0).metadata(with(context.streams(0).metadata(), ENCODER, text()));
            case MOV, GIF, APNG, WEBP, AVIF, FRAMES, WAV -> {
                // QuickTime's is told later, and the others have no place.
            }
        }
    }

    /** Once the file is started, which makes the library forget what it was told in this field; the index is written at the end. */
    void signStarted(AVFormatContext context, Container container) {
        if (container == Container.MOV) {
            context.metadata(with(context.metadata(), ENCODER, text()));
        }
    }

    private static AVDictionary with(AVDictionary known, String name, String value) {
        AVDictionary all = new AVDictionary(known);
        Av.check(av_dict_set(all, name, value, 0), name);
        return all;
    }

    /** The program and its version, where one field has both. */
    String text() {
        return version.isEmpty() ? program : program + " " + version;
    }

    /** Of what this version of Vat makes. @param name what tells it from any other file */
    static Origin ofThisVat(String name) {
        return new Origin(VatVersion.NAME, VatVersion.current(), name, null);
    }

    /** Of a copy: what holds the same packets is the same material. */
    static Origin ofContent(PacketPrint packets) {
        return ofThisVat("packets " + packets.text());
    }
}
