/**
 * Looks at the real network: {@link zentrel.live.StreamWatch} lists universes, sources, priorities, rates and losses;
 * {@link zentrel.live.ReachabilityProbe} asks planned devices whether they answer; {@link zentrel.live.ThisComputer} reads its adapters.
 */
@NullMarked
package zentrel.live;

import org.jspecify.annotations.NullMarked;
