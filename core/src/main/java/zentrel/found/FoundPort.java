package zentrel.found;

import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/**
 * A port as its device tells of it.
 *
 * @param number counted through all pages from 1, as labels on devices do
 * @param page the BindIndex of its page, from 1
 * @param index its place on the page, 0–3
 * @param wire the universe number that it is set to
 * @param sends whether data goes through it now
 */
public record FoundPort(
        int number,
        int page,
        int index,
        Direction direction,
        Protocol protocol,
        int wire,
        Merge merge,
        boolean sends) {}
