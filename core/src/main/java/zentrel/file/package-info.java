/**
 * The plan file: one readable JSON document, described by docs/plan.schema.json.
 *
 * <p>{@link zentrel.file.PlanFile} opens and saves; {@link zentrel.file.PlanReader} turns JSON into a plan and says what
 * and where when it cannot; {@link zentrel.file.PlanWriter} writes the canonical form. Fields that this version does not
 * know are kept in {@link zentrel.file.UnknownFields} and written back. {@link zentrel.file.Journal} brings unsaved work
 * back after a crash; {@link zentrel.file.SettingsFile} keeps what the user chose, in
 * {@link zentrel.file.UserFolders}.
 */
@NullMarked
package zentrel.file;

import org.jspecify.annotations.NullMarked;
