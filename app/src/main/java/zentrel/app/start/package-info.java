/** What is shown before there is a plan: four ways in, and the steps of the demo. */
@NullMarked
package zentrel.app.start;

import org.jspecify.annotations.NullMarked;
