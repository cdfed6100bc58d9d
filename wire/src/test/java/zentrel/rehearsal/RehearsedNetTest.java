package zentrel.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Duration;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import zentrel.demo.FernlightTrail;
import zentrel.found.DeviceMatches;
import zentrel.found.DeviceState;
import zentrel.found.FoundDevice;
import zentrel.found.PlannedDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.Discovery;
import zentrel.live.NodeSetter;
import zentrel.live.NodeSetting;
import zentrel.live.StreamSeen;
import zentrel.live.StreamWatch;
import zentrel.net.NetHost;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.profile.HostKind;
import zentrel.profile.Protocol;

/** A whole plan rehearsed, and looked at as a real net is: who answers, what arrives, what can be set. */
class RehearsedNetTest {
    private final Plan plan = FernlightTrail.ready();
    private final RehearsedNet net = rehearsed();
    private final Discovery discovery =
            new Discovery(net, net.adapter(), List.of(), (a, limit) -> Optional.empty(), a -> false);

    private RehearsedNet rehearsed() {
        try {
            return new RehearsedNet(plan, segment(), 5_000_000_000L);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** The segment of most devices that answer polls. */
    private Id<Segment> segment() {
        return plan.segments().stream()
                .max(Comparator.comparingLong(s -> answering(s.id()).size()))
                .orElseThrow()
                .id();
    }

    private List<Host> answering(Id<Segment> segment) {
        return plan.hosts().stream()
                .filter(h -> h.adapters().stream().anyMatch(a -> a.segment().equals(Optional.of(segment))))
                .filter(h -> PlannedDevice.of(plan, h).answersPolls())
                .toList();
    }

    @AfterEach
    void close() {
        discovery.close();
        net.close();
    }

    /** Lets simulated time pass until something is so, however slow this machine is. */
    private void until(NetHost.Task<Boolean> isSo) throws IOException {
        for (int i = 0; i < 1_000 && !isSo.run(); i++) {
            net.advance(20_000_000);
        }
        assertThat(isSo.run()).isTrue();
    }

    @Test
    void whatIsPlannedAnswersAndIsTakenForWhatItIs() throws Exception {
        discovery.start();
        Set<Id<Host>> planned =
                answering(segment()).stream().map(Host::id).collect(Collectors.toCollection(LinkedHashSet::new));
        assertThat(planned).hasSizeGreaterThan(2);
        until(() -> DeviceMatches.of(plan, discovery.devices()).stream()
                .flatMap(m -> m.host().stream())
                .collect(Collectors.toSet())
                .containsAll(planned));
        assertThat(discovery.devices()).allMatch(d -> d.state() == DeviceState.READY);
    }

    @Test
    void itsUniversesArriveWithoutLoss() throws Exception {
        StreamWatch watch = new StreamWatch(net, net.adapter(), a -> false);
        watch.start(IntStream.rangeClosed(1, 60).boxed().toList());
        until(() -> watch.found().streams().stream()
                        .filter(s -> s.protocol() == Protocol.SACN && s.state() == StreamSeen.State.SENDS)
                        .count()
                > 3);
        for (int i = 0; i < 150; i++) {
            net.advance(20_000_000);
        }
        Set<Integer> sent = plan.streams().stream()
                .filter(s -> s.protocol() == Protocol.SACN && !s.standby())
                .flatMap(s -> plan.index().wireOf(s).stream())
                .collect(Collectors.toCollection(TreeSet::new));
        assertThat(watch.found().streams()).allMatch(s -> s.lost() == 0 && s.outOfOrder() == 0);
        assertThat(watch.found().streams().stream()
                        .filter(s -> s.protocol() == Protocol.SACN)
                        .map(StreamSeen::universe)
                        .collect(Collectors.toSet()))
                .isNotEmpty()
                .isSubsetOf(sent);
        watch.close();
    }

    @Test
    void aNodeIsSetAndGoesToAnotherAddress() throws Exception {
        discovery.start();
        Host host = answering(segment()).stream()
                .filter(h -> h.kind() != HostKind.COMPUTER)
                .findFirst()
                .orElseThrow();
        Ipv4Address was = host.adapters().get(0).addresses().get(0).inForce().address();
        until(() -> found(was).isPresent());
        FoundDevice device = found(was).orElseThrow();
        Ipv4Address to = net.adapter().address().address().plus(7);
        Ipv4Address gateway = to.plus(1);
        AtomicBoolean ended = new AtomicBoolean();
        Thread time = new Thread(() -> {
            while (!ended.get()) {
                net.advance(5_000_000);
                Thread.onSpinWait();
            }
        });
        time.start();
        try {
            NodeSetter.Outcome outcome = new NodeSetter(discovery, () -> false, said -> {})
                    .set(
                            device,
                            NodeSetting.NOTHING
                                    .withNames(Optional.of("Moved"), Optional.empty())
                                    .withAddress(NodeSetting.AddressSetting.fixed(
                                                    to, net.adapter().address().mask())
                                            .withGateway(Optional.of(gateway))),
                            Duration.ofSeconds(20));
            assertThat(outcome.missing()).as("gateway too").isEmpty();
            assertThat(outcome.after().orElseThrow().address()).isEqualTo(to);
            assertThat(outcome.after().orElseThrow().shortName()).isEqualTo("Moved");
        } finally {
            ended.set(true);
            time.join();
        }
    }

    private Optional<FoundDevice> found(Ipv4Address address) throws IOException {
        return discovery.devices().stream()
                .filter(d -> d.address().equals(address))
                .findFirst();
    }

    @Test
    void whereNobodyCanStandThatIsSaid() {
        Plan bare = plan.with(segment(), s -> s.withSubnet(Optional.empty()));
        assertThatThrownBy(() -> new RehearsedNet(bare, segment(), 0))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("has no range of addresses");
    }
}
