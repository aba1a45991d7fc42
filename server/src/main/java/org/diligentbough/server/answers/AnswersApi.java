package org.diligentbough.server.answers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.answer.Answers;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.server.shared.TwoAtATime;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** Answers what records are sent, and keeps nothing of them. Open to all. */
@RestController
class AnswersApi {
    private final RecordFileReader reader;
    private final Rulebook rules;
    private final TwoAtATime turns;

    AnswersApi(RecordFileReader reader, Rulebook rules, TwoAtATime turns) {
        this.reader = reader;
        this.rules = rules;
        this.turns = turns;
    }

    @Operation(
            summary = "What records of cutting, wood and fruit answer",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content =
                                    @Content(
                                            mediaType = "application/json",
                                            schema = @Schema(implementation = RecordFile.class))))
    @PostMapping(path = "/api/answers")
    RecordAnswer answers(@Schema(hidden = true) InputStream body) throws IOException {
        OrchardRecords records = reader.read(body.readAllBytes());
        return turns.ask(() -> RecordAnswer.of(records, new Answers(records, rules)));
    }
}
