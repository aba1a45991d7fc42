package org.diligentbough.server.survey;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.survey.SurveyMapper.SurveyRow;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Surveys of registered trees, their files, and drafts. */
@RestController
@RequestMapping("/api")
class SurveyApi {
    private final SurveyService service;
    private final OrchardService orchard;

    SurveyApi(SurveyService service, OrchardService orchard) {
        this.service = service;
        this.orchard = orchard;
    }

    /** A kept survey; its whole content is in its file. */
    record SurveyView(
            long id,
            int version,
            long treeId,
            LocalDate surveyedOn,
            String surveyedBy,
            String triage,
            Instant savedAt) {}

    /**
     * A draft, as the interface keeps it.
     *
     * @param version 0 while there is none
     */
    record DraftView(
            int version,
            @Schema(nullable = true, type = "object") JsonNode document,
            Instant savedAt) {}

    /** All surveys of a tree, newest first. */
    @GetMapping("/trees/{treeId}/surveys")
    List<SurveyView> surveys(@PathVariable long treeId) {
        return service.surveysOf(treeId).stream().map(SurveyApi::view).toList();
    }

    /**
     * Keeps a survey: a survey file, of which site, today and what is registered of the tree may be left out.
     *
     * @param sentAs a key of its own: sent again under the same key it is kept once
     * @param basedOn the newest survey the surveyor knew, 0 for none; refused with 409 when there is a newer one
     */
    @PostMapping("/trees/{treeId}/surveys")
    @ResponseStatus(HttpStatus.CREATED)
    SurveyView addSurvey(
            @PathVariable long treeId,
            @RequestParam Optional<UUID> sentAs,
            @RequestParam Optional<Long> basedOn,
            @Schema(implementation = SurveyFile.class) @RequestBody JsonNode survey) {
        return view(service.add(treeId, survey, new SurveyService.Sending(sentAs, basedOn)));
    }

    /** Corrects a kept survey. */
    @PutMapping("/surveys/{surveyId}")
    SurveyView correctSurvey(
            @PathVariable long surveyId,
            @RequestParam int version,
            @Schema(implementation = SurveyFile.class) @RequestBody JsonNode survey) {
        return view(service.correct(surveyId, version, survey));
    }

    /** A kept survey as a survey file, to keep or to pass on. */
    @GetMapping(path = "/surveys/{surveyId}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    @Schema(implementation = SurveyFile.class)
    ResponseEntity<JsonNode> surveyFile(@PathVariable long surveyId) {
        SurveyRow survey = service.survey(surveyId);
        String name = "survey-" + orchard.tree(survey.treeId()).tag().replaceAll("[^A-Za-z0-9-]", "_") + "-"
                + survey.surveyedOn() + ".json";
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(service.fileOf(survey));
    }

    @GetMapping("/trees/{treeId}/draft")
    DraftView draft(@PathVariable long treeId) {
        return service.draft(treeId)
                .map(row -> new DraftView(row.version(), row.document(), row.savedAt()))
                .orElse(new DraftView(0, null, null));
    }

    /** Keeps the person's draft of a survey as it is. */
    @PutMapping("/trees/{treeId}/draft")
    DraftKept keepDraft(
            @PathVariable long treeId,
            @RequestParam int version,
            @Schema(type = "object") @RequestBody JsonNode document) {
        return new DraftKept(service.keepDraft(treeId, version, document));
    }

    /** The version a draft has now. */
    record DraftKept(int version) {}

    @DeleteMapping("/trees/{treeId}/draft")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void dropDraft(@PathVariable long treeId) {
        service.dropDraft(treeId);
    }

    private static SurveyView view(SurveyRow row) {
        return new SurveyView(
                row.id(),
                row.version(),
                row.treeId(),
                row.surveyedOn(),
                row.surveyedBy(),
                row.judgedAs() == null ? null : Codes.of(row.judgedAs()),
                row.savedAt());
    }
}
