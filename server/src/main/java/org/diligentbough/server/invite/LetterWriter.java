package org.diligentbough.server.invite;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.crew.DayFeed;
import org.diligentbough.server.crew.DayView;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.invite.DayInvitationMapper.Answer;
import org.diligentbough.server.invite.DayInvitationMapper.AskedRow;
import org.diligentbough.server.invite.LetterMapper.Kind;
import org.diligentbough.server.visit.VisitCut;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Says in words what a letter is about. */
@Component
class LetterWriter {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM uuuu", Locale.ENGLISH);

    private final MessageSource messages;
    private final DayFeed feed;

    LetterWriter(MessageSource messages, DayFeed feed) {
        this.messages = messages;
        this.feed = feed;
    }

    /**
     * A letter to somebody about a day.
     *
     * @param otherDate whether the day has another date than it had when they were asked
     */
    Letter write(Kind kind, DayView day, String site, AskedRow to, String link, boolean otherDate) {
        String on = DAY.format(day.data().on());
        List<String> told = new ArrayList<>();
        boolean rained = day.state().equals("rained-off");
        String what = kind == Kind.OFF && rained ? "rained-off" : Codes.of(kind);
        told.add(say("mail." + what, on, site, day.data().starts(), day.data().ends()));
        boolean off = kind == Kind.OFF;
        if (!off) {
            if (kind == Kind.CHANGED && otherDate) {
                told.add(say("mail.changed-date"));
            } else if (kind == Kind.REMINDER || kind == Kind.CHANGED) {
                told.add(said(to));
            }
            if (kind == Kind.TOLD || kind == Kind.REMINDER && to.told() != null) {
                told.add(crew(day, to.personId()));
            } else if (!day.visits().isEmpty()) {
                told.add(say(
                        "mail.trees",
                        day.visits().stream().map(VisitView::tag).distinct().collect(Collectors.joining(", "))));
            }
            told.add(say("mail.bring"));
            if (day.data().note() != null && !day.data().note().isBlank()) {
                told.add(say("mail.note", day.data().note()));
            }
        } else {
            told.add(say("mail.nothing-to-do"));
        }
        boolean turns = kind == Kind.TOLD || kind == Kind.REMINDER && to.told() != null;
        return new Letter(
                say("mail.subject." + Codes.of(kind), on, site),
                say("mail.hello", to.name()),
                told,
                turns ? turns(day, to.personId()) : List.of(),
                off ? "" : link,
                feed.mailed(day.id()),
                off);
    }

    private String said(AskedRow to) {
        if (to.answer() == null) {
            return say("mail.said.nothing");
        }
        return to.answer() == Answer.PERHAPS
                ? say("mail.said.perhaps")
                : to.fromTime() == null
                        ? say("mail.said.yes")
                        : say("mail.said.yes-hours", to.fromTime(), to.untilTime());
    }

    /** In which crew somebody is, and who leads it. */
    private String crew(DayView day, long personId) {
        return mine(day, personId).stream()
                .filter(visit -> visit.crew() != null)
                .findFirst()
                .map(visit -> {
                    long leader = leader(day, visit);
                    return leader == personId
                            ? say("mail.crew-you", visit.crew())
                            : say("mail.crew", visit.crew(), name(day, leader));
                })
                .orElseGet(() -> mine(day, personId).isEmpty() ? say("mail.no-crew") : say("mail.bring"));
    }

    /** Who leads a tree's crew: the first of it who holds the ticket. */
    static long leader(DayView day, VisitView visit) {
        return day.people().stream()
                .filter(one ->
                        visit.people().contains(one.id()) && one.tickets().contains("lead"))
                .findFirst()
                .map(DayView.PersonView::id)
                .orElseGet(() -> visit.people().isEmpty() ? 0 : visit.people().get(0));
    }

    static String name(DayView day, long personId) {
        return day.people().stream()
                .filter(one -> one.id() == personId)
                .map(DayView.PersonView::name)
                .findFirst()
                .orElse("somebody");
    }

    private static List<VisitView> mine(DayView day, long personId) {
        return day.visits().stream()
                .filter(visit -> visit.people().contains(personId))
                .sorted(Comparator.comparing(VisitView::starts, Comparator.nullsLast(Comparator.naturalOrder())))
                .toList();
    }

    /** Somebody's trees of a day, a line each. */
    List<String> turns(DayView day, long personId) {
        return mine(day, personId).stream()
                .map(visit -> visit.starts() == null
                        ? say("mail.turn-unclocked", "", visit.tag(), visit.species(), what(visit))
                        : say(
                                "mail.turn",
                                visit.starts() + "–" + visit.ends(),
                                visit.tag(),
                                visit.species().replace('-', ' '),
                                what(visit)))
                .toList();
    }

    /** What is done at a tree, in few words. */
    static String what(VisitView visit) {
        List<String> parts = new ArrayList<>();
        for (Verdict kind : Verdict.values()) {
            String limbs = visit.cuts().stream()
                    .filter(cut -> cut.kind().equals(Codes.of(kind)))
                    .map(VisitCut::limb)
                    .collect(Collectors.joining(", "));
            if (!limbs.isEmpty()) {
                parts.add(Codes.of(kind).replace('-', ' ') + " " + limbs);
            }
        }
        if (visit.shoots() > 0) {
            parts.add(visit.shoots() + " young shoots");
        }
        if (visit.upkeepMinutes() > 0) {
            parts.add("the ordinary yearly cutting");
        }
        visit.tasks()
                .forEach(task ->
                        parts.add(task.text().replaceAll("[.:;,].*$", "").toLowerCase(Locale.ROOT)));
        return String.join("; ", parts);
    }

    private String say(String code, Object... with) {
        Object[] words = new Object[with.length];
        for (int i = 0; i < with.length; i++) {
            words[i] = String.valueOf(with[i]);
        }
        return messages.getMessage(code, words, Locale.ENGLISH);
    }
}
