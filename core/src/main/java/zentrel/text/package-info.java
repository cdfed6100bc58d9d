/**
 * Text as it may stand in a plan and on a screen. {@link zentrel.text.PlainText} says which characters a name may hold, makes text
 * from elsewhere fit, and shows text from the network so that it does nothing to a terminal or a window.
 */
@NullMarked
package zentrel.text;

import org.jspecify.annotations.NullMarked;
