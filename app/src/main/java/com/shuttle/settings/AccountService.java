package com.shuttle.settings;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.reading.EmailAddress;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Length;
import java.nio.charset.StandardCharsets;
import java.time.InstantSource;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** People, teams and tokens. Thread-safe. */
@Service
public class AccountService {

    /** The shortest password, in characters. */
    public static final int SHORTEST_PASSWORD = 10;

    /** The longest, in bytes of UTF-8. */
    static final int LONGEST_PASSWORD = 72;

    private static final String PASSWORD_RULE = "A password has " + SHORTEST_PASSWORD + " to " + LONGEST_PASSWORD
            + " characters; those of other alphabets count two or three.";

    private final AccountStore store;
    private final PasswordEncoder passwords;
    private final InstantSource clock;

    AccountService(AccountStore store, PasswordEncoder passwords, InstantSource clock) {
        this.store = store;
        this.passwords = passwords;
        this.clock = clock;
    }

    /** Whether nobody has an account yet, so that the first visit makes the administrator. */
    public boolean isEmpty() {
        return store.isEmpty();
    }

    public List<Account> accounts() {
        return store.accounts();
    }

    public Optional<Account> account(String id) {
        return store.account(id);
    }

    Optional<Account> byEmail(String email) {
        return store.byEmail(normal(email));
    }

    Optional<String> passwordHash(String email) {
        return store.passwordHash(normal(email));
    }

    /** Makes an account. Emails are taken once, whatever their case. */
    @Transactional
    public Checked<Account> create(String name, String email, String password, Role role) {
        String address = normal(email);
        Optional<Checked<Account>> bad = new Checked.Errors()
                .named(name, "name")
                .require(EmailAddress.isValid(address), "email", "That is not an email address.")
                .require(store.byEmail(address).isEmpty(), "email", "Somebody with this email has an account already.")
                .require(fits(password), "password", PASSWORD_RULE)
                .bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        Account account = new Account(Ids.next(), name.strip(), address, role);
        store.insert(account, requireNonNull(passwords.encode(password)), clock.instant());
        return Checked.good(account);
    }

    /** BCrypt takes no more than {@value #LONGEST_PASSWORD} bytes. */
    private static boolean fits(String password) {
        return password.length() >= SHORTEST_PASSWORD
                && password.getBytes(StandardCharsets.UTF_8).length <= LONGEST_PASSWORD;
    }

    /** Changes a password by who knows the one there is. */
    @Transactional
    public Checked<String> changePassword(String id, String current, String password) {
        String hash = store.account(id)
                .flatMap(account -> store.passwordHash(account.email()))
                .orElse("");
        Optional<Checked<String>> bad = new Checked.Errors()
                .require(
                        fits(current) && passwords.matches(current, hash),
                        "current",
                        "That is not the password you have now.")
                .require(fits(password), "password", PASSWORD_RULE)
                .bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        store.updatePassword(id, requireNonNull(passwords.encode(password)));
        return Checked.good(id);
    }

    /** Makes the first account, an administrator; refused once there is one. */
    @Transactional
    public synchronized Checked<Account> createFirst(String name, String email, String password) {
        return store.isEmpty()
                ? create(name, email, password, Role.ADMINISTRATOR)
                : Checked.bad("email", "This installation has its administrator already.");
    }

    /** Changes a role; the last administrator stays one. */
    @Transactional
    public Checked<String> changeRole(String id, Role role) {
        store.lock();
        boolean last =
                store.account(id).filter(a -> a.role() == Role.ADMINISTRATOR).isPresent()
                        && store.administrators() == 1;
        if (last && role != Role.ADMINISTRATOR) {
            return Checked.bad("role", "The last administrator has to stay one.");
        }
        store.updateRole(id, role);
        return Checked.good(id);
    }

    @Transactional
    public Checked<String> delete(String id) {
        store.lock();
        boolean last =
                store.account(id).filter(a -> a.role() == Role.ADMINISTRATOR).isPresent()
                        && store.administrators() == 1;
        if (last) {
            return Checked.bad("role", "The last administrator cannot be removed.");
        }
        store.delete(id);
        return Checked.good(id);
    }

    public List<Team> teams() {
        return store.teams();
    }

    @Transactional
    public Checked<Team> createTeam(String name) {
        store.lock();
        String bare = name.strip();
        Optional<Checked<Team>> bad = new Checked.Errors()
                .require(
                        !bare.isEmpty() && Length.NAME.holds(bare),
                        "team",
                        "Please give the team a name of up to 200 characters.")
                .require(
                        store.teams().stream().noneMatch(team -> team.name().equalsIgnoreCase(bare)),
                        "team",
                        "There is a team of this name already.")
                .bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        Team team = new Team(Ids.next(), bare, List.of());
        store.insertTeam(team.id(), team.name());
        return Checked.good(team);
    }

    @Transactional
    public void setMembers(String team, List<String> accounts) {
        if (store.teams().stream().noneMatch(t -> t.id().equals(team))) {
            return;
        }
        List<String> known = store.accounts().stream()
                .map(Account::id)
                .filter(accounts::contains)
                .toList();
        store.setMembers(team, known);
    }

    @Transactional
    public void deleteTeam(String id) {
        store.deleteTeam(id);
    }

    /** Whether a team has anybody in it; empty for any team. */
    public boolean staffed(String team) {
        return store.anyMember(team);
    }

    public List<ApiToken> tokens(String account) {
        return store.tokens(account);
    }

    /** Makes a token and returns its secret, which cannot be had again. */
    @Transactional
    public String createToken(String account, String name) {
        String secret = Ids.secret();
        String label = name.isBlank() ? "token" : name.strip();
        store.insertToken(Ids.next(), account, Length.NAME.cut(label), Ids.hash(secret), clock.instant());
        return secret;
    }

    @Transactional
    public void deleteToken(String id, String account) {
        store.deleteToken(id, account);
    }

    Optional<Account> byToken(String secret) {
        return store.byTokenHash(Ids.hash(secret));
    }

    private static String normal(String email) {
        return email.strip().toLowerCase(Locale.ROOT);
    }
}
