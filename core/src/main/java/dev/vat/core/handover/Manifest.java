package dev.vat.core.handover;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;

/**
 * What a folder holds, with the fingerprint of every file, as the ASC Media Hash List (version 2.0) has it.
 *
 * @param made when, to the second
 * @param tool and {@code version}: what made it
 * @param entries in the order of their paths
 */
public record Manifest(Instant made, String tool, String version, List<Entry> entries) {

    /** The folder that manifests lie in, at the root of what they describe. */
    public static final String FOLDER = "ascmhl";
    /** Names all manifests of a folder, each with its own fingerprint. */
    public static final String CHAIN = "ascmhl_chain.xml";
    /** What manifests leave out, as they say of themselves. */
    public static final List<String> LEFT_OUT = List.of(".DS_Store", FOLDER, FOLDER + "/");

    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyy-MM-dd_HHmmss'Z'").withZone(ZoneOffset.UTC);

    /**
     * One file.
     *
     * @param path from the folder on, with {@code /} between its parts
     * @param bytes its length
     * @param modified when it was last written
     * @param prints of its content
     */
    public record Entry(String path, long bytes, Instant modified, Prints prints) {}

    /**
     * Fingerprints of one content: as SMPTE ST 2114 writes it, and MD5 in hexadecimal for tools that know nothing else; that may be null
     * where another tool wrote the manifest.
     */
    public record Prints(String c4, String md5) {

        /** @param sha512 and {@code md5} of the content, as their algorithms give them */
        public static Prints of(byte[] sha512, byte[] md5) {
            return new Prints(C4Id.of(sha512), HexFormat.of().formatHex(md5));
        }

        /** Whether another content is the same, by all that both know. */
        public boolean agrees(Prints other) {
            boolean c4Known = c4 != null && other.c4 != null;
            boolean md5Known = md5 != null && other.md5 != null;
            return (c4Known || md5Known) && (!c4Known || c4.equals(other.c4)) && (!md5Known || md5.equalsIgnoreCase(other.md5));
        }
    }

    public Manifest {
        entries = entries.stream().sorted(Comparator.comparing(Entry::path)).toList();
    }

    /** The name of its file: number, name of the folder, time. @param number from 1 on */
    public String fileName(int number, String folder) {
        return "%04d_%s_%s.mhl".formatted(number, folder, STAMP.format(made));
    }
}
