package zentrel.demo;

import zentrel.ipv4.HostAddress;
import zentrel.plan.*;
import zentrel.profile.Direction;
import zentrel.profile.Protocol;

/** What went wrong on the site of the demo: one mistake of each kind that people make. */
final class FernlightMistakes {
    private FernlightMistakes() {}

    /** The rig with the mistakes in it. */
    static Plan in(Plan ready) {
        Plan plan = ready;
        // The Boathouse node's first port was set by somebody who counts from 1.
        plan = plan.with(Kind.PORT.id("boathouse-node.p1"), p -> p.withWire(5));
        // Two nodes left the box with one address.
        plan = plan.with(Kind.ADAPTER.id("jetty-node.network"), a -> a.withAddress(0, address("10.41.22.3/16")));
        // The Fountain node kept the mask that its menu filled in.
        plan = plan.with(Kind.ADAPTER.id("fountain-node.network"), a -> a.withAddress(0, address("10.41.20.2/24")));
        // The show-control computer sends to the port that it listens on itself.
        plan = plan.with(Kind.LINK.id("go-link"), l -> l.withPort(24512));
        // Receiving was never switched on in the café rack.
        plan = plan.with(
                Kind.APPLICATION.id("cafe-dimmer"),
                a -> a.withOsc(a.osc().orElseThrow().withReceiving(false)));
        // The Paths node's port went back to its factory protocol.
        plan = plan.with(Kind.PORT.id("paths-node.p1"), p -> p.withProtocol(Protocol.SACN));
        // The bridge port was left an input after a test.
        plan = plan.with(Kind.PORT.id("bridge-node.p1"), p -> p.withDirection(Direction.INPUT));
        // The Rockery's second port was never switched on.
        plan = plan.with(Kind.PORT.id("rockery-node.p2"), p -> p.withEnabled(false));
        // Universe 20 was switched off for a rehearsal.
        plan = plan.with(Kind.STREAM.id("hut-desk-u20"), x -> x.withEnabled(false))
                .with(Kind.STREAM.id("backup-desk-u20"), x -> x.withEnabled(false));
        // The last reed bed flood was typed in over its neighbour, the last jetty post past the end.
        plan = plan.with(Kind.FIXTURE.id("f709"), f -> f.withBreak(0, new Break(Kind.UNIVERSE.id("u7"), 47, 7)));
        plan = plan.with(Kind.FIXTURE.id("f608"), f -> f.withBreak(0, new Break(Kind.UNIVERSE.id("u6"), 510, 6)));
        // The previs in the office still has an older list of fixtures.
        plan = plan.with(Kind.PATCH_LIST.id("office-previs-list"), FernlightPatch::outOfDate);
        // The backup came back from the workshop with another version, and its sACN at the primary's priority.
        plan = plan.with(Kind.APPLICATION.id("backup-desk"), a -> a.withVersion("3.5.4"));
        plan = plan.with(Kind.STREAM.id("backup-desk-u10"), x -> x.withPriority(100));
        // The entrance node's cable fell out.
        plan = plan.with(Kind.ADAPTER.id("entrance-node.network"), a -> a.withCarrier(false));
        // The supply of the pergola's fourth output was swapped for a smaller one.
        plan = plan.with(
                Kind.PIXEL_OUTPUT.id("pergola.pixels4"),
                o -> o.withSupply(o.supply().withWatts(80)));
        // The tablet's select message goes to the backup.
        plan = plan.with(
                Kind.LINK.id("tablet-link"), l -> l.withDestination(zentrel.ipv4.Ipv4Address.parse("10.42.1.2")));
        return plan;
    }

    private static AdapterAddress address(String text) {
        return new AdapterAddress(Setting.of(HostAddress.parse(text)), AddressOrigin.MANUAL);
    }
}
