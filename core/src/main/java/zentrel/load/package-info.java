/**
 * Traffic arithmetic: {@link zentrel.load.WireSize} is what one packet takes on the wire, {@link zentrel.load.Load} what streams
 * come to on each adapter, with what would be if more were added.
 */
@NullMarked
package zentrel.load;

import org.jspecify.annotations.NullMarked;
