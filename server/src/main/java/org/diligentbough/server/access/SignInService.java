package org.diligentbough.server.access;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.AccountMapper.AccountRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Signing in by login and password, and what is known of whoever is signed in. */
@Service
class SignInService {
    private static final int MOST_A_MINUTE_AN_ACCOUNT = 5;
    private static final int MOST_A_MINUTE_AN_ADDRESS = 20;
    private static final int MOST_FORGOTTEN_AN_HOUR = 10;

    private final AccountMapper accounts;
    private final MembershipMapper members;
    private final Passwords passwords;
    private final Rates rates;
    private final CurrentPerson person;

    SignInService(
            AccountMapper accounts, MembershipMapper members, Passwords passwords, Rates rates, CurrentPerson person) {
        this.accounts = accounts;
        this.members = members;
        this.passwords = passwords;
        this.rates = rates;
        this.person = person;
    }

    /** What somebody is at a site. */
    record MembershipView(long siteId, String siteName, String role, boolean maySurvey) {}

    /**
     * Whoever is signed in.
     *
     * @param login null where only this phone is let in
     * @param mayAddSites whether they coordinate a site, or may found the first
     */
    record SignedInView(
            long personId, String name, @MayBeNull String login, boolean mayAddSites, List<MembershipView> places) {}

    /** Whoever is signed in, or nothing. */
    Optional<SignedInView> me() {
        return Optional.ofNullable(person.idOrNull()).flatMap(accounts::of).map(this::view);
    }

    /** Whether anybody can sign in. */
    boolean begun() {
        return accounts.any();
    }

    private SignedInView view(AccountRow account) {
        List<MembershipView> places = members.of(account.personId()).stream()
                .map(one -> new MembershipView(one.siteId(), one.siteName(), Codes.of(one.role()), one.maySurvey()))
                .toList();
        boolean coordinates = places.stream().anyMatch(one -> one.role().equals(Codes.of(Role.COORDINATOR)));
        return new SignedInView(
                account.personId(), account.name(), account.login(), coordinates || account.founder(), places);
    }

    /** A login as it is kept. */
    static String login(String text) {
        return text.strip().toLowerCase(Locale.ROOT);
    }

    /**
     * The account of a login and its password.
     *
     * @throws ProblemException 401 when they do not fit, saying no more; 429 after five tries a minute for one login, or
     *     twenty from one address
     */
    AccountRow check(String login, String password, String address) {
        rates.aMinute("sign-in from " + address, MOST_A_MINUTE_AN_ADDRESS);
        rates.aMinute("sign-in as " + login(login), MOST_A_MINUTE_AN_ACCOUNT);
        Optional<AccountRow> account = accounts.byLogin(login(login)).filter(AccountRow::enabled);
        if (!passwords.fits(password, account.map(AccountRow::secret).orElse(null))) {
            accounts.tell(account.map(AccountRow::personId).orElse(null), "wrong password");
            throw ProblemException.wrongPassword();
        }
        accounts.tell(account.orElseThrow().personId(), "signed in");
        return account.orElseThrow();
    }

    /** Writes down that somebody cannot get in; whether there is such a login is not said. */
    void forgotten(String login, String address) {
        rates.anHour("forgotten from " + address, MOST_FORGOTTEN_AN_HOUR);
        accounts.byLogin(login(login))
                .ifPresent(account -> accounts.tell(account.personId(), "asked for a new password"));
    }

    /**
     * Changes the password of whoever is signed in, and their login if they have none yet; all their sessions end.
     *
     * @throws ProblemException 422 when the old one does not fit
     */
    @Transactional
    AccountRow change(String login, String old, String password, String address) {
        AccountRow now = accounts.of(person.id()).orElseThrow(ProblemException::nobody);
        rates.aMinute("password of " + now.personId() + " from " + address, MOST_A_MINUTE_AN_ACCOUNT);
        if (now.secret() != null && !passwords.fits(old == null ? "" : old, now.secret())) {
            throw ProblemException.wrongField("/old", "is not your password");
        }
        String wanted = now.login() != null ? now.login() : free(login, now.personId(), "/login");
        accounts.secure(now.personId(), wanted, passwords.kept(password, "/password"));
        accounts.tell(now.personId(), "changed their password");
        return accounts.of(now.personId()).orElseThrow();
    }

    /**
     * A login as it is kept, when nobody else has it.
     *
     * @throws ProblemException 422 when it is missing, too short or taken
     */
    String free(String login, long personId, String pointer) {
        String wanted = login == null ? "" : login(login);
        if (wanted.length() < 3 || wanted.length() > 120) {
            throw ProblemException.wrongField(pointer, "is missing or too short; a mail address is a good one");
        }
        if (accounts.byLogin(wanted)
                .filter(other -> other.personId() != personId)
                .isPresent()) {
            throw ProblemException.wrongField(pointer, "is somebody else's; choose another");
        }
        return wanted;
    }

    /** Ends all sessions of whoever is signed in. */
    void endAll() {
        accounts.end(person.id());
        accounts.tell(person.id(), "signed out everywhere");
    }
}
