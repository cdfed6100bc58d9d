/**
 * Several sources on one universe: {@link zentrel.contest.Contest} says for each port who is heard now, and what is seen there
 * when any one of them stops.
 */
@NullMarked
package zentrel.contest;

import org.jspecify.annotations.NullMarked;
