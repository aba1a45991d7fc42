package org.diligentbough.server.invite;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.sendAs;

import biweekly.Biweekly;
import biweekly.ICalendar;
import jakarta.mail.BodyPart;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Properties;
import java.util.UUID;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** People are asked by letter, answer by an address of their own, and hear what changes. */
class InvitationsTest {
    private static final String ON = "2027-04-17";

    private final String mark = UUID.randomUUID().toString();
    private final long site = TestServer.site("Asking <b>& co</b> " + mark);
    private final long dayId = TestServer.day(site, ON);
    private final long mia = TestServer.person("Mia <i>Mail</i> " + mark, 1990, "ladder");
    private final long noa = TestServer.person("Noa Nomail " + mark, 1985);

    InvitationsTest() {
        put("/api/people/" + mia + "/contact", "{\"mail\": \"" + to() + "\"}").expect(200);
    }

    private String to() {
        return "mia-" + mark + "@orchard.example";
    }

    private JsonNode day() {
        return get("/api/days/" + dayId).expect(200);
    }

    private String version() {
        return "{\"version\": " + day().get("version") + "}";
    }

    private void invite(long... people) {
        post("/api/days/" + dayId + "/invitations", "{\"people\": " + Arrays.toString(people) + "}")
                .expect(200);
    }

    /** Letters of the site, the newest first. */
    private JsonNode letters() {
        return get("/api/sites/" + site + "/letters").expect(200);
    }

    private static String secret(JsonNode letter) {
        return letter.get("link").stringValue().split("#")[1];
    }

    private static TestServer.Answer say(String secret, String answer, String more) {
        return TestServer.sendAs(
                0,
                "POST",
                "/api/comings/answer",
                "{\"token\": \"" + secret + "\", \"answer\": \"" + answer + "\"" + more + "}");
    }

    private List<Message> received() throws MessagingException {
        List<Message> mine = new ArrayList<>();
        for (Message one : TestServer.MAIL.getReceivedMessages()) {
            if (one.getAllRecipients()[0].toString().equals(to())) {
                mine.add(one);
            }
        }
        return mine;
    }

    private static List<BodyPart> parts(Multipart of) throws MessagingException, IOException {
        List<BodyPart> found = new ArrayList<>();
        for (int i = 0; i < of.getCount(); i++) {
            if (of.getBodyPart(i).getContent() instanceof Multipart inner) {
                found.addAll(parts(inner));
            } else {
                found.add(of.getBodyPart(i));
            }
        }
        return found;
    }

    private static String part(Message message, String type) throws MessagingException, IOException {
        for (BodyPart one : parts((Multipart) message.getContent())) {
            if (one.isMimeType(type)) {
                return new String(one.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            }
        }
        throw new AssertionError("no " + type);
    }

    @Test
    void aLetterGoesOutWithItsCalendarEntryAndEveryFieldEscaped() throws Exception {
        invite(mia, noa);
        TestServer.eventually(() -> {
            try {
                return received().size() == 1;
            } catch (MessagingException e) {
                throw new IllegalStateException(e);
            }
        });
        Message got = received().get(0);
        assertThat(got.getSubject())
                .contains("Orchard work on Saturday 17 April 2027")
                .contains("can you come?");
        assertThat(part(got, "text/plain")).contains("Hello Mia <i>Mail</i>").contains("/come#");
        assertThat(part(got, "text/html"))
                .doesNotContain("<i>")
                .doesNotContain("<b>")
                .contains("Mia &lt;i&gt;Mail");
        ICalendar calendar = Biweekly.parse(part(got, "text/calendar")).first();
        assertThat(calendar.getMethod().getValue()).isEqualTo("PUBLISH");
        assertThat(calendar.getEvents().get(0).getUid().getValue()).isEqualTo("day-" + dayId + "@diligent-bough");
        assertThat(got.getHeader("Message-ID")[0]).endsWith("@diligent-bough>");

        JsonNode letters = letters();
        assertThat(letters).hasSize(2);
        TestServer.eventually(() -> letters().get(1).get("state").stringValue().equals("sent"));
        assertThat(letters.get(0).get("state").stringValue())
                .as("no address is known")
                .isEqualTo("by-hand");
        MimeMessage kept = new MimeMessage(
                Session.getInstance(new Properties()),
                new ByteArrayInputStream(
                        TestServer.bytes("/api/letters/" + letters.get(0).get("id") + "/letter.eml")));
        assertThat(part(kept, "text/plain")).contains("Hello Noa Nomail");
        assertThat(kept.getAllRecipients()).isNull();
    }

    @Test
    void whoSaysYesComesForTheHoursSaidAndWhoSaysNoIsOffTheDayAndItsTrees() {
        invite(mia, noa);
        String hers = secret(letters().get(1));
        JsonNode look = TestServer.sendAs(0, "POST", "/api/comings/look", "{\"token\": \"" + hers + "\"}")
                .expect(200);
        assertThat(look.get("name").stringValue()).startsWith("Mia");
        assertThat(look.get("answer").isNull()).isTrue();
        assertThat(look.toString()).as("nobody else is named").doesNotContain("Noa");

        say(hers, "yes", ", \"from\": \"10:00\", \"until\": \"12:00\", \"remark\": \"by bicycle\"")
                .expect(200);
        assertThat(day().get("people"))
                .extracting(one -> one.get("id").longValue())
                .containsExactly(mia);
        JsonNode asked = get("/api/days/" + dayId + "/invitations").expect(200);
        assertThat(asked.get(0).get("from").stringValue()).isEqualTo("10:00");
        assertThat(asked.get(0).get("remark").stringValue()).isEqualTo("by bicycle");
        assertThat(get("/api/sites/" + site + "/history").text()).as("by whom").contains("Mia");

        say(secret(letters().get(0)), "perhaps", "").expect(200);
        assertThat(day().get("people")).as("perhaps is not counted on").hasSize(1);
        say(hers, "no", "").expect(200);
        assertThat(day().get("people")).isEmpty();
        assertThat(say(hers, "yes", ", \"from\": \"07:00\"").text()).contains("it begins at");
        assertThat(say(hers, "yes", ", \"from\": \"12:00\", \"until\": \"11:00\"")
                        .text())
                .contains("not after the beginning");
        assertThat(say("x" + hers, "yes", "").status()).isEqualTo(404);
        assertThat(say(hers, "maybe", "").status()).isEqualTo(422);
    }

    @Test
    void otherHoursAndCallingOffAreToldToWhoDidNotSayNo() throws Exception {
        invite(mia, noa);
        say(secret(letters().get(0)), "no", "").expect(200);
        JsonNode data = day().get("data");
        put(
                        "/api/days/" + dayId,
                        "{\"version\": " + day().get("version") + ", \"data\": "
                                + data.toString().replace("13:30", "12:30") + "}")
                .expect(200);
        assertThat(letters()).hasSize(3);
        assertThat(letters().get(0).get("kind").stringValue()).isEqualTo("changed");
        assertThat(letters().get(0).get("personId").longValue()).isEqualTo(mia);
        post("/api/days/" + dayId + "/called-off", version()).expect(200);
        JsonNode off = letters().get(0);
        assertThat(off.get("kind").stringValue()).isEqualTo("off");
        assertThat(off.get("link").stringValue()).isEmpty();
        MimeMessage kept = new MimeMessage(
                Session.getInstance(new Properties()),
                new ByteArrayInputStream(TestServer.bytes("/api/letters/" + off.get("id") + "/letter.eml")));
        ICalendar calendar = Biweekly.parse(part(kept, "text/calendar")).first();
        assertThat(calendar.getMethod().getValue()).isEqualTo("CANCEL");
        assertThat(calendar.getEvents().get(0).getStatus().isCancelled()).isTrue();
        assertThat(say(secret(letters().get(2)), "yes", "").text()).contains("called off");
        assertThat(post("/api/days/" + dayId + "/invitations", "{\"people\": [" + mia + "]}")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void anotherDateIsAskedAnew() {
        invite(mia);
        say(secret(letters().get(0)), "yes", "").expect(200);
        put(
                        "/api/days/" + dayId,
                        "{\"version\": " + day().get("version") + ", \"data\": "
                                + day().get("data").toString().replace(ON, "2027-04-18") + "}")
                .expect(200);
        assertThat(letters().get(0).get("body").stringValue()).contains("say anew");
        assertThat(get("/api/days/" + dayId + "/invitations")
                        .expect(200)
                        .get(0)
                        .get("answer")
                        .isNull())
                .isTrue();
    }

    @Test
    void crewsAreToldOnceAndAgainWhenTheyChange() {
        long tree = TestServer.tree(site, "I-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        TestServer.judged();
        post("/api/days/" + dayId + "/visits", "{\"version\": " + day().get("version") + ", \"treeId\": " + tree + "}")
                .expect(201);
        long visit = day().at("/visits/0/id").longValue();
        put(
                        "/api/visits/" + visit + "/people",
                        "{\"version\": " + day().get("version") + ", \"people\": [" + mia + "]}")
                .expect(200);
        assertThat(post("/api/days/" + dayId + "/told", "")
                        .expect(200)
                        .get("told")
                        .intValue())
                .isEqualTo(1);
        assertThat(letters().get(0).get("body").stringValue()).contains("I-1 (apple): remove");
        assertThat(post("/api/days/" + dayId + "/told", "")
                        .expect(200)
                        .get("told")
                        .intValue())
                .as("nothing new")
                .isZero();
        put(
                        "/api/visits/" + visit + "/people",
                        "{\"version\": " + day().get("version") + ", \"people\": [" + mia + "," + noa + "]}")
                .expect(200);
        assertThat(get("/api/days/" + dayId + "/invitations")
                        .expect(200)
                        .get(0)
                        .get("toldAsItStands")
                        .booleanValue())
                .as("her trees are the same")
                .isTrue();
        assertThat(post("/api/days/" + dayId + "/told", "")
                        .expect(200)
                        .get("told")
                        .intValue())
                .as("only who came to it")
                .isEqualTo(1);
    }

    @Test
    void whoeverIsInACrewIsToldItsTasksAndAnewWhenItGetsALeader() {
        long task =
                post("/api/sites/" + site + "/tasks", """
                        {"kind": "hedges", "title": "Clear the path", "opens": "2027-01-01", "closes": "2027-12-31", "minutes": 40,
                         "people": 2, "kit": []}
                        """).expect(201).get("id").longValue();
        put("/api/days/" + dayId + "/people", "{\"version\": " + day().get("version") + ", \"people\": [" + mia + "]}")
                .expect(200);
        put("/api/days/" + dayId + "/tasks", "{\"version\": " + day().get("version") + ", \"tasks\": [" + task + "]}")
                .expect(200);
        lay(task, mia);
        assertThat(told()).isEqualTo(1);
        assertThat(letters().get(0).get("body").stringValue())
                .contains("You are in crew 1.")
                .containsPattern("[0-9]{2}:[0-9]{2}–[0-9]{2}:[0-9]{2} Clear the path");
        long lena = TestServer.person("Lena Lead", 1970, "lead");
        put(
                        "/api/days/" + dayId + "/people",
                        "{\"version\": " + day().get("version") + ", \"people\": [" + mia + ", " + lena + "]}")
                .expect(200);
        lay(task, mia, lena);
        assertThat(told()).as("she, and whoever has a leader now").isEqualTo(2);
        assertThat(letters().findValuesAsString("body"))
                .anySatisfy(body -> assertThat(body).contains("You lead crew 1."))
                .anySatisfy(body -> assertThat(body).contains("You are in crew 1, led by Lena Lead."));
    }

    private void lay(long task, Long... people) {
        put(
                        "/api/days/" + dayId + "/crews",
                        "{\"version\": " + day().get("version") + ", \"crews\": [{\"people\": " + List.of(people)
                                + ", \"turns\": [\"task-" + task + "\"]}]}")
                .expect(200);
    }

    private int told() {
        return post("/api/days/" + dayId + "/told", "").expect(200).get("told").intValue();
    }

    @Test
    void whoDidNotSayNoIsRemindedOnceTwoDaysBefore() {
        long soon = TestServer.day(site, "2027-02-22");
        post("/api/days/" + soon + "/invitations", "{\"people\": [" + mia + "," + noa + "]}")
                .expect(200);
        say(secret(letters().get(0)), "no", "").expect(200);
        DayInvitations invitations = TestServer.part(DayInvitations.class);
        TestServer.sql("update day_invitation set invited_at = '2027-02-20 08:00+00' where work_day_id = " + soon);
        invitations.remind();
        assertThat(letters()).as("asked today, needs no reminder").hasSize(2);
        TestServer.sql("update day_invitation set invited_at = '2027-02-10' where work_day_id in (" + soon + "," + dayId
                + ")");
        invite(mia);
        invitations.remind();
        invitations.remind();
        assertThat(letters()).hasSize(4);
        assertThat(letters().get(0).get("kind").stringValue()).isEqualTo("reminder");
        assertThat(letters().get(0).get("dayId").longValue()).isEqualTo(soon);
    }

    @Test
    void aDayThatIsRainedOffAsksForTheOneItsTreesGoTo() {
        invite(mia);
        say(secret(letters().get(0)), "yes", "").expect(200);
        JsonNode moved = post(
                        "/api/days/" + dayId + "/rained-off",
                        "{\"version\": " + day().get("version") + ", \"to\": \"2027-04-24\"}")
                .expect(200);
        assertThat(letters().get(1).get("kind").stringValue()).isEqualTo("off");
        assertThat(letters().get(1).get("body").stringValue()).contains("rained off");
        assertThat(letters().get(0).get("kind").stringValue()).isEqualTo("invitation");
        assertThat(letters().get(0).get("dayId").longValue())
                .isEqualTo(moved.at("/movedTo/id").longValue());
    }

    @Test
    void whoIsForgottenLeavesNoLetter() {
        invite(mia, noa);
        TestServer.sql("delete from membership where person_id = " + mia + " and site_id <> " + site);
        post("/api/people/" + mia + "/forgotten", "{}").expect(204);
        assertThat(letters()).hasSize(1);
        assertThat(get("/api/days/" + dayId + "/invitations").expect(200)).hasSize(1);
    }

    @Test
    void lettersAreReadByWhoCoordinatesOnly() {
        invite(mia);
        TestServer.session(noa);
        TestServer.sql("update membership set role = 'leader' where person_id = " + noa);
        sendAs(noa, "GET", "/api/sites/" + site + "/letters", null).expect(403);
        sendAs(noa, "GET", "/api/letters/" + letters().get(0).get("id") + "/letter.eml", null)
                .expect(403);
    }
}
