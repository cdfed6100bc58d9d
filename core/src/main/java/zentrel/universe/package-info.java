/**
 * The number of a universe in every notation: the show's own, the Art-Net Port-Address as one number and as Net, Sub-Net and
 * Universe, the sACN number and its group. {@link zentrel.universe.UniverseNumber} puts them side by side.
 */
@NullMarked
package zentrel.universe;

import org.jspecify.annotations.NullMarked;
