/**
 * Fernlight Trail: an invented winter light walk, in two plans. {@link zentrel.demo.FernlightTrail#ready()} is clean,
 * {@link zentrel.demo.FernlightTrail#draft()} holds honest mistakes to find. Places, makers, names and numbers are made up.
 */
@NullMarked
package zentrel.demo;

import org.jspecify.annotations.NullMarked;
