package org.diligentbough.server.roster;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/** The roster file, the open format of docs/formats/roster.schema.json, field by field. What may be absent is null here. */
record RosterFile(
        String format,
        int version,
        Double seconds,
        Integer steps,
        Long seed,
        CrewFile crew,
        Double metresPerMinute,
        Integer setUpMinutes,
        List<DayFile> days,
        List<PersonFile> people,
        List<TurnFile> visits,
        List<FixedFile> fixed,
        List<FixedFile> sent) {

    record CrewFile(int least, int most) {}

    record DayFile(
            String id,
            LocalDate date,
            String starts,
            String ends,
            Boolean wet,
            Boolean windy,
            Map<String, Integer> shed) {}

    record PersonFile(
            String id,
            List<PresenceFile> days,
            Integer birthYear,
            Integer skill,
            Double hoursThisSeason,
            List<TicketFile> tickets,
            List<String> knows) {}

    record PresenceFile(String day, String from, String until) {}

    record TicketFile(String kind, LocalDate until) {}

    record TurnFile(
            String id,
            String tree,
            Double eastM,
            Double northM,
            LocalDate opens,
            LocalDate closes,
            int personMinutes,
            Integer places,
            List<String> tickets,
            List<String> kit,
            Boolean offGround,
            Boolean dry,
            Boolean sick,
            Boolean urgent,
            Double worth) {}

    record FixedFile(String visit, String person, String day, Integer crew) {}
}
