/** Control links by OSC: {@link zentrel.control.OscPattern} says which address a pattern means. */
@NullMarked
package zentrel.control;

import org.jspecify.annotations.NullMarked;
