package dev.vat.core.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Documents that are wrong somewhere: what is said is about the document, whatever is wrong of it. */
class WrongProjectTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private static final List<String> VALUES = List.of("null", "\"kite\"", "\"\"", "-7", "3.5", "1e400", "true", "[]", "{}", "[null]",
            "[[]]", "{\"kind\":\"kite\"}", "99999999999999999999999");

    /** Each way to put another value into a tree, each undone by putting the first one back. */
    private static void places(JsonNode node, List<Consumer<JsonNode>> setters, List<JsonNode> own) {
        if (node instanceof ObjectNode object) {
            for (Map.Entry<String, JsonNode> field : object.properties()) {
                setters.add(value -> object.set(field.getKey(), value));
                own.add(field.getValue());
                places(field.getValue(), setters, own);
            }
        } else if (node instanceof ArrayNode array) {
            for (int i = 0; i < array.size(); i++) {
                int index = i;
                setters.add(value -> array.set(index, value));
                own.add(array.get(i));
                places(array.get(i), setters, own);
            }
        }
    }

    @Test
    void whateverIsWrongWhereverItIsSaidOfTheDocument() throws Exception {
        JsonNode tree = JSON.readTree(ProjectText.write(ProjectTextTest.everything()));
        List<Consumer<JsonNode>> setters = new ArrayList<>();
        List<JsonNode> own = new ArrayList<>();
        places(tree, setters, own);
        List<String> said = new ArrayList<>();
        for (int i = 0; i < setters.size(); i++) {
            for (String value : VALUES) {
                setters.get(i).accept(JSON.readTree(value));
                try {
                    ProjectText.read(JSON.writeValueAsString(tree));
                } catch (IllegalArgumentException e) {
                    said.add(e.getMessage());
                }
            }
            setters.get(i).accept(own.get(i));
        }
        assertThat(setters).hasSizeGreaterThan(150);
        assertThat(said).hasSizeGreaterThan(1000).allSatisfy(words -> assertThat(words).doesNotContain("dev.vat").doesNotContain("java.")
                .doesNotContain("Exception").doesNotContain("REDACTED").doesNotContain("`").doesNotContain("\n").hasSizeLessThan(400));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "\"gap\" : \"card\"|\"gap\" : \"kite\"|sources[1].reading.gap: \"kite\", where one of refuse, hold",
        "\"rate\" : \"24000/1001\"|\"rate\" : []|rate: a list",
        "\"keepLength\" : false|\"keepLength\" : {}|keepLength: an object, where true or false is expected",
        "\"target\" : \"web-h264\",|\"target\" : \"web-h264\", \"control\" : { \"by\" : \"kite\" },|no kind kite; there are profile"})
    void thePlaceAndWhatIsAllowedThereAreNamed(String from, String to, String words) {
        String text = ProjectText.write(ProjectTextTest.full());
        assertThat(text).contains(from);
        assertThatIllegalArgumentException().isThrownBy(() -> ProjectText.read(text.replace(from, to))).withMessageContaining(words);
    }

    @Test
    void boundsComeFirst() {
        assertThatIllegalArgumentException().isThrownBy(() -> ProjectText.read("{\"version\":1,\"sources\":" + "[".repeat(100_000)))
                .withMessageContaining("nested deeper");
        String many = "{\"version\":1,\"sources\":[" + "{},".repeat(30_000) + "{}]}";
        assertThatIllegalArgumentException().isThrownBy(() -> ProjectText.read(many)).withMessageContaining("sources: 30001 entries");
        assertThatIllegalArgumentException().isThrownBy(() -> ProjectText.read("{\"version\":1,\n\"sources\":[}"))
                .withMessageContaining("line 2");
    }
}
