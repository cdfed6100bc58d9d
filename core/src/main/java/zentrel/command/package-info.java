/** Lines of words: what people type to add, join, set, rename and remove what a plan holds. */
@NullMarked
package zentrel.command;

import org.jspecify.annotations.NullMarked;
