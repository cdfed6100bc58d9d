/** What is always there: top bar, rail, margin, path strip, the go-to box. */
@NullMarked
package zentrel.app.shell;

import org.jspecify.annotations.NullMarked;
