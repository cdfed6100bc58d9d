package zentrel.control;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OscPatternTest {
    /** The rules of OSC 1.0 (2002), "OSC Message Dispatching and Pattern Matching"; the rows are worked by hand from them. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/pier/next | /pier/next | true",
                "/pier/next | /pier/nextne | false",
                "/pier/? | /pier/a | true",
                "/pier/? | /pier/ | false",
                "/pier/* | /pier/level | true",
                "/pier/* | /pier/level/1 | false",
                "/*/level | /pier/level | true",
                "/pier/[a-c]1 | /pier/b1 | true",
                "/pier/[a-c]1 | /pier/d1 | false",
                "/pier/[!a-c]1 | /pier/d1 | true",
                "/pier/[!a-c]1 | /pier/a1 | false",
                "/pier/{on,off} | /pier/off | true",
                "/pier/{on,off} | /pier/of | false",
                "/{pier,quay}/lamp[0-9] | /quay/lamp7 | true",
                "/pier/le*l | /pier/level | true",
                "/pier/{on | /pier/on | false",
                "/pier/[a | /pier/a | false"
            })
    void matches(String pattern, String address, boolean expected) {
        assertThat(OscPattern.matches(pattern, address)).isEqualTo(expected);
    }

    @Test
    void aPatternMadeToTakeForEverEnds() {
        String pattern = "/" + "*a".repeat(60) + "b";
        String address = "/" + "a".repeat(200);
        assertThat(Assertions.assertTimeoutPreemptively(
                        Duration.ofSeconds(10), () -> OscPattern.matches(pattern, address)))
                .isFalse();
    }

    @Test
    void onlyPatternCharactersMakeAPattern() {
        assertThat(OscPattern.isPattern("/a/b")).isFalse();
        assertThat(OscPattern.isPattern("/a/*")).isTrue();
    }
}
