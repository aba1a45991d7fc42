package org.diligentbough.server.consent;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import org.diligentbough.server.consent.ConsentService.Answered;
import org.junit.jupiter.api.Test;

class AnsweredTest {
    private static Answered said(boolean given, String on, String until) {
        return new Answered(given, Instant.parse(on + "T10:00:00Z"), until == null ? null : LocalDate.parse(until));
    }

    private static final List<Answered> COURSE = List.of(
            said(true, "2026-11-02", null), said(true, "2027-01-02", "2027-01-31"), said(false, "2027-03-01", null));

    private static String heldOn(String day) {
        return Answered.heldOn(LocalDate.parse(day), COURSE, ZoneOffset.UTC)
                .map(LocalDate::toString)
                .orElse("none");
    }

    @Test
    void theLastAnswerUntilThenCounts() {
        assertThat(heldOn("2026-11-01")).isEqualTo("none");
        assertThat(heldOn("2026-11-02")).isEqualTo("2026-11-02");
        assertThat(heldOn("2027-01-31")).isEqualTo("2027-01-02");
        assertThat(heldOn("2027-02-01"))
                .as("it ran out, and had taken the place of the one before")
                .isEqualTo("none");
        assertThat(heldOn("2027-03-02")).as("refused").isEqualTo("none");
    }
}
