/** The help pages: the same as in docs/help, with pictures that the program draws. */
@NullMarked
package zentrel.app.help;

import org.jspecify.annotations.NullMarked;
