/** Looks at the real network: {@link zentrel.live.StreamWatch} lists universes, sources, priorities, rates and losses. */
@NullMarked
package zentrel.live;

import org.jspecify.annotations.NullMarked;
