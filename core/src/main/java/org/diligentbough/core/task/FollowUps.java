package org.diligentbough.core.task;

import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;

/**
 * What work done asks for later (common practice, no source): ties set one year come off two years on, and around a big cut
 * shoots are torn off or chosen in its first summer.
 */
public final class FollowUps {
    /** Minutes at a limb, walking there not counted (own assumption). */
    private static final int MINUTES = 5;

    private static final int DAYS_AROUND = 60;

    private FollowUps() {}

    /** What was done to a limb. */
    public enum Deed {
        CUT,
        BENT
    }

    /**
     * Something done.
     *
     * @param diameterCm of the cut; 0 where nobody measured it
     */
    public record Done(String limb, Deed deed, double diameterCm, LocalDate on) {}

    /**
     * What is to be done for it.
     *
     * @param minutes person-minutes
     */
    public record FollowUp(TaskKind kind, String limb, LocalDate opens, LocalDate closes, int minutes) {}

    /**
     * What a tree's work asks for, by when it begins.
     *
     * @param southern whether it is summer there around the turn of the year
     */
    public static List<FollowUp> of(List<Done> work, boolean southern, Knowledge knowledge) {
        List<FollowUp> found = new ArrayList<>();
        for (Done one : work) {
            if (one.deed() == Deed.BENT) {
                LocalDate due = one.on().plusYears((long) knowledge.get(Figure.TASK_TIES_OFF_YEARS));
                LocalDate opens = due.minusDays(DAYS_AROUND);
                LocalDate closes = due.plusDays(DAYS_AROUND);
                // Ties set 2027 are due off in 2029.
                found.add(new FollowUp(
                        TaskKind.TIES_OFF,
                        one.limb(),
                        opens.getYear() < due.getYear() ? due.withDayOfYear(1) : opens,
                        closes.getYear() > due.getYear() ? due.withDayOfYear(due.lengthOfYear()) : closes,
                        MINUTES));
            } else if (one.diameterCm() >= knowledge.get(Figure.TASK_SHOOTS_CUT_CM)) {
                LocalDate opens = summer(one.on(), southern);
                found.add(new FollowUp(
                        TaskKind.TEAR_SHOOTS,
                        one.limb(),
                        opens,
                        opens.plusMonths(2).minusDays(1),
                        MINUTES));
            }
        }
        found.sort(Comparator.comparing(FollowUp::opens).thenComparing(FollowUp::limb));
        return List.copyOf(found);
    }

    /** The first day of the first summer that begins after a day. */
    private static LocalDate summer(LocalDate after, boolean southern) {
        LocalDate begins = LocalDate.of(after.getYear(), southern ? Month.DECEMBER : Month.JUNE, 1);
        return begins.isAfter(after) ? begins : begins.plusYears(1);
    }
}
