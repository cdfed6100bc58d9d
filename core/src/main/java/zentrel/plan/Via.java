package zentrel.plan;

/**
 * What a DMX line starts from when it is no port: a splitter or a wireless link that passes on another line.
 *
 * @param device the splitter, or the wireless receiver
 * @param from the line that it passes on
 */
public record Via(Id<Host> device, Id<Line> from) {}
