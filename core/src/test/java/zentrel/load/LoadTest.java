package zentrel.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.plan.*;

/** Traffic arithmetic against worked figures. */
class LoadTest {
    /**
     * Bytes of a full packet on the wire, and how many universes at 44 a second fill 100 Mbit/s and 70 % of it: UDP (RFC 768), IPv4
     * (RFC 791), Ethernet framing (IEEE 802.3), payloads of Art-Net 4 and ANSI E1.31-2018; by arithmetic.
     */
    @ParameterizedTest
    @CsvSource({"ARTNET, 558, 596, 209.8, 476, 333", "SACN, 666, 704, 247.8, 403, 282"})
    void oneUniverse(Protocol protocol, int ip, int bytes, double kilobits, int full, int most) {
        assertThat(WireSize.ipLength(protocol)).isEqualTo(ip);
        assertThat(WireSize.onEthernet(protocol)).isEqualTo(bytes);
        assertThat(bytes * 8 * 44 / 1000.0).isCloseTo(kilobits, within(0.05));
        assertThat((int) (Load.BITS_PER_SECOND / (bytes * 8 * 44))).isEqualTo(full);
        assertThat(new Load(java.util.List.of(), java.util.Map.of(), java.util.Map.of()).headroom(protocol, 44))
                .isEqualTo(most);
    }

    /** One sACN universe at 44 a second: about 27 % of the airtime at 1 Mbit/s, 4.7 % at 6 and 1.6 % at 24 without its headers. */
    @Test
    void groupsTakeAirtime() {
        double headers = 666 + 36;
        assertThat(Airtime.part(Protocol.SACN, 44, 1e6)).isCloseTo(headers * 8 * 44 / 1e6, within(1e-9));
        assertThat(Airtime.part(Protocol.SACN, 44, 1e6)).isBetween(0.22, 0.28);
        assertThat(Airtime.part(Protocol.SACN, 44, 6e6)).isBetween(0.037, 0.047);
    }

    private static Load.Link link(Plan plan, String adapter) {
        return Load.of(plan).links().stream()
                .filter(l -> l.adapter().value().equals(adapter))
                .findFirst()
                .orElseThrow();
    }

    /** The pier: one universe to those found, one to a group by two desks, one broadcast; 44 a second each where not said. */
    @Test
    void eachDeliveryGoesWhereItGoes() {
        Plan pier = TestPlans.pier();
        double rate = pier.streams().get(0).ratePerSecond();
        assertThat(link(pier, "desk.light").out().packets())
                .as("three universes, once each")
                .isEqualTo(3 * rate);
        assertThat(link(pier, "desk.light").in().packets())
                .as("the spare desk's group floods")
                .isEqualTo(rate);
        assertThat(link(pier, "node-a.net").in().packets())
                .as("U1, both groups, the broadcast")
                .isEqualTo(4 * rate);
        assertThat(link(pier, "node-a.net").meant().packets())
                .as("it is in the group and found")
                .isEqualTo(4 * rate);
        assertThat(link(pier, "node-b.net").in().packets())
                .as("both groups flood, and the broadcast")
                .isEqualTo(3 * rate);
        assertThat(link(pier, "node-b.net").meant().packets())
                .as("with snooping only the broadcast")
                .isEqualTo(rate);
        assertThat(link(pier, "node-c.net").in().everybody()).isEqualTo(rate);
        Plan one = pier.withStream(
                new StreamId("s2"),
                s -> s.withDelivery(Delivery.UNICAST, java.util.List.of(zentrel.ipv4.Ipv4Address.parse("10.77.20.3"))));
        assertThat(link(one, "node-b.net").in().packets())
                .as("unicast does not flood")
                .isEqualTo(2 * rate);
    }

    @Test
    void sixtyMoreUniversesAreAddedToWhatIsThere() {
        Plan pier = TestPlans.pier();
        double before = Load.of(pier).busiest().orElseThrow().part();
        Load after = Load.of(
                pier, Optional.of(new Load.WhatIf(60, new ApplicationId("desk"), Protocol.SACN, Delivery.MULTICAST)));
        double rate = pier.streams().get(0).ratePerSecond();
        assertThat(after.busiest().orElseThrow().part() - before)
                .isCloseTo(60 * rate * 704 * 8 / Load.BITS_PER_SECOND, within(0.01));
    }
}
