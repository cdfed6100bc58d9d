/**
 * Fixtures in universes, and lists of them that must agree: reading and writing lists, comparing two of them, taking one side's word,
 * and giving start slots.
 */
@NullMarked
package zentrel.patch;

import org.jspecify.annotations.NullMarked;
