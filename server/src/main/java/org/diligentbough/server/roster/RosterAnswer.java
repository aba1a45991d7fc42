package org.diligentbough.server.roster;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.roster.Roster;
import org.diligentbough.server.shared.ClockTime;
import org.diligentbough.server.shared.Wording;

/**
 * A roster as it is answered.
 *
 * @param parts points lost for each wish, and how often each must is broken if any is
 * @param spentSeconds the search took
 */
record RosterAnswer(
        List<CrewAnswer> crews,
        List<LeftAnswer> notPlaced,
        List<DayAnswer> days,
        ScoreAnswer score,
        List<PartAnswer> parts,
        double spentSeconds) {
    record CrewAnswer(String day, int crew, String leader, List<String> people, List<TurnAnswer> visits) {}

    record TurnAnswer(String visit, String starts, String ends) {}

    record LeftAnswer(String visit, List<WhyAnswer> reasons) {}

    record WhyAnswer(String code, String text) {}

    record DayAnswer(String day, List<String> missing, int personMinutes, int idleMinutes) {}

    record ScoreAnswer(int broken, int urgentLeft, long soft) {}

    record PartAnswer(String constraint, long score) {}

    static RosterAnswer of(Roster roster, Wording wording, double spentSeconds) {
        List<PartAnswer> parts = new ArrayList<>();
        roster.broken().forEach((must, times) -> parts.add(new PartAnswer(words(must), -times)));
        roster.points().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(part -> parts.add(new PartAnswer(words(part.getKey()), part.getValue())));
        return new RosterAnswer(
                roster.crews().stream()
                        .map(crew -> new CrewAnswer(
                                crew.day(),
                                crew.crew(),
                                crew.leader(),
                                crew.people(),
                                crew.visits().stream()
                                        .map(turn -> new TurnAnswer(
                                                turn.visit(),
                                                ClockTime.text(turn.starts()),
                                                ClockTime.text(turn.ends())))
                                        .toList()))
                        .toList(),
                roster.notPlaced().stream()
                        .map(left -> new LeftAnswer(
                                left.visit(),
                                left.reasons().stream()
                                        .map(reason -> why(reason, wording))
                                        .toList()))
                        .toList(),
                roster.days().stream()
                        .map(day -> new DayAnswer(
                                day.day(),
                                day.missing().stream().map(Codes::of).toList(),
                                day.personMinutes(),
                                day.idleMinutes()))
                        .toList(),
                new ScoreAnswer(
                        roster.broken().values().stream()
                                .mapToInt(Integer::intValue)
                                .sum(),
                        roster.urgentLeft(),
                        roster.soft()),
                parts,
                spentSeconds);
    }

    private static WhyAnswer why(Roster.Reason reason, Wording wording) {
        return new WhyAnswer(Codes.of(reason.why()), wording.of(reason));
    }

    /** A constraint as a leader would say it. */
    private static String words(Enum<?> constraint) {
        return constraint.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
