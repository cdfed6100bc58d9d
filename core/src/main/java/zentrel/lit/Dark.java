package zentrel.lit;

import zentrel.plan.Id;

/**
 * Why a fixture stays dark.
 *
 * @param rule that tells of the first cause
 * @param cause where the mistake is
 * @param brief the cause in few words
 * @param text the cause in a sentence
 */
public record Dark(String rule, Id<?> cause, String brief, String text) {}
