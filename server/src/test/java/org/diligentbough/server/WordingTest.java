package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.server.shared.Wording;
import org.junit.jupiter.api.Test;

/** How reasons are worded. */
class WordingTest {
    private static String heavy(int cuts) {
        return TestServer.part(Wording.class)
                .of(Rulebook.load().knowledge().reason(ReasonCode.CAUTION_HEAVY, cuts))
                .text();
    }

    @Test
    void oneCutBringsDownAndSeveralBringDown() {
        assertThat(heavy(1)).startsWith("One of the cuts brings down more than 25 kg: two people");
        assertThat(heavy(3)).startsWith("3 of the cuts bring down more than 25 kg");
    }
}
