package zentrel.found;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import zentrel.ipv4.HostAddress;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Application;
import zentrel.plan.Binding;
import zentrel.plan.Edit;
import zentrel.plan.Firewall;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Ids;
import zentrel.plan.Kind;
import zentrel.plan.Loss;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Purpose;
import zentrel.plan.Receiver;
import zentrel.plan.ReceiverCapability;
import zentrel.plan.Segment;
import zentrel.plan.Setting;
import zentrel.plan.SourceCheck;
import zentrel.profile.AdapterKind;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.Merge;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;

/** Takes what was found into the plan. */
public final class FoundEdits {
    private static final int NAME_LENGTH = 60;

    private FoundEdits() {}

    /** Says that what the device is set to is in force; what is planned stays planned, and so the path shows what it does now. */
    public static Edit inForce(Id<Host> host, FoundDevice device) {
        return new Edit(
                "Take what " + device.title() + " is set to as in force",
                plan -> changed(plan, host, device, new Taking() {
                    @Override
                    public <T> Setting<T> take(Setting<T> old, T now) {
                        return new Setting<>(old.planned(), now, old.entered());
                    }
                }));
    }

    /** Plans for the device what it is set to. */
    public static Edit intoPlan(Id<Host> host, FoundDevice device) {
        return new Edit("Put " + device.title() + " into the plan as it is", plan -> {
            Plan next = changed(plan, host, device, new Taking() {
                @Override
                public <T> Setting<T> take(Setting<T> old, T now) {
                    return Setting.of(now);
                }
            });
            return takingTheRest(next, host, device);
        });
    }

    /** Says that this device is that one of the plan: from now on its hardware address tells. */
    public static Edit isThatOne(Id<Host> host, FoundDevice device) {
        return new Edit(device.title() + " is this one", plan -> remembered(plan, host, device));
    }

    /** What becomes of a setting. */
    private interface Taking {
        <T> Setting<T> take(Setting<T> old, T now);
    }

    private static Plan changed(Plan plan, Id<Host> host, FoundDevice device, Taking taking) {
        Plan next = remembered(plan, host, device);
        PlannedDevice planned = PlannedDevice.of(next, next.index().host(host));
        Optional<Adapter> adapter = DeviceMatches.adapter(planned, device);
        if (adapter.isPresent() && !adapter.get().addresses().isEmpty()) {
            AdapterAddress first = adapter.get().addresses().stream()
                    .filter(a -> a.address().planned().address().equals(device.address()))
                    .findFirst()
                    .orElse(adapter.get().addresses().get(0));
            int at = adapter.get().addresses().indexOf(first);
            HostAddress now = new HostAddress(device.address(), first.inForce().prefixLength());
            AddressOrigin origin = device.byDhcp() ? AddressOrigin.DHCP : first.origin();
            next = next.with(
                    adapter.get().id(),
                    a -> a.withAddress(at, new AdapterAddress(taking.take(first.address(), now), origin)));
        }
        for (FoundPort found : device.ports()) {
            Optional<PlannedDevice.PlannedPort> like = planned.port(found.number());
            if (like.isPresent()) {
                UnaryOperator<Port> change = port -> {
                    Port set = port.withProtocol(taking.take(port.protocol(), found.protocol()))
                            .withDirection(taking.take(port.direction(), found.direction()));
                    return set.withWire(
                            set.wire().map(w -> taking.take(w, found.wire())).orElse(Setting.of(found.wire())));
                };
                next = next.with(like.get().port().id(), change);
            }
        }
        return next;
    }

    private static Plan remembered(Plan plan, Id<Host> host, FoundDevice device) {
        Optional<Adapter> adapter =
                DeviceMatches.adapter(PlannedDevice.of(plan, plan.index().host(host)), device);
        return adapter.isPresent() && device.mac().isPresent()
                ? plan.with(adapter.get().id(), a -> a.withMac(device.mac()))
                : plan;
    }

    private static Plan takingTheRest(Plan plan, Id<Host> host, FoundDevice device) {
        Plan next = plan;
        for (Application program : plan.index().applicationsOn(host)) {
            if (program.version().isPresent() && !device.version().isEmpty()) {
                next = next.with(program.id(), p -> p.withVersion(Optional.of(Setting.of(device.version()))));
            }
            for (Receiver receiver : plan.index().receiversOf(program.id())) {
                next = next.with(
                        receiver.id(),
                        r -> r.withMerge(merge(device, r.merge()))
                                .withTaking(r.taking()
                                        .withLoss(
                                                device.loss() == Loss.NOT_KNOWN
                                                        ? r.taking().loss()
                                                        : device.loss())));
            }
        }
        return next;
    }

    private static Merge merge(FoundDevice device, Merge otherwise) {
        return device.ports().stream().map(FoundPort::merge).findFirst().orElse(otherwise);
    }

    /**
     * Adds a device that the plan does not know, as it is: a node, or a computer where it has no ports.
     *
     * @param segment where it was heard; empty where that is no segment of the plan
     */
    public static Edit added(FoundDevice device, Optional<Id<Segment>> segment, int prefixLength) {
        String name = fitted(device.title());
        return new Edit("Add " + name, plan -> {
            Ids ids = new Ids(plan);
            boolean node = !device.ports().isEmpty();
            Id<Host> hostId = Kind.HOST.id(ids.next(Ids.of(name, "device")));
            Id<Adapter> adapterId = Kind.ADAPTER.id(ids.next(hostId.value() + ".net"));
            Adapter adapter = new Adapter(
                    adapterId,
                    "net",
                    AdapterKind.WIRED,
                    segment,
                    Setting.of(true),
                    true,
                    List.of(new AdapterAddress(
                            Setting.of(new HostAddress(device.address(), prefixLength)),
                            device.byDhcp() ? AddressOrigin.DHCP : AddressOrigin.MANUAL)),
                    Optional.empty(),
                    device.mac());
            Host host = new Host(
                    hostId,
                    name,
                    node ? HostKind.NODE : HostKind.COMPUTER,
                    "",
                    OperatingSystem.FIRMWARE,
                    Optional.empty(),
                    List.of(adapter),
                    Firewall.OPEN,
                    SourceCheck.NONE);
            Plan next = plan.and(Kind.HOST, host);
            return node ? withPorts(next, host, adapterId, device, ids) : next;
        });
    }

    private static String fitted(String name) {
        String clean = PlainText.cleaned(name);
        return clean.substring(0, Math.min(clean.length(), NAME_LENGTH));
    }

    private static Plan withPorts(Plan plan, Host host, Id<Adapter> adapter, FoundDevice device, Ids ids) {
        Id<Application> programId = Kind.APPLICATION.id(ids.next(host.id().value() + ".firmware"));
        Application program = new Application(
                programId,
                host.name(),
                host.id(),
                ApplicationKind.NODE,
                device.version().isEmpty() ? Optional.empty() : Optional.of(Setting.of(device.version())),
                Map.of(
                        Purpose.ARTNET_LISTEN,
                        Setting.of(Binding.to(adapter)),
                        Purpose.SACN_LISTEN,
                        Setting.of(Binding.to(adapter))),
                Map.of(),
                Map.of(),
                Optional.empty());
        List<Port> ports = new ArrayList<>();
        Set<Protocol> protocols = EnumSet.of(Protocol.ARTNET);
        Id<Receiver> receiverId = Kind.RECEIVER.id(ids.next(host.id().value() + ".ports"));
        for (FoundPort found : device.ports()) {
            protocols.add(found.protocol());
            ports.add(new Port(
                    Kind.PORT.id(ids.next(receiverId.value() + "." + found.number())),
                    "Port " + found.number(),
                    PortKind.DMX,
                    Setting.of(found.direction()),
                    Setting.of(true),
                    Setting.of(found.protocol()),
                    Optional.of(Setting.of(found.wire())),
                    Optional.empty()));
        }
        Receiver receiver = new Receiver(
                receiverId,
                host.name(),
                programId,
                protocols,
                Setting.of(true),
                device.answers().contains(AnsweredBy.ARTPOLL),
                merge(device, Merge.HTP),
                ReceiverCapability.ALL.withLoss(device.loss()),
                ports);
        return plan.and(Kind.APPLICATION, program).and(Kind.RECEIVER, receiver);
    }
}
