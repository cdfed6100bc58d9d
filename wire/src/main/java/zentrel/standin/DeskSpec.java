package zentrel.standin;

import zentrel.plan.Part;
import zentrel.plan.VersionRule;

/**
 * A desk to stand in for.
 *
 * @param session the name of the session that it belongs to
 * @param key what it types in on entering; of the main desk, what it asks for
 * @param versions how closely a main desk wants the versions to agree
 * @param show what is open on it
 * @param asks whether it asks to enter as soon as it has found the session
 */
public record DeskSpec(
        String session,
        String name,
        Part part,
        String version,
        String key,
        VersionRule versions,
        String show,
        boolean asks) {}
