package zentrel.standin;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import java.util.function.IntPredicate;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.BoundedTable;
import zentrel.net.Packet;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtPollReply;

/** The nodes that answered polls, and the Art-Net universes that their outputs wait for. Not for several threads at once. */
final class FoundNodes {
    /** A node that has not answered for this long is not sent to any more: three polls and a bit. */
    private static final long FORGET_NANOS = 9_000_000_000L;

    private static final int PATIENCE_SECONDS = 9;

    /** Nodes and their ports held at once; those of made-up answers take no more. */
    private static final int MOST = 4096;

    private record Subscriber(Ipv4Address node, int portAddress) {}

    private record Page(Ipv4Address node, int bindIndex) {}

    private final BoundedTable<Subscriber, Boolean> subscribers = new BoundedTable<>(MOST, PATIENCE_SECONDS);
    private final BoundedTable<Page, AtomicReference<List<Integer>>> reported =
            new BoundedTable<>(MOST, PATIENCE_SECONDS);
    private final Consumer<StandinEvent> listener;
    private final IntPredicate wanted;
    private final IntConsumer isNew;

    /**
     * None yet.
     *
     * @param wanted the universes that are remembered; the others would be a stranger's to make up
     * @param isNew told of each universe that a node waits for and did not before
     */
    FoundNodes(Consumer<StandinEvent> listener, IntPredicate wanted, IntConsumer isNew) {
        this.listener = listener;
        this.wanted = wanted;
        this.isNew = isNew;
    }

    /** Takes what arrived at the Art-Net port. */
    void take(Packet packet, long now) {
        ArtNetCodec.decode(packet.bytes()).packet().ifPresent(p -> {
            if (p instanceof ArtPollReply reply) {
                reply(packet.source(), reply, now);
            }
        });
    }

    private void reply(Ipv4Address node, ArtPollReply reply, long now) {
        List<Integer> addresses = new ArrayList<>();
        for (int i = 0; i < Math.min(reply.ports(), ArtPollReply.PORTS); i++) {
            if (reply.isOutput(i) && !reply.isSacn(i)) {
                int address = reply.output(i).value();
                addresses.add(address);
                Subscriber subscriber = new Subscriber(node, address);
                boolean known = subscribers.contains(subscriber);
                if (wanted.test(address)
                        && subscribers.use(subscriber, false, now, () -> true).isPresent()
                        && !known) {
                    isNew.accept(address);
                }
            }
        }
        reported.use(new Page(node, reply.bindIndex()), false, now, () -> new AtomicReference<>(List.of()))
                .filter(before -> !addresses.equals(before.getAndSet(addresses)) && !addresses.isEmpty())
                .ifPresent(before -> listener.accept(new StandinEvent.Found(node, addresses)));
    }

    Set<Ipv4Address> nodesOf(int portAddress) {
        Set<Ipv4Address> nodes = new TreeSet<>();
        subscribers.forEach((subscriber, known) -> {
            if (subscriber.portAddress() == portAddress) {
                nodes.add(subscriber.node());
            }
        });
        return nodes;
    }

    void forget(long now) {
        subscribers.forget(now, FORGET_NANOS);
        reported.forget(now, FORGET_NANOS);
    }
}
