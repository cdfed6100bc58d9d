package zentrel.plan;

/**
 * What a person sees on a device in a state.
 *
 * @param look where: "the light beside the port"
 * @param when the state: "levels arrive"
 * @param shows what is seen: "flickers"
 */
public record ProfileSign(String look, String when, String shows) {}
