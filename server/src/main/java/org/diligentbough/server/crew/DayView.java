package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording.Worded;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitTask;

/**
 * A work day with its people and trees.
 *
 * @param state planned, confirmed, rained-off or called-off
 * @param past whether it lies before today
 * @param findings what is wrong or wanting, the heaviest first
 */
public record DayView(
        long id,
        int version,
        long siteId,
        DayData data,
        String state,
        boolean past,
        List<PersonView> people,
        List<VisitView> visits,
        List<DayTaskView> tasks,
        List<FindingView> findings) {

    /** Who of a crew leads it: the first who may. */
    public Optional<Long> leader(Collection<Long> crew) {
        return people.stream()
                .filter(one -> crew.contains(one.id()) && one.tickets().contains("lead") && !one.maybeUnderAge())
                .map(PersonView::id)
                .findFirst();
    }

    /** A crew somebody is in, with all who are; {@code number} as it was laid out. */
    public record InCrew(int number, List<Long> members) {}

    /** The crew somebody was laid into; where nobody was, as in a day that came from elsewhere, that of their first tree. */
    public Optional<InCrew> crewOf(long personId) {
        if (people.stream().allMatch(one -> one.crew() == null)) {
            return visits.stream()
                    .filter(visit -> visit.crew() != null && visit.people().contains(personId))
                    .min(Comparator.comparing(VisitView::starts))
                    .map(visit -> new InCrew(visit.crew(), visit.people()));
        }
        return people.stream()
                .filter(one -> one.id() == personId && one.crew() != null)
                .findFirst()
                .map(mine -> new InCrew(
                        mine.crew(),
                        people.stream()
                                .filter(one -> mine.crew().equals(one.crew()))
                                .map(PersonView::id)
                                .toList()));
    }

    /**
     * Somebody who comes.
     *
     * @param tickets those that hold on the day
     * @param maybeUnderAge whether they may still be under 18
     * @param minutes by the clock of the work they are given
     * @param crew they were laid into, or null
     */
    public record PersonView(
            long id,
            String name,
            List<String> tickets,
            boolean maybeUnderAge,
            boolean canCome,
            int minutes,
            @MayBeNull Integer crew) {}

    /**
     * One tree's turn.
     *
     * @param mayCut whether its kind may be cut on the day: yes, with-care, no
     * @param minutes person-minutes for cuts, shoots, upkeep and clearing up
     * @param upkeepMinutes of those for the ordinary yearly cutting of a kept tree, an estimate
     * @param tickets somebody of those who do it must hold
     * @param people ids of those who do it
     * @param crew by its number, and when by the clock, where a roster said so and nobody changed the day since
     */
    public record VisitView(
            long id,
            long treeId,
            String tag,
            String species,
            @MayBeNull String cultivar,
            String mayCut,
            int minutes,
            List<String> tickets,
            List<String> kit,
            boolean offTheGround,
            boolean sick,
            boolean logged,
            int shoots,
            List<VisitTask> tasks,
            int upkeepMinutes,
            List<Long> people,
            List<VisitCut> cuts,
            double eastM,
            double northM,
            double spreadM,
            @MayBeNull Integer crew,
            @MayBeNull String starts,
            @MayBeNull String ends) {}

    /**
     * A task that stands on the day.
     *
     * @param tag of the tree it is about, or null
     * @param people how many can work on it at once
     */
    public record DayTaskView(
            long id,
            String kind,
            String title,
            @MayBeNull Long treeId,
            @MayBeNull String tag,
            int minutes,
            int people,
            List<String> kit,
            boolean done,
            double eastM,
            double northM,
            @MayBeNull Integer crew,
            @MayBeNull String starts,
            @MayBeNull String ends) {}

    /** Something to be said of the day; {@code weight} is refused, wanted (before it is confirmed) or told. */
    public record FindingView(
            String weight,
            Worded reason,
            @MayBeNull Long visitId,
            @MayBeNull Long personId) {}

    /** A day in a list; {@code mine} where whoever asks is on it. */
    public record DaySummary(
            long id,
            LocalDate on,
            String starts,
            String ends,
            String state,
            boolean past,
            int trees,
            int logged,
            int people,
            boolean mine,
            int minutes,
            List<FindingView> findings) {}

    /** A tree that could be put on the day: what its plan has open then. */
    public record Candidate(
            long treeId,
            String tag,
            String species,
            @MayBeNull String cultivar,
            LocalDate closes,
            boolean urgent,
            boolean sick,
            int minutes,
            int shoots,
            List<VisitTask> tasks,
            int upkeepMinutes,
            List<String> tickets,
            List<String> kit,
            List<VisitCut> cuts) {}
}
