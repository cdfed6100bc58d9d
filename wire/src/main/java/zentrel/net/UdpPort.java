package zentrel.net;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;

/** An open UDP port. All of it is used in the net's turn. */
public interface UdpPort extends AutoCloseable {
    /** What was asked for; its port number is the one that the system gave. */
    PortRequest request();

    /**
     * Joins a group, so that what is sent to it and to this port arrives; once is enough, more does nothing.
     *
     * @throws IOException with a sentence, if the system refuses
     */
    void join(Ipv4Address group) throws IOException;

    /** Leaves a group; nothing where it was not joined. */
    void leave(Ipv4Address group);

    /**
     * Sends a packet.
     *
     * @param payload nobody writes to it afterwards
     */
    SendResult send(SendIntent intent, Ipv4Address to, int toPort, byte[] payload);

    /** Why what is sent to a destination would not leave by the port's adapter, as a sentence; empty where it would. */
    Optional<String> refusal(Ipv4Address to);

    /** What kept this port from receiving all, as a sentence; empty while nothing did. */
    Optional<String> trouble();

    /** What the system granted less of than was asked for, as sentences that say what to do. */
    List<String> remarks();

    @Override
    void close();
}
