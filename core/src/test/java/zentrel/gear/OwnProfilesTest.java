package zentrel.gear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.demo.FernlightTrail;
import zentrel.pattern.Patterns;
import zentrel.plan.ControlLink;
import zentrel.plan.Plan;
import zentrel.profile.Profile;
import zentrel.profile.ProfileApplication;
import zentrel.profile.ProfileLimit;

/** Shipped profiles, patterns and demo plans are invented, and their numbers are such as nothing is sold with. */
class OwnProfilesTest {
    /** Pixels of three channels that fill a universe of 512. */
    private static final int FULL = 170;

    static List<Profile> profiles() {
        return Library.shipped().profiles();
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void numbersAreItsOwn(Profile profile) {
        for (ProfileApplication program : profile.applications()) {
            assertThat(program.ports().stream().flatMap(p -> p.pixels().stream()))
                    .allMatch(pixels -> pixels % FULL != 0);
            if (!program.licences().isEmpty() || !program.attachments().isEmpty()) {
                assertThat(program.limits().stream().map(ProfileLimit::universes))
                        .as("steps of licences")
                        .noneMatch(n -> n > 1 && Integer.bitCount(n) == 1);
            }
        }
        assertThat(profile.applications().stream()
                        .flatMap(a -> a.limits().stream())
                        .flatMap(l -> l.fromVersion().stream()))
                .noneMatch("3.0"::equals);
        assertThat(profile.adapters().stream().flatMap(a -> a.fromMac().stream()))
                .allMatch(f -> f.oem() == 0xFF, "the product code where none is assigned");
    }

    @ParameterizedTest
    @MethodSource("offered")
    void offeredOscAddressesAreOurOwn(String address) {
        assertThat(address).matches("/(show|lights|evening|fern|terrace)/[a-z]+");
    }

    static Stream<String> offered() {
        return Stream.concat(
                Stream.of(Connections.USUAL_OSC),
                Stream.concat(
                        Patterns.all().stream()
                                .flatMap(p -> p.questions().stream())
                                .filter(q -> q.id().equals("pattern"))
                                .flatMap(q -> q.choices().stream()),
                        Stream.of(FernlightTrail.ready(), FernlightTrail.draft())
                                .map(Plan::links)
                                .flatMap(List::stream)
                                .map(ControlLink::pattern)));
    }
}
