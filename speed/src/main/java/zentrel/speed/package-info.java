/**
 * Measurements: {@link zentrel.speed.SpeedMain} prints them all. Checks and paths by JMH on a large plan, the start of the
 * window against a trivial JavaFX window in the same run. Nothing here is a test; figures are compared by people.
 */
@NullMarked
package zentrel.speed;

import org.jspecify.annotations.NullMarked;
