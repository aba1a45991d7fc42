package org.diligentbough.core.orchard;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.knowledge.DataFile;

/**
 * What the rules need to know of a species: one line of {@code species.csv}.
 *
 * @param group which of the rules that differ by kind apply
 * @param formWanted the form aimed at when the tree's own is not given
 * @param mainCutDormant whether its main cutting time is the dormant season, so that summer takes at most a tenth
 * @param goodShootsToCm end shoots up to this length, in cm, are good growth; longer ones are strong
 * @param fruitfulFromDeg lowest angle above level, in degrees, at which its wood fruits best
 * @param fruitfulToDeg highest such angle, in degrees
 * @param stone whether it is a stone fruit, which wants dry days and answers a summer cut with gum
 * @param pollination whether it wants another cultivar near
 * @param upkeepTimes what a kept one of its size wants of cutting in a year, an apple being 1
 * @param bearsAfterYears years until new wood bears, 0 when in its first
 * @param agesAYear share of its fruitfulness, 0 to 1, that wood loses in a year in which nobody renews it
 */
public record SpeciesTraits(
        Group group,
        Form formWanted,
        boolean mainCutDormant,
        double goodShootsToCm,
        double fruitfulFromDeg,
        double fruitfulToDeg,
        boolean stone,
        Pollination.Need pollination,
        double upkeepTimes,
        int bearsAfterYears,
        double agesAYear) {

    /** The rules that differ by kind. */
    public enum Group {
        /** Judged by the table as it stands. */
        TREE,
        /** As a tree, except that hanging wood is good. */
        CHERRY,
        /** As a tree, with a larger allowance and each limb renewed in turn. */
        PEACH,
        /** Renewed by its own rule instead of the crown allowance. */
        FIG,
        /** Dense and skirted is right. */
        EVERGREEN,
        /** A bush kept by the number of its main branches. */
        BRANCH_BUSH,
        /** A bush whose oldest stems go to the ground. */
        STEM_BUSH
    }

    /** Whether it is cut in summer, once its shoots have stopped or nearly so. */
    public boolean cutInSummer() {
        return !mainCutDormant && group != Group.PEACH && group != Group.EVERGREEN;
    }

    /** Whether it is a bush, kept by the number of its stems. */
    public boolean bush() {
        return group == Group.BRANCH_BUSH || group == Group.STEM_BUSH;
    }

    /** Whether the crown allowance and the limit on big cuts hold for it. */
    public boolean hasAllowance() {
        return !bush() && group != Group.FIG;
    }

    /** The table of all species. */
    public static final class Table {
        private final Map<Species, SpeciesTraits> traits = new EnumMap<>(Species.class);

        private Table() {}

        /** Reads the shipped {@code species.csv}; every species must stand in it once. */
        public static Table load() {
            Table table = new Table();
            List<DataFile.Row> rows = DataFile.read(
                    "species.csv",
                    List.of(
                            "species",
                            "group",
                            "form-wanted",
                            "main-cut-dormant",
                            "good-shoots-to-cm",
                            "fruitful-from-deg",
                            "fruitful-to-deg",
                            "stone",
                            "pollination",
                            "upkeep-times",
                            "bears-after-years",
                            "ages-a-year"));
            for (DataFile.Row row : rows) {
                SpeciesTraits read = new SpeciesTraits(
                        row.code("group", Group.class),
                        row.code("form-wanted", Form.class),
                        row.yes("main-cut-dormant"),
                        row.number("good-shoots-to-cm", 30, 75),
                        row.number("fruitful-from-deg", -30, 60),
                        row.number("fruitful-to-deg", 30, 90),
                        row.yes("stone"),
                        row.code("pollination", Pollination.Need.class),
                        row.number("upkeep-times", 0, 10),
                        (int) row.number("bears-after-years", 0, 10),
                        row.number("ages-a-year", 0, 0.3));
                if (table.traits.put(row.code("species", Species.class), read) != null) {
                    throw row.wrong(row.text("species") + " is given twice");
                }
            }
            for (Species species : Species.values()) {
                if (!table.traits.containsKey(species)) {
                    throw new IllegalStateException("species.csv lacks " + species);
                }
            }
            return table;
        }

        /** What is known of a species. */
        public SpeciesTraits of(Species species) {
            return traits.get(species);
        }
    }
}
