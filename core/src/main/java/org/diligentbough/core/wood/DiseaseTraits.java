package org.diligentbough.core.wood;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.DataFile;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;

/**
 * What is known of a disease: one line of {@code diseases.csv}.
 *
 * @param kinds that can have it
 * @param grade of a tree that has it
 * @param incurable whether only taking the tree out ends it
 */
public record DiseaseTraits(Set<Species> kinds, Grade grade, boolean incurable) {
    private static final String ALL = "*";

    public DiseaseTraits {
        kinds = Set.copyOf(kinds);
    }

    /** The table of all diseases. */
    public static final class Table {
        private final Map<Disease, DiseaseTraits> traits = new EnumMap<>(Disease.class);

        private Table() {}

        /** Reads the shipped {@code diseases.csv}; every disease must stand in it once. */
        public static Table load() {
            Table table = new Table();
            for (DataFile.Row row : DataFile.read(
                    "diseases.csv", List.of("disease", "kinds", "grade", "incurable", "mark", "publication"))) {
                DiseaseTraits read =
                        new DiseaseTraits(kinds(row), Grade.valueOf(row.text("grade")), row.yes("incurable"));
                if (table.traits.put(row.code("disease", Disease.class), read) != null) {
                    throw row.wrong(row.text("disease") + " is given twice");
                }
            }
            for (Disease disease : Disease.values()) {
                if (!table.traits.containsKey(disease)) {
                    throw new IllegalStateException("diseases.csv lacks " + disease);
                }
            }
            return table;
        }

        private static Set<Species> kinds(DataFile.Row row) {
            if (row.text("kinds").equals(ALL)) {
                return EnumSet.allOf(Species.class);
            }
            Set<Species> kinds = EnumSet.noneOf(Species.class);
            Arrays.stream(row.text("kinds").split(" "))
                    .forEach(kind -> kinds.add(
                            Codes.parse(Species.class, kind).orElseThrow(() -> row.wrong("there is no kind " + kind))));
            return kinds;
        }

        /** What is known of a disease. */
        public DiseaseTraits of(Disease disease) {
            return traits.get(disease);
        }
    }
}
