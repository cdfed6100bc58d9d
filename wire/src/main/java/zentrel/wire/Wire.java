package zentrel.wire;

import java.io.IOException;
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

    /**
     * Sends a datagram, if the guard lets it.
     *
     * @param fromPort a port that this wire listens on, or 0 for any
     * @return whether it left; false if output is not armed for it
     */
    boolean send(Sending sending, int fromPort, Ipv4Address to, int toPort, byte[] bytes) throws IOException;

    @Override
    void close();
}
