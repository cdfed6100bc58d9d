/**
 * What can be entered of each kind of entity, as a table of fields: {@link zentrel.entry.Entries} lists them, a {@link zentrel.entry.Field}
 * shows and changes one, a {@link zentrel.entry.Format} reads and writes its values. Forms and words are made from it, so that
 * whatever a plan can hold can be entered.
 */
@NullMarked
package zentrel.entry;

import org.jspecify.annotations.NullMarked;
