/** The Patch page: universes as strips of 512 slots, and lists of fixtures of other programs beside the plan's. */
@NullMarked
package zentrel.app.patch;

import org.jspecify.annotations.NullMarked;
