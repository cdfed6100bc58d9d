/**
 * What was found on a real network, set beside the plan: {@link zentrel.found.FoundDevice} is what a device says of itself,
 * {@link zentrel.found.DeviceMatches} tells which device of the plan it is, {@link zentrel.found.DeviceDifferences} what is not as planned,
 * {@link zentrel.found.FoundEdits} takes it into the plan.
 */
@NullMarked
package zentrel.found;

import org.jspecify.annotations.NullMarked;
