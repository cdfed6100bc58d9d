/**
 * The words of the signal path: {@link zentrel.path.words.PathWords} says a hop or an issue in sentences of
 * {@code hops.properties}, from the facts that {@link zentrel.path} found.
 */
@NullMarked
package zentrel.path.words;

import org.jspecify.annotations.NullMarked;
