package zentrel.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.address.AddressAllocation;
import zentrel.address.AddressChange;
import zentrel.address.Scheme;
import zentrel.demo.FernlightTrail;
import zentrel.gear.*;
import zentrel.gear.Library;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.plan.Universe;
import zentrel.profile.AdapterKind;

/** What a line of words is understood as, on the demo plan. */
class CommandsTableTest {
    private static final Library LIBRARY = Library.shipped();
    private static final Plan READY = FernlightTrail.ready();

    private static List<String> offers(String line) {
        return new Commands(READY, LIBRARY, null)
                .offers(line).stream().map(Offer::text).toList();
    }

    @ParameterizedTest(name = "\"{0}\" is first \"{1}\"")
    @CsvSource(
            delimiter = '|',
            value = {
                "node 4|Add 1 × 4-port node",
                "3 node 4|Add 3 × 4-port node",
                "3x node 4|Add 3 × 4-port node",
                "12 nodes 1|Add 12 × 1-port node",
                "node 16|Add 1 × 16-port node",
                "2 usb 2|Add 2 × USB interface, 2 universes",
                "usb interface 1|Add 1 × USB interface, 1 universe",
                "full console in Control hut|Add 1 × Full console in Control hut",
                "compact|Add 1 × Compact console",
                "compact called Rain desk in Hut at 10.41.7.7|Add 1 × Compact console called Rain desk in Hut at 10.41.7.7",
                "2 node 4 at 10.41.9.9 in Reed bed on stream called Reed|Add 2 × 4-port node called Reed in Reed bed on stream at 10.41.9.9",
                "node 4 called|Add 1 × 4-port node",
                "switch managed poe|Add 1 × Switch, managed, PoE",
                "switch unmanaged|Add 1 × Switch, unmanaged",
                "wifi|Add 1 × Access point",
                "router|Add 1 × Router",
                "splitter|Add 1 × Splitter",
                "tablet|Add 1 × Tablet",
                "2 laptop|Add 2 × Computer",
                "laptop wifi mac|Add 1 × Laptop with Wi-Fi, macOS",
                "laptop virtual linux|Add 1 × Laptop with a virtual adapter, Linux",
                "computer two cards windows|Add 1 × Computer with two cards, Windows",
                "previs key|Add 1 × Previs with a key",
                "playback|Add 1 × Stand-alone playback controller",
                "fader panel|Add 1 × Fader panel",
                "add pixel 9|Add 1 × Pixel controller, 9 outputs",
                "add pixel 24|Add 1 × Pixel controller, 24 outputs",
                "wireless dmx sender|Add 1 × Wireless DMX, sender",
                "install paperwork on office|Install Paperwork on Office computer",
                "install bridge on show|Install Bridge on Show-control computer",
                "route hut to boathouse|Route Hut desk to Boathouse node, Port 3 (U25)",
                "route hut desk to rockery node|Route Hut desk to Rockery node, Port 3 (U25)",
                "route hut desk to canal|Route Hut desk to Bridge node, Port 2 (U25)",
                "cable canal to boathouse switch|Cable Network adapter of Bridge node to Boathouse switch, network",
                "patch 3 wash of 18 on boathouse|Patch 3 wash of 18 slots on Boathouse line",
                "patch on jetty|Patch 1 fixture of 16 slots on Jetty line",
                "cable boathouse node to boathouse switch|Cable Network adapter of Boathouse node to Boathouse switch, network",
                "cable midi cue to hut console|Cable Show-control computer to Hut console, midi",
                "power boathouse node from pergola|Power Boathouse node from Pergola controller",
                "power boathouse node by dc|Power Boathouse node by DC 12 V",
                "put boathouse node on control|Put the Network adapter of Boathouse node on Control",
                "rename boathouse node to Pier node|Rename Boathouse node to Pier node",
                "set priority of hut desk u10 to 110|Set sACN priority of Hut desk's U10 by sACN to 110 (now 100)",
                "set gateway of hut console stream to 10.41.0.1|Set Gateway of Stream adapter of Hut console to 10.41.0.1",
                "set sacn also to this computer of hut desk to off|Set Also to this computer of Hut desk to off (now none)",
                "set number of u3 to 30|Set Number in the show of Canal bridge to 30 (now 3)",
                "adapter Show Wi-Fi on hut console|Add the adapter Show Wi-Fi to Hut console",
                "remove jetty node|Remove Jetty node with 1 adapter, 1 program, 1 receiver, 4 ports, 2 lines",
                "duplicate bridge node|Duplicate Bridge node",
                "duplicate bridge node 3|Duplicate Bridge node 3 times",
                "link cue to hut /fern/extra|Link Cue player to Hut desk by OSC /fern/extra",
                "mark control as isolating|Mark Control as isolating wireless clients",
                "mark stream as guests|Mark Stream as open to guests",
                "segment Pixels 10.60.0.0/16|Add the segment Pixels, 10.60.0.0/16",
                "bind hut desk to stream|Bind everything of Hut desk to Stream",
                "bind previs to loopback|Bind everything of Office previs to loopback",
                "move fixture 101-102 to u3 slot 20|Move 2 fixtures, 101 to 102 to U3 slot 20",
                "remove fixture 101-103|Remove 3 fixtures, 101 to 103",
                "rename u1 to Front|Rename Glasshouse north to Front",
                "switch u1-u3 of hut desk off|Switch U1-3 of Hut desk off",
                "switch all of hut desk on|Switch all universes of Hut desk on",
                "universe 40 called Bats|Add the universe 40, Bats",
                "send u1 from cue player by artnet|Cue player sends U1 by Art-Net",
                "input 2 on hut desk by sacn|Add 2 inputs by sACN to Hut desk",
                "port on boathouse node|Add 1 port to Boathouse node",
                "copy boathouse node in cue as 10.41.3.3|Keep 10.41.3.3 for Boathouse node in Cue player",
                "session Late show with hut desk and cue|Add the session Late show with Hut desk and Cue player",
                "link cue to hut console /fern/extra|Link Cue player to Hut desk by OSC /fern/extra"
            })
    void aLineIsUnderstood(String line, String first) {
        assertThat(offers(line)).as(line).isNotEmpty().first().isEqualTo(first);
    }

    @ParameterizedTest(name = "\"{0}\"")
    @CsvSource(
            delimiter = '|',
            value = {
                "node 7",
                "flux",
                "route nothing to nowhere",
                "patch on nothing",
                "cable a",
                "rename boathouse node",
                "put",
                "link",
                "9999999 node 4",
                "install splitter on office",
                "remove nobody"
            })
    void aLineAboutNothingHereOffersNothingWrong(String line) {
        assertThat(offers(line)).as(line).noneMatch(o -> o.contains("null"));
        if (!line.equals("put") && !line.equals("link")) {
            assertThat(offers(line)).as(line).isEmpty();
        }
    }

    /** What is refused is said, with what there is instead. */
    @ParameterizedTest(name = "\"{0}\" is refused with \"{1}\"")
    @CsvSource(
            delimiter = '|',
            value = {
                "flux 3|No kind of device is called “flux 3”, and no line starts with “flux”.",
                "route nothing to nowhere|Nothing here is called “nothing”. There is Hut desk, Backup desk.",
                "bind hut desk to garden|Nothing here is called “garden”. There is Stream adapter of Hut console, Control adapter of Hut console.",
                "install moonbeam on office|No program is called “moonbeam”. There is Console software, Previs with a key, Previs without a key, Paperwork, Bridge.",
                "link jetty node to hut desk|Jetty node firmware is not a program that sends OSC. There is Hut desk, Backup desk, Cue player, Café dimmer.",
                "session Trail with hut desk, backup desk as conductor|“conductor” is no part in a session; there is main, backup, remote, previs, node.",
                "set name of moon to Sun|Nothing here is called “moon”.",
                "move fixture 9-1 to u3|A range runs upwards: 9 to 1 does not.",
                "route 10-1 hut desk to rockery node|A range runs upwards: 10 to 1 does not.",
                "remove fixture 90001|No fixture has one of the numbers 90001. The plan has 101 to 2306.",
                "rename boathouse node|This line is not finished: rename THING to NAME",
                "install previs on boathouse node|Boathouse node is not a computer. There is Show-control computer, Office computer."
            })
    void whatIsRefusedIsSaid(String line, String why) {
        assertThat(new Commands(READY, LIBRARY, null).read(line).why()).contains(why);
        assertThat(new Commands(READY, LIBRARY, null)
                        .read("set colour of hut console to red")
                        .why())
                .get()
                .asString()
                .startsWith("Hut console has no field “colour”. It has Name, Place, Kind, ");
    }

    @Test
    void everyExampleMeansSomethingInTheDemo() {
        Plan rig = READY;
        for (String line : List.of(
                "computer called Laptop",
                "splitter",
                "wireless dmx sender",
                "wireless dmx receiver",
                "4 node 4 called Reef")) {
            rig = after(rig, line);
        }
        Plan plan = rig;
        Commands commands = new Commands(plan, LIBRARY, null);
        for (Usage usage : Usages.ALL) {
            String line = usage.example();
            assertThat(commands.offers(line))
                    .as(line + ": " + commands.read(line).why().orElse(""))
                    .isNotEmpty();
            assertThat(commands.offers(line).get(0).work().get().edit().applyTo(plan))
                    .as(line)
                    .isNotEqualTo(plan);
        }
        assertThat(commands.verbs())
                .filteredOn(v -> !v.equals("add"))
                .allSatisfy(v -> assertThat(Usages.ofVerb(v)).as(v).isNotEmpty());
    }

    @Test
    void everyFormIsInTheDocument() throws Exception {
        assertThat(java.nio.file.Files.readString(java.nio.file.Path.of("../docs/gear-words.md")))
                .contains(Usages.ALL.stream()
                        .map(u -> "| `" + u.form() + "` | " + u.does() + " | `" + u.example() + "` |")
                        .toList());
    }

    @Test
    void everyOfferThatIsMadeCanBeDone() {
        for (String line : List.of(
                "node",
                "console",
                "previs",
                "route",
                "patch",
                "remove",
                "duplicate",
                "install previs",
                "cable hut to node",
                "put node on control",
                "rename node to X",
                "link cue",
                "segment",
                "bind desk")) {
            for (Offer offer : new Commands(READY, LIBRARY, null).offers(line)) {
                Plan after = offer.work().get().edit().applyTo(READY);
                assertThat(after).as(offer.text()).isNotNull();
                assertThat(offer.work().get().edit().text()).as(offer.text()).isNotBlank();
            }
        }
    }

    @Test
    void whatIsRoutedWorksThoughThePortWasOffAndNoRangeCoversTheNumber() {
        Plan routed = new Commands(READY, LIBRARY, null)
                .offers("route hut desk to rockery node")
                .get(0)
                .work()
                .get()
                .edit()
                .applyTo(READY);
        assertThat(zentrel.check.Check.run(routed).isBroken()).isFalse();
        assertThat(new zentrel.path.SignalPaths(routed)
                        .of(zentrel.plan.Kind.PORT.id("rockery-node.p3"))
                        .verdict())
                .isEqualTo(zentrel.path.Verdict.PASSES);
    }

    /** A rig that is described from nothing has no universes yet. */
    @Test
    void aRunOfUniversesThatAreNotThereIsMade() {
        Plan routed = offersOf("route u24-u25 hut desk to rockery node");
        assertThat(routed.universes())
                .extracting(Universe::number)
                .contains(24, 25)
                .doesNotHaveDuplicates();
        assertThat(zentrel.check.Check.run(routed).isBroken()).isFalse();
        for (String port : List.of("rockery-node.p3", "rockery-node.p4")) {
            assertThat(new zentrel.path.SignalPaths(routed)
                            .of(zentrel.plan.Kind.PORT.id(port))
                            .verdict())
                    .as(port)
                    .isEqualTo(zentrel.path.Verdict.PASSES);
        }
        List<Offer> offers = new Commands(READY, LIBRARY, null).offers("route 24-26 hut desk to rockery node");
        assertThat(offers.get(0).text()).isEqualTo("Route U24–25 of Hut desk to Rockery node, U26 to Glasshouse node");
        Plan both = offers.get(0).work().get().edit().applyTo(READY);
        assertThat(both.index()
                        .port(Kind.PORT.id("glasshouse-node.p3"))
                        .wire()
                        .orElseThrow()
                        .planned())
                .isEqualTo(26);
        assertThatThrownBy(() -> offers.get(1).work().get())
                .hasMessage("Rockery node has 2 free ports, and 3 universes are to go there.");
        assertThatThrownBy(() -> offersOf("route 5-99 hut to pergola"))
                .hasMessage("Pergola controller has no free port, and 95 universes are to go there.");
        assertThatThrownBy(() -> offersOf("route 70000 hut desk to rockery node"))
                .hasMessage("Rockery node receives no universe 70000.");
        assertThatThrownBy(() -> offersOf("route 0 hut desk to rockery node")).hasMessageContaining("from 1");
    }

    @Test
    void tooManyFixturesAreRefusedWithTheRoomThereIs() {
        Offer offer = new Commands(READY, LIBRARY, null)
                .offers("patch 99 wash of 18 on boathouse")
                .get(0);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> offer.work().get())
                .hasMessageContaining(" more of 18 slots after slot ")
                .hasMessageEndingWith(", and 99 were asked for.");
    }

    @Test
    void whatIsSelectedIsMeantWhereNothingIsNamed() {
        Id<?> selected = Kind.HOST.id("orchard-node");
        assertThat(new Commands(READY, LIBRARY, selected)
                        .offers("duplicate")
                        .get(0)
                        .text())
                .isEqualTo("Duplicate Orchard node");
        assertThat(new Commands(READY, LIBRARY, selected)
                        .offers("route hut to")
                        .get(0)
                        .text())
                .isEqualTo("Route Hut desk to Orchard node, Port 3 (U25)");
        assertThat(new Commands(READY, LIBRARY, selected)
                        .offers("patch 2 spot")
                        .get(0)
                        .text())
                .startsWith("Patch 2 spot of 16 slots on Orchard ");
    }

    @Test
    void whatIsSaidOfNewGearIsDone() {
        Plan made = offersOf("3 node 4 called Reed node in Reed bed on control at 10.42.7.7");
        assertThat(made.hosts().subList(20, 23)).allSatisfy(h -> {
            assertThat(h.place()).isEqualTo("Reed bed");
            assertThat(made.index().name(h.adapters().get(0).segment().orElseThrow()))
                    .isEqualTo("Control");
        });
        assertThat(made.hosts().subList(20, 23))
                .extracting(h ->
                        h.name() + " " + h.adapters().get(0).addresses().get(0).inForce())
                .containsExactly("Reed node 1 10.42.7.7/16", "Reed node 2 10.42.7.8/16", "Reed node 3 10.42.7.9/16");
        assertThatThrownBy(() -> offersOf("node 4 at 10.42.7")).hasMessageContaining("is not an address");
        assertThatThrownBy(() -> offersOf("node 4 on moon")).hasMessage("There is no segment called moon.");
        assertThatThrownBy(() -> offersOf("9 node 4 at 10.41.255.250/16")).hasMessageContaining("the range holds no 9");
    }

    /** The radio of an access point passes on what its socket hears, and has no address of its own. */
    @Test
    void anAccessPointHasOneAddress() {
        Plan plan = offersOf("wifi");
        Host made = plan.hosts().get(plan.hosts().size() - 1);
        assertThat(made.adapters())
                .extracting(a -> a.name() + " " + a.addresses().size())
                .containsExactly("Network 1", "Radio 0");
        Id<Segment> segment = made.adapters().get(1).segment().orElseThrow();
        assertThat(AddressAllocation.of(plan, List.of(segment), new Scheme.ByKind(0), true, Optional.empty())
                        .readdressing()
                        .changes())
                .extracting(AddressChange.Change::adapter)
                .contains(made.adapters().get(0).id())
                .doesNotContain(made.adapters().get(1).id());
    }

    private static Plan offersOf(String line) {
        return new Commands(READY, LIBRARY, null)
                .offers(line)
                .get(0)
                .work()
                .get()
                .edit()
                .applyTo(READY);
    }

    private static Plan after(Plan plan, String line) {
        return new Commands(plan, LIBRARY, null)
                .offers(line)
                .get(0)
                .work()
                .get()
                .edit()
                .applyTo(plan);
    }

    @Test
    void anAdapterIsAddedAndItsFieldsAreSetByWords() {
        Plan plan = after(READY, "adapter Show Wi-Fi on cue computer");
        plan = after(plan, "set addresses of show wi-fi to 10.42.1.77/16, 10.60.0.7/16 dhcp");
        plan = after(plan, "rename show wi-fi to Stage Wi-Fi");
        assertThat(plan.all(Kind.ADAPTER))
                .filteredOn(a -> a.name().equals("Stage Wi-Fi"))
                .singleElement()
                .satisfies(a -> {
                    assertThat(a.kind()).isEqualTo(AdapterKind.WIRELESS);
                    assertThat(a.addresses())
                            .extracting(x -> x.inForce() + " " + x.origin())
                            .containsExactly("10.42.1.77/16 MANUAL", "10.60.0.7/16 DHCP");
                });
        assertThat(after(plan, "remove stage wi-fi").all(Kind.ADAPTER))
                .hasSize(READY.all(Kind.ADAPTER).size());
    }

    @Test
    void aNameAndAValueMayHoldToAndWhatNoFieldTakesIsRefusedWithItsReason() {
        String link = READY.index().name(Kind.LINK.id("go-link"));
        Plan renamed = READY.with(Kind.LINK.id("go-link"), l -> l.withName("Cue to desk"));
        assertThat(link).isNotBlank();
        Plan set = after(renamed, "set port of cue to desk to 24777");
        assertThat(set.index().get(Kind.LINK.id("go-link")).port().inForce()).isEqualTo(24777);
        assertThat(offers("set slots of 101 to U3 slots 201 to 212")).isNotEmpty();
        assertThatThrownBy(() -> after(READY, "set priority of hut desk u10 to 900"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("from 0 to 200");
    }
}
