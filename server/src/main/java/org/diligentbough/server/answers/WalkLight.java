package org.diligentbough.server.answers;

import java.util.Comparator;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.survey.SurveyService;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Keeps how much light each walk found in a tree's crown, so that what cutting did for it can be told. */
@Component
class WalkLight {
    private final WalkLightMapper mapper;
    private final SurveyService surveys;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final Today today;

    WalkLight(WalkLightMapper mapper, SurveyService surveys, OrchardService orchard, SiteRules rules, Today today) {
        this.mapper = mapper;
        this.surveys = surveys;
        this.orchard = orchard;
        this.rules = rules;
        this.today = today;
    }

    /** Works it out once for the walks a tree has. */
    @EventListener
    void judged(JudgementService.Judged judged) {
        TreeRow tree = orchard.tree(judged.treeId());
        long walks = mapper.walks(tree.id());
        if (mapper.known(tree.id(), walks)) {
            return;
        }
        Rulebook ofSite = rules.of(tree.siteId());
        mapper.drop(tree.id());
        surveys.upTo(tree.id(), today.in(orchard.site(tree.siteId()).zone())).stream()
                .sorted(Comparator.comparing(Survey::surveyedOn))
                .forEach(walk -> Evaluation.ownLight(walk, ofSite)
                        .ifPresent(light ->
                                mapper.keep(tree.id(), walk.surveyedOn(), Math.max(0, Math.min(1, light)), walks)));
    }
}
