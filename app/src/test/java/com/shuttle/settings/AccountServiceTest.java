package com.shuttle.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import com.shuttle.AtOnce;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.web.Checked;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mockito.InOrder;
import org.springframework.security.crypto.password.PasswordEncoder;

@ServerTest
class AccountServiceTest {

    private final TestData data;
    private final AccountService accounts;

    AccountServiceTest(TestData data, AccountService accounts) {
        this.data = data;
        this.accounts = accounts;
    }

    private static Object fields(Checked<?> checked) {
        return checked instanceof Checked.Bad<?>(Map<String, String> errors) ? errors.keySet() : checked;
    }

    @ParameterizedTest
    @CsvSource({
        "' ', someone@example.org, long-enough-password, name",
        "Someone, not an address, long-enough-password, email",
        "Someone, someone@example.org, short, password",
    })
    void faultyAccountsAreRefusedByField(String name, String email, String password, String field) {
        assertThat(fields(accounts.create(name, email, password, Role.AGENT))).isEqualTo(Set.of(field));
    }

    @Test
    void aPasswordLongerThanItsHashReadsIsRefused() {
        String email = data.name("long").replace(" ", "") + "@example.org";
        assertThat(fields(accounts.create("Long", email, "x".repeat(73), Role.AGENT)))
                .isEqualTo(Set.of("password"));
        assertThat(accounts.create("Long", email, "x".repeat(72), Role.AGENT)).isInstanceOf(Checked.Good.class);
    }

    @Test
    void anEmailIsTakenOnceWhateverItsCase() {
        Account account = data.person(Role.AGENT);
        String shouted = account.email().toUpperCase(java.util.Locale.ROOT);
        assertThat(fields(accounts.create("Other", shouted, "long-enough-password", Role.AGENT)))
                .isEqualTo(Set.of("email"));
        assertThat(accounts.byEmail(account.email())).contains(account);
    }

    @Test
    void passwordsAreKeptAsHashes() {
        Account account = data.person(Role.AGENT);
        assertThat(accounts.passwordHash(account.email()).orElseThrow())
                .startsWith("$2")
                .doesNotContain("long-enough-password");
        assertThat(accounts.passwordHash("nobody@example.org")).isEmpty();
    }

    @Test
    void onlyTheFirstAdministratorIsMadeWithoutOne() {
        assertThat(fields(accounts.createFirst("Late", "late@example.org", "long-enough-password")))
                .isEqualTo(Set.of("email"));
    }

    @Test
    void aTeamHasANameOfItsOwnAndKnownMembers() {
        Account one = data.person(Role.AGENT);
        Team team = TestData.good(accounts.createTeam("  " + data.name("Crew") + " "));
        assertThat(fields(accounts.createTeam(team.name().toUpperCase(java.util.Locale.ROOT))))
                .isEqualTo(Set.of("team"));
        assertThat(fields(accounts.createTeam(" "))).isEqualTo(Set.of("team"));
        assertThat(accounts.staffed(team.id())).isFalse();
        accounts.setMembers(team.id(), List.of(one.id(), "nobody"));
        assertThat(accounts.staffed(team.id())).isTrue();
        assertThat(accounts.teams())
                .filteredOn(other -> other.id().equals(team.id()))
                .singleElement()
                .satisfies(kept -> assertThat(kept.members()).containsExactly(one));
        accounts.setMembers("no-such-team", List.of(one.id()));
        accounts.deleteTeam(team.id());
        assertThat(accounts.teams()).extracting(Team::id).doesNotContain(team.id());
    }

    @Test
    void aTokenIsKnownByItsSecretUntilItsOwnerTakesItBack() {
        Account owner = data.person(Role.DESIGNER);
        Account other = data.person(Role.DESIGNER);
        String secret = accounts.createToken(owner.id(), " ");
        assertThat(accounts.byToken(secret)).contains(owner);
        assertThat(accounts.byToken(secret + "x")).isEmpty();
        ApiToken token = accounts.tokens(owner.id()).getFirst();
        assertThat(token.toString()).doesNotContain(secret);
        accounts.deleteToken(token.id(), other.id());
        assertThat(accounts.byToken(secret)).as("another person's token stays").contains(owner);
        accounts.deleteToken(token.id(), owner.id());
        assertThat(accounts.byToken(secret)).isEmpty();
    }

    @Test
    void aRemovedPersonIsGoneWithTheirTokens() {
        Account account = data.person(Role.DESIGNER);
        String secret = accounts.createToken(account.id(), "script");
        assertThat(accounts.changeRole(account.id(), Role.AGENT)).isInstanceOf(Checked.Good.class);
        assertThat(accounts.account(account.id()).orElseThrow().role()).isEqualTo(Role.AGENT);
        TestData.good(accounts.delete(account.id()));
        assertThat(accounts.account(account.id())).isEmpty();
        assertThat(accounts.byToken(secret)).isEmpty();
    }

    @Test
    void whatTwoAdministratorsDoAtOnceIsWhatTheyDoInTurn() throws Exception {
        new AtOnce<>(
                        () -> data.name("Crew"),
                        name -> accounts.teams().stream()
                                .filter(team -> team.name().equalsIgnoreCase(name))
                                .count())
                .can("make the team", name -> () -> accounts.createTeam(name) instanceof Checked.Good)
                .can(
                        "make it in capitals",
                        name -> () ->
                                accounts.createTeam(name.toUpperCase(java.util.Locale.ROOT)) instanceof Checked.Good)
                .check();
    }

    /** Whoever counts the administrators has the lock by then, so that two of them cannot both be told they are not the last. */
    @Test
    void administratorsAreCountedUnderTheLock() {
        AccountStore store = mock(AccountStore.class);
        Account last = data.person(Role.ADMINISTRATOR);
        when(store.account(last.id())).thenReturn(Optional.of(last));
        when(store.administrators()).thenReturn(1);
        AccountService own = new AccountService(store, mock(PasswordEncoder.class), InstantSource.system());
        assertThat(fields(own.changeRole(last.id(), Role.AGENT))).isEqualTo(Set.of("role"));
        assertThat(fields(own.delete(last.id()))).isEqualTo(Set.of("role"));
        InOrder order = inOrder(store);
        for (int i = 0; i < 2; i++) {
            order.verify(store).lock();
            order.verify(store).administrators();
        }
        verify(store, never()).updateRole(any(), any());
        verify(store, never()).delete(any());
    }
}
