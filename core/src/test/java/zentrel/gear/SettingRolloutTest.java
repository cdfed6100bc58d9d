package zentrel.gear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Severity;
import zentrel.command.Commands;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFileException;
import zentrel.file.PlanReader;
import zentrel.file.PlanWriter;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.path.words.PathWords;
import zentrel.plan.*;
import zentrel.profile.HostKind;

/** From planned to typed in to in force, and what keeps a copy of what changed. */
class SettingRolloutTest {
    private static final Library LIBRARY = Library.shipped();

    private static Plan rig() {
        Plan plan = Plan.EMPTY;
        for (String line :
                List.of("full console", "pixel 9", "route full to pixel", "show control", "link cue to full /go")) {
            plan = new Commands(plan, LIBRARY, null)
                    .offers(line)
                    .get(0)
                    .work()
                    .get()
                    .edit()
                    .applyTo(plan);
        }
        return plan;
    }

    private static Host controller(Plan plan) {
        return plan.hosts().stream()
                .filter(h -> h.kind() == HostKind.PIXEL_CONTROLLER)
                .findFirst()
                .orElseThrow();
    }

    private static Plan planning(Plan plan, Id<Adapter> adapter, String address) {
        return plan.with(
                adapter,
                a -> a.withAddress(
                        0,
                        new AdapterAddress(
                                a.addresses().get(0).address().planning(HostAddress.parse(address)),
                                AddressOrigin.MANUAL)));
    }

    private static HostAddress inForce(Plan plan, Id<Adapter> adapter) {
        return plan.index().adapter(adapter).addresses().get(0).inForce();
    }

    @Test
    void anAddressIsInForceAfterItWasTypedInAndTheBoxRestartedTwice() throws PlanFileException {
        Plan plan = rig();
        Id<Host> box = controller(plan).id();
        Id<Adapter> adapter = controller(plan).adapters().get(0).id();
        HostAddress before = inForce(plan, adapter);
        plan = planning(plan, adapter, "10.58.0.77/16");
        SettingRollout applying = SettingRollout.of(plan, box);
        assertThat(applying.waiting().values()).containsExactly("address");
        assertThat(applying.steps()).isEmpty();

        plan = SettingRollout.typeIn(plan, box, applying.waiting().keySet()).applyTo(plan);
        applying = SettingRollout.of(plan, box);
        assertThat(inForce(plan, adapter)).as("typed in is not in force").isEqualTo(before);
        assertThat(applying.waiting()).isEmpty();
        assertThat(applying.steps()).singleElement().satisfies(s -> {
            assertThat(s.times()).isEqualTo(2);
            assertThat(s.does()).isEqualTo("Restart it");
        });
        assertThat(applying.seconds()).isEqualTo(40);
        Plan again = PlanReader.read(PlanWriter.write(LoadedPlan.of(plan))).plan();
        assertThat(again).as("the file keeps what is typed in").isEqualTo(plan);

        plan = SettingRollout.carriedOut(plan, box).applyTo(plan);
        assertThat(inForce(plan, adapter)).hasToString("10.58.0.77/16");
        assertThat(SettingRollout.of(plan, box).entered()).isEmpty();
        assertThat(Check.run(plan).isBroken()).isFalse();
    }

    @Test
    void whatNeedsNoStepIsInForceAsSoonAsItIsTypedIn() {
        Plan plan = rig();
        Host computer = plan.hosts().stream()
                .filter(h -> h.kind() == HostKind.COMPUTER)
                .findFirst()
                .orElseThrow();
        Id<Adapter> adapter = computer.adapters().get(0).id();
        plan = planning(plan, adapter, "10.58.0.99/16");
        plan = SettingRollout.typeIn(
                        plan,
                        computer.id(),
                        SettingRollout.of(plan, computer.id()).waiting().keySet())
                .applyTo(plan);
        assertThat(inForce(plan, adapter)).hasToString("10.58.0.99/16");
    }

    @Test
    void thePathUsesWhatIsInForceAndSaysWhatIsMerelyPlanned() {
        Plan plan = rig();
        Port port = plan.index()
                .receiversOf(plan.index()
                        .applicationsOn(controller(plan).id())
                        .get(0)
                        .id())
                .get(0)
                .ports()
                .get(0);
        int sent = port.wire().orElseThrow().inForce();
        plan = plan.with(port.id(), p -> p.withWire(new Setting<>(sent, sent + 1)));
        var path = new SignalPaths(plan).of(port.id()).paths().get(0);
        assertThat(path.verdict()).isEqualTo(Verdict.BROKEN);
        assertThat(new PathWords(plan.index()).text(path.decisive().orElseThrow()))
                .contains(sent + " is planned, not in force");
    }

    @Test
    void everyPlaceThatKeepsTheOldAddressIsNamedWithItsStep() {
        Plan plan = rig();
        Host console = plan.hosts().get(0);
        Id<Adapter> adapter = console.adapters().get(0).id();
        Ipv4Address old = plan.links().get(0).destination().inForce();
        Ipv4Address now = Ipv4Address.parse("10.58.9.9");
        plan = plan.with(
                Kind.COPY,
                List.of(new TypedCopy(
                        Kind.COPY.id("memo"),
                        "remembered console",
                        plan.applications().get(2).id(),
                        adapter,
                        Setting.of(old.toString()))));
        List<CopiedPlace> places = CopiedPlace.keeping(plan, console.id(), old, now);
        assertThat(places).extracting(CopiedPlace::where).hasSize(2).anyMatch(w -> w.startsWith("the target of "));
        Plan moved = plan.with(
                adapter,
                a -> a.withAddress(0, new AdapterAddress(Setting.of(new HostAddress(now, 16)), AddressOrigin.MANUAL)));
        assertThat(Check.run(moved).isBroken()).isTrue();
        Plan followed = CopiedPlace.all(places, now).applyTo(moved);
        assertThat(Check.run(followed).findings()).isEmpty();
        assertThat(CopiedPlace.keeping(followed, console.id(), old, now)).isEmpty();
    }

    /** The demo with a port's number and a program's OSC port typed in at yet another place. */
    private static final Plan DEMO = FernlightTrail.ready();

    private static Plan withCopies(TypedCopy... more) {
        List<TypedCopy> copies = new ArrayList<>(DEMO.copies());
        copies.addAll(List.of(more));
        return DEMO.with(Kind.COPY, copies);
    }

    @Test
    void theNumberOfAPortNamesBothEndsAndEveryNote() {
        Id<Port> port = Kind.PORT.id("boathouse-node.p1");
        Plan plan = withCopies(new TypedCopy(
                Kind.COPY.id("note"), "patch note", Kind.APPLICATION.id("previs"), port, Setting.of("4")));
        SettingChange change = SettingChange.wire(plan, port, 14);
        assertThat(change.before() + " " + change.after()).isEqualTo("Art-Net 4 Art-Net 14");
        assertThat(change.places())
                .extracting(CopiedPlace::where)
                .hasSize(4)
                .contains(
                        "Hut desk's U5 by Art-Net, which is sent as 4",
                        "Backup desk's U5 by Art-Net, which is sent as 4",
                        "patch note in previs");
        Plan alone = change.change().applyTo(plan);
        assertThat(Check.run(alone).isBroken()).as("the port alone").isTrue();
        Plan all = CopiedPlace.all(change.places(), 14).applyTo(alone);
        assertThat(Check.run(all).findings())
                .as("all of them")
                .isEqualTo(Check.run(DEMO).findings());
    }

    @Test
    void theOscPortOfAProgramNamesEveryLinkToIt() {
        SettingChange change = SettingChange.oscPort(DEMO, Kind.APPLICATION.id("hut-desk"), 24611);
        assertThat(change.places()).extracting(p -> p.at().value()).containsExactly("go-link", "tablet-link");
        Plan all =
                CopiedPlace.all(change.places(), 24611).applyTo(change.change().applyTo(DEMO));
        assertThat(Check.run(all).findings()).isEqualTo(Check.run(DEMO).findings());
        assertThatThrownBy(() -> SettingChange.oscPort(DEMO, Kind.APPLICATION.id("hut-desk"), 70_000))
                .hasMessage("A UDP port is 1 to 65535, not 70000.");
        assertThatThrownBy(() -> SettingChange.wire(DEMO, Kind.PORT.id("boathouse-node.p1"), 32_768))
                .hasMessage("Art-Net has no universe 32768.");
    }

    @Test
    void aNameIsAlsoPrintedOnLabelsOfTheBoxAndItsCables() {
        Id<Host> pergola = Kind.HOST.id("pergola-controller");
        Plan plan = Connections.cable(
                        DEMO,
                        CableKind.NETWORK,
                        DEMO.index().host(pergola).adapters().get(0).id(),
                        Kind.HOST.id("boathouse-switch"))
                .applyTo(DEMO);
        SettingChange change = SettingChange.name(plan, pergola, "Tunnel controller");
        assertThat(change.places())
                .extracting(CopiedPlace::where)
                .containsExactly(
                        "name label printed on Pergola controller",
                        "the label of the cable Network adapter of Pergola controller to Boathouse switch");
        Plan renamed = change.change().applyTo(plan);
        assertThat(Check.run(renamed).findings())
                .as("a label that misleads is a note, and says what to print")
                .anySatisfy(f -> {
                    assertThat(f.severity()).isEqualTo(Severity.NOTE);
                    assertThat(f.text()).contains("says Pergola controller").contains("Print Tunnel controller");
                });
        Plan all = CopiedPlace.all(change.places(), "Tunnel controller").applyTo(renamed);
        assertThat(Check.run(all).findings()).isEqualTo(Check.run(plan).findings());
        assertThat(all.cables().get(0).name()).contains("Tunnel controller");
    }

    /** Whatever is only planned changes nothing that is in force; ticked off everywhere it is as if set at once. */
    @ParameterizedTest
    @ValueSource(strings = {"boathouse-node.p1/104", "pergola.o3/900", "rockery-node.p2/77", "bridge-node.p1/0"})
    void whatIsOnlyPlannedChangesNothingUntilItIsTickedOff(String change) {
        Id<Port> port = Kind.PORT.id(change.substring(0, change.indexOf('/')));
        SettingChange changing =
                SettingChange.wire(DEMO, port, Integer.parseInt(change.substring(change.indexOf('/') + 1)));
        Plan planned = changing.later().applyTo(DEMO);
        for (CopiedPlace place : changing.places()) {
            planned = SettingRollout.onlyPlanned(place.follow()).applyTo(planned);
        }
        assertThat(planned).isNotEqualTo(DEMO);
        assertThat(Check.run(planned).findings()).isEqualTo(Check.run(DEMO).findings());
        Plan done = planned;
        for (Host host : DEMO.hosts()) {
            done = SettingRollout.typeIn(
                            done,
                            host.id(),
                            SettingRollout.of(done, host.id()).waiting().keySet())
                    .applyTo(done);
            done = SettingRollout.carriedOut(done, host.id()).applyTo(done);
        }
        assertThat(done)
                .isEqualTo(CopiedPlace.all(changing.places(), "")
                        .applyTo(changing.change().applyTo(DEMO)));
    }

    /** No setting of the plan is forgotten: what a device has to be told can be ticked off, wherever the plan keeps it. */
    @Test
    void everySettingOfThePlanIsMadeOnSomeBox() throws Exception {
        Plan ready = FernlightTrail.ready();
        Id<ControlLink> cue = ready.links().get(0).id();
        Plan rare = ready.with(
                        Kind.ADAPTER.id("visitor-router.visitors"),
                        a -> a.withServes(Optional.of(new DhcpServer(
                                        new Setting<>(true, false),
                                        Ipv4Address.parse("172.23.64.50"),
                                        Ipv4Address.parse("172.23.64.90"))))
                                .withPlug(a.plug().withVlan(Optional.of(new Setting<>(4, 5)))))
                .with(
                        Kind.HOST.id("office-computer"),
                        h -> h.withFirewall(new Firewall(new Setting<>(true, false), Set.of())))
                .with(cue, l -> l.withAnswerPort(8001));
        for (Plan plan : List.of(TestPlans.pier(), rare)) {
            Set<Object> there = Collections.newSetFromMap(new IdentityHashMap<>());
            for (List<?> shelf : List.of(
                    plan.hosts(),
                    plan.applications(),
                    plan.streams(),
                    plan.receivers(),
                    plan.links(),
                    plan.attachments(),
                    plan.copies())) {
                settings(shelf, there);
            }
            Set<Object> seen = Collections.newSetFromMap(new IdentityHashMap<>());
            for (Host host : plan.hosts()) {
                Plan same = HostSettings.changed(plan, host.id(), new HostSettings.Change() {
                    @Override
                    public <T> Setting<T> of(String key, String subject, Setting<T> setting) {
                        seen.add(setting);
                        return setting;
                    }
                });
                assertThat(same).isEqualTo(plan);
            }
            assertThat(seen).hasSizeGreaterThan(50);
            there.removeIf(seen::contains); // by identity: two settings may be equal
            assertThat(there).isEmpty();
        }
    }

    private static void settings(Object value, Set<Object> found) throws ReflectiveOperationException {
        if (value instanceof Setting<?>) {
            found.add(value);
        } else if (value instanceof Collection<?> many) {
            for (Object one : many) {
                settings(one, found);
            }
        } else if (value instanceof Map<?, ?> map) {
            settings(map.values(), found);
        } else if (value instanceof Optional<?> maybe && maybe.isPresent()) {
            settings(maybe.get(), found);
        } else if (value instanceof Record record) {
            for (RecordComponent component : record.getClass().getRecordComponents()) {
                settings(component.getAccessor().invoke(record), found);
            }
        }
    }
}
