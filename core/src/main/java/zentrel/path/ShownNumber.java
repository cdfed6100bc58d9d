package zentrel.path;

import zentrel.plan.Application;
import zentrel.profile.Protocol;

/** A number as a program shows it on its screen, which may count from another one than the protocol does. */
public record ShownNumber(Application program, Protocol protocol, int protocolNumber) {
    /** What is read there. */
    public String shown() {
        return program.shown(protocol, protocolNumber);
    }

    /** Whether the screen shows another number than is sent. */
    public boolean differs() {
        return !shown().equals(String.valueOf(protocolNumber));
    }
}
