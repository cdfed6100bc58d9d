/**
 * Two versions of a plan side by side: what was added, removed and changed, which devices must be touched again, and
 * taking over a colleague's changes row by row.
 *
 * <p>{@link zentrel.compare.Comparison} is the way in; it is made of {@link zentrel.compare.Difference}s.
 */
@NullMarked
package zentrel.compare;

import org.jspecify.annotations.NullMarked;
