/**
 * Starting patterns: a few questions with sensible answers filled in, and a whole rig that checks clean.
 *
 * <p>{@link zentrel.pattern.Patterns} lists them; a {@link zentrel.pattern.Pattern} asks {@link zentrel.pattern.Question}s
 * and builds by way of {@link zentrel.pattern.Rig}, which uses {@code zentrel.gear} as a person would.
 */
@NullMarked
package zentrel.pattern;

import org.jspecify.annotations.NullMarked;
