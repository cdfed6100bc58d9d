package zentrel.lit;

import zentrel.profile.Protocol;

/** A universe as it is on the network: a number in its protocol. */
public record Wire(Protocol protocol, int number) {}
