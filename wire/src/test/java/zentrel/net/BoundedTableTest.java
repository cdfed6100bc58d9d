package zentrel.net;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class BoundedTableTest {
    private static final long SECOND = 1_000_000_000L;

    /** Against a plain list of what was used when: never more than the limit, planned ones always, the oldest first out. */
    @Test
    void itHoldsWhatIsPlannedAndTheLatestOfTheRest() {
        Random random = new Random(49);
        BoundedTable<Integer, String> table = new BoundedTable<>(20, 10);
        Map<Integer, Long> lastUsed = new HashMap<>();
        long left = 0;
        for (int step = 0; step < 20_000; step++) {
            long now = step * SECOND / 4;
            int key = random.nextInt(60);
            boolean planned = key < 8;
            boolean known = table.contains(key);
            boolean room = table.use(key, planned, now, () -> "v" + key).isPresent();
            assertThat(room || !planned).as("a planned one has room").isTrue();
            if (!known && !room) {
                left++;
                assertThat(table.size()).isEqualTo(20);
                table.forEach((k, v) -> assertThat(k < 8 || now - lastUsed.get(k) <= 10 * SECOND || table.size() == 20)
                        .isTrue());
            } else {
                lastUsed.put(key, now);
            }
            assertThat(table.size()).isLessThanOrEqualTo(20);
            assertThat(table.leftOut()).isEqualTo(left);
        }
        IntStream.range(0, 8).forEach(k -> assertThat(table.get(k)).contains("v" + k));
        assertThat(left).isPositive();
    }

    @Test
    void aNewOneTakesThePlaceOfTheOldestThatIsStale() {
        BoundedTable<String, Boolean> table = new BoundedTable<>(2, 10);
        assertThat(table.use("a", false, 0, () -> true)).isPresent();
        assertThat(table.use("b", false, 5 * SECOND, () -> true)).isPresent();
        assertThat(table.use("c", false, 10 * SECOND, () -> true))
                .as("a is 10 s old, no more")
                .isEmpty();
        assertThat(table.use("c", false, 10 * SECOND + 1, () -> true)).isPresent();
        assertThat(table.contains("a")).isFalse();
        assertThat(table.use("p", true, 10 * SECOND + 2, () -> true))
                .as("planned")
                .isPresent();
        assertThat(table.contains("b")).as("the oldest that is not planned").isFalse();
        table.forget(30 * SECOND, 15 * SECOND);
        assertThat(table.size()).isZero();
    }

    /** A planned address may send whatever it likes, and it is held once, whatever it was when it came. */
    @Test
    void evenWhatIsPlannedHasALimitAndOnePlace() {
        BoundedTable<Integer, Boolean> table = new BoundedTable<>(10, 10);
        IntStream.range(0, 1000).forEach(k -> {
            assertThat(table.use(k, true, 0, () -> true).isPresent()).isEqualTo(k < 40);
        });
        assertThat(table.size()).isEqualTo(40);
        assertThat(table.leftOut()).isEqualTo(960);
        assertThat(table.use(7, false, 0, () -> false)).as("one place").contains(true);
        assertThat(table.size()).isEqualTo(40);
    }
}
