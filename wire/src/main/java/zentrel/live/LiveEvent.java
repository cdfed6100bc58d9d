package zentrel.live;

/**
 * Something that happened on the net.
 *
 * @param time in ns by the net's clock
 * @param kind by which events of one cause are joined
 * @param grave whether it can make something not respond
 * @param text a sentence without a point
 */
public record LiveEvent(long time, String kind, boolean grave, String text) {}
