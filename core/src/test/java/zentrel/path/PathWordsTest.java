package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.text.Phrases;

/** That nothing the judges say is without words; what the words are is seen by the tests of paths and findings. */
class PathWordsTest {
    private static final Phrases PHRASES = new Phrases("zentrel.path.words.hops");

    /** Found from the whole plan: the rule that finds it brings the words. */
    private static final Set<Reason> BY_RULES = EnumSet.of(
            Reason.FULL_CABLE,
            Reason.BROADCAST_LOAD,
            Reason.PAGE_DIFFERS,
            Reason.RATE,
            Reason.WIRELESS_STREAM,
            Reason.PORT_SHARED);

    /** Said as at the sender, or as at the hop where the mistake is. */
    private static final Set<Reason> LIKE_OTHERS = EnumSet.of(
            Reason.NUMBERS_DIFFER,
            Reason.NOBODY_ASKED,
            Reason.INPUT_NOT_ASKED,
            Reason.OWN_ADDRESS,
            Reason.GROUP_NOT_JOINED,
            Reason.ATTACHED_ELSEWHERE,
            Reason.FAR_NO_POWER,
            Reason.FAR_UNPLUGGED,
            Reason.FAR_SWITCHED_OFF,
            Reason.FAR_NO_ADDRESS,
            Reason.FAR_NOT_A_HOST);

    @ParameterizedTest
    @EnumSource(Reason.class)
    void everyReasonHasASentenceAndAShortText(Reason reason) {
        boolean own = PHRASES.keys().stream()
                .filter(key -> !key.endsWith(".brief"))
                .anyMatch(key -> key.equals(reason.code()) || key.startsWith(reason.code() + "/"));
        assertThat(own).isEqualTo(!BY_RULES.contains(reason) && !LIKE_OTHERS.contains(reason));
    }

    @Test
    void everySentenceCanBeReadAndThoseOfIssuesHaveAShortText() {
        Set<String> keys = PHRASES.keys();
        assertThat(keys).hasSizeGreaterThan(300).allSatisfy(PHRASES::of);
        for (String key : keys) {
            boolean ofAnIssue = !key.endsWith(".brief") && !key.matches("(hop|part|value)/.*");
            if (ofAnIssue) {
                assertThat(keys).contains(key + ".brief");
            }
            if (key.endsWith(".brief") && !key.matches("universe\\.(nobody-asked|group-not-joined).*")) {
                assertThat(keys).contains(key.substring(0, key.length() - ".brief".length()));
            }
        }
    }
}
