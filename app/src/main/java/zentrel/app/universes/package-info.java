/** The Universes stage: one lane a universe. */
@NullMarked
package zentrel.app.universes;

import org.jspecify.annotations.NullMarked;
