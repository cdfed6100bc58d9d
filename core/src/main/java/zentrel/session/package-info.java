/** Whether the desks of a session, and what attaches to them, can work together: what each lacks, and in which order to go about it. */
@NullMarked
package zentrel.session;

import org.jspecify.annotations.NullMarked;
