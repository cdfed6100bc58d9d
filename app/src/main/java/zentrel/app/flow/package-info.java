/** The Flow stage: sources, networks, receivers, fixtures. */
@NullMarked
package zentrel.app.flow;

import org.jspecify.annotations.NullMarked;
