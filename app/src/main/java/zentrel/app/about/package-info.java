/** What the program is, where it keeps things, what was chosen for it, its log, and what a report of a fault needs. */
@NullMarked
package zentrel.app.about;

import org.jspecify.annotations.NullMarked;
