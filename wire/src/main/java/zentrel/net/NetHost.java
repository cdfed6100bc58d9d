package zentrel.net;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;

/**
 * A computer as programs see it: its clock, its adapters, its UDP ports. Packets and times come in the net's turn, one after the
 * other; whoever is elsewhere enters it by {@link #run}. So nothing that lives on a net needs a lock.
 */
public interface NetHost extends AutoCloseable {
    Clock clock();

    /** Its adapters now, one for each address. */
    List<NetAdapter> adapters();

    /** The adapter that has an address now. */
    default Optional<NetAdapter> adapterAt(Ipv4Address address) {
        return adapters().stream()
                .filter(a -> a.address().address().equals(address))
                .findFirst();
    }

    /**
     * Opens a UDP port.
     *
     * @param received gets each packet that arrives, in the net's turn; it must be quick
     * @throws IOException with a sentence, if the system refuses
     */
    UdpPort open(PortRequest request, Consumer<Packet> received) throws IOException;

    /** Does something in the net's turn; from any thread. */
    void run(Runnable task);

    /** Something that is done in the net's turn and gives a result. */
    @FunctionalInterface
    interface Task<T> {
        T run() throws IOException;
    }

    /**
     * Does something in the net's turn and waits for its result; from any thread but that of an interface.
     *
     * @throws IOException that of the task; also where waiting was interrupted
     */
    <T> T call(Task<T> task) throws IOException;

    /** Closes all ports that were opened by this. */
    @Override
    void close();
}
