package org.diligentbough.server.access;

import java.util.List;
import java.util.Optional;
import org.diligentbough.server.access.MembershipMapper.MembershipRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.springframework.stereotype.Service;

/** Who belongs to which site, and as what: for those who ask and those who add people. */
@Service
public class Memberships {
    private final MembershipMapper mapper;
    private final AccountMapper accounts;
    private final CurrentPerson person;

    Memberships(MembershipMapper mapper, AccountMapper accounts, CurrentPerson person) {
        this.mapper = mapper;
        this.accounts = accounts;
        this.person = person;
    }

    /** Makes whoever is signed in the coordinator of a new site; a site the program itself adds has none. */
    public void founded(long siteId) {
        Long who = person.idOrNull();
        if (who != null) {
            mapper.set(who, siteId, Role.COORDINATOR, true);
        }
    }

    /** What whoever is signed in is at a site. */
    public Optional<Role> roleAt(long siteId) {
        return mapper.at(person.id(), siteId).map(MembershipRow::role);
    }

    public boolean coordinates(long siteId) {
        return roleAt(siteId).filter(role -> role == Role.COORDINATOR).isPresent();
    }

    /** The sites whoever is signed in belongs to. */
    public List<Long> sites() {
        return mapper.of(person.id()).stream().map(MembershipRow::siteId).toList();
    }

    /** The roles whoever is signed in has wherever somebody else belongs too; empty where they share no site. */
    public List<Role> sharedWith(long otherId) {
        return mapper.where(person.id(), otherId);
    }

    /** Whoever is signed in, where they are an owner at a site and no more. */
    public Optional<Long> asOwner(long siteId) {
        return roleAt(siteId).filter(role -> role == Role.OWNER).map(owner -> person.id());
    }

    /** Of which trees of a site alone whoever is signed in may hear, being an owner; empty for all others. */
    public Optional<List<Long>> onlyTrees(long siteId) {
        return roleAt(siteId).filter(role -> role == Role.OWNER).map(owner -> mapper.treesOf(person.id(), siteId));
    }

    public void join(long personId, long siteId) {
        mapper.join(personId, siteId);
    }

    /**
     * Somebody of that name who is already known here: at the site, or at another site of whoever is signed in as its
     * coordinator. The same name anywhere else is somebody else's business. The program itself, loading the demo, takes a name
     * for the same person everywhere.
     */
    public Optional<Long> known(String name, long siteId) {
        return mapper.named(name, siteId).or(() -> Optional.ofNullable(person.idOrNull())
                .map(who -> mapper.knownTo(name, who))
                .orElseGet(() -> mapper.anywhere(name)));
    }

    /** Whether there is no account yet. */
    public boolean nobodyComesIn() {
        return !accounts.any();
    }

    /** Makes somebody one of the people whoever tries the demo can be. */
    public void demo(long personId, long siteId, Role role, boolean maySurvey, List<Long> trees) {
        mapper.set(personId, siteId, role, maySurvey);
        accounts.openDemo(personId);
        trees.forEach(tree -> mapper.own(tree, personId));
    }
}
