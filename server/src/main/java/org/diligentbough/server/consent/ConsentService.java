package org.diligentbough.server.consent;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.consent.ConsentMapper.AnsweredRow;
import org.diligentbough.server.consent.ConsentMapper.ConsentRow;
import org.diligentbough.server.consent.ConsentMapper.State;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.plan.PlanMapper.VersionRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What an owner wishes, is asked, answers, and thinks of it afterwards. */
@Service
public class ConsentService {
    private static final String NOT_NEEDED = "not-needed";

    private final ConsentMapper consents;
    private final OrchardService orchard;
    private final PlanMapper plans;
    private final History history;
    private final CurrentPerson person;

    ConsentService(
            ConsentMapper consents, OrchardService orchard, PlanMapper plans, History history, CurrentPerson person) {
        this.consents = consents;
        this.orchard = orchard;
        this.plans = plans;
        this.history = history;
        this.person = person;
    }

    /**
     * A consent that was asked for.
     *
     * @param plan the number of the kept plan it is about; null for whatever is decided
     * @param limits what the work keeps within
     * @param state asked, given or refused
     * @param goodUntil the last day on which it holds
     */
    record ConsentView(
            long id,
            @MayBeNull Integer plan,
            @MayBeNull String limits,
            String state,
            @MayBeNull String askedBy,
            Instant askedAt,
            @MayBeNull String answeredBy,
            @MayBeNull Instant answeredAt,
            @MayBeNull LocalDate goodUntil,
            @MayBeNull String said) {}

    /** How content somebody was with a year's work, 1 to 5. */
    record ContentView(int year, int grade, @MayBeNull String said, String by) {}

    /**
     * What concerns an owner.
     *
     * @param needed whether the work wants their consent
     * @param missing why the work cannot be confirmed for a day as it stands; null when it can
     */
    record OwningView(
            @MayBeNull String wishes,
            boolean needed,
            @MayBeNull String missing,
            List<ConsentView> consents,
            List<ContentView> contentment) {}

    OwningView of(long treeId, LocalDate today) {
        TreeRow tree = orchard.tree(treeId);
        return new OwningView(
                tree.ownerWishes(),
                needed(tree),
                missing(treeId, today).orElse(null),
                consents.ofTree(treeId).stream().map(ConsentService::view).toList(),
                consents.contentment(treeId).stream()
                        .map(row -> new ContentView(row.year(), row.grade(), row.said(), row.by()))
                        .toList());
    }

    private static ConsentView view(ConsentRow row) {
        return new ConsentView(
                row.id(),
                row.plan(),
                row.limits(),
                Codes.of(row.state()),
                row.askedBy(),
                row.askedAt(),
                row.answeredBy(),
                row.answeredAt(),
                row.goodUntil(),
                row.said());
    }

    /**
     * What was answered when consent was asked for.
     *
     * @param goodUntil the last day on which what was given holds; null for no end
     */
    public record Answered(
            boolean given, Instant at, @MayBeNull LocalDate goodUntil) {
        /** When the consent was given that held on a day: the last answer until then counts. Empty where none held. */
        public static Optional<LocalDate> heldOn(LocalDate day, List<Answered> oldestFirst, ZoneId zone) {
            return oldestFirst.stream()
                    .filter(one -> !LocalDate.ofInstant(one.at(), zone).isAfter(day))
                    .reduce((one, later) -> later)
                    .filter(last -> last.given()
                            && (last.goodUntil() == null || !last.goodUntil().isBefore(day)))
                    .map(last -> LocalDate.ofInstant(last.at(), zone));
        }
    }

    /** What was answered on a site by tree, the oldest first. */
    public Map<Long, List<Answered>> answered(long siteId) {
        return consents.answeredAt(siteId).stream()
                .collect(Collectors.groupingBy(
                        AnsweredRow::treeId,
                        Collectors.mapping(
                                row -> new Answered(row.state() == State.GIVEN, row.at(), row.goodUntil()),
                                Collectors.toList())));
    }

    private static boolean needed(TreeRow tree) {
        return tree.consent() != null && !tree.consent().equals(NOT_NEEDED);
    }

    /**
     * Why the work on a tree may not be confirmed for a day, as a sentence; nothing where it may. What stands on the tree
     * itself counts until somebody was asked: it was entered by word of mouth.
     */
    public Optional<String> missing(long treeId, LocalDate on) {
        TreeRow tree = orchard.tree(treeId);
        if (!needed(tree)) {
            return Optional.empty();
        }
        Optional<ConsentRow> newest = consents.newest(treeId);
        if (newest.isEmpty()) {
            return switch (tree.consent()) {
                case "given" -> Optional.empty();
                case "refused" -> Optional.of(tree.tag() + ": its owner has refused the work.");
                default -> Optional.of(tree.tag() + ": its owner has not been asked yet.");
            };
        }
        ConsentRow said = newest.get();
        return switch (said.state()) {
            case ASKED -> Optional.of(tree.tag() + ": its owner was asked and has not answered yet.");
            case REFUSED -> Optional.of(tree.tag() + ": its owner has refused the work.");
            case GIVEN -> {
                if (said.goodUntil() != null && said.goodUntil().isBefore(on)) {
                    yield Optional.of(tree.tag() + ": its owner's consent ran out; ask again.");
                }
                int now = plans.inForce(treeId).map(VersionRow::number).orElse(0);
                yield said.plan() != null && now > said.plan()
                        ? Optional.of(tree.tag() + ": the plan was changed since its owner consented; ask again.")
                        : Optional.empty();
            }
        };
    }

    /** Asks for consent to the plan that is kept, or to what is decided where none is. */
    @Transactional
    void ask(long treeId, String limits) {
        long who = person.id();
        TreeRow tree = orchard.taken(treeId);
        Integer plan = plans.inForce(treeId).map(VersionRow::number).orElse(null);
        consents.ask(treeId, plan, stripped(limits), who);
        consents.stands(treeId, "to-ask");
        history.added(about(tree), view(consents.newest(treeId).orElseThrow()));
    }

    /**
     * Answers what was asked last.
     *
     * @throws ProblemException 409 when something newer was asked, or it was answered meanwhile
     */
    @Transactional
    void answer(long treeId, long id, boolean given, LocalDate until, String said) {
        long who = person.id();
        TreeRow tree = orchard.taken(treeId);
        ConsentRow before = consents.newest(treeId).orElseThrow(() -> ProblemException.stale("What was asked"));
        State state = given ? State.GIVEN : State.REFUSED;
        if (consents.answer(treeId, id, state, who, given ? until : null, stripped(said)) == 0) {
            throw ProblemException.stale("What was asked");
        }
        consents.stands(treeId, Codes.of(state));
        history.changed(about(tree), view(before), view(consents.newest(treeId).orElseThrow()));
    }

    /** What the history keeps of wishes. */
    record Wished(String wishes) {}

    @Transactional
    void wish(long treeId, String wishes) {
        person.id();
        TreeRow tree = orchard.taken(treeId);
        consents.wish(treeId, stripped(wishes));
        history.changed(
                new About("wishes", treeId, tree.siteId(), treeId),
                new Wished(tree.ownerWishes()),
                new Wished(stripped(wishes)));
    }

    @Transactional
    void content(long treeId, int year, int grade, String said) {
        long who = person.id();
        TreeRow tree = orchard.taken(treeId);
        consents.content(treeId, who, year, grade, stripped(said));
        history.added(
                new About("contentment", treeId, tree.siteId(), treeId),
                new ContentView(year, grade, stripped(said), ""));
    }

    private static About about(TreeRow tree) {
        return new About("consent", tree.id(), tree.siteId(), tree.id());
    }

    private static String stripped(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }
}
