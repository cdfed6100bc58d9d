package zentrel.app.bench;

import zentrel.profile.Protocol;

/** A universe by its number in a protocol. */
record UniverseKey(Protocol protocol, int number) {
    /** The universe of the protocol, in words. */
    String words() {
        return protocol.title() + " " + number;
    }
}
