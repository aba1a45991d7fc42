package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.knowledge.Source;
import org.junit.jupiter.api.Test;

/** What a pruner reads in docs/verdict-table.md is what the rules are: their order, what they must, and their sources. */
class VerdictTableTest {

    private static List<List<String>> rows() throws IOException {
        return Files.readAllLines(Path.of("../docs/verdict-table.md")).stream()
                .filter(line -> line.startsWith("| `"))
                .map(line -> Arrays.stream(line.substring(1).split("\\|"))
                        .map(cell -> cell.strip().replace("`", ""))
                        .toList())
                .toList();
    }

    @Test
    void theRulesStandInTheOrderInWhichTheyAreGoneThrough() throws IOException {
        assertThat(rows())
                .extracting(row -> row.get(0))
                .containsExactlyElementsOf(
                        Arrays.stream(Rule.values()).map(Codes::of).toList());
    }

    @Test
    void whatMustAndWhatChangesATreeIsMarked() throws IOException {
        for (List<String> row : rows()) {
            Rule rule = Codes.parse(Rule.class, row.get(0)).orElseThrow();
            String mark = rule.must() ? "must" : rule.strategic() ? "strategic" : "–";
            assertThat(row.get(4)).as(row.get(0)).isEqualTo(mark);
        }
    }

    @Test
    void whatEachSaysHasTheSourceThatIsTold() throws IOException {
        for (List<String> row : rows()) {
            ReasonCode code = Codes.parse(ReasonCode.class, row.get(5)).orElseThrow();
            Source source = SurveyBuilder.RULES.knowledge().reason(code).source();
            String told = Codes.of(source.mark()).replace('-', ' ')
                    + (source.publication().isEmpty() ? "" : ": " + source.publication());
            assertThat(row.get(6)).as(row.get(0)).isEqualTo(told);
        }
    }
}
