package zentrel.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Protocol;

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
        assertThat(Load.of(Plan.EMPTY).headroom(protocol, 44)).isEqualTo(most);
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

    private static Plan hub(Plan plan, boolean snoops, boolean asks, boolean drops) {
        return plan.with(
                Kind.HOST.id("hub"),
                h -> h.withSwitching(new SwitchFeatures(Setting.of(snoops), Setting.of(asks), drops, false)));
    }

    private static double in(Plan plan, String adapter) {
        return link(plan, adapter).in().packets();
    }

    /** The pier: one universe to those found, one to a group by two desks, one broadcast; all at one rate. */
    @Test
    void eachDeliveryGoesWhereItGoes() {
        Plan snooped = TestPlans.pier();
        Plan pier = hub(snooped, false, false, true);
        double rate = pier.streams().get(0).ratePerSecond();
        assertThat(link(pier, "desk.light").out().packets())
                .as("three universes, once each")
                .isEqualTo(3 * rate);
        assertThat(in(pier, "desk.light")).as("the spare desk's group floods").isEqualTo(rate);
        assertThat(in(pier, "node-a.net")).as("U1, both groups, the broadcast").isEqualTo(4 * rate);
        assertThat(link(pier, "node-a.net").meant().packets())
                .as("it is in the group and found")
                .isEqualTo(4 * rate);
        assertThat(in(pier, "node-b.net"))
                .as("both groups flood, and the broadcast")
                .isEqualTo(3 * rate);
        assertThat(link(pier, "node-b.net").meant().packets())
                .as("with snooping only the broadcast")
                .isEqualTo(rate);
        assertThat(in(snooped, "node-b.net")).as("and so it is with snooping").isEqualTo(rate);
        assertThat(in(snooped, "node-a.net")).as("a member has its group").isEqualTo(4 * rate);
        assertThat(link(snooped, "desk.light").in().packets())
                .as("a sender is no member")
                .isZero();
        assertThat(link(pier, "node-c.net").in().everybody()).isEqualTo(rate);
        Plan one = pier.with(
                Kind.STREAM.id("s2"), s -> s.withDelivery(Delivery.UNICAST, List.of(Ipv4Address.parse("10.77.20.3"))));
        assertThat(in(one, "node-b.net")).as("unicast does not flood").isEqualTo(2 * rate);
    }

    /** With and without a querier, and when it dies: what RFC 4541 leaves to the switch is said of it. */
    @ParameterizedTest
    @CsvSource({
        "false, false, true, false, FLOOD, 3",
        "true, true, true, false, MEMBERS, 1",
        "true, true, true, true, STOP, 1",
        "true, true, false, true, FLOOD, 3",
        "true, false, true, false, FLOOD, 3",
        "false, true, true, false, FLOOD, 3"
    })
    void groupsGoAsTheSwitchesDo(
            boolean snoops, boolean asks, boolean drops, boolean dies, Load.Groups groups, int times) {
        Plan pier = hub(TestPlans.pier(), snoops, asks, drops);
        Load load = Load.of(
                pier,
                Optional.of(new Load.WhatIf(0, Kind.APPLICATION.id("desk"), Protocol.SACN, Delivery.MULTICAST, dies)));
        assertThat(load.groupsOn(Kind.SEGMENT.id("light"))).isEqualTo(groups);
        double in = load.links().stream()
                .filter(l -> l.adapter().value().equals("node-b.net"))
                .findFirst()
                .orElseThrow()
                .in()
                .packets();
        assertThat(in).isEqualTo(times * pier.streams().get(0).ratePerSecond());
    }

    @Test
    void aCableIsAsFastAsItsSocketSettledOn() {
        Plan pier = TestPlans.pier();
        assertThat(link(pier, "desk.light").speed()).isEqualTo(1e9);
        assertThat(link(pier, "node-b.net").speed()).isEqualTo(Load.BITS_PER_SECOND);
        Plan slow = pier.with(
                Kind.ADAPTER.id("node-a.net"), a -> a.withPlug(a.plug().withMegabits(Optional.of(10))));
        assertThat(Load.of(slow).busiest().orElseThrow().adapter().value()).isEqualTo("node-a.net");
        assertThat(Load.of(slow).headroom(Protocol.SACN, 44))
                .isLessThan(Load.of(pier).headroom(Protocol.SACN, 44) / 8)
                .isPositive();
    }

    @Test
    void whatGoesToGroupsAndEverybodyIsOnTheAir() {
        Plan pier = hub(TestPlans.pier(), false, false, true);
        double rate = pier.streams().get(0).ratePerSecond();
        assertThat(Load.of(pier).air())
                .as("nothing wireless where the streams are")
                .isEmpty();
        Plan air = pier.with(Kind.ADAPTER.id("tab.air"), a -> a.withSegment(Kind.SEGMENT.id("light")));
        assertThat(Load.of(air).air()).containsExactly(new Load.Air(Kind.SEGMENT.id("light"), 3 * rate));
        assertThat(Load.of(hub(air, true, true, true)).air())
                .as("its groups have members on the wire only")
                .containsExactly(new Load.Air(Kind.SEGMENT.id("light"), rate));
    }

    @Test
    void sixtyMoreUniversesAreAddedToWhatIsThere() {
        Plan pier = TestPlans.pier();
        double rate = pier.streams().get(0).ratePerSecond();
        Load after = Load.of(
                pier,
                Optional.of(
                        new Load.WhatIf(60, Kind.APPLICATION.id("desk"), Protocol.SACN, Delivery.MULTICAST, false)));
        Load.Link desk = after.links().stream()
                .filter(l -> l.adapter().value().equals("desk.light"))
                .findFirst()
                .orElseThrow();
        assertThat(desk.part() - link(pier, "desk.light").part()).isCloseTo(60 * rate * 704 * 8 / 1e9, within(0.001));
    }
}
