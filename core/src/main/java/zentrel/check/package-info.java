/**
 * What is wrong with a plan, in sentences, and what mends it.
 *
 * <p>{@link zentrel.check.Check} runs all rules and returns a {@link zentrel.check.Report}. A rule is one small class with
 * its id, what it means and why it matters; {@link zentrel.check.RuleBook} lists them in the order of the work. Most rules
 * report what the signal path found ({@link zentrel.check.PathRule}): so a broken hop always has a finding and the reverse.
 * After an edit clean paths that it cannot reach are taken over, and so is what a rule found that says it
 * {@linkplain zentrel.check.Rule#stands stands}. {@link zentrel.check.Fixes} keeps only the fixes that were tried and found to mend.
 */
@NullMarked
package zentrel.check;

import org.jspecify.annotations.NullMarked;
