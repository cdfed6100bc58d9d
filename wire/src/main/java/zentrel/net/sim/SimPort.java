package zentrel.net.sim;

import java.nio.ByteBuffer;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;

/** An open port of a simulated computer. */
final class SimPort implements UdpPort {
    private final SimHost host;
    private final SimProgram program;
    private final PortRequest request;
    private final SimBinding binding;
    private final boolean localCopy;
    private final Consumer<Packet> received;

    /** The groups that it joined, with the adapters on which; none for loopback. */
    private final Map<Ipv4Address, List<SimAdapter>> groups = new HashMap<>();

    private long lastSent = Long.MIN_VALUE / 2;

    SimPort(
            SimHost host,
            SimProgram program,
            PortRequest asked,
            SimBinding binding,
            boolean localCopy,
            Consumer<Packet> received) {
        this.host = host;
        this.program = program;
        this.request = new PortRequest(
                asked.adapter(), asked.port() == 0 ? host.freePort() : asked.port(), asked.broadcasts());
        this.binding = binding;
        this.localCopy = localCopy;
        this.received = received;
    }

    SimProgram program() {
        return program;
    }

    SimBinding binding() {
        return binding;
    }

    /** Whether programs on the same computer that joined a group get what this sends to it. */
    boolean copiesHere() {
        return localCopy;
    }

    int port() {
        return request.port();
    }

    @Override
    public PortRequest request() {
        return request;
    }

    @Override
    public void join(Ipv4Address group) {
        if (groups.containsKey(group)) {
            return;
        }
        List<SimAdapter> on = host.adaptersForGroups(binding, group);
        groups.put(group, on);
        on.forEach(a -> a.join(group));
    }

    @Override
    public void leave(Ipv4Address group) {
        groups.getOrDefault(group, List.of()).forEach(a -> a.leave(group));
        groups.remove(group);
    }

    /** Whether it joined a group on an adapter; on loopback where that is empty. */
    boolean hasJoined(Ipv4Address group, Optional<SimAdapter> on) {
        List<SimAdapter> joined = groups.get(group);
        return joined != null && (on.isPresent() ? joined.contains(on.get()) : joined.isEmpty());
    }

    boolean hasJoined(Ipv4Address group) {
        return groups.containsKey(group);
    }

    /** When it sent something last, by the net's clock. */
    long lastSent() {
        return lastSent;
    }

    @Override
    public SendResult send(SendIntent intent, Ipv4Address to, int toPort, byte[] payload) {
        lastSent = host.net().clock().now();
        return host.send(this, to, toPort, payload);
    }

    void deliver(long packet, NetAdapter adapter, Frame.Udp udp) {
        host.net().arrived(packet, adapter.name(), program.place());
        received.accept(new Packet(
                host.net().clock().now(),
                adapter,
                udp.source(),
                udp.sourcePort(),
                udp.destination(),
                udp.destinationPort(),
                udp.ttl(),
                ByteBuffer.wrap(udp.payload())));
    }

    /** The address at which it hears what is for one of an adapter's addresses, where it is bound to one. */
    Optional<HostAddress> boundAddress() {
        return binding instanceof SimBinding.On on
                ? on.address()
                        .flatMap(x -> on.first().addresses().stream()
                                .filter(a -> a.address().equals(x))
                                .findFirst())
                : Optional.empty();
    }

    @Override
    public Optional<String> refusal(Ipv4Address to) {
        return Optional.empty();
    }

    @Override
    public Optional<String> trouble() {
        return Optional.empty();
    }

    @Override
    public List<String> remarks() {
        return List.of();
    }

    @Override
    public void close() {
        for (Ipv4Address group : List.copyOf(groups.keySet())) {
            leave(group);
        }
        host.close(this);
        program.forget(this);
    }
}
