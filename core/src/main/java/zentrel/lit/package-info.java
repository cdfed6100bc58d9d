/** The place and its light: where beams fall, what levels make fixtures show, and which fixtures stay dark for what cause. */
@NullMarked
package zentrel.lit;

import org.jspecify.annotations.NullMarked;
