/**
 * Pixels: how a run is split over universes ({@link zentrel.pixel.PixelSplit}), how long a frame takes
 * ({@link zentrel.pixel.PixelRefresh}), and what it draws ({@link zentrel.pixel.PixelPower}).
 */
@NullMarked
package zentrel.pixel;

import org.jspecify.annotations.NullMarked;
