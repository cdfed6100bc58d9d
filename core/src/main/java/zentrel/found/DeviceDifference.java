package zentrel.found;

import java.util.Optional;
import zentrel.text.Word;

/**
 * One thing in which a found device is not as planned.
 *
 * @param port its port, counted from 1; empty for what is of the whole device
 * @param planned the value of the plan, as it is shown
 * @param found the value of the device
 */
public record DeviceDifference(What what, Optional<Integer> port, String planned, String found) {
    /** What can differ. */
    public enum What implements Word {
        NAME("name"),
        ADDRESS("address"),
        FIRMWARE("firmware"),
        PORTS("number of ports"),
        PROTOCOL("protocol"),
        UNIVERSE("universe"),
        DIRECTION("direction"),
        MERGE("merge"),
        FAIL_SAFE("fail-safe");

        private final String words;

        What(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The difference in words. */
    public String text() {
        return port.map(p -> "port " + p + " ").orElse("") + what.words() + " " + found + ", plan " + planned;
    }
}
