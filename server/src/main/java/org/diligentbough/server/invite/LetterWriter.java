package org.diligentbough.server.invite;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.crew.DayFeed;
import org.diligentbough.server.crew.DayView;
import org.diligentbough.server.crew.DayView.DayTaskView;
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
                crew(day, to.personId()).ifPresent(told::add);
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

    /** In which crew somebody is, and who leads it; empty where they are given to trees without crews. */
    Optional<String> crew(DayView day, long personId) {
        Optional<DayView.InCrew> mine = day.crewOf(personId);
        if (mine.isEmpty()) {
            return mine(day, personId).isEmpty() ? Optional.of(say("mail.no-crew")) : Optional.empty();
        }
        int number = mine.get().number();
        return Optional.of(day.leader(mine.get().members())
                .map(leader ->
                        leader == personId ? say("mail.crew-you", number) : say("mail.crew", number, name(day, leader)))
                .orElseGet(() -> say("mail.crew-unled", number)));
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

    /** Somebody's trees of a day and their crew's tasks, a line each. */
    List<String> turns(DayView day, long personId) {
        record Line(String hours, String text) {}
        return Stream.concat(
                        mine(day, personId).stream()
                                .map(visit -> new Line(
                                        hours(visit.starts(), visit.ends()),
                                        say(
                                                "mail.turn",
                                                visit.tag(),
                                                visit.species().replace('-', ' '),
                                                what(visit)))),
                        tasks(day, personId).map(task -> new Line(hours(task.starts(), task.ends()), task.title())))
                .sorted(Comparator.comparing(Line::hours, Comparator.nullsLast(Comparator.naturalOrder())))
                .map(line -> line.hours() == null ? line.text() : line.hours() + " " + line.text())
                .toList();
    }

    private static String hours(String starts, String ends) {
        return starts == null ? null : starts + "–" + ends;
    }

    /** Open tasks of somebody's crew. */
    static Stream<DayTaskView> tasks(DayView day, long personId) {
        return day.crewOf(personId).stream().flatMap(mine -> day.tasks().stream()
                .filter(task -> !task.done() && Objects.equals(task.crew(), mine.number())));
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
