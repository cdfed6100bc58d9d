/**
 * Tables as spreadsheets give and take them: {@link zentrel.table.TextTable} is rows of cells, read from text with commas,
 * semicolons or tabs, or from a workbook (XLSX), and written as either. Columns are told apart by {@link zentrel.table.Columns}.
 * What the rows mean is said by the package they are for: addresses by {@code zentrel.address}, gear by {@code zentrel.gear},
 * routing by {@code zentrel.universe}.
 */
@NullMarked
package zentrel.table;

import org.jspecify.annotations.NullMarked;
