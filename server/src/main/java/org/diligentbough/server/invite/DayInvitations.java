package org.diligentbough.server.invite;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.PrivacyService.PersonForgotten;
import org.diligentbough.server.access.Rates;
import org.diligentbough.server.access.Secrets;
import org.diligentbough.server.crew.DayChanged;
import org.diligentbough.server.crew.DayService;
import org.diligentbough.server.crew.DayView;
import org.diligentbough.server.crew.DayView.PersonView;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.invite.DayInvitationMapper.Answer;
import org.diligentbough.server.invite.DayInvitationMapper.AskedRow;
import org.diligentbough.server.invite.LetterMapper.Kind;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Asks people whether they come, takes their answers, and tells them what changes. */
@Service
class DayInvitations {
    private static final int REMIND_EVERY_MINUTES = 10;
    private static final int REMIND_DAYS_BEFORE = 2;
    private static final int MOST_ANSWERS_AN_HOUR = 60;
    private static final String PAGE = "/come#";

    private final DayInvitationMapper invitations;
    private final DayService days;
    private final OrchardService orchard;
    private final LetterWriter writer;
    private final Outbox outbox;
    private final MailSettings settings;
    private final Rates rates;
    private final CurrentPerson person;
    private final Today today;

    DayInvitations(
            DayInvitationMapper invitations,
            DayService days,
            OrchardService orchard,
            LetterWriter writer,
            Outbox outbox,
            MailSettings settings,
            Rates rates,
            CurrentPerson person,
            Today today) {
        this.invitations = invitations;
        this.days = days;
        this.orchard = orchard;
        this.writer = writer;
        this.outbox = outbox;
        this.settings = settings;
        this.rates = rates;
        this.person = person;
        this.today = today;
    }

    /**
     * Somebody who was asked.
     *
     * @param byMail whether a mail address of theirs is known
     * @param answer yes, perhaps or no; null while nothing was said
     * @param toldAsItStands whether they were told their crew and trees as they stand now
     */
    record AskedView(
            long personId,
            String name,
            boolean byMail,
            Instant invitedAt,
            @MayBeNull String answer,
            @MayBeNull String from,
            @MayBeNull String until,
            @MayBeNull String remark,
            @MayBeNull Instant answeredAt,
            boolean reminded,
            boolean toldAsItStands) {}

    List<AskedView> ofDay(long dayId) {
        DayView day = days.day(dayId);
        return invitations.ofDay(dayId).stream()
                .map(row -> new AskedView(
                        row.personId(),
                        row.name(),
                        row.mail() != null,
                        row.invitedAt(),
                        row.answer() == null ? null : Codes.of(row.answer()),
                        row.fromTime(),
                        row.untilTime(),
                        row.remark(),
                        row.answeredAt(),
                        row.remindedAt() != null,
                        digest(day, row.personId()).equals(row.told())))
                .toList();
    }

    /**
     * Asks people by a letter each. Whoever was asked before gets another letter and stays with what they said.
     *
     * @param at the address of this house as whoever asks sees it
     * @throws ProblemException 422 when the day is over, or somebody does not belong to the site
     */
    @Transactional
    void invite(long dayId, List<Long> people, String at) {
        DayView day = standing(dayId);
        for (long one : people) {
            days.belongs(dayId, one);
            invitations.ask(dayId, one, person.idOrNull(), at);
            send(Kind.INVITATION, day, invitations.one(dayId, one).orElseThrow(), false);
        }
    }

    /** Tells everybody who comes their crew and trees, where that is not what they were told last; how many. */
    @Transactional
    int tell(long dayId, String at) {
        DayView day = standing(dayId);
        int told = 0;
        for (PersonView one : day.people()) {
            String digest = digest(day, one.id());
            Optional<AskedRow> asked = invitations.one(dayId, one.id());
            if (asked.filter(row -> digest.equals(row.told())).isEmpty()) {
                invitations.ask(dayId, one.id(), person.idOrNull(), at);
                invitations.told(dayId, one.id(), digest);
                send(Kind.TOLD, day, invitations.one(dayId, one.id()).orElseThrow(), false);
                told++;
            }
        }
        return told;
    }

    private DayView standing(long dayId) {
        DayView day = days.day(dayId);
        if (day.past()) {
            throw ProblemException.wrongField("", "is past; nobody can be asked any more");
        }
        if (off(day)) {
            throw ProblemException.wrongField("", "was rained off or called off; plan another day");
        }
        return day;
    }

    private static boolean off(DayView day) {
        return day.state().equals("rained-off") || day.state().equals("called-off");
    }

    private void send(Kind kind, DayView day, AskedRow to, boolean otherDate) {
        boolean named = settings.address() != null && !settings.address().isBlank();
        String house = named ? settings.address() : to.atAddress();
        String secret = Secrets.made();
        invitations.addLink(Secrets.hash(secret), day.id(), to.personId());
        Letter letter = writer.write(
                kind,
                day,
                orchard.site(day.siteId()).name(),
                to,
                house.isEmpty() ? "" : house + PAGE + secret,
                otherDate);
        outbox.put(new Outbox.Addressed(day.siteId(), to.personId(), day.id(), to.mail()), kind, letter);
    }

    /** What somebody is to do on a day, so that a change of it can be told. */
    private String digest(DayView day, long personId) {
        return Once.sha256(String.join("\n", writer.turns(day, personId))
                .concat(writer.crew(day, personId).orElse(""))
                .concat(day.data().starts() + day.data().ends())
                .getBytes(StandardCharsets.UTF_8));
    }

    /**
     * A day as whoever was asked sees it without signing in.
     *
     * @param over whether it is past or does not take place
     * @param trees of the day; where crews stand, those of the reader by the clock
     */
    record InvitedDayView(
            String site,
            LocalDate on,
            String starts,
            String ends,
            String state,
            boolean over,
            @MayBeNull String note,
            String name,
            @MayBeNull String answer,
            @MayBeNull String from,
            @MayBeNull String until,
            @MayBeNull String remark,
            @MayBeNull Integer crew,
            @MayBeNull String leader,
            List<InvitedTree> trees,
            List<InvitedTask> tasks) {}

    /** One tree of it. */
    record InvitedTree(
            String tag,
            String species,
            String what,
            @MayBeNull String starts,
            @MayBeNull String ends) {}

    /** A task of the reader's crew. */
    record InvitedTask(
            String title,
            @MayBeNull String starts,
            @MayBeNull String ends) {}

    InvitedDayView look(String secret, String address) {
        return view(find(secret, address));
    }

    private AskedRow find(String secret, String address) {
        rates.anHour("come from " + address, MOST_ANSWERS_AN_HOUR);
        return invitations
                .bySecret(Secrets.hash(secret))
                .orElseThrow(() -> ProblemException.notFound(
                        "This address is not known here, or what it was for is gone. Ask whoever sent it."));
    }

    private InvitedDayView view(AskedRow asked) {
        DayView day = days.day(asked.workDayId());
        List<VisitView> mine = day.visits().stream()
                .filter(visit -> visit.people().contains(asked.personId()))
                .toList();
        Optional<DayView.InCrew> crew = day.crewOf(asked.personId());
        return new InvitedDayView(
                orchard.site(day.siteId()).name(),
                day.data().on(),
                day.data().starts(),
                day.data().ends(),
                day.state(),
                day.past() || off(day),
                day.data().note(),
                asked.name(),
                asked.answer() == null ? null : Codes.of(asked.answer()),
                asked.fromTime(),
                asked.untilTime(),
                asked.remark(),
                crew.map(DayView.InCrew::number).orElse(null),
                crew.flatMap(one -> day.leader(one.members()))
                        .map(leader -> LetterWriter.name(day, leader))
                        .orElse(null),
                (mine.isEmpty() ? day.visits() : mine)
                        .stream()
                                .map(visit -> new InvitedTree(
                                        visit.tag(),
                                        visit.species(),
                                        LetterWriter.what(visit),
                                        visit.starts(),
                                        visit.ends()))
                                .toList(),
                LetterWriter.tasks(day, asked.personId())
                        .map(task -> new InvitedTask(task.title(), task.starts(), task.ends()))
                        .toList());
    }

    /** What somebody says; hours only with yes, both or neither. */
    record Said(Answer answer, String from, String until, String remark) {}

    /**
     * Takes an answer. Whoever says yes is on the day, whoever says no is off it and its trees.
     *
     * @throws ProblemException 404 when the secret is worth nothing, 422 when the day is over or the hours are not of the day
     */
    @Transactional
    InvitedDayView answer(String secret, String address, Said said) {
        AskedRow asked = find(secret, address);
        DayView day = standing(asked.workDayId());
        boolean hours = said.answer() == Answer.YES && (said.from() != null || said.until() != null);
        String from = hours && said.from() != null ? said.from() : day.data().starts();
        String until = hours && said.until() != null ? said.until() : day.data().ends();
        if (hours) {
            within(day, from, until);
        }
        boolean allDay =
                from.equals(day.data().starts()) && until.equals(day.data().ends());
        invitations.answer(
                day.id(),
                asked.personId(),
                said.answer(),
                hours && !allDay ? from : null,
                hours && !allDay ? until : null,
                said.remark() == null || said.remark().isBlank()
                        ? null
                        : said.remark().strip());
        person.as(asked.personId(), () -> days.comes(day.id(), asked.personId(), said.answer() == Answer.YES));
        return view(invitations.one(day.id(), asked.personId()).orElseThrow());
    }

    private static void within(DayView day, String from, String until) {
        LocalTime begins = LocalTime.parse(from);
        LocalTime ends = LocalTime.parse(until);
        if (begins.isBefore(LocalTime.parse(day.data().starts()))) {
            throw ProblemException.wrongField(
                    "/from",
                    "is before the day begins; it begins at " + day.data().starts());
        }
        if (ends.isAfter(LocalTime.parse(day.data().ends()))) {
            throw ProblemException.wrongField(
                    "/until", "is after the day ends; it ends at " + day.data().ends());
        }
        if (!ends.isAfter(begins)) {
            throw ProblemException.wrongField("/until", "is not after the beginning; give a later time");
        }
    }

    /** Those who were asked and did not say no are told what changed. */
    @EventListener
    void changed(DayChanged event) {
        DayView before = event.before();
        DayView after = event.after();
        boolean otherDate = !before.data().on().equals(after.data().on());
        boolean otherHours = !before.data().starts().equals(after.data().starts())
                || !before.data().ends().equals(after.data().ends());
        boolean nowOff = off(after) && !off(before);
        if (after.past() || !otherDate && !otherHours && !nowOff) {
            return;
        }
        if (otherDate) {
            invitations.askAnew(after.id());
        }
        for (AskedRow one : coming(after.id()).toList()) {
            send(nowOff ? Kind.OFF : Kind.CHANGED, after, one, otherDate);
            if (event.movedToDay() != null) {
                invitations.ask(event.movedToDay(), one.personId(), person.idOrNull(), one.atAddress());
                send(
                        Kind.INVITATION,
                        days.day(event.movedToDay()),
                        invitations.one(event.movedToDay(), one.personId()).orElseThrow(),
                        false);
            }
        }
    }

    private Stream<AskedRow> coming(long dayId) {
        return invitations.ofDay(dayId).stream().filter(row -> row.answer() != Answer.NO);
    }

    /** Reminds, two days before a day and once, everybody who was asked earlier and did not say no. */
    @Scheduled(initialDelay = 1, fixedDelay = REMIND_EVERY_MINUTES, timeUnit = TimeUnit.MINUTES)
    @Transactional
    public void remind() {
        // Dates differ by where a site is: a day more on both sides, and each is looked at by its own.
        LocalDate somewhere = today.in(ZoneId.of("UTC"));
        for (long dayId :
                invitations.daysBetween(somewhere.minusDays(1), somewhere.plusDays(REMIND_DAYS_BEFORE + 1L))) {
            DayView day = days.day(dayId);
            SiteRow site = orchard.site(day.siteId());
            LocalDate now = today.in(site.zone());
            LocalDate on = day.data().on();
            if (on.isAfter(now) && !on.isAfter(now.plusDays(REMIND_DAYS_BEFORE))) {
                Instant asked = now.atStartOfDay(site.zone()).toInstant();
                invitations
                        .takeToRemind(dayId, asked)
                        .forEach(one -> send(
                                Kind.REMINDER, day, invitations.one(dayId, one).orElseThrow(), false));
            }
        }
    }

    @EventListener
    void forgotten(PersonForgotten event) {
        invitations.forget(event.personId());
    }
}
