/**
 * Stand-ins: programs that behave like a console, a node or a previs, so that a plan can be tried before the
 * gear is there. They speak the real protocols over any {@link zentrel.net.NetHost}.
 *
 * <p>{@link zentrel.standin.ConsoleStandin} sends universes and takes OSC; {@link zentrel.standin.LevelStandin} is what a
 * node and a previs have in common; {@link zentrel.standin.PortMerge} decides which source wins. {@link
 * zentrel.standin.PlanRun} starts the stand-ins of a plan, each on a loopback address of its own.
 */
@NullMarked
package zentrel.standin;

import org.jspecify.annotations.NullMarked;
