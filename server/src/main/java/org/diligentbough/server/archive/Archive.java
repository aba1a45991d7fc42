package org.diligentbough.server.archive;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.access.Role;
import org.diligentbough.server.fruit.FruitService.FruitData;
import org.diligentbough.server.orchard.SiteData;
import org.diligentbough.server.orchard.TreeData;
import org.diligentbough.server.plan.PlanWishes;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitTask;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The orchard archive, the open format of docs/formats/archive.md: one site with its trees, what was surveyed of them and done
 * to them, and the people who do it. Days are texts: dates, or counted from the day of the import.
 *
 * @param format always {@value #FORMAT}
 * @param version {@value #VERSION}; the first had no records, roles and keys, and is taken in too
 * @param records whatever else is known, by table: {@link ArchiveRecords}
 */
public record Archive(
        String format,
        Integer version,
        SiteData site,
        @MayBeNull List<ArchivedPerson> people,
        List<ArchivedTree> trees,
        @MayBeNull List<ArchivedSighting> sightings,
        @MayBeNull List<ArchivedDay> days,
        @MayBeNull List<ArchivedHours> hours,
        @MayBeNull @Schema(implementation = Object.class) Map<String, List<ObjectNode>> records) {
    public static final String FORMAT = "diligent-bough/archive";
    public static final int VERSION = 2;

    /** Whether it tells itself who changed what; of one that does not, each thing's coming in is noted. */
    boolean bringsHistory() {
        return version != null && version > 1;
    }

    /** A stage of growth that was noted by itself; {@code tree} is a tag, or null for the kind as a whole. */
    public record ArchivedSighting(
            String species, @MayBeNull String tree, String stage, String on, String by) {}

    /**
     * Somebody who helps.
     *
     * @param birthYear a number or counted from the running year
     * @param leftOn the day they were taken off the list
     * @param role what they are at the site; nobody can sign in by it
     */
    public record ArchivedPerson(
            String name,
            @MayBeNull String birthYear,
            @MayBeNull String note,
            @MayBeNull List<ArchivedTicket> tickets,
            @MayBeNull List<String> canCome,
            @MayBeNull String leftOn,
            @MayBeNull @CodeOf(Role.class) String role,
            @MayBeNull Boolean maySurvey) {}

    /** Proof of training, and the last day on which it holds. */
    public record ArchivedTicket(String ticket, String until) {}

    /** Hours volunteers have in a season; {@code year} is null for every year that has none of its own. */
    public record ArchivedHours(@MayBeNull String year, String season, Double hours) {}

    /**
     * One tree with its surveys, oldest first, and what else is known of it.
     *
     * @param plans what was planned, oldest first
     * @param begins the year the programme was set to begin it in
     */
    public record ArchivedTree(
            TreeData tree,
            List<ArchivedSurvey> surveys,
            @MayBeNull List<ArchivedMove> moved,
            @MayBeNull ArchivedWants wanted,
            @MayBeNull List<ArchivedPlan> plans,
            @MayBeNull String begins,
            @MayBeNull List<ArchivedReport> reports,
            @MayBeNull List<ArchivedFruit> fruit,
            @MayBeNull List<ArchivedVisit> visits,
            @MayBeNull ArchivedRemoval removal) {}

    /**
     * One survey.
     *
     * @param by name of who walked
     * @param survey a survey file, of which format, version, site, today and what is registered of the tree may be absent
     * @param key what a phone sent it under
     */
    public record ArchivedSurvey(
            String by,
            @Schema(type = "object") JsonNode survey,
            @MayBeNull UUID key) {}

    /** A cut moved by hand; {@code year} is a number or counted from the running one. */
    public record ArchivedMove(
            String limb,
            String kind,
            String year,
            String season,
            @MayBeNull String quality) {}

    /** What people want of a plan besides cuts moved. */
    public record ArchivedWants(
            @MayBeNull Integer years,
            @MayBeNull PlanWishes.AllowanceData allowance,
            @MayBeNull List<ArchivedDecided> decided,
            @MayBeNull List<String> insisted,
            @MayBeNull List<String> split) {}

    /** A cut forbidden (keep) or added. */
    public record ArchivedDecided(
            String limb, String verdict, @MayBeNull Double alongM, String by, String on) {}

    /**
     * A plan as it was.
     *
     * @param by who kept it; null when it followed the judgement
     * @param cause followed, kept, by-hand or proposal
     */
    public record ArchivedPlan(String on, @MayBeNull String by, String cause, List<ArchivedCut> cuts) {}

    /** One of its cuts. */
    public record ArchivedCut(
            @NotBlank(message = "is missing; give the limb's tag")
            String limb,

            @NotNull(message = "is missing; say which cut") @CodeOf(Verdict.class)
            String kind,

            String year,

            @NotNull(message = "is missing; choose one") @CodeOf(Season.class)
            String season,

            @MayBeNull @CodeOf(Window.Quality.class) String quality,
            @NotNull(message = "is missing; give cm") Double diameterCm,

            @NotNull(message = "is missing; give metres from the limb's base")
            Double alongM,

            @NotNull(message = "is missing; give a share of the crown, 0 to 1")
            Double share,

            @NotNull(message = "is missing; give minutes") Integer minutes) {}

    /** Something seen without a survey. */
    public record ArchivedReport(
            String by,
            String on,
            String kind,
            Boolean dangerous,
            @MayBeNull String note,
            @MayBeNull ArchivedDealt dealt) {}

    /** How it was dealt with. */
    public record ArchivedDealt(String by, String on, String how) {}

    /** A year's fruit; {@code year} is a number or counted from the running one. */
    public record ArchivedFruit(String by, String year, FruitData fruit) {}

    /**
     * A visit.
     *
     * @param tree its tag, for a visit of a work day
     * @param on its day, for a visit without a work day
     * @param people names of those who are to do it
     * @param cuts as they were planned; absent: whatever the plan had open that day, and no visit when that was nothing
     * @param tasks yearly work of the kind it was planned with; absent: none
     * @param upkeepMinutes person-minutes of ordinary yearly cutting it was planned with; absent: none
     * @param logs what was logged, corrected ones first; the last counts
     * @param crew by its number, and when by the clock, where a roster said so
     */
    public record ArchivedVisit(
            @MayBeNull String tree,
            @MayBeNull String on,
            @MayBeNull List<String> people,
            @MayBeNull List<VisitCut> cuts,
            @MayBeNull Integer shoots,
            @MayBeNull List<VisitTask> tasks,
            @MayBeNull Integer upkeepMinutes,
            @MayBeNull List<ArchivedLog> logs,
            @MayBeNull Integer crew,
            @MayBeNull String starts,
            @MayBeNull String ends) {}

    /**
     * What was done.
     *
     * @param on absent: the day of the visit
     * @param minutes person-minutes; absent: as planned
     * @param people absent: as planned
     * @param pileKilos what the prunings weighed, kg
     * @param shoots absent: as planned
     * @param cuts those that are not named were done as planned, in sound wood
     * @param key what a phone sent it under
     */
    public record ArchivedLog(
            String by,
            @MayBeNull String on,
            @MayBeNull Integer minutes,
            @MayBeNull List<String> people,
            String prunings,
            @MayBeNull Double pileKilos,
            @MayBeNull Integer shoots,
            @MayBeNull String note,
            @MayBeNull List<LoggedCut> cuts,
            @MayBeNull UUID key) {}

    /** The tree taken out. */
    public record ArchivedRemoval(
            String by,
            String on,
            String grounds,
            String permission,
            String removedBy,
            @MayBeNull String replacement,
            @MayBeNull String note) {}

    /** A work day. */
    public record ArchivedDay(
            String on,
            String starts,
            String ends,
            String state,
            Map<String, Integer> shed,
            @MayBeNull String note,
            @MayBeNull List<String> people,
            List<ArchivedVisit> visits) {}
}
