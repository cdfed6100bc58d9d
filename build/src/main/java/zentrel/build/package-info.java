/**
 * What the build does to compiled classes before they are tested and packed. Start with {@link zentrel.build.LambdaClasses}. Nothing
 * of this is part of the program.
 */
@NullMarked
package zentrel.build;

import org.jspecify.annotations.NullMarked;
