/**
 * The line tools. {@link zentrel.cli.Main} lists them; each is one class named after its command. Exit 0: done, nothing
 * broken; 1: done, something is broken or lost; 2: bad arguments or unreadable input, with one sentence on standard error.
 */
@NullMarked
package zentrel.cli;

import org.jspecify.annotations.NullMarked;
