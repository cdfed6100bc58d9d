/**
 * Onto the machines: what a plan means for each computer in the words of its system, and for servers in their file formats.
 * Start with {@link zentrel.machine.MachineSheet}; how text is quoted is {@link zentrel.machine.ShellQuotes}.
 */
@NullMarked
package zentrel.machine;

import org.jspecify.annotations.NullMarked;
