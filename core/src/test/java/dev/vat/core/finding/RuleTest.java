package dev.vat.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.ResourceBundle;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Every finding says what it means. The guide's page of them is made here: {@code FINDINGS_WRITE=1} in the environment writes it anew. */
class RuleTest {

    private static final Path PAGE = Path.of("..", "docs", "guide", "findings.md");

    private static final String HEAD = """
            # Findings

            What they mean, and what to do. Red stands in the way, yellow makes a file that may not be what was meant, grey is worth
            knowing. The same words come from `vat findings`, and stand under each finding in the window (the arrow at its right).
            Remedies are buttons there, and undo takes a remedy back. In JSON a finding has the id that is given here.
            """;

    private static String page() {
        StringBuilder page = new StringBuilder(HEAD);
        for (Rule.Group group : Rule.Group.values()) {
            page.append("\n## ").append(group.title()).append("\n\n");
            page.append(Arrays.stream(Rule.values()).filter(r -> r.group() == group)
                    .map(r -> "- **" + r.title() + "** (`" + r.id() + "`): " + r.meaning() + "\n").collect(Collectors.joining()));
        }
        return page.toString();
    }

    @ParameterizedTest
    @EnumSource(Rule.class)
    void saysInAFewWordsWhatIsTheMatterAndInASentenceOrTwoWhatToDo(Rule rule) {
        assertThat(rule.title()).hasSizeBetween(5, 50).doesNotEndWith(".");
        assertThat(rule.meaning()).hasSizeBetween(50, 320).endsWith(".").doesNotContain("{", "''");
        assertThat(Rule.find(rule.id())).contains(rule);
    }

    @Test
    void wordsOfARuleThatIsGoneGoToo() {
        TreeSet<String> keys = new TreeSet<>();
        Arrays.stream(Rule.values()).forEach(r -> {
            keys.add("Rule." + r.id());
            keys.add("Rule." + r.id() + ".means");
        });
        assertThat(ResourceBundle.getBundle("dev.vat.core.finding.words").keySet().stream()
                .filter(k -> k.startsWith("Rule.") && !k.startsWith("Rule.group."))).containsExactlyInAnyOrderElementsOf(keys);
    }

    @Test
    void theGuideHasThemAll() throws IOException {
        if (System.getenv("FINDINGS_WRITE") != null) {
            Files.writeString(PAGE, page());
        }
        assertThat(Files.readString(PAGE)).startsWith("# Findings\n")
                .as("write it anew: FINDINGS_WRITE=1 mvn test -pl core -Dtest=RuleTest").isEqualTo(page());
    }
}
