package dev.vat.media.mux;

import java.time.Instant;

/**
 * Where a file comes from.
 *
 * @param program that made it @param version of that program
 * @param name what tells it from any other file: the same name always gives the same identifiers
 * @param made when, or null where the file is to say nothing of that
 */
public record Origin(String program, String version, String name, Instant made) {

    /** Of a copy: what holds the same packets is the same material. */
    static Origin ofContent(PacketPrint packets) {
        return new Origin("Vat", "", "packets " + packets.text(), null);
    }
}
