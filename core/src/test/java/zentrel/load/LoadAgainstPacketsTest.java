package zentrel.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.check.RandomPlans;
import zentrel.demo.FernlightTrail;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.Protocol;

/**
 * The load added up, against packets delivered one by one: for each stream one packet is carried to every cable that it would come
 * by, as a switch without snooping floods it, and counted there.
 */
class LoadAgainstPacketsTest {
    /** What one second puts on the cables, counted packet by packet. */
    private static final class Cables {
        private final Map<Id<Adapter>, Double> out = new HashMap<>();
        private final Map<Id<Adapter>, Double> in = new HashMap<>();
        private final Map<Id<Adapter>, Double> meant = new HashMap<>();
        private final Map<Id<Adapter>, Double> bitsIn = new HashMap<>();

        Cables(Plan plan) {
            for (Stream stream : plan.streams()) {
                boolean sent = stream.enabled().inForce()
                        && !stream.standby()
                        && stream.protocol().onNetwork()
                        && plan.index()
                                .application(stream.application())
                                .output(stream.protocol())
                                .enabled()
                                .inForce();
                if (sent) {
                    carry(plan, stream);
                }
            }
        }

        private void carry(Plan plan, Stream stream) {
            PlanIndex index = plan.index();
            Binding binding = index.application(stream.application()).binding(Purpose.sending(stream.protocol()));
            if (binding.mode() != BindingMode.ADAPTERS) {
                return;
            }
            Adapter by = index.adapter(binding.adapters().get(0));
            Set<Id<Adapter>> members = new HashSet<>();
            for (Port port : index.portsOf(stream.universe())) {
                if (port.protocol().inForce() == stream.protocol()) {
                    Host host = index.host(index.applicationOf(port.id()).host());
                    host.adapters().stream()
                            .filter(a -> a.segment().equals(by.segment()))
                            .findFirst()
                            .filter(a -> !a.id().equals(by.id()))
                            .ifPresent(a -> members.add(a.id()));
                }
            }
            boolean each = stream.delivery() == Delivery.UNICAST || stream.delivery() == Delivery.FOUND;
            boolean group = stream.delivery() == Delivery.MULTICAST;
            int bits = 8 * (stream.protocol() == Protocol.ARTNET ? 596 : 704);
            double packets = stream.ratePerSecond();
            out.merge(by.id(), packets * (each ? members.size() : 1), Double::sum);
            for (Adapter other : index.adaptersOn(by.segment().orElseThrow())) {
                boolean itself = other.id().equals(by.id()) || other.kind() == AdapterKind.LOOPBACK;
                if (!itself && (!each || members.contains(other.id()))) {
                    in.merge(other.id(), packets, Double::sum);
                    bitsIn.merge(other.id(), packets * bits, Double::sum);
                }
                if (!itself && (members.contains(other.id()) || (!each && !group))) {
                    meant.merge(other.id(), packets, Double::sum);
                }
            }
        }
    }

    private static void compare(Plan plan) {
        Cables cables = new Cables(plan);
        Load load = Load.of(plan);
        Set<Id<Adapter>> told = new HashSet<>();
        for (Load.Link link : load.links()) {
            Id<Adapter> id = link.adapter();
            told.add(id);
            assertThat(link.out().packets())
                    .as("out of " + id)
                    .isCloseTo(cables.out.getOrDefault(id, 0.0), within(1e-6));
            assertThat(link.in().packets()).as("into " + id).isCloseTo(cables.in.getOrDefault(id, 0.0), within(1e-6));
            assertThat(link.in().bits())
                    .as("bits into " + id)
                    .isCloseTo(cables.bitsIn.getOrDefault(id, 0.0), within(1e-3));
            assertThat(link.meant().packets())
                    .as("meant for " + id)
                    .isCloseTo(cables.meant.getOrDefault(id, 0.0), within(1e-6));
        }
        assertThat(told).containsAll(cables.in.keySet());
        List<Double> parts = load.links().stream().map(Load.Link::part).toList();
        assertThat(parts).as("the busiest first").isSortedAccordingTo((a, b) -> Double.compare(b, a));
    }

    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {1, 2, 3, 5, 8, 13, 21, 34, 55, 89, 144, 233, 377, 610, 987, 1597})
    void whatIsAddedUpIsWhatIsCounted(long seed) {
        Random random = new Random(seed);
        Plan plan = RandomPlans.healthy(seed);
        compare(plan);
        for (int change = 0; change < 6; change++) {
            Stream stream = plan.streams().get(random.nextInt(plan.streams().size()));
            int what = random.nextInt(4);
            plan = plan.with(stream.id(), s -> switch (what) {
                case 0 -> s.withRate(1 + random.nextInt(44));
                case 1 -> s.withEnabled(!s.enabled().inForce());
                case 2 -> s.withDelivery(Delivery.UNICAST, List.of(Ipv4Address.of(10, 1, 1, 1)));
                default ->
                    s.withDelivery(s.protocol() == Protocol.SACN ? Delivery.MULTICAST : Delivery.BROADCAST, List.of());
            });
            compare(plan);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"ready", "draft"})
    void theDemoToo(String which) {
        compare(which.equals("ready") ? FernlightTrail.ready() : FernlightTrail.draft());
    }

    /** Twice as many universes are twice the load, and room is what is left below 70 %. */
    @ParameterizedTest(name = "{0} more")
    @ValueSource(ints = {1, 10, 60, 200})
    void loadGrowsWithUniverses(int more) {
        Plan plan = FernlightTrail.ready();
        Id<Application> desk = Kind.APPLICATION.id("hut-desk");
        List<Double> parts = new ArrayList<>();
        for (int times = 0; times <= 2; times++) {
            Optional<Load.WhatIf> whatIf = times == 0
                    ? Optional.empty()
                    : Optional.of(new Load.WhatIf(times * more, desk, Protocol.SACN, Delivery.MULTICAST, false));
            Load load = Load.of(plan, whatIf);
            parts.add(load.links().stream()
                    .filter(l -> l.adapter().value().equals("hut-console.stream"))
                    .findFirst()
                    .orElseThrow()
                    .out()
                    .bits());
        }
        assertThat(parts.get(2) - parts.get(1)).isCloseTo(parts.get(1) - parts.get(0), within(1.0));
        Load now = Load.of(plan);
        int room = now.headroom(Protocol.SACN, 44);
        double each = WireSize.onEthernet(Protocol.SACN) * 8 * 44 / Load.BITS_PER_SECOND;
        assertThat(now.busiest().orElseThrow().part() + room * each).isLessThanOrEqualTo(Load.MOST);
        assertThat(now.busiest().orElseThrow().part() + (room + 1) * each).isGreaterThan(Load.MOST);
    }
}
