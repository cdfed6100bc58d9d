/**
 * Fixes of what is wrong on a signal path: {@link zentrel.path.fix.PathFixes} makes the edits for an issue from the facts that
 * {@link zentrel.path} found, when somebody asks for them.
 */
@NullMarked
package zentrel.path.fix;

import org.jspecify.annotations.NullMarked;
