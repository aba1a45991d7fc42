package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.answer.Answers;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.TreeHistory;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.wood.DiseaseSpread;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.answers.WoodView.DiseaseView;
import org.diligentbough.server.answers.WoodView.DiseasesView;
import org.diligentbough.server.answers.WoodView.RiskAt;
import org.diligentbough.server.answers.WoodView.TreeAt;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.Today;
import org.springframework.stereotype.Service;

/** How diseases stand over a site, by year. */
@Service
class SiteDiseases {
    private static final long SEED = 1;
    private static final double SPREADING_P = 0.1;
    private static final int LOOK_NEXT = 5;
    /** Under this a tree is hardly at risk: as at the reach's end (own assumption). */
    private static final double LEAST_RISK = 0.05;

    private final Histories histories;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final Today today;

    SiteDiseases(Histories histories, OrchardService orchard, SiteRules rules, Today today) {
        this.histories = histories;
        this.orchard = orchard;
        this.rules = rules;
        this.today = today;
    }

    /** Diseases of a site at the end of a year; today where that is to come. */
    DiseasesView disease(long siteId, Integer asked) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        int year = asked == null ? now.getYear() : Math.min(asked, now.getYear());
        LocalDate on = year == now.getYear() ? now : LocalDate.of(year, 12, 31);
        Rulebook ofSite = rules.of(siteId);
        List<Known> all = histories.ofSite(site, now);
        Map<String, Known> byTag = new HashMap<>();
        List<TreeHistory> trees = new ArrayList<>();
        for (Known known : all) {
            byTag.put(known.tree().tag(), known);
            TreeHistory told = histories.history(known, on);
            // What was taken out before that stands in no tree's way any more.
            if (known.standing()
                    || told.sightings().filter(seen -> !seen.isEmpty()).isPresent()) {
                trees.add(told);
            }
        }
        int first = all.stream()
                .flatMap(known -> histories.history(known, now).sightings().orElse(List.of()).stream())
                .mapToInt(one -> one.on().getYear())
                .min()
                .orElse(now.getYear());
        return new DiseasesView(
                year,
                first,
                now.getYear(),
                new Answers(new OrchardRecords(trees, false, on, SEED, Map.of(), List.of()), ofSite)
                        .diseases(on).stream()
                                .map(spread -> diseaseView(ofSite, spread, byTag))
                                .toList());
    }

    private static DiseaseView diseaseView(Rulebook ofSite, DiseaseSpread.Spread spread, Map<String, Known> byTag) {
        List<RiskAt> atRisk = spread.atRisk().stream()
                .filter(one -> one.risk() >= LEAST_RISK || one.suspected())
                .map(one -> risk(one, byTag.get(one.label())))
                .filter(one -> byTag.get(one.tag()).standing())
                .toList();
        Disease disease = spread.disease();
        return new DiseaseView(
                Codes.of(disease),
                spread.reachM(),
                spread.sick().stream()
                        .map(byTag::get)
                        .map(known -> new TreeAt(
                                known.tree().id(),
                                known.tree().tag(),
                                known.tree().eastM(),
                                known.tree().northM(),
                                known.standing()))
                        .toList(),
                spread.canHave(),
                spread.joins(),
                spread.expected(),
                spread.p(),
                spread.p() < SPREADING_P && spread.joins() > spread.expected(),
                ofSite.diseases().of(disease).incurable(),
                atRisk,
                atRisk.stream()
                        .sorted(Comparator.comparing((RiskAt one) -> !one.suspected())
                                .thenComparing(
                                        Comparator.comparing(RiskAt::risk).reversed()))
                        .limit(LOOK_NEXT)
                        .toList());
    }

    private static RiskAt risk(DiseaseSpread.AtRisk one, Known known) {
        return new RiskAt(
                known.tree().id(),
                known.tree().tag(),
                known.tree().eastM(),
                known.tree().northM(),
                one.risk(),
                one.suspected());
    }
}
