package zentrel.net.sim;

import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A socket for a network cable, of an adapter or of a switch. */
public abstract class SimSocket {
    private final SimNet net;
    private final String place;
    private @Nullable SimSocket peer;
    private String cable = "";
    private boolean connected = true;

    SimSocket(SimNet net, String place) {
        this.net = net;
        this.place = place;
    }

    SimNet net() {
        return net;
    }

    /** What the net calls it. */
    public String place() {
        return place;
    }

    /** Joins two sockets by a cable. */
    void joinTo(SimSocket other, String cableName, boolean isConnected) {
        peer = other;
        cable = cableName;
        connected = isConnected;
        other.peer = this;
        other.cable = cableName;
        other.connected = isConnected;
    }

    Optional<SimSocket> peer() {
        return Optional.ofNullable(peer);
    }

    String cable() {
        return cable;
    }

    boolean isCut() {
        return !connected;
    }

    /** Whether its box takes and sends anything at all. */
    abstract boolean isUsable();

    /** Something arrives. */
    abstract void receive(Frame frame);
}
