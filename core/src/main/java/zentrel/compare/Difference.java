package zentrel.compare;

import java.util.List;
import java.util.Optional;
import zentrel.plan.Host;
import zentrel.plan.Id;

/**
 * One thing that is not the same in two versions of a plan.
 *
 * @param id the thing; the same in both versions
 * @param type what it is, in a word: host, adapter, port …
 * @param name what it is called
 * @param changes for a thing in both, each field with what it was and is: "address 10.41.22.3/16, was 10.41.22.4/16"
 * @param device the box that must be touched to make it so, if one must
 */
public record Difference(
        Id<?> id, Kind kind, String type, String name, List<String> changes, Optional<Id<Host>> device) {
    /** What happened to it on the way from the first version to the second. */
    public enum Kind {
        ADDED,
        REMOVED,
        CHANGED
    }

    public Difference {
        changes = List.copyOf(changes);
    }

    /** The difference in words. */
    public String text() {
        return switch (kind) {
            case ADDED -> "Added: " + type + " " + name;
            case REMOVED -> "Removed: " + type + " " + name;
            case CHANGED -> "Changed: " + type + " " + name + ": " + String.join("; ", changes);
        };
    }
}
