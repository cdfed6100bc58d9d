/**
 * Rehearsal: the stand-ins of a plan on a simulated network as the plan describes it. {@link zentrel.rehearsal.PlanNet} builds the
 * network, {@link zentrel.rehearsal.Rehearsal} runs it, {@link zentrel.rehearsal.Ending} says where the packets of a flow ended. All of it
 * from packets: nothing here asks the judging of paths.
 */
@NullMarked
package zentrel.rehearsal;

import org.jspecify.annotations.NullMarked;
