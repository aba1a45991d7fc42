package org.diligentbough.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.StringReader;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A data file that cannot be used stops the start, naming the line. */
class DataFilesTest {
    private static final List<String> COLUMNS = List.of("figure", "value", "unit", "mark", "publication", "meaning");

    private static Knowledge figures(String... lines) {
        String text = "figure,value,unit,mark,publication,meaning\n" + String.join("\n", lines) + "\n";
        return Knowledge.of(DataFile.read("figures.csv", new StringReader(text), COLUMNS), List.of());
    }

    @Test
    void theShippedFilesCanBeRead() {
        Knowledge knowledge = Knowledge.load();
        assertThat(knowledge.get(Figure.BIG_CUT_CM)).isEqualTo(5);
        assertThat(knowledge.get(Figure.BUSH_RENEWAL_SHARE)).isEqualTo(1.0 / 3);
        assertThat(knowledge.entry(Figure.TWO_PEOPLE_KG).source().publication()).contains("HSE");
    }

    @Test
    void theLineAndWhatIsWrongAreNamed() {
        assertThatThrownBy(() -> figures("big-cut-cm,five,cm,common-practice,,x"))
                .hasMessage("figures.csv, line 2: value \"five\" is not a number");
        assertThatThrownBy(() -> figures("big-cut-cm,1/0,cm,common-practice,,x"))
                .hasMessageContaining("does not lie within");
        assertThatThrownBy(() -> figures("big-cut-cm,500,cm,common-practice,,x"))
                .hasMessageContaining("line 2")
                .hasMessageContaining("does not lie within");
        assertThatThrownBy(() -> figures("big-cut-cm,5,mm,common-practice,,x"))
                .hasMessageContaining("is in cm, not in mm");
        assertThatThrownBy(() -> figures("big-cut,5,cm,common-practice,,x")).hasMessageContaining("is none of");
        assertThatThrownBy(() -> figures("big-cut-cm,5,cm,from-memory,,x"))
                .hasMessageContaining("names its publication");
        assertThatThrownBy(() -> figures("# a comment", "big-cut-cm,5,cm,common-practice,,x", "big-cut-cm,5,cm"))
                .hasMessageContaining("line 4")
                .hasMessageContaining("has 3 values");
        assertThatThrownBy(() -> figures("big-cut-cm,5,cm,common-practice,,x", "big-cut-cm,5,cm,common-practice,,x"))
                .hasMessageContaining("given twice");
        assertThatThrownBy(() -> figures("big-cut-cm,5,cm,common-practice,,x")).hasMessageContaining("is missing");
    }
}
