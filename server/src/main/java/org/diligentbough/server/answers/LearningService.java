package org.diligentbough.server.answers;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.answer.Answers;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.Answers.Proposal;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.answers.AnswerView.ProposalView;
import org.diligentbough.server.figures.FigureService;
import org.diligentbough.server.figures.FigureService.ChangedView;
import org.diligentbough.server.figures.FigureService.FigureView;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The numbers that a site's own records teach: proposed, taken over by hand, or always where the site chooses so. */
@Service
class LearningService {
    private static final Logger LOG = LoggerFactory.getLogger(LearningService.class);
    /** What differs by less is not worth judging every tree anew for (own assumption). */
    private static final double WORTH_IT = 0.02;

    private static final int SHOWN_DIGITS = 3;

    private final SiteRecords records;
    private final LearningMapper mapper;
    private final FigureService figures;
    private final OrchardService orchard;
    private final Rulebook shipped;
    private final CurrentPerson person;
    private final History history;
    private final TransactionTemplate transaction;
    private final Today today;

    LearningService(
            SiteRecords records,
            LearningMapper mapper,
            FigureService figures,
            OrchardService orchard,
            Rulebook shipped,
            CurrentPerson person,
            History history,
            TransactionTemplate transaction,
            Today today) {
        this.records = records;
        this.mapper = mapper;
        this.figures = figures;
        this.orchard = orchard;
        this.shipped = shipped;
        this.person = person;
        this.history = history;
        this.transaction = transaction;
        this.today = today;
    }

    /** A number to go by, of one kind alone where that is named. */
    record LearnedChange(
            @NotBlank(message = "is missing; name the number")
            String figure,

            @MayBeNull String kind) {}

    /** Whether a site goes by what it learns without being asked. */
    record Always(
            @NotNull(message = "is missing; say true or false")
            Boolean always) {}

    boolean always(long siteId) {
        return mapper.always(siteId);
    }

    /** What a site's records would have otherwise. */
    List<ProposalView> proposals(long siteId, OrchardRecords of) {
        Map<String, FigureView> inForce =
                figures.figures(siteId).stream().collect(Collectors.toMap(FigureView::figure, Function.identity()));
        return new Answers(of, shipped)
                .proposals().stream()
                        .map(one -> view(one, inForce.get(Codes.of(one.figure()))))
                        .toList();
    }

    private static ProposalView view(Proposal one, FigureView figure) {
        String kind = one.kind().map(Codes::of).orElse(null);
        double now = figure.changed(kind)
                .or(() -> figure.changed(null))
                .map(ChangedView::value)
                .orElse(figure.shipped());
        return new ProposalView(
                figure.figure(),
                kind,
                figure.meaning(),
                figure.unit(),
                one.shipped(),
                now,
                Math.max(figure.least(), Math.min(figure.most(), one.value())),
                one.low(),
                one.high(),
                one.cases());
    }

    private List<ProposalView> proposals(long siteId) {
        SiteRow site = orchard.site(siteId);
        return proposals(siteId, records.of(site, today.in(site.zone())).records());
    }

    /** Has a site go by a number its records teach. */
    @Transactional
    public void accept(long siteId, LearnedChange change) {
        ProposalView wanted = proposals(siteId).stream()
                .filter(one -> one.figure().equals(change.figure())
                        && (one.kind() == null
                                ? change.kind() == null
                                : one.kind().equals(change.kind())))
                .findFirst()
                .orElseThrow(() -> ProblemException.wrongField(
                        "/figure", "is nothing that this site’s records teach; choose one of what is proposed"));
        goBy(siteId, wanted);
    }

    private void goBy(long siteId, ProposalView wanted) {
        FigureView now = figures.figures(siteId).stream()
                .filter(one -> one.figure().equals(wanted.figure()))
                .findFirst()
                .orElseThrow();
        figures.changeFigure(
                siteId,
                wanted.figure(),
                wanted.kind(),
                new FigureService.FigureChange(
                        now.changed(wanted.kind()).map(ChangedView::version).orElse(0L),
                        wanted.value(),
                        "learned from " + wanted.cases() + " of the orchard’s own records, four times of five "
                                + rounded(wanted.low()) + " to " + rounded(wanted.high())));
    }

    private static String rounded(double value) {
        return BigDecimal.valueOf(value)
                .round(new MathContext(SHOWN_DIGITS))
                .stripTrailingZeros()
                .toPlainString();
    }

    /** Has a site go by what it learns from now on, or only by what somebody takes over. */
    @Transactional
    public void goAlways(long siteId, boolean always) {
        long who = person.id();
        if (always == mapper.always(siteId)) {
            return;
        }
        if (always) {
            mapper.add(siteId, who);
            goByAll(siteId);
        } else {
            mapper.remove(siteId);
        }
        history.changed(new About("learning", siteId, siteId, null), new Always(!always), new Always(always));
    }

    private void goByAll(long siteId) {
        proposals(siteId).stream()
                .filter(one -> Math.abs(one.value() - one.now()) > WORTH_IT * Math.max(one.now(), one.value()))
                .forEach(one -> goBy(siteId, one));
        SiteRow site = orchard.site(siteId);
        mapper.looked(siteId, today.in(site.zone()));
    }

    /**
     * Looks once a day at what came in, in the name of whoever said that the site always goes by it. What fails at one site keeps no
     * other from it, and is tried again with the next look.
     */
    @Scheduled(initialDelay = 2, fixedDelay = 60, timeUnit = TimeUnit.MINUTES)
    public void learn() {
        for (LearningMapper.AlwaysRow one : mapper.all()) {
            LocalDate now = today.in(orchard.site(one.siteId()).zone());
            if (one.lookedOn() == null || one.lookedOn().isBefore(now)) {
                try {
                    transaction.executeWithoutResult(status -> person.as(one.alwaysBy(), () -> goByAll(one.siteId())));
                } catch (RuntimeException e) {
                    LOG.error("what site {} learns could not be taken over", one.siteId(), e);
                }
            }
        }
    }
}
