/**
 * Where the values that judging rests on come from: a clause of a published standard, a trial against a kernel, common practice, or
 * memory with how sure it is. {@link zentrel.source.Sources} lists all of them; {@code docs/sources.md} is that list.
 */
@NullMarked
package zentrel.source;

import org.jspecify.annotations.NullMarked;
