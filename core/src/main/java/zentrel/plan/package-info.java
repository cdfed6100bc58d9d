/**
 * The plan: what the gear is, as immutable values.
 *
 * <p>Read {@link zentrel.plan.Plan} first: it holds lists of the other records. {@link zentrel.plan.Host} with its
 * {@link zentrel.plan.Adapter}s is the box, {@link zentrel.plan.Application} what runs on it,
 * {@link zentrel.plan.Stream} and {@link zentrel.plan.ControlLink} what it sends, {@link zentrel.plan.Receiver} and its
 * {@link zentrel.plan.Port}s what it takes. A {@link zentrel.plan.Setting} knows what is planned and what is in force.
 * {@link zentrel.plan.PlanIndex} answers "which streams carry this universe" and the like; after an edit it is made on top
 * of the one before ({@link zentrel.index.Layered}, {@link zentrel.index.Grouped}). A change is an
 * {@link zentrel.plan.Edit} that returns a new plan; {@link zentrel.plan.History} keeps undo and redo.
 */
@NullMarked
package zentrel.plan;

import org.jspecify.annotations.NullMarked;
