package zentrel.gear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.command.Commands;
import zentrel.command.Offer;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFileException;
import zentrel.file.PlanReader;
import zentrel.file.PlanWriter;
import zentrel.file.ProfileFile;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.path.words.PathWords;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.Profile;
import zentrel.profile.Protocol;
import zentrel.table.LeftOut;

class GearTest {
    private static final Library LIBRARY = Library.shipped();

    /** Does the first thing that a line offers. */
    private static Plan say(Plan plan, String line) {
        List<Offer> offers = new Commands(plan, LIBRARY, null).offers(line);
        assertThat(offers).as("what \"%s\" could mean", line).isNotEmpty();
        return offers.get(0).work().get().edit().applyTo(plan);
    }

    private static void opensAgain(Plan plan) {
        try {
            assertThat(PlanReader.read(PlanWriter.write(LoadedPlan.of(plan))).plan())
                    .isEqualTo(plan);
        } catch (PlanFileException e) {
            throw new AssertionError(e.getMessage(), e);
        }
    }

    // --- the library ---

    @Test
    void twoDozenProfilesShipAndFollowTheirSchema() throws IOException, PlanFileException {
        assertThat(LIBRARY.profiles()).hasSizeGreaterThanOrEqualTo(24);
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(Path.of("..", "docs", "profile.schema.json")), InputFormat.JSON);
        for (Profile profile : LIBRARY.profiles()) {
            String file = new String(ProfileFile.write(profile), StandardCharsets.UTF_8);
            assertThat(schema.validate(file, InputFormat.JSON)).as(profile.id()).isEmpty();
            assertThat(ProfileFile.read(file.getBytes(StandardCharsets.UTF_8))).isEqualTo(profile);
            assertThat(profile.summary()).as(profile.id()).endsWith(".");
        }
    }

    @Test
    void oneBoxOfEveryProfileGivesAPlanThatOpensAndHasNothingBroken() {
        Plan plan = Plan.EMPTY;
        for (Profile profile : LIBRARY.profiles()) {
            plan = DeviceFactory.boxes(plan, LIBRARY, profile, 2, "", "Store")
                    .edit()
                    .applyTo(plan);
        }
        opensAgain(plan);
        assertThat(Check.run(plan).isBroken()).isFalse();
        assertThat(plan.profiles())
                .hasSizeGreaterThanOrEqualTo(LIBRARY.profiles().size());
        assertThat(plan.hosts()).extracting(Host::name).doesNotHaveDuplicates();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"zentrel-profile\":1}|\"id\" is missing",
                "{\"id\":\"a\"}|\"zentrel-profile\" is missing",
                "{\"zentrel-profile\":1,\"id\":\"a\",\"clashes\":[[\"PoE\",\"USB\"]]}|\"PoE\" clashes, and there is no supply of that name",
                "{\"zentrel-profile\":1,\"id\":\"a\",\"clashes\":[[\"PoE\"]]}|two supplies clash with each other, and here are 1",
                "{\"zentrel-profile\":1,\"id\":\"a\",\"direct\":[\"X\"]}|there is no adapter of that name",
                "{\"zentrel-profile\":1,\"id\":\"a\",\"software\":true,\"adapters\":[{\"name\":\"N\"}]}|Software has no adapters of its own",
                "{\"zentrel-profile\":1,\"id\":\"a\",\"applications\":[{\"limits\":[{\"protocol\":\"sacn\",\"universes\":-1}]}]}|a number from 0 to 100000 belongs here, not -1",
                "{\"zentrel-profile\":1,\"id\":\"a\",\"applications\":[{\"ports\":[{\"count\":0}]}]}|a number from 1 to 4096",
                "{\"zentrel-profile\":1,\"id\":\"a\",\"steps\":[{\"of\":[\"colour\"],\"does\":\"x\"}]}|A step is about address",
                "{\"zentrel-profile\":1,\"id\":\"a\",\"poe\":{\"perPortWatts\":0,\"totalWatts\":1}}|a number from 0.1",
                "[]|an object"
            })
    void aContradictoryProfileGivesASentence(String json, String expected) {
        assertThatThrownBy(() -> ProfileFile.read(json.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(PlanFileException.class)
                .hasMessageContaining(expected)
                .hasMessageStartingWith("In the profile file");
    }

    @Test
    void theUsersOwnProfilesAndThePlansComeBeforeTheShipped(@TempDir Path folder)
            throws IOException, PlanFileException {
        String own = "{\"zentrel-profile\":1,\"id\":\"house/node-4\",\"name\":\"Our node\",\"x-colour\":\"red\"}";
        Files.writeString(folder.resolve("ours.json"), own);
        Files.writeString(folder.resolve("damaged.json"), "{");
        Library library = LIBRARY.with(folder);
        assertThat(library.find("house/node-4").orElseThrow().name()).isEqualTo("Our node");
        assertThat(library.problems()).singleElement().asString().startsWith("damaged.json: ");
        Plan plan = Plan.EMPTY.withProfile(
                ProfileFile.read(own.replace("Our", "Their").getBytes(StandardCharsets.UTF_8)));
        assertThat(library.with(plan).find("house/node-4").orElseThrow().name()).isEqualTo("Their node");
    }

    // --- words ---

    @Test
    void fromNothingToALitFixtureInFourShortLines() {
        List<String> lines = List.of("compact", "node 4", "route", "patch");
        Plan plan = Plan.EMPTY;
        for (String line : lines) {
            plan = say(plan, line);
        }
        // each line: the key that opens the box, the letters, Enter
        assertThat(lines.stream().mapToInt(l -> l.length() + 2).sum()).isLessThanOrEqualTo(40);
        Fixture fixture = plan.fixtures().get(0);
        assertThat(new SignalPaths(plan).ofFixture(fixture.id()).verdict()).isEqualTo(Verdict.PASSES);
        assertThat(Check.run(plan).findings()).isEmpty();
        opensAgain(plan);
    }

    @Test
    void wordsMeanWhatTheySay() {
        Plan plan = say(Plan.EMPTY, "3 node 4 in Boathouse");
        assertThat(plan.hosts())
                .extracting(Host::name)
                .containsExactly("4-port node 1", "4-port node 2", "4-port node 3");
        assertThat(plan.hosts()).extracting(Host::place).containsOnly("Boathouse");
        assertThat(plan.receivers()).allSatisfy(r -> assertThat(r.ports()).hasSize(4));
        plan = say(plan, "add full console");
        plan = say(plan, "rename full to Hut console");
        plan = say(plan, "route hut to node 2");
        plan = say(plan, "patch 5 wash of 18 on node 2");
        assertThat(plan.fixtures()).extracting(f -> f.breaks().get(0).start()).containsExactly(1, 19, 37, 55, 73);
        assertThat(plan.fixtures()).extracting(Fixture::number).containsExactly("101", "102", "103", "104", "105");
        plan = say(plan, "2 computer");
        plan = say(plan, "install previs on computer 2");
        assertThat(plan.applications()).anyMatch(a -> a.kind() == ApplicationKind.PREVIS);
        plan = say(plan, "show control");
        plan = say(plan, "link cue to hut /evening/next");
        assertThat(plan.links())
                .singleElement()
                .satisfies(l -> assertThat(l.pattern()).isEqualTo("/evening/next"));
        plan = say(plan, "duplicate node 2 2");
        assertThat(plan.hosts()).extracting(Host::name).contains("4-port node 4", "4-port node 5");
        plan = say(plan, "switch poe");
        plan = say(plan, "cable node 1 to switch");
        assertThat(plan.cables()).hasSize(1);
        plan = say(plan, "cable midi show to hut");
        assertThat(plan.cables()).hasSize(2).anyMatch(c -> c.kind() == CableKind.MIDI);
        plan = say(plan, "bind hut to control");
        assertThat(plan.index()
                        .application(Kind.APPLICATION.id("full-console.desk"))
                        .binding(Purpose.SACN_SEND))
                .isEqualTo(Binding.to(Kind.ADAPTER.id("full-console.control")));
        plan = say(plan, "bind hut to stream");
        plan = say(plan, "segment Talk 172.21.8.0/24");
        plan = say(plan, "put node 3 on talk");
        assertThat(plan.index()
                        .adapter(Kind.ADAPTER.id("4-port-node-3.network"))
                        .addresses()
                        .get(0)
                        .inForce()
                        .toString())
                .isEqualTo("172.21.8.1/24");
        plan = say(plan, "remove node 3");
        assertThat(plan.hosts()).extracting(Host::name).doesNotContain("4-port node 3");
        opensAgain(plan);
        assertThat(Check.run(plan).isBroken()).isFalse();
    }

    @Test
    void nonsenseOffersNothingAndNeverThrows() {
        Plan plan = FernlightTrail.draft();
        Random random = new Random(5);
        String letters = "abcdeno rst0123456789/.×@#to on of in";
        for (int i = 0; i < 2000; i++) {
            StringBuilder line =
                    new StringBuilder(List.of("", "route ", "patch ", "cable ", "duplicate ", "segment ", "link ")
                            .get(random.nextInt(7)));
            for (int n = random.nextInt(14); n > 0; n--) {
                line.append(letters.charAt(random.nextInt(letters.length())));
            }
            for (Offer offer : new Commands(plan, LIBRARY, null).offers(line.toString())) {
                assertThat(offer.text()).isNotBlank();
            }
        }
        assertThat(new Commands(plan, LIBRARY, null).offers("zzzz qq")).isEmpty();
    }

    @Test
    void whatDoesNotFitIsRefusedInASentence() {
        Plan plan = say(say(say(Plan.EMPTY, "compact"), "node 1"), "route");
        Line line = plan.lines().get(0);
        assertThatThrownBy(() -> FixturePatcher.patch(plan, line, 33, 16, "wash", 1))
                .hasMessage("U1 has room for 32 more of 16 slots after slot 0, and 33 were asked for.");
        assertThatThrownBy(() ->
                        DeviceFactory.boxes(plan, LIBRARY, LIBRARY.profiles().get(0), 2001, "", ""))
                .hasMessage("Add 1 to 2000 at a time, not 2001.");
        Edit late = Connections.segment(plan, "Late", Subnet24.of("10.9.8.0/24"));
        assertThatThrownBy(() -> late.applyTo(plan.withName("Another")))
                .hasMessageContaining("The plan has changed since");
    }

    /** Short for a subnet in this test. */
    private static final class Subnet24 {
        static zentrel.ipv4.Subnet of(String text) {
            return zentrel.ipv4.Subnet.parse(text);
        }
    }

    // --- sources that are no consoles on a network ---

    @Test
    void aPlaybackControllerLightsItsOwnConnectorsWithoutANetwork() {
        Plan plan = say(say(Plan.EMPTY, "playback"), "route playback to playback");
        plan = say(plan, "patch");
        assertThat(plan.streams().get(0).protocol()).isEqualTo(Protocol.DMX);
        var path = new SignalPaths(plan)
                .ofFixture(plan.fixtures().get(0).id())
                .paths()
                .get(0);
        assertThat(path.verdict()).isEqualTo(Verdict.PASSES);
        assertThat(path.hops()
                        .filter(h -> h.verdict() == Verdict.NOT_APPLICABLE)
                        .map(h -> h.kind().number()))
                .as("no network")
                .containsExactly(2, 3, 4, 5, 6, 7);
        opensAgain(plan);
    }

    @Test
    void aUsbInterfaceNeedsItsCable() {
        Plan plan = say(say(say(Plan.EMPTY, "console software"), "usb 2"), "route software to usb");
        plan = say(plan, "patch");
        Id<Fixture> fixture = plan.fixtures().get(0).id();
        assertThat(new SignalPaths(plan).ofFixture(fixture).verdict()).isEqualTo(Verdict.NOT_KNOWN);
        Host computer = plan.hosts().stream()
                .filter(h -> h.kind() == HostKind.COMPUTER)
                .findFirst()
                .orElseThrow();
        Host usb = plan.hosts().stream()
                .filter(h -> h.kind() == HostKind.OTHER)
                .findFirst()
                .orElseThrow();
        plan = Connections.cable(plan, CableKind.USB, computer.id(), usb.id()).applyTo(plan);
        assertThat(new SignalPaths(plan).ofFixture(fixture).verdict()).isEqualTo(Verdict.PASSES);
        plan = plan.with(plan.cables().get(0).id(), c -> c.withConnected(false));
        var hop = new SignalPaths(plan)
                .ofFixture(fixture)
                .paths()
                .get(0)
                .decisive()
                .orElseThrow();
        assertThat(hop.kind().number()).isEqualTo(5);
        assertThat(new PathWords(plan.index()).text(hop)).contains("is not plugged in. Plug it in.");
    }

    @Test
    void whatABridgePassesOnHasALegBeforeIt() {
        Plan plan = Plan.EMPTY;
        for (String line :
                List.of("full console", "bridge", "node 4", "route full to bridge", "route bridge to node", "patch")) {
            plan = say(plan, line);
        }
        var path = new SignalPaths(plan)
                .ofFixture(plan.fixtures().get(0).id())
                .paths()
                .get(0);
        assertThat(path.legs()).hasSize(2);
        assertThat(path.verdict()).isEqualTo(Verdict.PASSES);
        assertThat(path.source().map(plan.index()::name)).contains("Full console");
        assertThat(path.protocol()).isEqualTo("artnet");
        assertThat(Check.run(plan).findings()).isEmpty();
        Plan silent = plan.with(plan.streams().get(0).id(), s -> s.withEnabled(false));
        var dark = new SignalPaths(silent)
                .ofFixture(plan.fixtures().get(0).id())
                .paths()
                .get(0);
        assertThat(dark.verdict()).as("nothing comes to the bridge").isEqualTo(Verdict.BROKEN);
        assertThat(dark.legs().get(0).hops().get(0).verdict()).isEqualTo(Verdict.BROKEN);
    }

    @Test
    void aBreakInAChainDarkensWhatIsBehindItAndNothingElse() {
        Plan plan = Plan.EMPTY;
        for (String line : List.of("full console", "switch unmanaged", "3 pixel 9")) {
            List<Offer> offers = new Commands(plan, LIBRARY, null).offers(line);
            plan = offers.isEmpty() ? plan : offers.get(0).work().get().edit().applyTo(plan);
        }
        for (Receiver r : List.copyOf(plan.receivers())) {
            if (r.name().startsWith("Pixel")) {
                plan = UniverseRoutes.route(
                                plan,
                                plan.applications().get(0),
                                r.ports().subList(0, 1),
                                UniverseRoutes.nextUniverse(plan))
                        .applyTo(plan);
            }
        }
        List<Host> boxes = plan.hosts();
        Id<Adapter> console = boxes.get(0).adapters().get(0).id();
        List<Id<Adapter>> chain = boxes.stream()
                .filter(h -> h.kind() == HostKind.PIXEL_CONTROLLER)
                .map(h -> h.adapters().get(0).id())
                .toList();
        Id<Host> hub = boxes.get(1).id();
        plan = Connections.cable(plan, CableKind.NETWORK, console, hub).applyTo(plan);
        plan = Connections.cable(plan, CableKind.NETWORK, hub, chain.get(0)).applyTo(plan);
        plan = Connections.cable(plan, CableKind.NETWORK, chain.get(0), chain.get(1))
                .applyTo(plan);
        plan = Connections.cable(plan, CableKind.NETWORK, chain.get(1), chain.get(2))
                .applyTo(plan);
        assertThat(Check.run(plan).findings()).isEmpty();

        Plan cut = plan.with(plan.cables().get(2).id(), c -> c.withConnected(false));
        assertThat(Check.run(cut).findings()).singleElement().satisfies(f -> {
            assertThat(f.id())
                    .isEqualTo("adapter.unplugged@" + cut.cables().get(2).id().value());
            assertThat(f.hop().orElseThrow().number()).isEqualTo(5);
            assertThat(f.text()).contains("1 more signal is affected");
        });
        Plan off = plan.with(
                plan.index().hostOf(chain.get(0)).id(),
                h -> h.withPower(h.power().withOn(false)));
        var report = Check.run(off);
        assertThat(report.findings())
                .singleElement()
                .satisfies(f -> assertThat(f.rule()).isEqualTo("power.off"));
        assertThat(report.signalPaths().all()).allMatch(p -> p.verdict() == Verdict.BROKEN);
        assertThat(zentrel.check.Fixes.proven(report, report.findings().get(0))).isNotEmpty();
    }

    // --- pasting ---

    @Test
    void rowsOfASpreadsheetBecomeGearAndBadOnesAreNamed() {
        String table = String.join(
                "\r\n",
                "Label\tType\tWhere\tIP\tMask",
                "Boathouse 1\tnode 4\tBoathouse\t10.41.22.3\t255.255.0.0",
                "\t\t\t\t",
                "Boathouse 2\tnode\u00A04\tBoathouse\t 10.41.22.4 \t/16",
                "Typo\tnode 4\tJetty\t10.41.22.256\t255.255.0.0",
                "Zeros\tnode 4\tJetty\t010.041.022.005\t",
                "Twice\tnode 4\tJetty\t10.41.22.3\t255.255.0.0",
                "Odd mask\tnode 4\tJetty\t10.41.22.9\t255.0.255.0",
                "What\tflux thing\tJetty\t\t",
                "Nothing\t\tJetty\t\t",
                "Short\tfull console",
                "");
        GearImport pasting = GearImport.of(Plan.EMPTY, LIBRARY, table);
        Plan plan = pasting.edit().applyTo(Plan.EMPTY);
        assertThat(plan.hosts()).extracting(Host::name).containsExactly("Boathouse 1", "Boathouse 2", "Short");
        assertThat(plan.hosts()
                        .get(1)
                        .adapters()
                        .get(0)
                        .addresses()
                        .get(0)
                        .inForce()
                        .toString())
                .isEqualTo("10.41.22.4/16");
        assertThat(pasting.made()).isEqualTo(3);
        assertThat(pasting.leftOut()).extracting(LeftOut::row).containsExactly(5L, 6L, 7L, 8L, 9L, 10L);
        assertThat(pasting.leftOut().get(2).text()).isEqualTo("Row 7: 10.41.22.3 stands in an earlier row already");
        assertThat(pasting.leftOut().get(4).text()).isEqualTo("Row 9: no profile is called \"flux thing\"");
        assertThat(pasting.columns())
                .containsExactly(
                        "column 1: name", "column 2: type", "column 3: place", "column 4: address", "column 5: mask");
        opensAgain(plan);
    }

    @Test
    void withoutHeadingsTheColumnsAreToldByWhatStandsInThem() {
        GearImport pasting = GearImport.of(
                Plan.EMPTY, LIBRARY, "West;node 4;10.9.0.1;255.255.0.0\nEast;node 1;10.9.0.2;255.255.0.0\n");
        assertThat(pasting.columns())
                .containsExactly("column 1: name", "column 2: type", "column 3: address", "column 4: mask");
        assertThat(pasting.made()).isEqualTo(2);
        assertThatThrownBy(() -> GearImport.of(Plan.EMPTY, LIBRARY, "a,b\nc,d\n"))
                .hasMessageContaining("No column says");
        assertThatThrownBy(() -> GearImport.of(Plan.EMPTY, LIBRARY, "")).hasMessage("There are no rows to paste.");
    }

    @Test
    void anyPastedTextGivesAPlanOrASentence() {
        String letters = "node 4\t;,\"\n\r.0123456789/typeaddress\u0000é";
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            StringBuilder text = new StringBuilder(random.nextBoolean() ? "type;address\n" : "");
            for (int n = random.nextInt(200); n > 0; n--) {
                text.append(letters.charAt(random.nextInt(letters.length())));
            }
            try {
                GearImport pasting = GearImport.of(Plan.EMPTY, LIBRARY, text.toString());
                opensAgain(pasting.edit().applyTo(Plan.EMPTY));
            } catch (IllegalArgumentException e) {
                assertThat(e.getMessage()).as("seed %d", seed).isNotBlank();
            }
        }
    }

    // --- removing and duplicating ---

    @Test
    void whateverIsRemovedLeavesAPlanThatOpens() {
        for (Plan start : List.of(TestPlans.pier(), FernlightTrail.draft(), FernlightTrail.ready())) {
            List<Id<?>> all = new ArrayList<>(start.index().ids());
            all.sort(java.util.Comparator.comparing(Id::value));
            for (int seed = 0; seed < 60; seed++) {
                Random random = new Random(seed);
                List<Id<?>> some = new ArrayList<>();
                for (int i = 1 + random.nextInt(3); i > 0; i--) {
                    some.add(all.get(random.nextInt(all.size())));
                }
                PlanRemoval removing = PlanRemoval.of(start, new HashSet<>(some));
                Plan after = removing.edit().applyTo(start);
                opensAgain(after);
                for (Id<?> id : some) {
                    assertThat(after.index().find(id)).as("%s is gone", id).isEmpty();
                }
                for (Id<?> id : removing.also()) {
                    assertThat(after.index().find(id))
                            .as("%s went with %s", id, some)
                            .isEmpty();
                }
            }
        }
    }

    @Test
    void whatGoesWithAThingIsSaid() {
        assertThat(PlanRemoval.of(TestPlans.pier(), List.of(Kind.HOST.id("node-a")))
                        .alsoInWords())
                .isEqualTo("1 adapter, 1 program, 1 receiver, 2 ports, 2 lines, 1 cable, 2 pixel outputs");
    }

    @Test
    void copiesCountOnAndHarmNothing() {
        Plan pier = TestPlans.pier();
        GearEdit made = DeviceCopies.of(pier, List.of(Kind.HOST.id("node-a"), Kind.HOST.id("node-b")), 3);
        Plan after = made.edit().applyTo(pier);
        assertThat(made.hosts()).hasSize(6);
        assertThat(after.hosts())
                .extracting(Host::name)
                .doesNotHaveDuplicates()
                .contains("Node A 2", "Node A 4", "Node B 3");
        assertThat(Check.run(after).findings()).isEmpty();
        List<String> addresses = after.hosts().stream()
                .flatMap(h -> h.adapters().stream())
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.inForce().address().toString())
                .toList();
        assertThat(addresses).doesNotHaveDuplicates();
        opensAgain(after);
        assertThat(Optional.of("Row 009").map(Names::next)).contains("Row 010");
    }
}
