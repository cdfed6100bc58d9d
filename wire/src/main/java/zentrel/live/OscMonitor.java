package zentrel.live;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
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
import zentrel.packet.Decoded;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscBundle;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.osc.OscPacket;
import zentrel.packet.osc.OscValues;
import zentrel.text.PlainText;

/**
 * Counts what comes by OSC at some ports, by sender and address, exactly; keeps the last messages in words. Says nothing. Lives in
 * the net's turn.
 */
public final class OscMonitor implements AutoCloseable {
    private static final int MOST_ROWS = 4_096;
    private static final int PATIENCE_SECONDS = 600;
    private static final int MOST_LAST = 400;
    private static final int LONGEST = 200;

    private record Key(Ipv4Address from, int port, String address) {}

    private static final class Count {
        private final boolean matched;
        private @Nullable OscMessage last;
        private long messages;
        private long at;

        Count(boolean matched) {
            this.matched = matched;
        }
    }

    /**
     * What one sender sent to one address.
     *
     * @param port where it arrived
     * @param matched whether the address is one that is known there
     * @param last its last arguments, as people read them
     * @param tags their type tags
     * @param seconds since the last one
     */
    public record Row(
            Ipv4Address from,
            int port,
            String address,
            boolean matched,
            long messages,
            String last,
            String tags,
            double seconds) {}

    /**
     * All that came.
     *
     * @param packets that arrived, whatever they were
     * @param messages in them, those in bundles counted one by one
     * @param unreadable packets that are no OSC
     * @param notListed messages whose sender or address found no room any more
     * @param faults what was wrong with the last unreadable packets, as sentences
     * @param trouble what kept a port from receiving all
     */
    public record Seen(
            List<Row> rows,
            long packets,
            long messages,
            long unreadable,
            long notListed,
            List<String> faults,
            List<String> trouble) {}

    private final NetHost host;
    private final Predicate<String> known;
    private final BoundedTable<Key, Count> counts = new BoundedTable<>(MOST_ROWS, PATIENCE_SECONDS);
    private final List<UdpPort> ports = new ArrayList<>();
    private final Deque<String> faults = new ArrayDeque<>();
    private long packets;
    private long messages;
    private long unreadable;
    private long notListed;

    /** @param known whether an OSC address is one that somebody here acts on */
    public OscMonitor(NetHost host, Predicate<String> known) {
        this.host = host;
        this.known = known;
    }

    /**
     * Begins to listen at a port; from any thread.
     *
     * @throws IOException with a sentence, where it cannot be had
     */
    public void listen(NetAdapter adapter, int port) throws IOException {
        ports.add(host.call(() -> host.open(PortRequest.at(adapter, port).withBroadcasts(), p -> received(p, port))));
    }

    private void received(Packet arrived, int port) {
        packets++;
        Decoded<OscPacket> decoded = OscCodec.decode(arrived.bytes());
        if (decoded instanceof Decoded.Packet<OscPacket> packet) {
            take(packet.value(), arrived.source(), port, arrived.time());
        } else {
            unreadable++;
            String why = decoded instanceof Decoded.Malformed<OscPacket> bad ? bad.toString() : "no OSC";
            faults.addLast("from " + arrived.source() + ": " + PlainText.shown(why, LONGEST));
            if (faults.size() > MOST_LAST / 10) {
                faults.removeFirst();
            }
        }
    }

    private void take(OscPacket packet, Ipv4Address from, int port, long now) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(e -> take(e, from, port, now));
        } else if (packet instanceof OscMessage message) {
            messages++;
            Key key = new Key(from, port, message.address());
            Count count = counts.touch(key, now);
            if (count == null) {
                count = counts.use(key, false, now, () -> new Count(known.test(message.address())))
                        .orElse(null);
            }
            if (count == null) {
                notListed++;
                return;
            }
            count.messages++;
            count.at = now;
            count.last = message;
        }
    }

    /**
     * What came so far, the busiest first; from any thread but that of an interface.
     *
     * @param most rows at most; the counts are of all
     * @throws IOException where the net is closed
     */
    public Seen seen(int most) throws IOException {
        return host.call(() -> {
            List<Row> rows = new ArrayList<>();
            long now = host.clock().now();
            counts.forEach((key, count) -> rows.add(row(key, count, now)));
            rows.sort(Comparator.comparingLong(Row::messages).reversed().thenComparing(Row::address));
            return new Seen(
                    List.copyOf(rows.subList(0, Math.min(most, rows.size()))),
                    packets,
                    messages,
                    unreadable,
                    notListed,
                    List.copyOf(faults),
                    ports.stream().flatMap(p -> p.trouble().stream()).toList());
        });
    }

    private static Row row(Key key, Count count, long now) {
        OscMessage last = count.last;
        StringBuilder text = new StringBuilder();
        StringBuilder tags = new StringBuilder();
        if (last != null) {
            for (OscArgument argument : last.arguments()) {
                text.append(text.length() == 0 ? "" : " ").append(word(argument));
            }
            OscValues.of(last).forEach(v -> tags.append(v.tag()));
        }
        return new Row(
                key.from(),
                key.port(),
                PlainText.shown(key.address(), LONGEST),
                count.matched,
                count.messages,
                PlainText.shown(text.toString(), LONGEST),
                tags.toString(),
                (now - count.at) / (double) TimeUnit.SECONDS.toNanos(1));
    }

    private static String word(OscArgument argument) {
        return zentrel.standin.OscStandin.text(argument);
    }

    @Override
    public void close() {
        host.run(() -> ports.forEach(UdpPort::close));
    }
}
