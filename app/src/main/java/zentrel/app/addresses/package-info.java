/** The Addresses stage: a ruler for each segment and a list that edits in place. */
@NullMarked
package zentrel.app.addresses;

import org.jspecify.annotations.NullMarked;
