package dev.vat.core.source;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What the trade calls a codec that the media library has its own name for. */
public final class CodecName {

    /** Bits behind a letter for how they are counted, then their order: {@code pcm_s24le}. */
    private static final Pattern PCM = Pattern.compile("pcm_([suf])(\\d+)(?:le|be)?(?:_planar)?");

    private static final Map<String, String> NAMES = Map.ofEntries(Map.entry("h264", "H.264"), Map.entry("hevc", "H.265"),
            Map.entry("prores", "ProRes"), Map.entry("dnxhd", "DNxHD or DNxHR"), Map.entry("mpeg1video", "MPEG-1"),
            Map.entry("mpeg2video", "MPEG-2"), Map.entry("mpeg4", "MPEG-4 Part 2"), Map.entry("vp8", "VP8"), Map.entry("vp9", "VP9"),
            Map.entry("av1", "AV1"), Map.entry("mjpeg", "Motion JPEG"), Map.entry("jpeg2000", "JPEG 2000"), Map.entry("ffv1", "FFV1"),
            Map.entry("rawvideo", "uncompressed"), Map.entry("v210", "uncompressed 10-bit"), Map.entry("v410", "uncompressed 10-bit"),
            Map.entry("qtrle", "QuickTime run-length"), Map.entry("png", "PNG"), Map.entry("utvideo", "Ut Video"),
            Map.entry("huffyuv", "HuffYUV"), Map.entry("dvvideo", "DV"), Map.entry("cfhd", "VC-5"), Map.entry("hap", "Hap"),
            Map.entry("gif", "GIF"), Map.entry("webp", "WebP"), Map.entry("theora", "Theora"), Map.entry("vc1", "VC-1"),
            Map.entry("aac", "AAC"), Map.entry("mp3", "MP3"), Map.entry("mp2", "MPEG Layer II"), Map.entry("flac", "FLAC"),
            Map.entry("alac", "ALAC"), Map.entry("opus", "Opus"), Map.entry("vorbis", "Vorbis"), Map.entry("ac3", "AC-3"),
            Map.entry("eac3", "E-AC-3"), Map.entry("dts", "DTS"), Map.entry("truehd", "TrueHD"), Map.entry("pcm_alaw", "A-law"),
            Map.entry("pcm_mulaw", "mu-law"), Map.entry("gsm", "GSM"), Map.entry("gsm_ms", "GSM"));

    private CodecName() {}

    /** @param library the media library's name; one that isn't known here is given back without its underscores */
    public static String of(String library) {
        Matcher pcm = PCM.matcher(library);
        if (pcm.matches()) {
            return "PCM " + pcm.group(2) + "-bit" + (pcm.group(1).equals("f") ? " float" : "");
        }
        String known = NAMES.get(library.toLowerCase(Locale.ROOT));
        return known != null ? known
                : library.startsWith("adpcm_") ? "ADPCM" : library.replace('_', ' ');
    }
}
