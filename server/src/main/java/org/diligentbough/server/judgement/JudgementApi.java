package org.diligentbough.server.judgement;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.light.Shading;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Window;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.plan.PlanMapper.PlanRow;
import org.diligentbough.server.plan.PlanWishes;
import org.diligentbough.server.season.SiteWeatherService;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.survey.SurveyMapper.SurveyRow;
import org.diligentbough.server.survey.SurveyService;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The judgement of a registered tree as it stands, as of today, with its drawing and what was moved by hand. */
@RestController
class JudgementApi {
    /** How many years on a cut can be moved at least. */
    private static final int YEARS_AHEAD = 4;

    private final JudgementService judgement;
    private final SurveyService surveys;
    private final EvaluationWriter writer;
    private final OrchardService orchard;
    private final SiteWeatherService weather;
    private final PlanService desk;

    JudgementApi(
            JudgementService judgement,
            SurveyService surveys,
            EvaluationWriter writer,
            OrchardService orchard,
            SiteWeatherService weather,
            PlanService desk) {
        this.judgement = judgement;
        this.surveys = surveys;
        this.writer = writer;
        this.orchard = orchard;
        this.weather = weather;
        this.desk = desk;
    }

    /**
     * What was judged, the judgement, and the tree's geometry.
     *
     * @param planVersion to be sent back when moving cuts
     * @param edits what people want of the plan, of limbs that stand
     * @param kept the plan in force; null while it follows the judgement
     * @param followed how it changed last while it followed the judgement
     * @param proposal how what would be planned now differs from the plan in force
     * @param shading which limb shades which
     * @param times to which a cut can be moved
     */
    record JudgementView(
            long surveyId,
            int surveyVersion,
            LocalDate surveyedOn,
            String surveyedBy,
            LocalDate today,
            EvaluationAnswer evaluation,
            TreeDrawing drawing,
            List<LimbShading> shading,
            int planVersion,
            PlanWishes edits,
            @MayBeNull PlanService.KeptView kept,
            @MayBeNull PlanService.FollowedView followed,
            List<PlanService.ChangeView> proposal,
            List<TimeView> times) {}

    /** A time to which a cut can be moved; {@code quality} is null for any day of a year. */
    record TimeView(
            int year,
            String yearLabel,
            String season,
            @MayBeNull String quality,
            LocalDate opens,
            LocalDate closes) {}

    /** What people want of the plan, with the version of the plan this is based on. */
    record PlanChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @NotNull(message = "is missing; give what is wanted, empty to leave the plan to the rules") @Valid
            PlanWishes edits) {}

    /** Which plan is kept. */
    record Keeping(
            @NotNull(message = "is missing; send the version it is based on")
            Integer version) {}

    /** Judges the tree as it stands; 404 while nobody has walked to it. */
    @GetMapping("/api/trees/{treeId}/judgement")
    JudgementView judgement(@PathVariable long treeId) {
        Evaluation evaluation = judgement.now(treeId);
        SurveyRow survey = surveys.newest(treeId);
        PlanRow plan = judgement.plan(treeId);
        return new JudgementView(
                survey.id(),
                survey.version(),
                survey.surveyedOn(),
                survey.surveyedBy(),
                evaluation.facts().survey().today(),
                writer.write(evaluation.heldBy(weather.of(orchard.tree(treeId).siteId())
                        .holds(
                                evaluation.facts().survey().tree().species(),
                                evaluation.facts().survey().today()))),
                TreeDrawing.of(evaluation),
                shading(evaluation),
                plan.version(),
                standing(plan.wishes(), evaluation),
                desk.kept(treeId).orElse(null),
                desk.followed(treeId, evaluation).orElse(null),
                desk.proposal(treeId, evaluation),
                times(evaluation));
    }

    /** What shades a limb, and which limbs it shades, most first. */
    record LimbShading(
            String limb, List<EvaluationAnswer.ShadeAnswer> shadedBy, List<EvaluationAnswer.ShadeAnswer> shades) {}

    private static List<LimbShading> shading(Evaluation evaluation) {
        Shading shading = evaluation.light().shading();
        return evaluation.facts().survey().limbs().stream()
                .map(limb -> new LimbShading(
                        limb.id(),
                        EvaluationWriter.shades(shading.on(limb.id())),
                        EvaluationWriter.shades(shading.by(limb.id()))))
                .toList();
    }

    private static PlanWishes standing(PlanWishes edits, Evaluation evaluation) {
        Predicate<String> stands =
                limb -> evaluation.facts().branching().find(limb).isPresent();
        return new PlanWishes(
                edits.years(),
                edits.allowance(),
                edits.pins().stream().filter(pin -> stands.test(pin.limb())).toList(),
                edits.decided().stream().filter(one -> stands.test(one.limb())).toList(),
                edits.insisted().stream().filter(stands).toList(),
                edits.split().stream().filter(stands).toList());
    }

    /** Changes the plan by hand; it is made anew round what is wanted and says what that breaks. */
    @PutMapping("/api/trees/{treeId}/plan")
    JudgementView changePlan(@PathVariable long treeId, @Valid @RequestBody PlanChange change) {
        desk.change(treeId, change.version(), change.edits());
        return judgement(treeId);
    }

    /** Keeps the plan as it would be made now; from here on only people change it. */
    @PostMapping("/api/trees/{treeId}/plan/kept")
    JudgementView keepPlan(@PathVariable long treeId, @Valid @RequestBody Keeping keeping) {
        desk.keep(treeId, keeping.version());
        return judgement(treeId);
    }

    /** Every plan there was, the newest first, with what became of each cut. */
    @GetMapping("/api/trees/{treeId}/plans")
    List<PlanService.VersionView> plans(@PathVariable long treeId) {
        return desk.versions(treeId);
    }

    private List<TimeView> times(Evaluation evaluation) {
        CuttingCalendar calendar = evaluation.calendar();
        LocalDate today = evaluation.facts().survey().today();
        PruningYear now = calendar.pruningYear(today);
        Map<String, TimeView> times = new LinkedHashMap<>();
        int years = Math.max(YEARS_AHEAD, evaluation.plan().years());
        for (int ahead = 0; ahead <= years; ahead++) {
            PruningYear year = now.plus(ahead);
            calendar.windows(year).stream()
                    .filter(window -> window.quality() != Window.Quality.KEEP_OFF)
                    .filter(window -> !window.closes().isBefore(today))
                    .map(window -> new TimeView(
                            year.year(),
                            year.label(),
                            Codes.of(window.season()),
                            Codes.of(window.quality()),
                            window.opens(),
                            window.closes()))
                    .forEach(time -> times.putIfAbsent(time.year() + time.season() + time.quality(), time));
            times.put(
                    year.year() + "any",
                    new TimeView(
                            year.year(),
                            year.label(),
                            "any",
                            null,
                            year.days().getStart(),
                            year.days().getEndInclusive()));
        }
        return new ArrayList<>(times.values());
    }
}
