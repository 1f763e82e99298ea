package dev.vat.engine.handover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.handover.Manifest;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Against the published description of the ASC Media Hash List, version 2.0, read here by Java's own reader of documents. */
class MhlTextTest {

    private static final Pattern DATE = Pattern.compile("\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d[+-]\\d\\d:\\d\\d");

    private static Manifest manifest() throws Exception {
        return new Manifest(Instant.parse("2026-11-26T21:00:00Z"), "Vat", "0.1.0", List.of(
                new Manifest.Entry("web/opening & end.mp4", 1234, Instant.parse("2026-11-25T10:11:12.345Z"), prints("two")),
                new Manifest.Entry("contents.txt", 17, Instant.parse("2026-11-26T20:59:59Z"), prints("one"))));
    }

    private static Manifest.Prints prints(String content) throws Exception {
        byte[] bytes = content.getBytes(StandardCharsets.UTF_8);
        return Manifest.Prints.of(MessageDigest.getInstance("SHA-512").digest(bytes), MessageDigest.getInstance("MD5").digest(bytes));
    }

    private static Element document(String text) throws Exception {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        return factory.newDocumentBuilder().parse(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8))).getDocumentElement();
    }

    private static List<Element> children(Element of) {
        List<Element> found = new ArrayList<>();
        for (Node node = of.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element element) {
                found.add(element);
            }
        }
        return found;
    }

    private static List<String> names(Element of) {
        return children(of).stream().map(Element::getLocalName).toList();
    }

    @Test
    void theListIsBuiltAsTheDescriptionSays() throws Exception {
        Element root = document(MhlText.write(manifest()));
        assertThat(root.getLocalName()).isEqualTo("hashlist");
        assertThat(root.getNamespaceURI()).isEqualTo("urn:ASC:MHL:v2.0");
        assertThat(root.getAttribute("version")).isEqualTo("2.0");
        assertThat(names(root)).containsExactly("creatorinfo", "processinfo", "hashes");
        Element creator = children(root).get(0);
        assertThat(names(creator)).containsExactly("creationdate", "hostname", "tool");
        assertThat(children(creator).get(0).getTextContent()).matches(DATE);
        assertThat(children(creator).get(2).getAttribute("version")).isEqualTo("0.1.0");
        Element process = children(root).get(1);
        assertThat(names(process)).containsExactly("process", "ignore");
        assertThat(children(process).get(0).getTextContent()).isIn("in-place", "transfer", "flatten");
        assertThat(children(children(process).get(1))).allSatisfy(p -> assertThat(p.getLocalName()).isEqualTo("pattern"))
                .extracting(Element::getTextContent).contains("ascmhl", "ascmhl/");
        for (Element hash : children(children(root).get(2))) {
            assertThat(hash.getLocalName()).isEqualTo("hash");
            assertThat(names(hash)).containsExactly("path", "c4", "md5");
            Element path = children(hash).get(0);
            assertThat(Long.parseLong(path.getAttribute("size"))).isPositive();
            assertThat(path.getAttribute("lastmodificationdate")).matches(DATE);
            assertThat(path.getTextContent()).doesNotStartWith("/").doesNotContain("\\");
            assertThat(children(hash).get(1).getTextContent()).matches("c4[1-9A-HJ-NP-Za-km-z]{88}");
            assertThat(children(hash).get(2).getTextContent()).matches("[0-9a-f]{32}");
            assertThat(children(hash).subList(1, 3)).allSatisfy(p -> {
                assertThat(p.getAttribute("action")).isIn("original", "verified", "failed");
                assertThat(p.getAttribute("hashdate")).matches(DATE);
            });
        }
    }

    @Test
    void theChainNamesTheManifestByItsFingerprint() throws Exception {
        String name = manifest().fileName(1, "Kite Week");
        assertThat(name).isEqualTo("0001_Kite Week_2026-11-26_210000Z.mhl");
        String text = MhlText.chain(name, prints("x").c4());
        Element root = document(text);
        assertThat(root.getLocalName()).isEqualTo("ascmhldirectory");
        assertThat(root.getNamespaceURI()).isEqualTo("urn:ASC:MHL:DIRECTORY:v2.0");
        assertThat(children(root).getFirst().getAttribute("sequencenr")).isEqualTo("1");
        assertThat(names(children(root).getFirst())).containsExactly("path", "c4");
        assertThat(MhlText.readChain(text)).containsExactly(new MhlText.Link(1, name, prints("x").c4()));
    }

    @Test
    void whatWasWrittenIsReadAsItWas() throws Exception {
        Manifest read = MhlText.read(MhlText.write(manifest()));
        assertThat(read.entries()).extracting(Manifest.Entry::path).containsExactly("contents.txt", "web/opening & end.mp4");
        assertThat(read.entries()).extracting(Manifest.Entry::prints)
                .isEqualTo(manifest().entries().stream().map(Manifest.Entry::prints).toList());
        assertThat(read.made()).isEqualTo(manifest().made());
        assertThat(read.tool()).isEqualTo("Vat");
    }

    @Test
    void listsOfOthersAreReadWithWhatVatKnowsOfThem() {
        Manifest read = MhlText
                .read("""
                        <?xml version="1.0" encoding="UTF-8"?>
                        <hashlist version="2.0" xmlns="urn:ASC:MHL:v2.0">
                          <creatorinfo><creationdate>2026-01-16T09:15:00+01:00</creationdate><hostname>cart</hostname><tool \
                          version="1">other</tool></creatorinfo>
                          <processinfo><process>in-place</process><roothash><content><c4 \
                          hashdate="2026-01-16T09:15:00+01:00">c4root</c4></content></roothash></processinfo>
                          <hashes>
                            <hash><path size="5">Sidecar.txt</path><xxh64 action="original">3ab5a4166b9bde44</xxh64></hash>
                            <hash><path size="4">Clips/a.mov</path><md5 action="original">098F6BCD4621D373CADE4E832627B4F6</md5></hash>
                            <directoryhash><path>Clips</path><content><md5>d41d8cd98f00b204e9800998ecf8427e</md5></content></directoryhash>
                          </hashes>
                        </hashlist>
                        """);
        assertThat(read.entries()).extracting(Manifest.Entry::path).containsExactly("Clips/a.mov", "Sidecar.txt");
        assertThat(read.entries().getLast().prints()).isEqualTo(new Manifest.Prints(null, null));
        assertThat(read.entries().getFirst().prints().agrees(new Manifest.Prints("c4x", "098f6bcd4621d373cade4e832627b4f6"))).isTrue();
        assertThat(read.made()).isEqualTo(Instant.parse("2026-01-16T08:15:00Z"));
    }

    @Test
    void theFingerprintOfNothingIsTheOneThatTheStandardGives() throws Exception {
        assertThat(prints("").c4()).isEqualTo("c459dsjfscH38cYeXXYogktxf4Cd9ibshE3BHUo6a58hBXmRQdZrAkZzsWcbWtDg5oQstpDuni4Hirj75GEmTc1sFT");
        assertThat(Manifest.Prints.of(new byte[64], new byte[16]).c4()).isEqualTo("c4" + "1".repeat(88));
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "",
        "no xml",
        "<hashlist/>",
        "<hashlist xmlns=\"urn:ASC:MHL:v1.0\"/>",
        "<hashlist xmlns=\"urn:ASC:MHL:v2.0\"><hashes>",
        "<!DOCTYPE a [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><hashlist xmlns=\"urn:ASC:MHL:v2.0\"><hashes><hash><path "
                + "size=\"1\">&x;</path></hash></hashes></hashlist>"})
    void whatIsNoListIsRefusedInWords(String text) {
        assertThatThrownBy(() -> MhlText.read(text)).isInstanceOf(IllegalArgumentException.class).hasMessageStartingWith("This");
    }
}
