package zentrel.found;

import java.util.List;
import java.util.Optional;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.text.Word;

/**
 * A found device and the one of the plan that it is taken for.
 *
 * @param host empty where none is like it
 * @param score how much speaks for it; 0 where there is none
 * @param reasons what speaks for it and against it, the strongest first
 */
public record DeviceMatch(FoundDevice device, Optional<Id<Host>> host, int score, List<Reason> reasons) {
    /** What two devices can have in common, with what it counts. */
    public enum Reason implements Word {
        MAC(100, "hardware address"),
        NAME(40, "name"),
        ADDRESS(40, "address"),
        /** One name is the beginning of the other, as "Boathouse" of "Boathouse node". */
        NAME_ALIKE(30, "a like name"),
        UNIVERSES(30, "universes"),
        /** The plan knows another hardware address. */
        OTHER_MAC(-50, "another hardware address");

        private final int weight;
        private final String words;

        Reason(int weight, String words) {
            this.weight = weight;
            this.words = words;
        }

        public int weight() {
            return weight;
        }

        /** What it is, to stand in a list. */
        public String words() {
            return words;
        }
    }

    /** From this score on a device is taken for one of the plan. */
    public static final int ENOUGH = 30;

    public DeviceMatch {
        reasons = List.copyOf(reasons);
    }
}
