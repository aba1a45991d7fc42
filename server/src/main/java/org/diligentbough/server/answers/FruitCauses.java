package org.diligentbough.server.answers;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.fruit.WhyNoFruit;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Pollination;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.GrowthStage;
import org.diligentbough.core.season.Stages;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.visit.TreeRecord;
import org.diligentbough.server.answers.CropView.CauseView;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SiteSeasons;
import org.diligentbough.server.season.SiteWeatherService;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.springframework.stereotype.Component;
import org.threeten.extra.LocalDateRange;

/** Why a tree bore little in a year. */
@Component
class FruitCauses {
    private final OrchardService orchard;
    private final SiteSeasons seasons;
    private final SiteWeatherService weather;
    private final Wording wording;
    private final Today today;

    FruitCauses(OrchardService orchard, SiteSeasons seasons, SiteWeatherService weather, Wording wording, Today today) {
        this.orchard = orchard;
        this.seasons = seasons;
        this.weather = weather;
        this.wording = wording;
        this.today = today;
    }

    /** Causes, the likeliest first. */
    List<CauseView> why(
            SiteRow site,
            TreeRow tree,
            Rulebook ofSite,
            Known known,
            Evaluation evaluation,
            List<TreeRecord.Taken> taken,
            int year) {
        Optional<FruitYear> of =
                known.fruit().stream().filter(one -> one.year() == year).findFirst();
        OptionalDouble mean = known.fruit().stream()
                .filter(one -> one.kilos().isPresent() && one.year() != year - 1)
                .mapToDouble(one -> one.kilos().getAsDouble())
                .average();
        OptionalDouble before = known.fruit().stream()
                .filter(one -> one.year() == year - 1 && one.kilos().isPresent())
                .mapToDouble(one -> one.kilos().getAsDouble())
                .findFirst();
        Optional<TreeRecord.Taken> cut =
                taken.stream().filter(one -> one.pruningYear() == year).findFirst();
        boolean shortened = ofSite.takenCuts(known.surveys(), known.done()).stream()
                .anyMatch(one -> one.pruningYear() == year && one.shortened());
        OptionalDouble light = evaluation.crownLight().byLimb().values().stream()
                .mapToDouble(Double::doubleValue)
                .average();
        boolean sickLeaf = evaluation.facts().survey().limbs().stream()
                .flatMap(limb -> limb.faults().stream())
                .anyMatch(fault -> fault.kind() == FaultKind.DISEASED
                        && fault.disease()
                                .filter(one -> one == Disease.LEAF_CURL)
                                .isPresent());
        return WhyNoFruit.of(
                        new WhyNoFruit.Year(
                                of.map(FruitYear::bloom).orElse(OptionalInt.empty()),
                                before.isPresent() && mean.isPresent() && mean.getAsDouble() > 0
                                        ? OptionalDouble.of(before.getAsDouble() / mean.getAsDouble())
                                        : OptionalDouble.empty(),
                                lacksPartner(site, tree, ofSite),
                                coldestInBloom(site, tree, ofSite, year),
                                light,
                                cut.map(TreeRecord.Taken::share).orElse(0.0),
                                evaluation.facts().tree().bearing() == Bearing.TIP,
                                shortened,
                                tree.plantedYear() == null
                                        ? OptionalInt.empty()
                                        : OptionalInt.of(year - tree.plantedYear()),
                                sickLeaf),
                        ofSite.knowledge())
                .stream()
                .map(this::cause)
                .toList();
    }

    private Optional<Boolean> lacksPartner(SiteRow site, TreeRow tree, Rulebook ofSite) {
        Species kind = Codes.parse(Species.class, tree.species()).orElseThrow();
        if (ofSite.species().of(kind).pollination() != Pollination.Need.PARTNER) {
            return Optional.empty();
        }
        Map<Long, Reason> lacking = new Pollination(ofSite.knowledge(), ofSite.species())
                .lacking(orchard.standing(site.id()).stream()
                        .filter(one -> one.species().equals(tree.species()))
                        .map(one -> new Pollination.Tree(
                                one.id(),
                                kind,
                                Optional.ofNullable(one.cultivar()),
                                one.eastM(),
                                one.northM(),
                                Optional.empty()))
                        .toList());
        return Optional.of(lacking.containsKey(tree.id()));
    }

    private CauseView cause(WhyNoFruit.Reckoned one) {
        String code = Codes.of(one.cause());
        return new CauseView(
                code,
                wording.say("why-" + code),
                one.weight(),
                one.speaksFor().stream()
                        .map(what -> wording.say("speaks-" + what))
                        .toList(),
                one.against().stream()
                        .map(what -> wording.say("speaks-" + what))
                        .toList(),
                wording.say("look-" + code));
    }

    /** The coldest of the days on which its kind bloomed there, as far as files tell. */
    private OptionalDouble coldestInBloom(SiteRow site, TreeRow tree, Rulebook ofSite, int year) {
        Stages stages = seasons.stagesOf(site, tree.species(), today.in(site.zone()));
        Optional<Stages.Stage> opens = stages.of(GrowthStage.FIRST_FLOWERS.bbch(), year)
                .or(() -> stages.of(GrowthStage.FULL_BLOOM.bbch(), year));
        Optional<Stages.Stage> over =
                stages.of(GrowthStage.BLOOM_OVER.bbch(), year).or(() -> stages.of(GrowthStage.FRUIT_SETS.bbch(), year));
        if (opens.isEmpty()
                || over.isEmpty()
                || over.get().reached().isBefore(opens.get().reached())) {
            return OptionalDouble.empty();
        }
        return weather.coldest(
                site,
                LocalDateRange.ofClosed(opens.get().reached(), over.get().reached()),
                ofSite.knowledge().get(Figure.BLOOM_FROST_TENTH_C));
    }
}
