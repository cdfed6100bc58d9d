/** Desks: who shares a show, what each still lacks, and the order in which to go about it. */
@NullMarked
package zentrel.app.desks;

import org.jspecify.annotations.NullMarked;
