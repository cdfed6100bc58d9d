/**
 * The signal path: the ten hops from the application that sends to the thing that responds, judged.
 *
 * <p>{@link zentrel.path.SignalPaths} is the way in: paths of a fixture, a universe, a control link. Hops 1 and 8 to 10 of
 * a stream are judged by {@code FlowJudge}, those of a control link by {@code LinkJudge}; hops 2 to 7, which they have in
 * common, by {@code TransportJudge}, and what sits on the slots by {@code PatchJudge}. Every way to die is a
 * {@link zentrel.path.Reason} with exactly one place. {@code UniversePaths} keeps them, and takes over from before an edit
 * those for which nothing that was read gives something else now ({@link zentrel.plan.Reads}). After a broken hop the path is judged on as if that hop were
 * mended, so that every fault is found at once. {@code Remedies} builds the edits that mend.
 */
@NullMarked
package zentrel.path;

import org.jspecify.annotations.NullMarked;
