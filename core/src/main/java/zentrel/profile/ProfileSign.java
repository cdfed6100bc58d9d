package zentrel.profile;

import zentrel.text.PlainText;

/**
 * What a person sees on a device in a state.
 *
 * @param look where: "the light beside the port"
 * @param when the state: "levels arrive"
 * @param shows what is seen: "flickers"
 */
public record ProfileSign(String look, String when, String shows) {
    public ProfileSign {
        PlainText.require("The look of a sign", look);
        PlainText.require("The time of a sign", when);
        PlainText.require("The meaning of a sign", shows);
    }
}
