/** Scenes (MVR, DIN SPEC 15801) and fixture types (GDTF, DIN SPEC 15800): what they tell of fixtures, in and out. */
@NullMarked
package zentrel.mvr;

import org.jspecify.annotations.NullMarked;
