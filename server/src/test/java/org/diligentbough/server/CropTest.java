package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.put;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What a tree is to carry, what it was reckoned to carry, and why it bore little. */
class CropTest {
    private final CutTree cut = CutTree.planted();
    private final String at = "/api/trees/" + cut.tree();

    private void fruit(int year, int bloom, double kilos, int number) {
        put(
                        at + "/fruit/" + year,
                        "{\"version\": 0, \"data\": {\"bloom\": " + bloom + ", \"kilos\": " + kilos + ", \"number\": "
                                + number + "}}")
                .expect(200);
    }

    private JsonNode cause(String code) {
        return get(at + "/crop")
                .expect(200)
                .get("why")
                .valueStream()
                .filter(one -> one.get("cause").stringValue().equals(code))
                .findFirst()
                .orElse(null);
    }

    @Test
    void whatWasReckonedIsHeldAgainstWhatWasPicked() {
        // 100 g a fruit.
        fruit(2026, 4, 6, 60);
        JsonNode kept = put(at + "/crop", "{\"counted\": 200}").expect(200);
        assertThat(kept.get("counted").intValue()).isEqualTo(200);
        double kilos = kept.at("/reckoned/0/kilos").doubleValue();
        assertThat(kilos).isCloseTo(Math.min(200, kept.get("most").intValue()) * 0.1, within(0.06));
        assertThat(kept.at("/reckoned/0/picked").isNull()).isTrue();
        assertThat(get("/api/sites/" + cut.site() + "/answer")
                        .expect(200)
                        .at("/crops/crops")
                        .intValue())
                .isZero();
        // It was last year.
        TestServer.sql("update crop_reckoned set year = 2026 where tree_id = " + cut.tree());
        JsonNode after = get(at + "/crop").expect(200);
        assertThat(after.at("/reckoned/0/picked").doubleValue()).isEqualTo(6);
        JsonNode sum = get("/api/sites/" + cut.site() + "/answer").expect(200).get("crops");
        assertThat(sum.get("crops").intValue()).isEqualTo(1);
        assertThat(sum.get("pickedByReckoned").doubleValue()).isCloseTo(6 / kilos, within(1e-9));
        assertThat(TestServer.send("DELETE", at + "/crop/2026", null)
                        .expect(200)
                        .get("reckoned"))
                .isEmpty();
        TestServer.send("DELETE", at + "/crop/2026", null).expect(404);
        put(at + "/crop", "{\"counted\": -1}").expect(422);
        put(at + "/crop", "{}").expect(422);
    }

    @Test
    void itsLimbsShareTheCropByTheirWoodAndHowFruitfulItIs() {
        JsonNode crop = get(at + "/crop").expect(200);
        JsonNode limbs = crop.get("limbs");
        // A, shortened, B and C bear; D is dead.
        assertThat(limbs.valueStream().map(one -> one.get("limb").stringValue()))
                .containsExactly("A", "B", "C");
        int most =
                limbs.valueStream().mapToInt(one -> one.get("most").intValue()).sum();
        assertThat(most).isCloseTo(crop.get("most").intValue(), within(2));
        assertThat(limbs.at("/1/most").intValue())
                .isGreaterThan(limbs.at("/2/most").intValue());
        assertThat(limbs.at("/1/kilos").isNull())
                .as("no weight of a fruit is known")
                .isTrue();
        fruit(2026, 4, 6, 60);
        JsonNode weighed = get(at + "/crop").expect(200).get("limbs");
        assertThat(weighed.at("/1/kilos").doubleValue()).isGreaterThan(0);
        assertThat(weighed.at("/1/holds").stringValue()).isIn("fine", "thin", "prop");
    }

    @Test
    void itIsThinnedAfterTheNaturalDropOfItsYear() {
        JsonNode when = get(at + "/crop").expect(200).get("when");
        LocalDate opens = LocalDate.parse(when.get("opens").stringValue());
        assertThat(opens).isBetween(LocalDate.of(2027, 5, 15), LocalDate.of(2027, 7, 25));
        assertThat(LocalDate.parse(when.get("closes").stringValue())).isEqualTo(opens.plusDays(30));
    }

    @Test
    void theTableSaysWhatTheTreeSays() {
        TestServer.tree(cut.site(), "A-2");
        put(at + "/crop", "{\"counted\": 5000}").expect(200);
        JsonNode tree = get(at + "/crop").expect(200);
        JsonNode table = get("/api/sites/" + cut.site() + "/thinning").expect(200);
        assertThat(table).as("a tree never walked is not in it").hasSize(1);
        for (String field : new String[] {"least", "most", "counted", "thinLeast", "thinMost", "minutes", "how"}) {
            assertThat(table.get(0).get(field)).as(field).isEqualTo(tree.get(field));
        }
        assertThat(table.at("/0/thinLeast").intValue()).isGreaterThan(0);
    }

    @Test
    void frostWhileItBloomedIsReadFromTheWeatherOfFilesAlone() {
        fruit(2026, 4, 1, 10);
        assertThat(cause("frost-in-bloom")).as("nothing is known of the nights").isNull();
        StringBuilder table = new StringBuilder("date,minC,maxC,rainMm,windKmh\n");
        for (LocalDate day = LocalDate.of(2026, 3, 1); day.getMonthValue() < 7; day = day.plusDays(1)) {
            table.append(day).append(",4,14,0,10\n");
        }
        TestServer.sendAny("POST", "/api/sites/" + cut.site() + "/weather", "text/csv", table.toString())
                .expect(200);
        assertThat(cause("bloom-without-set")).isNotNull();
        assertThat(cause("frost-in-bloom")).isNull();
        TestServer.sendAny(
                        "POST",
                        "/api/sites/" + cut.site() + "/weather",
                        "text/csv",
                        table.toString().replaceAll("(2026-0[45]-..),4,", "$1,-4.5,"))
                .expect(200);
        assertThat(cause("frost-in-bloom").get("weight").doubleValue()).isGreaterThan(0.9);
        assertThat(get(at + "/crop").expect(200).at("/why/0/cause").stringValue())
                .isEqualTo("frost-in-bloom");
    }
}
