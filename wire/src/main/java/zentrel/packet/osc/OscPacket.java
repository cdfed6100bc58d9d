package zentrel.packet.osc;

/** A message, or a bundle of packets. */
public sealed interface OscPacket permits OscMessage, OscBundle {}
