package org.diligentbough.core.answer;

import java.util.Optional;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.Season;

/**
 * What an orchard's own records make of a shipped figure.
 *
 * @param shipped what was taken before
 * @param value what is to be taken now: between what was shipped and what the records say
 * @param low lower end of an interval of 80 %
 * @param high its upper end
 * @param cases records it rests on
 */
public record Learned(What what, Group group, double shipped, double value, double low, double high, int cases) {

    /** What can be learned. */
    public enum What {
        /** Shoots for each m2 of leaf cut and each share of the crown taken. */
        REGROWTH,
        /** Length of the longest of them, cm. */
        LENGTH,
        /** Person-minutes taken by those reckoned. */
        MINUTES,
        /** Kilos of prunings by those reckoned. */
        KILOS,
        /** What a wound closes from each edge, mm a year. */
        CLOSING,
        /** Fruit after cutting by fruit without it. */
        FRUIT
    }

    /** Of which kind, season, way of cutting or work. */
    public record Group(
            Optional<Species> kind, Optional<Season> season, Optional<TreeHistory.CutWay> way, Optional<String> work) {
        /** Of a kind. */
        public static Group of(Species kind) {
            return new Group(Optional.of(kind), Optional.empty(), Optional.empty(), Optional.empty());
        }

        /** Of a kind of work. */
        public static Group work(String work) {
            return new Group(Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(work));
        }
    }

    /** By how much what was shipped is to be multiplied. */
    public double factor() {
        return value / shipped;
    }
}
