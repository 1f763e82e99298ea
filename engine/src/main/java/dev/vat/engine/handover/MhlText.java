package dev.vat.engine.handover;

import dev.vat.core.handover.Manifest;
import dev.vat.core.words.Words;
import java.io.StringReader;
import java.io.StringWriter;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;

/**
 * Manifests as text, after the published description of the ASC Media Hash List, version 2.0. Names of machines are not written: where the
 * format asks for one, it says that none is stated.
 */
final class MhlText {

    private static final Words WORDS = Words.of(MhlText.class);

    private static final String LIST = "urn:ASC:MHL:v2.0";
    private static final String DIRECTORY = "urn:ASC:MHL:DIRECTORY:v2.0";
    private static final String VERSION = "2.0";
    private static final String NOBODY = WORDS.say("notStated");

    private MhlText() {}

    static String write(Manifest manifest) {
        return xml(writer -> {
            writer.writeStartElement("hashlist");
            writer.writeDefaultNamespace(LIST);
            writer.writeAttribute("version", VERSION);
            writer.writeStartElement("creatorinfo");
            text(writer, "creationdate", date(manifest.made()));
            text(writer, "hostname", NOBODY);
            writer.writeStartElement("tool");
            writer.writeAttribute("version", manifest.version());
            writer.writeCharacters(manifest.tool());
            writer.writeEndElement();
            writer.writeEndElement();
            writer.writeStartElement("processinfo");
            text(writer, "process", "in-place");
            writer.writeStartElement("ignore");
            for (String pattern : Manifest.LEFT_OUT) {
                text(writer, "pattern", pattern);
            }
            writer.writeEndElement();
            writer.writeEndElement();
            writer.writeStartElement("hashes");
            for (Manifest.Entry entry : manifest.entries()) {
                hash(writer, entry, manifest.made());
            }
            writer.writeEndElement();
            writer.writeEndElement();
        });
    }

    private static void hash(XMLStreamWriter writer, Manifest.Entry entry, Instant made) throws XMLStreamException {
        writer.writeStartElement("hash");
        writer.writeStartElement("path");
        writer.writeAttribute("size", Long.toString(entry.bytes()));
        writer.writeAttribute("lastmodificationdate", date(entry.modified()));
        writer.writeCharacters(entry.path());
        writer.writeEndElement();
        print(writer, "c4", entry.prints().c4(), made);
        print(writer, "md5", entry.prints().md5(), made);
        writer.writeEndElement();
    }

    private static void print(XMLStreamWriter writer, String kind, String value, Instant made) throws XMLStreamException {
        if (value != null) {
            writer.writeStartElement(kind);
            writer.writeAttribute("action", "original");
            writer.writeAttribute("hashdate", date(made));
            writer.writeCharacters(value);
            writer.writeEndElement();
        }
    }

    /** The list of manifests. @param file name of the only one @param c4 fingerprint of that */
    static String chain(String file, String c4) {
        return xml(writer -> {
            writer.writeStartElement("ascmhldirectory");
            writer.writeDefaultNamespace(DIRECTORY);
            writer.writeStartElement("hashlist");
            writer.writeAttribute("sequencenr", "1");
            text(writer, "path", file);
            text(writer, "c4", c4);
            writer.writeEndElement();
            writer.writeEndElement();
        });
    }

    /** A manifest that a chain names. @param number in their sequence @param c4 its fingerprint */
    record Link(int number, String file, String c4) {}

    /** @throws IllegalArgumentException saying in words why the text is no chain */
    static List<Link> readChain(String text) {
        List<Link> links = new ArrayList<>();
        read(text, DIRECTORY, "ascmhldirectory", reader -> {
            if (reader.getLocalName().equals("hashlist")) {
                links.add(new Link(number(reader.getAttributeValue(null, "sequencenr")), null, null));
            } else if (!links.isEmpty() && (reader.getLocalName().equals("path") || reader.getLocalName().equals("c4"))) {
                boolean path = reader.getLocalName().equals("path");
                String value = reader.getElementText().strip();
                Link last = links.removeLast();
                links.add(path ? new Link(last.number, value, last.c4) : new Link(last.number, last.file, value));
            }
        });
        if (links.isEmpty() || links.stream().anyMatch(l -> l.file == null || l.c4 == null)) {
            throw new IllegalArgumentException(WORDS.say("theChainNamesNoManifest"));
        }
        return links;
    }

    /** @throws IllegalArgumentException saying in words why the text is no manifest */
    static Manifest read(String text) {
        List<Manifest.Entry> entries = new ArrayList<>();
        var head = new Object() {
            Instant made = Instant.EPOCH;
            String tool = "";
            String version = "";
            String path;
            long bytes;
            Instant modified = Instant.EPOCH;
            String c4;
            String md5;
            boolean inFile;

            void close() {
                if (inFile && path != null) {
                    entries.add(new Manifest.Entry(path, bytes, modified, new Manifest.Prints(c4, md5)));
                }
                path = null;
                c4 = null;
                md5 = null;
            }
        };
        read(text, LIST, "hashlist", reader -> {
            switch (reader.getLocalName()) {
                case "creationdate" -> head.made = instant(reader.getElementText());
                case "tool" -> {
                    head.version = String.valueOf(reader.getAttributeValue(null, "version"));
                    head.tool = reader.getElementText();
                }
                case "hash" -> {
                    head.close();
                    head.inFile = true;
                }
                case "directoryhash", "references" -> {
                    head.close();
                    head.inFile = false;
                }
                case "path" -> {
                    if (head.inFile) {
                        head.bytes = size(reader.getAttributeValue(null, "size"));
                        String date = reader.getAttributeValue(null, "lastmodificationdate");
                        head.modified = date == null ? Instant.EPOCH : instant(date);
                        head.path = reader.getElementText();
                    }
                }
                case "c4" -> head.c4 = head.inFile ? reader.getElementText().strip() : head.c4;
                case "md5" -> head.md5 = head.inFile ? reader.getElementText().strip() : head.md5;
                default -> {}
            }
        });
        head.close();
        return new Manifest(head.made, head.tool, head.version, entries);
    }

    private interface Writing {
        void to(XMLStreamWriter writer) throws XMLStreamException;
    }

    private interface Reading {
        void at(XMLStreamReader reader) throws XMLStreamException;
    }

    private static String xml(Writing content) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter writer = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            writer.writeStartDocument("UTF-8", "1.0");
            content.to(writer);
            writer.writeEndDocument();
            writer.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("A manifest couldn't be put into words: " + e.getMessage(), e);
        }
        // One element to a line, for those who read it by eye and by line.
        return text.toString().replaceAll("><(?!/path|/c4|/md5)", ">\n<") + "\n";
    }

    private static void read(String text, String namespace, String root, Reading each) {
        XMLInputFactory factory = XMLInputFactory.newFactory();
        // Nothing in it is fetched or put in from elsewhere.
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        try {
            XMLStreamReader reader = factory.createXMLStreamReader(new StringReader(text));
            boolean first = true;
            while (reader.hasNext()) {
                if (reader.next() != XMLStreamReader.START_ELEMENT) {
                    continue;
                }
                if (first && (!root.equals(reader.getLocalName()) || !namespace.equals(reader.getNamespaceURI()))) {
                    throw new IllegalArgumentException(
                            WORDS.say("thisIsNotAOfButOf", root, namespace, reader.getLocalName(), reader.getNamespaceURI()));
                }
                if (!first) {
                    each.at(reader);
                }
                first = false;
            }
        } catch (XMLStreamException e) {
            throw new IllegalArgumentException(
                    WORDS.say("thisCantBeUnderstood", String.valueOf(e.getMessage()).lines().findFirst().orElse("")),
                    e);
        }
    }

    private static void text(XMLStreamWriter writer, String name, String value) throws XMLStreamException {
        writer.writeStartElement(name);
        writer.writeCharacters(value);
        writer.writeEndElement();
    }

    private static String date(Instant at) {
        return DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(at.truncatedTo(ChronoUnit.SECONDS).atOffset(ZoneOffset.UTC)).replace("Z",
                "+00:00");
    }

    private static Instant instant(String text) {
        try {
            return OffsetDateTime.parse(text.strip()).toInstant();
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(WORDS.say("isNoDate", text), e);
        }
    }

    private static int number(String text) {
        return Math.toIntExact(size(text));
    }

    private static long size(String text) {
        try {
            return text == null ? 0 : Long.parseLong(text.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(WORDS.say("isNoNumber", text), e);
        }
    }
}
