package zentrel.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.index.Grouped;
import zentrel.index.Layered;

/** Groups carried through edits are those of the list that comes out, also where a list is large and an edit small. */
class GroupedPropertyTest {
    /** Something in up to three groups. */
    private record Item(int number, Set<Integer> groups) {}

    static LongStream seeds() {
        return LongStream.rangeClosed(1, 60);
    }

    private static Item item(Random random) {
        Set<Integer> groups = new TreeSet<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            groups.add(random.nextInt(30));
        }
        return new Item(random.nextInt(), groups);
    }

    private static List<Item> edited(List<Item> items, Random random) {
        List<Item> next = new ArrayList<>(items);
        for (int i = 1 + random.nextInt(4); i > 0; i--) {
            int at = random.nextInt(next.size());
            switch (random.nextInt(5)) {
                case 0 -> next.remove(at);
                case 1 -> next.add(at, item(random));
                case 2 -> next.set(at, new Item(random.nextInt(), next.get(at).groups()));
                case 3 -> next.set(at, item(random));
                default -> next.add(next.remove(at));
            }
        }
        return next;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void carriedThroughEdits(long seed) {
        Random random = new Random(seed);
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            items.add(item(random));
        }
        Grouped<Integer, Item> carried = Grouped.of(items, Item::groups);
        for (int edit = 0; edit < 30; edit++) {
            List<Item> next = edited(items, random);
            carried = carried.after(items, next, Item::groups);
            Grouped<Integer, Item> anew = Grouped.of(next, Item::groups);
            for (int group = 0; group < 30; group++) {
                assertThat(carried.get(group)).isEqualTo(anew.get(group));
            }
            items = next;
        }
    }

    /** What many edits changed is put into a map of its own some day; nothing is lost by that. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void layersUponLayers(long seed) {
        Random random = new Random(seed);
        Map<Integer, Integer> plain = new HashMap<>();
        Layered<Integer, Integer> layered = Layered.of(Map.of());
        for (int edit = 0; edit < 20; edit++) {
            Map<Integer, Optional<Integer>> changes = new HashMap<>();
            for (int i = 0; i < 400; i++) {
                int key = random.nextInt(5000);
                changes.put(key, random.nextBoolean() ? Optional.of(i) : Optional.empty());
            }
            layered = layered.with(changes);
            changes.forEach((key, value) -> {
                plain.remove(key);
                value.ifPresent(v -> plain.put(key, v));
            });
            assertThat(layered.keys()).isEqualTo(plain.keySet());
            for (int key = 0; key < 5000; key++) {
                assertThat(layered.get(key)).isEqualTo(plain.get(key));
            }
        }
    }
}
