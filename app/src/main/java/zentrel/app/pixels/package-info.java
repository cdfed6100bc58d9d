/** Pixels: their layout coloured by universe, the outputs of controllers, and looks by which they are tried. */
@NullMarked
package zentrel.app.pixels;

import org.jspecify.annotations.NullMarked;
