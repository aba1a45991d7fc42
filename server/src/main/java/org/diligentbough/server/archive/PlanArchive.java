package org.diligentbough.server.archive;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.server.archive.Archive.ArchivedCut;
import org.diligentbough.server.archive.Archive.ArchivedDecided;
import org.diligentbough.server.archive.Archive.ArchivedHours;
import org.diligentbough.server.archive.Archive.ArchivedMove;
import org.diligentbough.server.archive.Archive.ArchivedPlan;
import org.diligentbough.server.archive.Archive.ArchivedTree;
import org.diligentbough.server.archive.Archive.ArchivedWants;
import org.diligentbough.server.crew.PeopleService;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.plan.KeptCut;
import org.diligentbough.server.plan.PinData;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.plan.PlanMapper.VersionRow;
import org.diligentbough.server.plan.PlanMapper.WantedRow;
import org.diligentbough.server.plan.PlanWishes;
import org.diligentbough.server.programme.ProgrammeMapper;
import org.diligentbough.server.programme.ProgrammeMapper.SetRow;
import org.springframework.stereotype.Component;

/** Plans in archives: what people want of them, what they were, and what the programme goes by. */
@Component
class PlanArchive {
    private static final String NO_YEAR = "is no year; give one such as 2027, or year+1 counted from the running one";
    private static final Set<String> CAUSES = Set.of("followed", "kept", "by-hand", "proposal");
    private static final int EVERY_YEAR = 0;

    private final PlanMapper plans;
    private final ProgrammeMapper programmes;
    private final JudgementService judgement;
    private final PeopleService people;

    PlanArchive(PlanMapper plans, ProgrammeMapper programmes, JudgementService judgement, PeopleService people) {
        this.plans = plans;
        this.programmes = programmes;
        this.judgement = judgement;
        this.people = people;
    }

    /** What is known of the plans of a site's trees, by tree. */
    record OfSite(Map<Long, PlanWishes> edits, Map<Long, List<VersionRow>> versions, Map<Long, Integer> begins) {}

    /** Reads them in three queries. */
    OfSite ofSite(long siteId) {
        return new OfSite(
                plans.wanted(siteId).stream().collect(Collectors.toMap(WantedRow::treeId, row -> row.wishes())),
                plans.versionsAt(siteId).stream().collect(Collectors.groupingBy(VersionRow::treeId)),
                programmes.allSet(siteId).stream().collect(Collectors.toMap(SetRow::treeId, SetRow::year)));
    }

    List<ArchivedMove> moved(OfSite known, long treeId) {
        return edits(known, treeId).pins().stream()
                .map(pin -> new ArchivedMove(
                        pin.limb(), pin.kind(), String.valueOf(pin.year()), pin.season(), pin.quality()))
                .toList();
    }

    /** What else people want of a tree's plan; null when nothing. */
    ArchivedWants wanted(OfSite known, long treeId) {
        PlanWishes edits = edits(known, treeId);
        boolean nothing = edits.years() == null
                && edits.allowance() == null
                && edits.decided().isEmpty()
                && edits.insisted().isEmpty()
                && edits.split().isEmpty();
        return nothing
                ? null
                : new ArchivedWants(
                        edits.years(),
                        edits.allowance(),
                        edits.decided().stream()
                                .map(one -> new ArchivedDecided(
                                        one.limb(),
                                        one.verdict(),
                                        one.alongM(),
                                        one.by(),
                                        one.on().toString()))
                                .toList(),
                        edits.insisted(),
                        edits.split());
    }

    private static PlanWishes edits(OfSite known, long treeId) {
        return known.edits().getOrDefault(treeId, PlanWishes.NONE);
    }

    /** Every plan there was, oldest first. */
    List<ArchivedPlan> plans(OfSite known, long treeId) {
        return known.versions().getOrDefault(treeId, List.of()).stream()
                .map(row -> new ArchivedPlan(
                        row.madeOn().toString(),
                        row.madeBy(),
                        row.cause(),
                        row.cuts().stream().map(PlanArchive::cut).toList()))
                .toList();
    }

    private static ArchivedCut cut(KeptCut cut) {
        return new ArchivedCut(
                cut.limb(),
                cut.kind(),
                String.valueOf(cut.year()),
                cut.season(),
                cut.quality(),
                cut.diameterCm(),
                cut.alongM(),
                cut.share(),
                cut.minutes());
    }

    /** The year a tree's work was set to begin in; null when it was not. */
    String begins(OfSite known, long treeId) {
        Integer year = known.begins().get(treeId);
        return year == null ? null : year.toString();
    }

    /** The hours of a site. */
    List<ArchivedHours> hours(long siteId) {
        return programmes.hours(siteId).stream()
                .map(row -> new ArchivedHours(
                        row.year() == EVERY_YEAR ? null : row.year().toString(), Codes.of(row.season()), row.hours()))
                .toList();
    }

    /** Takes in what is known of a tree's plan; it belongs to an import, and the tree is new. */
    void add(TreeRow tree, SiteRow site, ArchivedTree given, DayWords words, Problems problems, String at) {
        List<PinData> pins = new ArrayList<>();
        for (int i = 0; i < orEmpty(given.moved()).size(); i++) {
            pin(given.moved().get(i), words, problems, at + "/moved/" + i).ifPresent(pins::add);
        }
        PlanWishes edits = given.wanted() == null
                ? PlanWishes.moved(pins)
                : wanted(given.wanted(), pins, words, problems, at + "/wanted");
        if (!edits.equals(PlanWishes.NONE)) {
            judgement.keep(tree.id(), 0, edits);
        }
        for (int i = 0; i < orEmpty(given.plans()).size(); i++) {
            plan(tree, site, given.plans().get(i), words, problems, at + "/plans/" + i);
        }
        if (given.begins() != null) {
            OptionalInt year = words.year(given.begins());
            if (year.isEmpty()) {
                problems.add(at + "/begins", NO_YEAR);
            } else {
                programmes.set(tree.id(), 0, year.getAsInt());
            }
        }
    }

    private Optional<PinData> pin(ArchivedMove move, DayWords words, Problems problems, String at) {
        OptionalInt year = words.year(move.year());
        if (year.isEmpty()) {
            problems.add(at + "/year", NO_YEAR);
            return Optional.empty();
        }
        PinData pin = new PinData(move.limb(), move.kind(), year.getAsInt(), move.season(), move.quality());
        return problems.check(pin, at) ? Optional.of(pin) : Optional.empty();
    }

    private PlanWishes wanted(ArchivedWants given, List<PinData> pins, DayWords words, Problems problems, String at) {
        List<PlanWishes.DecidedData> decided = new ArrayList<>();
        for (int i = 0; i < orEmpty(given.decided()).size(); i++) {
            ArchivedDecided one = given.decided().get(i);
            String oneAt = at + "/decided/" + i;
            Optional<LocalDate> on = problems.day(words, one.on(), oneAt + "/on");
            if (on.isPresent() && problems.named(one.by(), oneAt + "/by")) {
                decided.add(new PlanWishes.DecidedData(one.limb(), one.verdict(), one.alongM(), one.by(), on.get()));
            }
        }
        PlanWishes edits =
                new PlanWishes(given.years(), given.allowance(), pins, decided, given.insisted(), given.split());
        return problems.check(edits, at) ? edits : PlanWishes.NONE;
    }

    private void plan(TreeRow tree, SiteRow site, ArchivedPlan given, DayWords words, Problems problems, String at) {
        Optional<LocalDate> on = problems.day(words, given.on(), at + "/on");
        boolean followed = "followed".equals(given.cause());
        boolean good = on.isPresent();
        if (given.cause() == null || !CAUSES.contains(given.cause())) {
            problems.add(at + "/cause", "is not known; choose one of followed, kept, by-hand, proposal");
            good = false;
        }
        if (followed == (given.by() != null)) {
            problems.add(at + "/by", followed ? "belongs to no plan that followed the judgement" : "is missing");
            good = false;
        }
        List<KeptCut> cuts = new ArrayList<>();
        for (int i = 0; i < orEmpty(given.cuts()).size(); i++) {
            cut(given.cuts().get(i), site, words, problems, at + "/cuts/" + i).ifPresent(cuts::add);
        }
        if (good) {
            plans.keepVersion(
                    tree.id(),
                    on.get(),
                    followed ? null : (Long) people.named(given.by(), site.id()),
                    given.cause(),
                    cuts);
        }
    }

    private static Optional<KeptCut> cut(
            ArchivedCut given, SiteRow site, DayWords words, Problems problems, String at) {
        OptionalInt year = words.year(given.year());
        if (year.isEmpty()) {
            problems.add(at + "/year", NO_YEAR);
        }
        boolean good = problems.check(given, at);
        return good && year.isPresent()
                ? Optional.of(new KeptCut(
                        given.limb(),
                        given.kind(),
                        year.getAsInt(),
                        new PruningYear(year.getAsInt(), site.latitude() < 0).label(),
                        given.season(),
                        given.quality(),
                        given.diameterCm(),
                        given.alongM(),
                        given.share(),
                        given.minutes()))
                : Optional.empty();
    }

    /** Takes in the hours of a site. */
    void addHours(long siteId, List<ArchivedHours> given, DayWords words, Problems problems) {
        for (int i = 0; i < orEmpty(given).size(); i++) {
            ArchivedHours one = given.get(i);
            String at = "/hours/" + i;
            OptionalInt year = one.year() == null ? OptionalInt.of(EVERY_YEAR) : words.year(one.year());
            if (year.isEmpty()) {
                problems.add(at + "/year", NO_YEAR);
            }
            Optional<Season> season = Codes.parse(Season.class, one.season());
            if (season.isEmpty()) {
                problems.add(at + "/season", "is not known; choose one of " + Codes.all(Season.class));
            }
            if (one.hours() == null || one.hours() < 0) {
                problems.add(at + "/hours", "is missing or under 0; give hours");
            } else if (season.isPresent() && year.isPresent()) {
                boolean twice = programmes.hours(siteId).stream()
                        .anyMatch(row -> row.year() == year.getAsInt() && row.season() == season.get());
                if (twice) {
                    problems.add(at + "/season", "is given twice for that year; give it once");
                } else {
                    programmes.addHours(siteId, year.getAsInt(), season.get(), one.hours());
                }
            }
        }
    }

    private static <T> List<T> orEmpty(List<T> list) {
        return list == null ? List.of() : list;
    }
}
