package org.diligentbough.server.visit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Face;
import org.diligentbough.core.survey.FoundDecay;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.core.visit.MadeCut;
import org.diligentbough.core.visit.TreeToday;
import org.diligentbough.core.visit.Visit;
import org.diligentbough.core.wood.Wound;
import org.diligentbough.server.plan.PlanMapper.VersionRow;
import org.diligentbough.server.survey.SurveyService;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.wood.WoundMapper;
import org.diligentbough.server.wood.WoundMapper.LookRow;
import org.diligentbough.server.wood.WoundMapper.OldWoundRow;
import org.springframework.stereotype.Component;

/** What was surveyed of a tree and done to it, told to the core. */
@Component
public class TreeRecords {
    /** Number of no visit: all are told. */
    public static final long NO_VISIT = -1;

    private final SurveyService surveys;
    private final VisitMapper visits;
    private final WoundMapper wounds;
    private final Rulebook rules;

    TreeRecords(SurveyService surveys, VisitMapper visits, WoundMapper wounds, Rulebook rules) {
        this.surveys = surveys;
        this.visits = visits;
        this.wounds = wounds;
        this.rules = rules;
    }

    /** The tree as it stands on a day; empty while nobody had surveyed it by then. */
    public Optional<TreeToday> standing(long treeId, LocalDate on) {
        return standing(treeId, on, NO_VISIT);
    }

    /** The same as if one visit had not been logged. */
    public Optional<TreeToday> standing(long treeId, LocalDate on, long withoutVisit) {
        List<Survey> known = surveys.upTo(treeId, on);
        if (known.isEmpty()) {
            return Optional.empty();
        }
        List<Visit> done = done(treeId, on, withoutVisit);
        return Optional.of(standing(known, done, wounds.oldOf(treeId), wounds.looksOf(treeId), on));
    }

    /** What was done to a tree up to a day, as if one visit had not been logged. */
    public List<Visit> done(long treeId, LocalDate on, long withoutVisit) {
        Map<Long, VisitRow> planned = new HashMap<>();
        visits.ofTree(treeId).forEach(visit -> planned.put(visit.id(), visit));
        return visits.logsOf(treeId).stream()
                .filter(log -> !log.corrected() && !log.onDay().isAfter(on) && log.visitId() != withoutVisit)
                .map(log -> visit(log, planned.get(log.visitId())))
                .toList();
    }

    /** Wounds whose face is not sound or whose newest looks found them rotting. */
    private static List<FoundDecay> rotting(List<OldWoundRow> old, List<LookRow> looks, LocalDate on) {
        Set<String> rots = looks.stream()
                .filter(look -> !look.lookedOn().isAfter(on)
                        && Codes.parse(Wound.State.class, look.state())
                                .filter(Wound.State::rots)
                                .isPresent())
                .map(LookRow::wound)
                .collect(Collectors.toSet());
        List<FoundDecay> found = new ArrayList<>();
        for (OldWoundRow one : old) {
            Face face = one.face() == null
                    ? Face.SOUND
                    : Codes.parse(Face.class, one.face()).orElse(Face.SOUND);
            if (!one.foundOn().isAfter(on) && (face != Face.SOUND || rots.contains(one.name()))) {
                found.add(new FoundDecay(
                        one.name(),
                        Optional.ofNullable(one.onLimb()),
                        0,
                        face,
                        one.diameterCm(),
                        number(one.hollowCm()),
                        one.foundOn(),
                        rots.remove(one.name())));
            }
        }
        // What is left of these are faces of logged cuts, which the logs place.
        rots.forEach(name ->
                found.add(new FoundDecay(name, Optional.empty(), 0, Face.SOUND, 1, OptionalDouble.empty(), on, true)));
        return found;
    }

    /** The trees of a site as they stand on a day, those nobody had surveyed by then left out; read in a few queries. */
    public Map<Long, TreeToday> standing(long siteId, Map<Long, List<Survey>> known, LocalDate on) {
        Map<Long, List<Visit>> done = done(siteId, on);
        Map<Long, List<OldWoundRow>> old =
                wounds.oldAt(siteId).stream().collect(Collectors.groupingBy(OldWoundRow::treeId));
        Map<Long, List<LookRow>> looks =
                wounds.looksAt(siteId).stream().collect(Collectors.groupingBy(LookRow::treeId));
        Map<Long, TreeToday> found = new HashMap<>();
        known.forEach((treeId, surveysOfTree) -> found.put(
                treeId,
                standing(
                        surveysOfTree,
                        done.getOrDefault(treeId, List.of()),
                        old.getOrDefault(treeId, List.of()),
                        looks.getOrDefault(treeId, List.of()),
                        on)));
        return found;
    }

    private TreeToday standing(
            List<Survey> known, List<Visit> done, List<OldWoundRow> old, List<LookRow> looks, LocalDate on) {
        TreeToday standing = rules.standing(known, done, rotting(old, looks, on));
        Map<String, Integer> shoots = new HashMap<>();
        looks.stream()
                .filter(look -> look.shoots() != null && !look.lookedOn().isAfter(on))
                .forEach(look -> shoots.put(look.wound(), look.shoots()));
        return rules.answeredHard(known, done, shoots)
                .map(hard -> new TreeToday(
                        standing.survey()
                                .wanting(
                                        standing.survey().tree().targetHeightM(),
                                        standing.survey().tree().noted().answeredHard(hard)),
                        standing.taken()))
                .orElse(standing);
    }

    /** What was done to the trees of a site up to a day. */
    public Map<Long, List<Visit>> done(long siteId, LocalDate on) {
        Map<Long, VisitRow> planned =
                visits.ofSite(siteId).stream().collect(Collectors.toMap(VisitRow::id, Function.identity()));
        return visits.logsAt(siteId).stream()
                .filter(log -> !log.corrected() && !log.onDay().isAfter(on))
                .collect(Collectors.groupingBy(
                        LogRow::treeId,
                        Collectors.mapping(log -> visit(log, planned.get(log.visitId())), Collectors.toList())));
    }

    /** Logs that count of work since a plan was made; a plan and a log taken in together count as in this order. */
    public List<LogRow> logsSince(long treeId, VersionRow plan) {
        return visits.logsOf(treeId).stream()
                .filter(log -> !log.corrected()
                        && !log.onDay().isBefore(plan.madeOn())
                        && !log.loggedAt().isBefore(plan.madeAt()))
                .toList();
    }

    /** Cuts made since a plan was, up to a day, as if one visit had not been logged. */
    public Set<CutKey> madeSince(long treeId, VersionRow plan, LocalDate upTo, long withoutVisit) {
        return logsSince(treeId, plan).stream()
                .filter(log -> !log.onDay().isAfter(upTo) && log.visitId() != withoutVisit)
                .flatMap(log -> visit(log, visits.visit(log.visitId()).orElseThrow()).cuts().stream())
                .map(cut -> new CutKey(
                        cut.limb(),
                        switch (cut.kind()) {
                            case REMOVED -> Verdict.REMOVE;
                            case SHORTENED -> Verdict.SHORTEN;
                            case BENT -> Verdict.BEND;
                        }))
                .collect(Collectors.toSet());
    }

    private Visit visit(LogRow log, VisitRow planned) {
        Map<String, VisitCut> cuts = new HashMap<>();
        planned.cuts().forEach(cut -> cuts.put(cut.limb(), cut));
        List<MadeCut> made = new ArrayList<>();
        for (LoggedCut cut : log.cuts()) {
            made(cut, Optional.ofNullable(cuts.get(cut.limb()))).ifPresent(made::add);
        }
        return new Visit(
                log.onDay(),
                made,
                log.shoots(),
                planned.tasks().stream()
                        .flatMap(task -> Codes.parse(ReasonCode.class, task.code()).stream())
                        .collect(Collectors.toSet()),
                planned.upkeepMinutes() > 0);
    }

    /** What was really done to a limb; nothing when it was left. */
    private static Optional<MadeCut> made(LoggedCut cut, Optional<VisitCut> planned) {
        if (cut.outcome().equals("not-done")) {
            return Optional.empty();
        }
        boolean asPlanned = cut.outcome().equals("done") && planned.isPresent();
        String kind = asPlanned ? planned.get().kind() : cut.kind();
        double alongM = asPlanned ? planned.get().alongM() : cut.alongM() == null ? 0 : cut.alongM();
        boolean towardsRemoval = planned.filter(plan -> plan.kind().equals("remove") || plan.step())
                .isPresent();
        return Optional.of(new MadeCut(
                cut.limb(),
                switch (kind) {
                    case "remove" -> MadeCut.Kind.REMOVED;
                    case "shorten" -> MadeCut.Kind.SHORTENED;
                    default -> MadeCut.Kind.BENT;
                },
                kind.equals("shorten") ? alongM : 0,
                kind.equals("shorten") && towardsRemoval,
                planned.filter(plan -> plan.cut().equals("renewal")).isPresent(),
                cut.disease() == null ? Optional.empty() : Codes.parse(Disease.class, cut.disease()),
                cut.wood() == null
                        ? Optional.empty()
                        : Codes.parse(Face.class, cut.wood())
                                .map(face ->
                                        new MadeCut.CutFace(face, number(cut.diameterCm()), number(cut.hollowCm())))));
    }

    private static OptionalDouble number(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
