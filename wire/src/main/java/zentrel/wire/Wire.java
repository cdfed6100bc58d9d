package zentrel.wire;

import java.io.IOException;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;

/** One adapter as stand-ins and live views see it. Handlers run on the wire's own thread and must be quick. */
public interface Wire extends AutoCloseable {
    /** The adapter's address, from which everything is sent. */
    Ipv4Address address();

    /** The address that reaches everybody on the adapter's segment. */
    Ipv4Address broadcast();

    /**
     * Hears what is sent to this adapter's address on a port.
     *
     * @param broadcasts also what is sent to everybody
     * @throws IOException if the port cannot be had; the message says which
     */
    void listen(int port, boolean broadcasts, Consumer<Datagram> handler) throws IOException;

    /** Hears what is sent to a group on a port. Joining a group twice gives each datagram twice, so join once. */
    void join(int port, Ipv4Address group, Consumer<Datagram> handler) throws IOException;

    /** Leaves a group that was joined; nothing where it was not. */
    void leave(Ipv4Address group) throws IOException;

    /** Why what is sent to a destination would not leave by this adapter, as a sentence; empty where it would. */
    Optional<String> refusal(Ipv4Address to) throws IOException;

    /** What kept this wire from receiving all, as a sentence; empty while nothing did. */
    Optional<String> trouble();

    /**
     * Sends a datagram, if the guard lets it and it leaves by this adapter.
     *
     * @param fromPort a port that this wire listens on, or 0 for any
     * @return whether it left; false if output is not armed for it
     * @throws OutputRefusedException if it would leave by another adapter, or not at all
     */
    boolean send(SendIntent sending, int fromPort, Ipv4Address to, int toPort, byte[] bytes) throws IOException;

    @Override
    void close();
}
