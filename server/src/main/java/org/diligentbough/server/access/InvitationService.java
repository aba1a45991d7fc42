package org.diligentbough.server.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.AccountMapper.AccountRow;
import org.diligentbough.server.access.InvitationMapper.InvitationRow;
import org.diligentbough.server.access.InvitationMapper.Kind;
import org.diligentbough.server.access.MembershipMapper.MembershipRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Ways in: made by a coordinator, told by hand, used once. */
@Service
class InvitationService {
    private static final Duration GOOD_FOR = Duration.ofDays(14);
    private static final int MOST_TRIED_AN_HOUR = 10;

    private final InvitationMapper invitations;
    private final AccountMapper accounts;
    private final MembershipMapper members;
    private final SignInService signIn;
    private final Passwords passwords;
    private final Rates rates;
    private final History history;
    private final CurrentPerson person;
    private final Clock clock;

    InvitationService(
            InvitationMapper invitations,
            AccountMapper accounts,
            MembershipMapper members,
            SignInService signIn,
            Passwords passwords,
            Rates rates,
            History history,
            CurrentPerson person,
            Clock clock) {
        this.invitations = invitations;
        this.accounts = accounts;
        this.members = members;
        this.signIn = signIn;
        this.passwords = passwords;
        this.rates = rates;
        this.history = history;
        this.person = person;
        this.clock = clock;
    }

    /** A way in that was just made; its secret is told this once. */
    record MadeView(long id, String path, Instant goodUntil, List<String> qrRows) {}

    /** A way in that was not used yet. */
    record InvitationView(
            long id,
            String kind,
            long personId,
            String name,
            @MayBeNull String madeBy,
            Instant goodUntil) {}

    /**
     * What a secret is worth.
     *
     * @param name whom it lets in; null for the first coordinator
     * @param wantsPassword whether this one has to choose a password: who may change much does
     * @param login the one there is already: its password is wanted, and no other
     */
    record LookView(
            String kind,
            @MayBeNull String name,
            @MayBeNull String siteName,
            @MayBeNull String role,
            boolean wantsPassword,
            @MayBeNull String login) {}

    List<InvitationView> open(long siteId) {
        return invitations.openAt(siteId).stream()
                .map(row -> new InvitationView(
                        row.id(),
                        Codes.of(row.kind()),
                        row.personId(),
                        row.personName(),
                        row.madeBy(),
                        row.goodUntil()))
                .toList();
    }

    /**
     * Makes a way in for a member of a site; older ones of theirs are worth nothing from now on.
     *
     * @throws ProblemException 422 when they are no member, or belong to a site too that whoever asks does not coordinate:
     *     nobody comes in there by somebody else's word
     */
    @Transactional
    MadeView make(long siteId, long personId, Kind kind) {
        long who = person.id();
        members.at(personId, siteId)
                .orElseThrow(() -> ProblemException.wrongField("/personId", "is nobody who belongs to this site"));
        boolean elsewhere = members.of(personId).stream().anyMatch(place -> members.at(who, place.siteId())
                .filter(mine -> mine.role() == Role.COORDINATOR)
                .isEmpty());
        if (elsewhere) {
            throw ProblemException.wrongField(
                    "/personId",
                    "belongs to another site too; who coordinates both can do this, or they use what they have");
        }
        if (kind == Kind.PASSWORD
                && accounts.of(personId).map(AccountRow::login).isEmpty()) {
            throw ProblemException.wrongField("/personId", "has no password yet; invite them instead");
        }
        invitations.revokeOlder(kind, personId);
        String secret = Secrets.made();
        Instant until = clock.instant().plus(GOOD_FOR);
        long id = invitations.add(Secrets.hash(secret), kind, siteId, personId, who, until);
        history.added(new About("invitation", id, siteId, null), new Invited(personId, Codes.of(kind), until));
        return new MadeView(id, "/join#" + secret, until, List.of());
    }

    /** What the history keeps of a way in. */
    record Invited(long personId, String kind, Instant goodUntil) {}

    @Transactional
    void revoke(long id) {
        invitations.revoke(id);
    }

    /** What a secret is worth; only as often as nobody guesses one. */
    LookView look(String secret, String address) {
        InvitationRow row = find(secret, address);
        Optional<AccountRow> account = Optional.ofNullable(row.personId()).flatMap(accounts::of);
        Optional<Role> role = role(row);
        return new LookView(
                Codes.of(row.kind()),
                row.personName(),
                row.siteName(),
                role.map(Codes::of).orElse(null),
                wantsPassword(row, role),
                account.map(AccountRow::login).orElse(null));
    }

    private static boolean wantsPassword(InvitationRow row, Optional<Role> role) {
        return row.kind() != Kind.JOIN
                || role.filter(one -> one == Role.COORDINATOR || one == Role.LEADER)
                        .isPresent();
    }

    private Optional<Role> role(InvitationRow row) {
        return row.siteId() == null || row.personId() == null
                ? Optional.empty()
                : members.at(row.personId(), row.siteId()).map(MembershipRow::role);
    }

    private InvitationRow find(String secret, String address) {
        rates.anHour("join from " + address, MOST_TRIED_AN_HOUR * 3);
        return invitations
                .open(Secrets.hash(secret))
                .orElseThrow(() -> ProblemException.notFound(
                        "This way in was used already, was taken back, or ran out. Ask a coordinator for a new one."));
    }

    /**
     * Lets in whoever an invitation is for.
     *
     * @param login wanted with a password by who has none yet
     * @param password a new one, or the one there is
     * @param asMe whether whoever is signed in already joins as who they are
     */
    record Accepting(String secret, String login, String password, boolean asMe) {}

    /**
     * Uses an invitation up.
     *
     * @return the account that comes in
     * @throws ProblemException 404 when it is worth nothing, 422 naming what is missing; then it is not used up
     */
    @Transactional
    AccountRow accept(Accepting sent, String address) {
        rates.anHour("accept from " + address, MOST_TRIED_AN_HOUR);
        InvitationRow row = find(sent.secret(), address);
        if (row.kind() == Kind.FIRST) {
            throw ProblemException.wrongField("/token", "is for the first coordinator; open it as it was printed");
        }
        Long me = person.idOrNull();
        if (sent.asMe() && me != null && me.longValue() != row.personId()) {
            return joinAsMe(row, me);
        }
        Optional<AccountRow> before = accounts.of(row.personId());
        boolean known = before.map(AccountRow::login).isPresent();
        if (known && row.kind() == Kind.JOIN) {
            if (!before.get().enabled()
                    || sent.password() == null
                    || !passwords.fits(sent.password(), before.get().secret())) {
                throw ProblemException.wrongField(
                        "/password", "is not the one of " + before.get().login());
            }
        } else if (wantsPassword(row, role(row)) || sent.password() != null) {
            accounts.open(row.personId(), false);
            String login = known ? before.get().login() : signIn.free(sent.login(), row.personId(), "/login");
            accounts.secure(row.personId(), login, passwords.kept(sent.password(), "/password"));
        } else {
            accounts.open(row.personId(), false);
        }
        used(row);
        return accounts.of(row.personId()).orElseThrow();
    }

    /** Whoever has an account of their own joins with it; the name they were expected under leaves the list. */
    private AccountRow joinAsMe(InvitationRow row, long me) {
        MembershipRow expected = members.at(row.personId(), row.siteId()).orElseThrow();
        members.set(me, row.siteId(), expected.role(), expected.maySurvey());
        if (accounts.of(row.personId()).isEmpty()) {
            invitations.leave(row.personId());
        }
        used(row);
        return accounts.of(me).orElseThrow();
    }

    private void used(InvitationRow row) {
        if (invitations.use(row.id()) == 0) {
            throw ProblemException.notFound("This way in was used just now by somebody else.");
        }
        accounts.tell(row.personId(), "came in by an invitation");
    }

    /**
     * The secret by which the first coordinator comes in, made anew; nothing while there is an account.
     */
    @Transactional
    Optional<String> first() {
        if (accounts.any()) {
            return Optional.empty();
        }
        invitations.revokeOlder(Kind.FIRST, null);
        String secret = Secrets.made();
        invitations.add(
                Secrets.hash(secret),
                Kind.FIRST,
                null,
                null,
                null,
                clock.instant().plus(GOOD_FOR));
        return Optional.of(secret);
    }

    /**
     * Makes the first coordinator, of every site there is.
     *
     * @throws ProblemException 404 when the secret is worth nothing or there is an account already
     */
    @Transactional
    AccountRow beFirst(String secret, String name, String login, String password, String address) {
        rates.anHour("accept from " + address, MOST_TRIED_AN_HOUR);
        InvitationRow row = find(secret, address);
        if (row.kind() != Kind.FIRST || accounts.any()) {
            throw ProblemException.notFound("There is a coordinator already. Ask them for an invitation.");
        }
        long id = members.anywhere(name.strip()).orElseGet(() -> invitations.addPerson(name.strip()));
        accounts.open(id, true);
        accounts.secure(id, signIn.free(login, id, "/login"), passwords.kept(password, "/password"));
        members.coordinatesAll(id);
        used(row);
        return accounts.of(id).orElseThrow();
    }
}
