/**
 * The next look: which one observation says most about where a signal dies, in words of what is seen there.
 * {@link zentrel.look.NextLook} halves what is left of a path; {@link zentrel.look.Looks} says what is seen at each hop.
 */
@NullMarked
package zentrel.look;

import org.jspecify.annotations.NullMarked;
