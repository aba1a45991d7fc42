package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.server.crew.DayRosterService.DayAndProposal;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What the days to come of a site are proposed to be filled with, all together. */
@RestController
@RequestMapping("/api/sites/{siteId}/roster")
class SeasonRosterApi {
    private final DayRosterService service;
    private final DayTakeOver takeOver;

    SeasonRosterApi(DayRosterService service, DayTakeOver takeOver) {
        this.service = service;
        this.takeOver = takeOver;
    }

    /**
     * A day to fill.
     *
     * @param roster null while nothing is proposed for it
     */
    record DayToFill(
            long dayId,
            LocalDate on,
            String starts,
            String ends,
            @MayBeNull Proposed roster) {}

    /**
     * All of them.
     *
     * @param looking whether it is still being bettered
     */
    record SeasonProposalView(boolean looking, List<DayToFill> days) {}

    /** Days to come that are planned and not confirmed yet, twelve at most. */
    @GetMapping
    SeasonProposalView seasonProposal(@PathVariable long siteId) {
        List<DayAndProposal> all = service.ofSeason(siteId);
        return new SeasonProposalView(
                all.stream().flatMap(one -> one.proposal().stream()).anyMatch(row -> !row.over()),
                all.stream()
                        .map(one -> new DayToFill(
                                one.day().id(),
                                one.day().onDay(),
                                one.day().starts(),
                                one.day().ends(),
                                one.proposal()
                                        .map(ProposalMapper.ProposalRow::roster)
                                        .orElse(null)))
                        .toList());
    }

    /** Begins to look for proposals for all of them together. */
    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    SeasonProposalView proposeSeason(@PathVariable long siteId) {
        service.beginSeason(siteId);
        return seasonProposal(siteId);
    }

    /** Leaves them as good as they are. */
    @PostMapping("/stop")
    SeasonProposalView stopSeason(@PathVariable long siteId) {
        service.ofSeason(siteId).forEach(one -> service.stopLooking(one.day().id()));
        return seasonProposal(siteId);
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void throwSeasonAway(@PathVariable long siteId) {
        service.ofSeason(siteId).forEach(one -> service.throwAway(one.day().id()));
    }

    /** Makes all of it the days' own. */
    @PostMapping("/taken")
    SeasonProposalView takeSeasonOver(@PathVariable long siteId) {
        takeOver.takeSeasonOver(siteId);
        return seasonProposal(siteId);
    }
}
