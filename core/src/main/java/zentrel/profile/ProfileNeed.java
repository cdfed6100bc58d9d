package zentrel.profile;

import zentrel.text.PlainText;

/**
 * What a program needs before it sends, and what happens without it.
 *
 * @param need what
 * @param stops whether it sends nothing without it; else it sends with the restriction told
 * @param otherwise what it does without it, in the words of its profile; empty text where nothing is told
 */
public record ProfileNeed(Need need, boolean stops, String otherwise) {
    public ProfileNeed {
        PlainText.require("What happens otherwise", otherwise);
    }
}
