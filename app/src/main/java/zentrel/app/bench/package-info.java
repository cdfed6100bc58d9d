/** The Bench stage: stand-ins on loopback, one slot raised, one cue sent, and what was seen. */
@NullMarked
package zentrel.app.bench;

import org.jspecify.annotations.NullMarked;
