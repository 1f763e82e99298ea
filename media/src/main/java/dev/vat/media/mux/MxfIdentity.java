package dev.vat.media.mux;

import dev.vat.core.container.MxfFile;
import dev.vat.core.container.MxfSet;
import dev.vat.core.container.Umid;
import dev.vat.media.lib.FileBytes;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Gives the packages of an MXF file identifiers of their own (SMPTE ST 330) and dates. The library gives all files the same ones, since the
 * same plan is to make the same bytes; here both follow from the run.
 */
final class MxfIdentity {

    private static final int PACKAGE_UID = 0x4401;
    /** Of a package, by what refers to it: source clips, and what holds its essence. */
    private static final List<Integer> REFERENCES = List.of(PACKAGE_UID, 0x1101, 0x2701);
    /** Package changed and made, file changed, identification made. */
    private static final List<Integer> DATES = List.of(0x4404, 0x4405, 0x3b02, 0x3c06);
    private static final int UMID_BYTES = 32;
    private static final int DATE_BYTES = 8;

    private MxfIdentity() {}

    static void give(Path file, Origin origin) throws IOException {
        MxfFile found;
        try (FileBytes bytes = FileBytes.of(file)) {
            found = MxfFile.of(bytes);
        }
        Map<String, byte[]> identifiers = new HashMap<>();
        own(found, MxfSet.MATERIAL_PACKAGE, Umid.named(origin.name() + "/material"), identifiers);
        own(found, MxfSet.FILE_PACKAGE, Umid.named(origin.name() + "/file"), identifiers);
        byte[] date = origin.made() == null ? null : date(origin.made());
        try (InPlace bytes = new InPlace(file)) {
            for (MxfSet set : found.sets()) {
                for (MxfSet.Property property : set.properties()) {
                    byte[] fresh = DATES.contains(property.tag()) && property.value().length == DATE_BYTES ? date
                            : REFERENCES.contains(property.tag()) && property.value().length == UMID_BYTES
                                    ? identifiers.get(Umid.of(property.value()).hex()) : null;
                    if (fresh != null) {
                        bytes.write(property.at(), fresh);
                    }
                }
            }
        }
    }

    private static void own(MxfFile file, int kind, Umid fresh, Map<String, byte[]> into) {
        file.first(kind).flatMap(s -> s.value(PACKAGE_UID)).filter(v -> v.length == UMID_BYTES && !Arrays.equals(v, new byte[UMID_BYTES]))
                .ifPresent(v -> into.put(Umid.of(v).hex(), fresh.bytes()));
    }

    /** Year, month, day, hour, minute, second and quarters of a hundredth: SMPTE ST 377-1, 4.3. */
    private static byte[] date(Instant instant) {
        OffsetDateTime t = instant.atOffset(ZoneOffset.UTC);
        return ByteBuffer.allocate(DATE_BYTES).putShort((short) t.getYear()).put((byte) t.getMonthValue()).put((byte) t.getDayOfMonth())
                .put((byte) t.getHour()).put((byte) t.getMinute()).put((byte) t.getSecond()).put((byte) (t.getNano() / 4_000_000)).array();
    }
}
