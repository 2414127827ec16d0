package com.shuttle.core.people;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.people.People.Claim;
import com.shuttle.core.people.People.Known;
import com.shuttle.core.people.People.Match;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Who is the same person. */
class PeopleTest {

    private static final String PHONE = "+441632960555";

    @Test
    void addressesAreComparedWithoutCapitalsAndByTheAsciiOfTheirDomain() {
        assertThat(Identity.email(" Dana.Whitlow@Example.ORG ")).isEqualTo("dana.whitlow@example.org");
        assertThat(Identity.email("d.w+hire@example.org"))
                .as("only the host knows what these mean")
                .isEqualTo("d.w+hire@example.org");
        assertThat(Identity.email("dana@bücher.example")).isEqualTo("dana@xn--bcher-kva.example");
        assertThat(Identity.email("dana@XN--Bcher-kva.example")).isEqualTo("dana@xn--bcher-kva.example");
        assertThat(Identity.email("dana@")).isEmpty();
        assertThat(Identity.email("@example.org")).isEmpty();
        assertThat(Identity.email("no address")).isEmpty();
        assertThat(Identity.phone("01632 960555", "GB")).isEqualTo(PHONE);
        assertThat(Identity.phone("+44 1632 960555", "")).isEqualTo(PHONE);
        assertThat(Identity.phone("call me", "GB")).isEmpty();
    }

    @Test
    void whoSharesAPhoneStaysTwo() {
        List<Known> known = List.of(
                new Known("1", "Dana Whitlow", "dana@example.org", PHONE), new Known("2", "Sam Whitlow", "", PHONE));
        assertThat(People.match(new Claim("Robin", "", PHONE), known)).isEqualTo(new Match(null, List.of()));
        assertThat(People.match(new Claim("Sam", "", PHONE), known).is()).isEqualTo("2");
        assertThat(People.match(new Claim("Dána", "", PHONE), known).is()).isEqualTo("1");
        assertThat(People.match(new Claim("Sam Whitlow", "sam@example.org", PHONE), known)
                        .is())
                .as("known by the phone alone so far")
                .isEqualTo("2");
        assertThat(People.match(new Claim("Dana Whitlow", "dw@example.org", PHONE), known)
                        .is())
                .as("another email is another person")
                .isNull();
    }

    @Test
    void whoWasKnownTwiceIsJoined() {
        List<Known> known =
                List.of(new Known("1", "Dana", "dana@example.org", ""), new Known("2", "Dana Whitlow", "", PHONE));
        assertThat(People.match(new Claim("", "dana@example.org", PHONE), known))
                .isEqualTo(new Match("1", List.of("2")));
    }

    @Test
    void theFullerNameIsKept() {
        assertThat(Identity.fuller("Dana Whitlow", "dana")).isEqualTo("Dana Whitlow");
        assertThat(Identity.fuller("Dana", "Dana Whitlow")).isEqualTo("Dana Whitlow");
        assertThat(Identity.fuller("Dana", "Robin")).isEqualTo("Robin");
        assertThat(Identity.fuller("Dana", " ")).isEqualTo("Dana");
    }

    /** Whatever is said in whatever order, one person is one: each has an email, a name and a phone that two share. */
    @Property(tries = 300)
    void onePersonIsOneWhateverTheOrder(
            @ForAll @IntRange(min = 1, max = 4) int people,
            @ForAll @IntRange(min = 0, max = 6) int more,
            @ForAll Random chance) {
        List<String> names = List.of("Dana Whitlow", "Sam Oakes", "Robin Marsh", "Petra Novak");
        List<Claim> claims = new ArrayList<>();
        for (int i = 0; i < people; i++) {
            claims.add(claim(names, i, 0));
            claims.add(claim(names, i, 1 + chance.nextInt(2)));
        }
        for (int i = 0; i < more; i++) {
            claims.add(claim(names, chance.nextInt(people), chance.nextInt(3)));
        }
        Collections.shuffle(claims, chance);
        Register register = new Register();
        claims.forEach(register::take);
        assertThat(register.known).as("%s", claims).hasSize(people);
    }

    /** All of it, or one half each with the name: what cannot be told apart is nobody's. */
    private static Claim claim(List<String> names, int who, int part) {
        String email = "p" + who + "@example.org";
        String phone = "+44163296000" + who / 2;
        return switch (part) {
            case 0 -> new Claim(names.get(who), email, phone);
            case 1 -> new Claim(names.get(who), email, "");
            default -> new Claim(names.get(who), "", phone);
        };
    }

    /** As a store keeps them. */
    private static final class Register {
        private final List<Known> known = new ArrayList<>();
        private int made;

        void take(Claim claim) {
            List<Known> asked = known.stream()
                    .filter(one -> !claim.email().isEmpty() && one.email().equals(claim.email())
                            || !claim.phone().isEmpty() && one.phone().equals(claim.phone()))
                    .toList();
            Match match = People.match(claim, asked);
            known.removeIf(one -> match.joins().contains(one.id()));
            String id = match.is() == null ? "p" + ++made : match.is();
            Known before = known.stream()
                    .filter(one -> one.id().equals(id))
                    .findFirst()
                    .orElse(new Known(id, "", "", ""));
            Known after = new Known(
                    id,
                    Identity.fuller(before.name(), claim.name()),
                    claim.email().isEmpty() ? before.email() : claim.email(),
                    claim.phone().isEmpty() ? before.phone() : claim.phone());
            int at = known.indexOf(before);
            if (at < 0) {
                known.add(after);
            } else {
                known.set(at, after);
            }
        }
    }
}
