package zentrel.gear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import zentrel.check.Check;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFileException;
import zentrel.file.PlanReader;
import zentrel.file.PlanWriter;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;

/** From planned to typed in to in force, and what keeps a copy of what changed. */
class ApplyingTest {
    private static final Library LIBRARY = Library.shipped();

    private static Plan rig() {
        Plan plan = Plan.EMPTY;
        for (String line :
                List.of("full console", "pixel 9", "route full to pixel", "show control", "link cue to full /go")) {
            plan = new Wording(plan, LIBRARY, null)
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

    private static Plan planning(Plan plan, AdapterId adapter, String address) {
        return plan.withAdapter(
                adapter,
                a -> a.withAddress(
                        0,
                        new AdapterAddress(
                                a.addresses().get(0).address().planning(HostAddress.parse(address)),
                                AddressOrigin.MANUAL)));
    }

    private static HostAddress inForce(Plan plan, AdapterId adapter) {
        return plan.index().adapter(adapter).addresses().get(0).inForce();
    }

    @Test
    void anAddressIsInForceAfterItWasTypedInAndTheBoxRestartedTwice() throws PlanFileException {
        Plan plan = rig();
        HostId box = controller(plan).id();
        AdapterId adapter = controller(plan).adapters().get(0).id();
        HostAddress before = inForce(plan, adapter);
        plan = planning(plan, adapter, "10.58.0.77/16");
        Applying applying = Applying.of(plan, box);
        assertThat(applying.waiting().values()).containsExactly("address");
        assertThat(applying.steps()).isEmpty();

        plan = Applying.typeIn(plan, box, applying.waiting().keySet()).applyTo(plan);
        applying = Applying.of(plan, box);
        assertThat(inForce(plan, adapter)).as("typed in is not in force").isEqualTo(before);
        assertThat(applying.waiting()).isEmpty();
        assertThat(applying.steps()).singleElement().satisfies(s -> {
            assertThat(s.times()).isEqualTo(2);
            assertThat(s.does()).isEqualTo("Restart it");
        });
        assertThat(applying.seconds()).isEqualTo(40);
        Plan again = PlanReader.read(PlanWriter.write(LoadedPlan.of(plan))).plan();
        assertThat(again).as("the file keeps what is typed in").isEqualTo(plan);

        plan = Applying.carriedOut(plan, box).applyTo(plan);
        assertThat(inForce(plan, adapter)).hasToString("10.58.0.77/16");
        assertThat(Applying.of(plan, box).entered()).isEmpty();
        assertThat(Check.run(plan).isBroken()).isFalse();
    }

    @Test
    void whatNeedsNoStepIsInForceAsSoonAsItIsTypedIn() {
        Plan plan = rig();
        Host computer = plan.hosts().stream()
                .filter(h -> h.kind() == HostKind.COMPUTER)
                .findFirst()
                .orElseThrow();
        AdapterId adapter = computer.adapters().get(0).id();
        plan = planning(plan, adapter, "10.58.0.99/16");
        plan = Applying.typeIn(
                        plan,
                        computer.id(),
                        Applying.of(plan, computer.id()).waiting().keySet())
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
        plan = plan.withPort(
                port.id(),
                p -> new Port(
                        p.id(),
                        p.name(),
                        p.kind(),
                        p.direction(),
                        p.enabled(),
                        p.protocol(),
                        java.util.Optional.of(new Setting<>(sent, sent + 1)),
                        p.universe()));
        var path = new SignalPaths(plan).of(port.id()).paths().get(0);
        assertThat(path.verdict()).isEqualTo(Verdict.BROKEN);
        assertThat(path.decisive().orElseThrow().text()).contains(sent + " is planned, not in force");
    }

    @Test
    void everyPlaceThatKeepsTheOldAddressIsNamedWithItsStep() {
        Plan plan = rig();
        Host console = plan.hosts().get(0);
        AdapterId adapter =
                console.adapters().get(console.adapters().size() - 1).id();
        Ipv4Address old = plan.links().get(0).destination().inForce();
        Ipv4Address now = Ipv4Address.parse("10.58.9.9");
        plan = plan.withCopies(List.of(new TypedCopy(
                new CopyId("memo"),
                "remembered console",
                plan.applications().get(2).id(),
                adapter,
                Setting.of(old))));
        List<Elsewhere> places = Elsewhere.keeping(plan, console.id(), old, now);
        assertThat(places).extracting(Elsewhere::where).hasSize(2).anyMatch(w -> w.startsWith("the target of "));
        Plan moved = plan.withAdapter(
                adapter,
                a -> a.withAddress(0, new AdapterAddress(Setting.of(new HostAddress(now, 16)), AddressOrigin.MANUAL)));
        assertThat(Check.run(moved).isBroken()).isTrue();
        Plan followed = Elsewhere.all(places, now).applyTo(moved);
        assertThat(Check.run(followed).findings()).isEmpty();
        assertThat(Elsewhere.keeping(followed, console.id(), old, now)).isEmpty();
    }
}
