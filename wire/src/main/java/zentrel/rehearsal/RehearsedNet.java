package zentrel.rehearsal;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.net.Clock;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.UdpPort;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.standin.StandinSite;

/**
 * A plan rehearsed, as a computer on one of its segments sees it: nothing of it leaves this computer. Its time goes on only as it is
 * told to; all of it happens in the caller's turn, one caller after the other.
 */
public final class RehearsedNet implements NetHost {
    private static final long STEP = 10_000_000;

    private final Rehearsal rehearsal;
    private final NetHost program;
    private final NetAdapter adapter;

    /**
     * A rehearsal of a plan, just switched on.
     *
     * @param segment where it is looked at
     * @param begin the time at which it is switched on, in ns
     * @throws IOException with a sentence, where nobody can stand on that segment
     */
    public RehearsedNet(Plan plan, Id<Segment> segment, long begin) throws IOException {
        rehearsal = new Rehearsal(plan, 1, Optional.of(new Rehearsal.Watcher(segment, free(plan, segment), begin)));
        StandinSite site = rehearsal.watcher().orElseThrow();
        program = site.host();
        adapter = site.adapter();
    }

    private static HostAddress free(Plan plan, Id<Segment> segment) throws IOException {
        String name = plan.index().name(segment);
        Subnet subnet = plan.index()
                .segment(segment)
                .subnet()
                .orElseThrow(() -> new IOException(name + " has no range of addresses; give it one, then rehearse."));
        List<Ipv4Address> taken = plan.hosts().stream()
                .flatMap(h -> h.adapters().stream())
                .flatMap(a -> a.addresses().stream())
                .flatMap(a ->
                        Stream.of(a.inForce().address(), a.address().planned().address()))
                .toList();
        return FreeAddress.after(subnet.last().plus(-100), subnet, Set.copyOf(taken))
                .map(a -> new HostAddress(a, subnet.prefixLength()))
                .orElseThrow(() -> new IOException(name + " has no address left for a computer that looks."));
    }

    /** The adapter that is looked at. */
    public NetAdapter adapter() {
        return adapter;
    }

    /**
     * Lets time pass, but takes no longer than it passes.
     *
     * @param nanos how much
     * @return how much passed: less, where there is more to do than this computer can
     */
    public synchronized long advance(long nanos) {
        long begun = System.nanoTime();
        long passed = 0;
        while (passed < nanos && System.nanoTime() - begun <= nanos) {
            long step = Math.min(STEP, nanos - passed);
            rehearsal.pass(step);
            passed += step;
        }
        return passed;
    }

    @Override
    public Clock clock() {
        return program.clock();
    }

    @Override
    public List<NetAdapter> adapters() {
        return List.of(adapter);
    }

    @Override
    public synchronized UdpPort open(PortRequest request, Consumer<Packet> received) throws IOException {
        return program.open(request, received);
    }

    @Override
    public synchronized void run(Runnable task) {
        program.run(task);
    }

    @Override
    public synchronized <T> T call(Task<T> task) throws IOException {
        return program.call(task);
    }

    @Override
    public synchronized void close() {
        program.close();
    }
}
