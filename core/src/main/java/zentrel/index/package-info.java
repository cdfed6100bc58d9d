/** Lookups that are layered on those before an edit, so that an edit costs what it changes. */
@NullMarked
package zentrel.index;

import org.jspecify.annotations.NullMarked;
