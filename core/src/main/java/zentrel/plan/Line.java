package zentrel.plan;

/** A DMX line that starts at a port and runs through fixtures. */
public record Line(LineId id, String name, PortId port) implements Named {}
