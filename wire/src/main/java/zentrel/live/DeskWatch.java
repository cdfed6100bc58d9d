package zentrel.live;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.BoundedTable;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.UdpPort;
import zentrel.packet.desk.DeskCodec;
import zentrel.packet.desk.DeskPacket;
import zentrel.text.PlainText;

/**
 * Hears what desks of a session announce, and says nothing. Only stand-ins announce themselves in a way that is known here; real
 * desks are seen by their streams. Lives in the net's turn.
 */
public final class DeskWatch implements AutoCloseable {
    private static final int MOST = 256;
    private static final int PATIENCE_SECONDS = 600;
    private static final int LONGEST = 60;

    /** Three announcements, one a second. */
    private static final long SILENT_NANOS = 3_000_000_000L;

    private record Key(Ipv4Address address, String session, String name) {}

    private static final class Heard {
        private DeskPacket.@Nullable Here last;
        private boolean left;
        private long at;
    }

    /**
     * A desk that announced itself. Texts are as they may be shown.
     *
     * @param state what it said last; in words
     * @param silent whether it is not heard any more, or said that it leaves
     * @param seconds since it was heard
     */
    public record SeenDesk(
            Ipv4Address address,
            String session,
            String name,
            String part,
            String version,
            String show,
            DeskPacket.State state,
            boolean silent,
            double seconds) {}

    private final NetHost host;
    private final BoundedTable<Key, Heard> desks = new BoundedTable<>(MOST, PATIENCE_SECONDS);
    private final Predicate<Ipv4Address> planned;
    private @Nullable UdpPort port;

    /**
     * Hears nothing yet.
     *
     * @param planned whether the plan has an address; such have room first
     */
    public DeskWatch(NetHost host, Predicate<Ipv4Address> planned) {
        this.host = host;
        this.planned = planned;
    }

    /**
     * Begins to listen; from any thread.
     *
     * @throws IOException with a sentence, if the port cannot be had
     */
    public void start(NetAdapter adapter) throws IOException {
        port = host.call(
                () -> host.open(PortRequest.at(adapter, DeskPacket.PORT).withBroadcasts(), this::received));
    }

    private void received(Packet arrived) {
        DeskCodec.decode(arrived.bytes()).packet().ifPresent(p -> {
            if (p instanceof DeskPacket.Here here) {
                Key key = new Key(arrived.source(), here.session(), here.name());
                desks.use(key, planned.test(arrived.source()), arrived.time(), Heard::new)
                        .ifPresent(h -> {
                            h.last = here;
                            h.at = arrived.time();
                            h.left = false;
                        });
            } else if (p instanceof DeskPacket.Leave leave) {
                desks.get(new Key(arrived.source(), leave.session(), leave.name()))
                        .ifPresent(h -> h.left = true);
            }
        });
    }

    /**
     * Who was heard so far; from any thread.
     *
     * @throws IOException where the net is closed
     */
    public List<SeenDesk> seen() throws IOException {
        return host.call(() -> {
            List<SeenDesk> all = new ArrayList<>();
            long now = host.clock().now();
            desks.forEach((key, heard) -> {
                DeskPacket.Here here = heard.last;
                if (here != null) {
                    all.add(new SeenDesk(
                            key.address(),
                            shown(here.session()),
                            shown(here.name()),
                            shown(here.part()),
                            shown(here.version()),
                            shown(here.show()),
                            here.state(),
                            heard.left || now - heard.at > SILENT_NANOS,
                            (now - heard.at) / (double) TimeUnit.SECONDS.toNanos(1)));
                }
            });
            return all;
        });
    }

    private static String shown(String text) {
        return PlainText.shown(text, LONGEST);
    }

    @Override
    public void close() {
        UdpPort open = port;
        if (open != null) {
            host.run(open::close);
        }
    }
}
