package org.diligentbough.server.roster;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import org.diligentbough.core.roster.Roster;
import org.diligentbough.core.roster.RosterMaker;
import org.diligentbough.server.roster.RosterFileReader.Asked;
import org.diligentbough.server.shared.TwoAtATime;
import org.diligentbough.server.shared.Wording;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** Makes a roster of what is sent, and keeps nothing of it. Open to all. */
@RestController
class RosterApi {
    private static final double NANOS = 1e9;
    private static final double HUNDREDTHS = 100;

    private final RosterFileReader reader;
    private final Wording wording;
    private final TwoAtATime turns;

    RosterApi(RosterFileReader reader, Wording wording, TwoAtATime turns) {
        this.reader = reader;
        this.wording = wording;
        this.turns = turns;
    }

    @Operation(
            summary = "Put tree-visits on days, in crews, in order, and people into crews",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content =
                                    @Content(
                                            mediaType = "application/json",
                                            schema = @Schema(implementation = RosterFile.class))))
    @PostMapping(path = "/api/roster")
    RosterAnswer roster(@Schema(hidden = true) InputStream body) throws IOException {
        Asked asked = reader.read(body.readAllBytes());
        return turns.ask(() -> {
            long begun = System.nanoTime();
            Roster roster = RosterMaker.make(asked.of(), asked.limits());
            double spent = Math.round((System.nanoTime() - begun) / NANOS * HUNDREDTHS) / HUNDREDTHS;
            return RosterAnswer.of(roster, wording, spent);
        });
    }
}
