/** The Flow stage: who sends, through which segment, who takes, what lights. */
@NullMarked
package zentrel.app.flow;

import org.jspecify.annotations.NullMarked;
