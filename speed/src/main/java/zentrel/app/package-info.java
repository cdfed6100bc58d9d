/** What is done to the window to time it; in the window's own package, for it is driven by what views do not show to others. */
@NullMarked
package zentrel.app;

import org.jspecify.annotations.NullMarked;
