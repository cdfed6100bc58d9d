package zentrel.machine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** The sheet for whoever keeps a segment, against a rig counted by hand. */
class KeeperSheetTest {
    private static final Plan PLAN = TestPlans.read("""
            {"zentrel-plan":1,"segments":[{"id":"hall","name":"House","keeper":"Mara, front office","wayOut":true},{"id":"own"}],
             "hosts":[{"id":"d","name":"Desk","kind":"console","place":"Booth","adapters":[
                        {"id":"d.h","name":"Lights","segment":"hall","addresses":["10.61.0.10/16"],"mac":"02:61:00:00:00:01"}]},
                      {"id":"n","name":"Node","kind":"node","adapters":[
                        {"id":"n.h","name":"Network","segment":"hall","addresses":[{"address":"10.61.0.20/16","origin":"dhcp"}]}]}],
             "applications":[{"id":"tx","host":"d","kind":"console","osc":{"port":24510}},{"id":"rx","host":"n","kind":"node"}],
             "universes":[{"id":"u1","number":1},{"id":"u2","number":2},{"id":"u9","number":9},{"id":"u30","number":30}],
             "streams":[{"id":"s1","application":"tx","universe":"u1","protocol":"sacn","wire":1,"delivery":"multicast"},
                        {"id":"s2","application":"tx","universe":"u2","protocol":"sacn","wire":2,"delivery":"multicast"},
                        {"id":"s9","application":"tx","universe":"u9","protocol":"sacn","wire":9,"delivery":"multicast"},
                        {"id":"s30","application":"tx","universe":"u30","protocol":"artnet","wire":30,"delivery":"broadcast"}],
             "receivers":[{"id":"r","application":"rx","protocols":["artnet","sacn"],"ports":[
                {"id":"p1","protocol":"sacn","wire":1,"universe":"u1"},{"id":"p30","protocol":"artnet","wire":30,"universe":"u30"}]}]}
            """.getBytes(StandardCharsets.UTF_8));

    /**
     * Three sACN and one Art-Net universe at 40 packets a second each. A frame is preamble 8, header 14, FCS 4, gap 12, IP 20, UDP 8
     * (IEEE 802.3, RFC 791, RFC 768), then 638 bytes of sACN (ANSI E1.31-2018, table 4-1) or 530 of ArtDmx (Art-Net 4).
     */
    @Test
    void itSaysWhatWillBeThere() {
        KeeperSheet sheet = KeeperSheet.of(PLAN, Kind.SEGMENT.id("hall"));
        assertThat(sheet.packets()).isEqualTo(160);
        assertThat(sheet.broadcasts()).isEqualTo(40);
        assertThat(sheet.bits()).isCloseTo(8 * 40 * (3 * (66 + 638) + 66 + 530), within(1.0));
        assertThat(sheet.text()).isEqualTo("""
                What the lighting puts on House
                For Mara, front office

                Devices
                  Desk, Lights (Booth): 10.61.0.10/16, typed in, 02:61:00:00:00:01
                  Node, Network: 10.61.0.20/16, by DHCP

                UDP ports
                  24510  OSC of tx
                  6454  Art-Net
                  5568  sACN

                Multicast groups
                  239.255.0.1 to 239.255.0.2, 239.255.0.9

                How much
                  160 packets a second, 0.9 Mbit/s, 40 of the packets as broadcast

                Please
                  Keep 1 address out of the DHCP pool, as listed: typed in on the devices.
                  Reserve an address for 1 device asking by DHCP, so that each has the same one every day.
                  Let the UDP ports listed pass between these devices, in both directions.
                  Where switches snoop (IGMP), one of them must be the querier; else multicast stops after some minutes.
                  Let broadcasts pass between these devices, without a limit to their rate.
                """);
        assertThat(KeeperSheet.of(PLAN, Kind.SEGMENT.id("own")).requests()).isEmpty();
    }
}
