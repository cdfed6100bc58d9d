/** The Lit view: the place in outline, lit by the levels that arrive. */
@NullMarked
package zentrel.app.lit;

import org.jspecify.annotations.NullMarked;
