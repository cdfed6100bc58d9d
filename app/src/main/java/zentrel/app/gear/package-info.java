/**
 * The stage Gear: every box of the rig as a row of a ledger, by place; segments are lines that run down through it, and a
 * box touches those it is on. {@code Ledger} works the rows out, {@link zentrel.app.gear.GearPage} shows them,
 * {@code PatternPanel} asks the questions of a pattern, {@code ProfilePanel} shows and
 * edits the library, {@code ComparePanel} sets two versions side by side.
 */
@NullMarked
package zentrel.app.gear;

import org.jspecify.annotations.NullMarked;
