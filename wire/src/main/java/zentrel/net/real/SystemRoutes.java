package zentrel.net.real;

import java.io.IOException;
import java.util.Collection;
import java.util.Map;
import zentrel.ipv4.Ipv4Address;

/** Where the system would send, as the system itself answers. Nothing is sent by asking. */
interface SystemRoutes {
    /**
     * One answer.
     *
     * @param adapter the name of the adapter, for {@link Kind#LEAVES}
     */
    record Way(Kind kind, String adapter) {
        static final Way HERE = new Way(Kind.HERE, "");
        static final Way NONE = new Way(Kind.NONE, "");
        static final Way UNKNOWN = new Way(Kind.UNKNOWN, "");

        static Way by(String adapter) {
            return new Way(Kind.LEAVES, adapter);
        }
    }

    /** What becomes of a packet. */
    enum Kind {
        /** It leaves by an adapter. */
        LEAVES,
        /** The destination is this computer. */
        HERE,
        /** There is no route. */
        NONE,
        /** The system does not say. */
        UNKNOWN
    }

    /**
     * Where packets from an own address to some destinations would go now. May take some milliseconds.
     *
     * @throws IOException if the system cannot be asked
     */
    Map<Ipv4Address, Way> ask(Ipv4Address from, Collection<Ipv4Address> to) throws IOException;

    /** The one of this system. */
    static SystemRoutes ofSystem() {
        String system = System.getProperty("os.name", "");
        return system.startsWith("Linux") ? new LinuxRoutes() : new SocketRoutes(system.startsWith("Windows"));
    }
}
