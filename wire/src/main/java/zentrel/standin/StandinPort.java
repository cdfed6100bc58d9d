package zentrel.standin;

import zentrel.profile.Protocol;

/**
 * A port of a stand-in.
 *
 * @param id what events call it
 * @param wire the universe number it is set to
 * @param output whether it passes levels out; a port set to input does not
 */
public record StandinPort(String id, Protocol protocol, int wire, boolean output, boolean enabled) {}
