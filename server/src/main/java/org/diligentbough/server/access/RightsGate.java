package org.diligentbough.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.MembershipMapper.MembershipRow;
import org.diligentbough.server.access.PlaceMapper.Place;
import org.diligentbough.server.access.Rights.Of;
import org.diligentbough.server.access.Rights.Right;
import org.diligentbough.server.access.Rights.When;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;

/**
 * Stands before every endpoint: looks up its line in the table of rights, where the thing asked for is, and what whoever asks
 * is there. Nobody hears of a thing at a site they do not belong to.
 */
@Component
class RightsGate implements HandlerInterceptor {
    private final Rights rights;
    private final PlaceMapper places;
    private final MembershipMapper members;
    private final AccountMapper accounts;
    private final CurrentPerson person;

    RightsGate(
            Rights rights, PlaceMapper places, MembershipMapper members, AccountMapper accounts, CurrentPerson person) {
        this.rights = rights;
        this.places = places;
        this.members = members;
        this.accounts = accounts;
        this.person = person;
    }

    /** A thing that is not there, or not for whoever asks. */
    private static ProblemException none(Of of) {
        return ProblemException.notFound("There is no such " + Codes.of(of).replace('-', ' ') + ".");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (!(handler instanceof HandlerMethod)) {
            throw ProblemException.notFound("There is nothing at this address.");
        }
        String path = String.valueOf(request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE));
        Right right = rights.of(request.getMethod(), path)
                .orElseThrow(
                        () -> ProblemException.forbidden("Nobody may do this: it has no line in the table of rights."));
        if (right.nobody()) {
            return true;
        }
        @SuppressWarnings("unchecked")
        Map<String, String> named =
                (Map<String, String>) request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        check(right, person.id(), named == null ? Map.of() : named);
        return true;
    }

    private void check(Right right, long who, Map<String, String> named) {
        if (right.of() == Of.ANYTHING) {
            Set<Role> roles = members.of(who).stream().map(MembershipRow::role).collect(Collectors.toSet());
            boolean founds = right.when().get(Role.COORDINATOR) == When.ANY_SITE && accounts.founds(who);
            boolean everybody = right.when().values().stream().allMatch(may -> may == When.YES);
            if (!founds
                    && !everybody
                    && roles.stream().noneMatch(role -> right.when().get(role) != When.NO)) {
                throw mayNot(right);
            }
            return;
        }
        if (right.of() == Of.PERSON) {
            ofPerson(
                    right,
                    who,
                    number(named.get(right.of().variable()), right.of().variable()),
                    false);
            return;
        }
        Place place = place(right.of(), named).orElseThrow(() -> none(right.of()));
        if (place.siteId() == null) {
            // A change to a person is a matter of those who coordinate that person.
            ofPerson(
                    right,
                    who,
                    places.changedPerson(number(named.get("id"), "id")).orElseThrow(() -> none(right.of())),
                    Objects.equals(place.by(), who));
            return;
        }
        MembershipRow member = members.at(who, place.siteId()).orElseThrow(() -> none(right.of()));
        boolean may = may(right.when().get(member.role()), who, member, place)
                || right.when().get(Role.OWNER) == When.OWN_TREES && may(When.OWN_TREES, who, member, place);
        if (!may) {
            throw mayNot(right);
        }
    }

    private void ofPerson(Right right, long who, long other, boolean entered) {
        if (!places.person(other)) {
            throw none(right.of());
        }
        List<Role> roles = members.where(who, other);
        // What others changed about somebody is not theirs to undo; what they changed themselves is.
        if (who == other && right.when().containsValue(When.SELF)
                || entered && right.when().containsValue(When.OWN)) {
            return;
        }
        if (roles.isEmpty()) {
            throw none(right.of());
        }
        if (roles.stream().noneMatch(role -> right.when().get(role) == When.YES)) {
            throw mayNot(right);
        }
    }

    private boolean may(When when, long who, MembershipRow member, Place place) {
        return switch (when) {
            case YES, ANY_SITE -> true;
            case NO, SELF -> false;
            case OWN -> Objects.equals(place.by(), who);
            case OWN_SAME_DAY -> Objects.equals(place.by(), who) && place.enteredToday();
            case OWN_TREES ->
                place.treeId() == null
                        ? !members.treesOf(who, place.siteId()).isEmpty()
                        : members.owns(who, place.treeId());
            case LEADS ->
                place.dayId() == null || places.onDay(who, place.dayId()) || !places.anybodyOnDay(place.dayId());
            case ON_DAY ->
                place.dayId() != null && places.onDay(who, place.dayId())
                        || place.visitId() != null && places.onVisit(who, place.visitId());
            case ON_VISIT -> place.visitId() != null && places.onVisit(who, place.visitId());
            case LEAVE -> member.maySurvey();
        };
    }

    private Optional<Place> place(Of of, Map<String, String> named) {
        String id = named.get(of.variable());
        return switch (of) {
            case SITE -> places.site(number(id, of.variable()));
            case TREE -> places.tree(number(id, of.variable()));
            case DAY -> places.day(number(id, of.variable()));
            case VISIT -> places.visit(number(id, of.variable()));
            case LOG -> places.log(number(id, of.variable()));
            case REPORT -> places.report(number(id, of.variable()));
            case SURVEY -> places.survey(number(id, of.variable()));
            case PHOTO -> key(id).flatMap(places::photo);
            case JOB -> places.job(number(id, of.variable()));
            case SIGHTING -> places.sighting(number(id, of.variable()));
            case CARE -> places.care(number(id, of.variable()));
            case CHANGE -> places.change(number(id, of.variable()));
            case FRUIT -> fruit(number(id, of.variable()), named.get("year"));
            case WHAT_IF -> places.whatIf(number(id, of.variable()));
            case TASK -> places.task(number(id, of.variable()));
            case LETTER -> places.letter(number(id, of.variable()));
            case INVITATION -> places.invitation(number(id, of.variable()));
            case ANYTHING, PERSON -> Optional.empty();
        };
    }

    /** A year's fruit; of a year without any the tree, so that who may not hears no more of it than who may. */
    private Optional<Place> fruit(long treeId, String year) {
        return places.fruit(treeId, year(year)).or(() -> places.tree(treeId));
    }

    private static int year(String text) {
        if (text == null || !text.matches("-?[0-9]{1,9}")) {
            throw ProblemException.address("year");
        }
        return Integer.parseInt(text);
    }

    private static Optional<String> key(String text) {
        return text.matches("[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}")
                ? Optional.of(text)
                : Optional.empty();
    }

    /** A number as it is written and no other way, so that no handler reads another one out of it. */
    private static long number(String text, String part) {
        if (text == null || !text.matches("-?[0-9]{1,18}")) {
            throw ProblemException.address(part);
        }
        return Long.parseLong(text);
    }

    private static ProblemException mayNot(Right right) {
        return ProblemException.forbidden("You may not do this here. Who may: " + right.whoMay() + ".");
    }
}
