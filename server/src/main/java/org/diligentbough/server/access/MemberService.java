package org.diligentbough.server.access;

import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.MembershipMapper.MemberRow;
import org.diligentbough.server.access.MembershipMapper.MembershipRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The members of a site and what they are there, and whose its trees are. */
@Service
class MemberService {
    private final MembershipMapper members;
    private final AccountMapper accounts;
    private final PlaceMapper places;
    private final History history;
    private final CurrentPerson person;

    MemberService(
            MembershipMapper members,
            AccountMapper accounts,
            PlaceMapper places,
            History history,
            CurrentPerson person) {
        this.places = places;
        this.members = members;
        this.accounts = accounts;
        this.history = history;
        this.person = person;
    }

    /**
     * A member.
     *
     * @param comesIn whether they sign in, or a phone of theirs does
     */
    record MemberView(
            long personId,
            String name,
            String role,
            boolean maySurvey,
            @MayBeNull String login,
            boolean comesIn) {}

    /** What somebody is at a site, as the history keeps it. */
    record MemberState(long personId, String role, boolean maySurvey) {}

    List<MemberView> members(long siteId) {
        return members.members(siteId).stream().map(MemberService::view).toList();
    }

    private static MemberView view(MemberRow row) {
        return new MemberView(
                row.personId(), row.name(), Codes.of(row.role()), row.maySurvey(), row.login(), row.comesIn());
    }

    /**
     * Makes a member what they are to be; what they did before by another right ends with their sessions.
     *
     * @throws ProblemException 404 when they are none, 422 when nobody would coordinate the site any more
     */
    @Transactional
    MemberView change(long siteId, long personId, Role role, boolean maySurvey) {
        MembershipRow before = member(siteId, personId);
        if (before.role() == Role.COORDINATOR && role != Role.COORDINATOR) {
            keepOneCoordinator(siteId, personId);
        }
        members.set(personId, siteId, role, maySurvey);
        if (role != before.role() && person.id() != personId) {
            accounts.end(personId);
        }
        history.changed(
                new About("member", personId, siteId, null),
                new MemberState(personId, Codes.of(before.role()), before.maySurvey()),
                new MemberState(personId, Codes.of(role), maySurvey));
        return members.members(siteId).stream()
                .filter(one -> one.personId() == personId)
                .findFirst()
                .map(MemberService::view)
                .orElseThrow(() -> ProblemException.notFound("There is no such member."));
    }

    /** Ends somebody's belonging to a site; what they did there stays. */
    @Transactional
    void leave(long siteId, long personId) {
        MembershipRow before = member(siteId, personId);
        if (before.role() == Role.COORDINATOR) {
            keepOneCoordinator(siteId, personId);
        }
        members.leave(personId, siteId);
        accounts.end(personId);
        history.takenAway(
                new About("member", personId, siteId, null),
                new MemberState(personId, Codes.of(before.role()), before.maySurvey()));
    }

    /** Ends all sessions of a member: their phone was lost. */
    @Transactional
    void signOut(long siteId, long personId) {
        member(siteId, personId);
        accounts.end(personId);
        accounts.tell(personId, "signed out by a coordinator");
    }

    private MembershipRow member(long siteId, long personId) {
        return members.at(personId, siteId).orElseThrow(() -> ProblemException.notFound("There is no such member."));
    }

    private void keepOneCoordinator(long siteId, long personId) {
        if (members.otherCoordinators(siteId, personId) == 0) {
            throw ProblemException.refused(List.of(new FieldProblem(
                    "", "Nobody else coordinates this site and can sign in. Make somebody else a coordinator first.")));
        }
    }

    List<Long> owners(long treeId) {
        return members.owners(treeId);
    }

    /**
     * Makes a tree somebody's.
     *
     * @throws ProblemException 422 when they do not belong to the tree's site
     */
    @Transactional
    void own(long treeId, long personId) {
        long siteId = siteOf(treeId);
        members.at(personId, siteId)
                .orElseThrow(() -> ProblemException.wrongField("/personId", "is nobody who belongs to this site"));
        if (members.own(treeId, personId) == 1) {
            history.added(new About("owner", personId, siteId, treeId), new OwnerState(personId));
        }
    }

    @Transactional
    void ownNoMore(long treeId, long personId) {
        long siteId = siteOf(treeId);
        if (members.ownNoMore(treeId, personId) == 1) {
            history.takenAway(new About("owner", personId, siteId, treeId), new OwnerState(personId));
        }
    }

    private long siteOf(long treeId) {
        return places.tree(treeId)
                .map(PlaceMapper.Place::siteId)
                .orElseThrow(() -> ProblemException.notFound("There is no such tree."));
    }

    /** Whose a tree is, as the history keeps it. */
    record OwnerState(long personId) {}
}
