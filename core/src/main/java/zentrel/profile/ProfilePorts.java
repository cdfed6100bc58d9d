package zentrel.profile;

import java.util.Optional;
import java.util.Set;
import zentrel.text.PlainText;

/**
 * A group of like connectors.
 *
 * @param name what stands beside them, before the number
 * @param count how many, from 1
 * @param directions which ways they can be set
 * @param perPage how many share one Net and Sub-Net (Art-Net 4 reply pages hold 4); 0 where each is free
 * @param pixels how many pixels one output drives at most, for pixel outputs
 */
public record ProfilePorts(
        String name, int count, PortKind kind, Set<Direction> directions, int perPage, Optional<Integer> pixels) {
    /** More connectors than any one box has. */
    public static final int MOST = 4096;

    public ProfilePorts {
        PlainText.require("The name of a port", name);
        directions = Set.copyOf(directions);
        if (count < 1 || count > MOST) {
            throw new IllegalArgumentException("A group has 1 to " + MOST + " ports, not " + count + ".");
        }
        if (directions.isEmpty()) {
            throw new IllegalArgumentException("Ports can be set to output, to input or to both, not to neither.");
        }
    }
}
