package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.answers.LoggedWounds.CutMade;
import org.diligentbough.server.answers.WoodView.CameOff;
import org.diligentbough.server.answers.WoodView.Pile;
import org.diligentbough.server.consent.ConsentService;
import org.diligentbough.server.consent.ConsentService.Answered;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.shared.Wording.Worded;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.wood.RemovalService;
import org.diligentbough.server.wood.RemovalService.RemovalView;
import org.springframework.stereotype.Service;

/** The register of every limb and every tree that came off, and the piles that were weighed. */
@Service
class CameOffRegister {
    private final SiteRecords records;
    private final VisitMapper visits;
    private final RemovalService removals;
    private final ConsentService consents;
    private final OrchardService orchard;
    private final Memberships memberships;
    private final Wording wording;

    CameOffRegister(
            SiteRecords records,
            VisitMapper visits,
            RemovalService removals,
            ConsentService consents,
            OrchardService orchard,
            Memberships memberships,
            Wording wording) {
        this.records = records;
        this.visits = visits;
        this.removals = removals;
        this.consents = consents;
        this.orchard = orchard;
        this.memberships = memberships;
        this.wording = wording;
    }

    private record Named(String tag, String species) {}

    /** Every limb and every tree that came off on a site, the newest first. */
    List<CameOff> cameOff(long siteId) {
        SiteRow site = orchard.site(siteId);
        List<RemovalView> gone = removals.removals(siteId);
        Map<Long, Named> trees = named(siteId, gone);
        Map<Long, VisitRow> planned =
                visits.ofSite(siteId).stream().collect(Collectors.toMap(VisitRow::id, Function.identity()));
        Map<Long, List<Answered>> answered = consents.answered(siteId);
        return Stream.concat(
                        LoggedWounds.made(visits.logsAt(siteId), planned).stream()
                                .filter(cut -> trees.containsKey(cut.log().treeId()))
                                .map(cut -> limb(
                                        trees.get(cut.log().treeId()),
                                        cut,
                                        permission(
                                                answered.getOrDefault(cut.log().treeId(), List.of()),
                                                cut.log().onDay(),
                                                site.zone()))),
                        gone.stream().map(CameOffRegister::tree))
                .sorted(Comparator.comparing(CameOff::on)
                        .reversed()
                        .thenComparing(CameOff::tag)
                        .thenComparing(one -> Optional.ofNullable(one.limb()).orElse("")))
                .toList();
    }

    /** The piles of a site that were weighed, the newest first. */
    List<Pile> piles(long siteId) {
        orchard.site(siteId);
        Map<Long, Named> trees = named(siteId, removals.removals(siteId));
        return records.done(siteId).stream()
                .filter(one -> one.weighed() && trees.containsKey(one.log().treeId()))
                .map(one -> {
                    Named tree = trees.get(one.log().treeId());
                    return new Pile(
                            one.log().onDay(),
                            one.log().treeId(),
                            tree.tag(),
                            tree.species(),
                            one.log().pileKilos(),
                            one.reckonedKilos(),
                            one.whole(),
                            one.farMoreThanReckoned());
                })
                .sorted(Comparator.comparing(Pile::on).reversed().thenComparing(Pile::tag))
                .toList();
    }

    /** The trees whoever asks may see, those taken out among them. */
    private Map<Long, Named> named(long siteId, List<RemovalView> gone) {
        Map<Long, Named> found = new HashMap<>();
        orchard.standing(siteId).forEach(tree -> found.put(tree.id(), new Named(tree.tag(), tree.species())));
        gone.forEach(tree -> found.put(tree.treeId(), new Named(tree.tag(), tree.species())));
        memberships.onlyTrees(siteId).ifPresent(only -> found.keySet().retainAll(only));
        return found;
    }

    private static CameOff limb(Named tree, CutMade cut, String permission) {
        LogRow log = cut.log();
        Optional<Worded> why =
                cut.planned().flatMap(planned -> planned.reasons().stream().findFirst());
        return new CameOff(
                log.onDay(),
                log.treeId(),
                tree.tag(),
                tree.species(),
                cut.cut().limb(),
                cut.kind(),
                why.map(Worded::code).orElse(null),
                why.map(Worded::text).orElse(null),
                Optional.ofNullable(log.people()).orElse(""),
                Histories.orNull(cut.diameterCm()),
                cut.planned()
                        .filter(planned -> planned.kind().equals(cut.kind()))
                        .map(planned -> planned.weightKg())
                        .orElse(null),
                cut.cut().wood(),
                permission);
    }

    private static CameOff tree(RemovalView gone) {
        return new CameOff(
                gone.data().on(),
                gone.treeId(),
                gone.tag(),
                gone.species(),
                null,
                WoodView.WHOLE_TREE,
                gone.data().grounds(),
                null,
                gone.data().removedBy(),
                null,
                null,
                null,
                gone.data().permission());
    }

    /** The owner's consent that held on a day; null where there was none. */
    private String permission(List<Answered> answered, LocalDate on, ZoneId zone) {
        return Answered.heldOn(on, answered, zone)
                .map(given -> wording.say("permission-consent", given))
                .orElse(null);
    }
}
