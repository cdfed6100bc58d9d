/** How things look wherever they stand: fonts, the marks of the verdicts, hues of universes. */
@NullMarked
package zentrel.app.look;

import org.jspecify.annotations.NullMarked;
