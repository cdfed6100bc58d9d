package zentrel.look;

import zentrel.path.HopKind;
import zentrel.plan.Id;

/**
 * One observation: whether the signal gets as far as a hop.
 *
 * @param place the hop, counted along all legs of the path from 0
 * @param at where to look
 * @param question what is seen there if it does, as a question
 */
public record Look(int place, HopKind hop, Id<?> at, String question) {}
