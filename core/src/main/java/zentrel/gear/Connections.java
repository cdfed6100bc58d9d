package zentrel.gear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.ProfileSupply;

/** Joins gear: adapters to segments, programs to adapters and to each other, cables, lines. */
public final class Connections {
    /** The OSC address of a link that nobody has named. */
    public static final String USUAL_OSC = "/show/next";

    private Connections() {}

    /** Puts adapters on a segment, each with the next free address of its range where it has none there. */
    public static Edit onSegment(Plan plan, List<Id<Adapter>> adapters, Segment segment) {
        Optional<Subnet> range = segment.subnet()
                .or(() -> plan.index().adaptersOn(segment.id()).stream()
                        .flatMap(a -> a.addresses().stream())
                        .map(a -> a.inForce().subnet())
                        .findFirst());
        Set<Ipv4Address> taken = new HashSet<>();
        plan.index().adaptersOn(segment.id()).stream()
                .flatMap(a -> a.addresses().stream())
                .forEach(a -> taken.add(a.inForce().address()));
        Plan after = plan;
        for (Id<Adapter> id : adapters) {
            after = after.with(id, a -> {
                Adapter moved = a.withSegment(segment.id()).withCarrier(true);
                boolean fits = range.isEmpty()
                        || a.addresses().stream()
                                .anyMatch(x -> range.get().contains(x.inForce().address()));
                if (fits) {
                    return moved;
                }
                Ipv4Address near = taken.stream()
                        .max(Comparator.naturalOrder())
                        .orElse(range.get().network());
                return FreeAddress.after(near, range.get(), taken)
                        .map(free -> {
                            taken.add(free);
                            return moved.withAddresses(List.of(new AdapterAddress(
                                    Setting.of(new HostAddress(free, range.get().prefixLength())),
                                    AddressOrigin.MANUAL)));
                        })
                        .orElse(moved);
            });
        }
        String what =
                adapters.size() == 1 ? "the " + plan.index().name(adapters.get(0)) : adapters.size() + " adapters";
        return DeviceFactory.put("Put " + what + " on " + segment.name(), plan, after);
    }

    /** A cable between two things. */
    public static Edit cable(Plan plan, CableKind kind, Id<?> from, Id<?> to) {
        String name = plan.index().name(from) + " to " + plan.index().name(to);
        Id<Cable> id = Kind.CABLE.id(Ids.free(plan, "cable-" + (plan.cables().size() + 1)));
        Cable cable = new Cable(id, name, kind, from, to, true);
        return DeviceFactory.put("Cable " + name, plan, plan.and(Kind.CABLE, cable));
    }

    /**
     * Lines behind a splitter, each with a driver of its own.
     *
     * @param branches 1 to 32
     * @throws IllegalArgumentException with a sentence, for a number outside the range
     */
    public static Edit split(Plan plan, Line line, Host splitter, int branches) {
        if (branches < 1 || branches > 32) {
            throw new IllegalArgumentException("A splitter has 1 to 32 branches, not " + branches + ".");
        }
        Ids ids = new Ids(plan);
        List<Line> lines = new ArrayList<>(plan.lines());
        for (int i = 1; i <= branches; i++) {
            lines.add(behind(ids, splitter, line, branches == 1 ? "" : " " + i));
        }
        String what = branches == 1 ? "a line" : branches + " lines";
        return DeviceFactory.put(
                "Split " + line.name() + " by " + splitter.name() + " into " + what, plan, plan.with(Kind.LINE, lines));
    }

    /** A line by radio: the sender takes a line, and behind the receiver it goes on as another. */
    public static Edit air(Plan plan, Line line, Host sender, Host receiver) {
        Ids ids = new Ids(plan);
        List<Line> lines = new ArrayList<>(plan.lines());
        Line radio = behind(ids, sender, line, ", by radio");
        lines.add(radio);
        lines.add(behind(ids, receiver, radio, ""));
        return DeviceFactory.put(
                "Pass " + line.name() + " on by radio from " + sender.name() + " to " + receiver.name(),
                plan,
                plan.with(Kind.LINE, lines));
    }

    private static Line behind(Ids ids, Host device, Line from, String suffix) {
        return new Line(
                Kind.LINE.id(ids.next(device.id().value() + ".line")),
                device.name() + " line" + suffix,
                from.port(),
                Optional.of(new Via(device.id(), from.id())));
    }

    /** What a box is fed by: one of its supplies, in place of those it had. */
    public static Edit supply(Host host, ProfileSupply supply) {
        return new Edit(
                "Power " + host.name() + " by " + supply.name(),
                p -> p.with(host.id(), h -> h.withPower(h.power().withSupplies(List.of(supply.name())))));
    }

    /** Where a network cable of a device goes: into any socket of a switch, else its first adapter without a cable, else the first. */
    public static Id<?> socket(Plan plan, Id<?> end) {
        Optional<Host> found = end.as(Kind.HOST).map(plan.index()::host);
        if (found.isEmpty() || found.get().kind() == HostKind.SWITCH) {
            return end;
        }
        return found.get().adapters().stream()
                .filter(a -> a.kind() == AdapterKind.WIRED)
                .min(Comparator.comparingInt(a -> plan.index().cablesOf(a.id()).size()))
                .<Id<?>>map(Adapter::id)
                .orElse(end);
    }

    /** Binds purposes of an application to an adapter of its host. */
    public static Edit bind(Application application, Set<Purpose> purposes, Adapter adapter) {
        Binding binding = adapter.kind() == AdapterKind.LOOPBACK ? Binding.LOOPBACK : Binding.to(adapter.id());
        return bind(application, purposes, binding, adapter.name());
    }

    /** Binds purposes of an application; {@code name} says to what. */
    public static Edit bind(Application application, Set<Purpose> purposes, Binding binding, String name) {
        return new Edit(
                "Bind " + application.name() + " to " + name,
                p -> p.with(application.id(), a -> {
                    Application bound = a;
                    for (Purpose purpose : purposes) {
                        bound = bound.withBinding(purpose, Setting.of(binding));
                    }
                    return bound;
                }));
    }

    /**
     * One more adapter of a device, switched on and plugged in nowhere; its name says its kind: "Wi-Fi", "virtual", "loopback", else
     * wired.
     */
    public static Edit adapter(Plan plan, Host host, String name) {
        String plain = name.toLowerCase(Locale.ROOT);
        AdapterKind kind = plain.matches(".*(wi-?fi|wlan|wireless).*")
                ? AdapterKind.WIRELESS
                : plain.contains("virtual")
                        ? AdapterKind.VIRTUAL
                        : plain.contains("loopback") ? AdapterKind.LOOPBACK : AdapterKind.WIRED;
        Adapter added = new Adapter(
                Kind.ADAPTER.id(Ids.free(plan, host.id().value() + "." + plain.replaceAll("[^a-z0-9]+", "-"))),
                name,
                kind,
                Optional.empty(),
                Setting.of(true),
                kind == AdapterKind.VIRTUAL || kind == AdapterKind.LOOPBACK,
                List.of(),
                Optional.empty(),
                Optional.empty());
        return new Edit(
                "Add the adapter " + name + " to " + host.name(),
                p -> p.with(host.id(), h -> {
                    List<Adapter> adapters = new ArrayList<>(h.adapters());
                    adapters.add(added);
                    return h.withAdapters(adapters);
                }));
    }

    /** A new segment with a range. */
    public static Edit segment(Plan plan, String name, Subnet range) {
        Id<Segment> id = Kind.SEGMENT.id(Ids.free(plan, Ids.of(name, "segment")));
        Segment segment = new Segment(id, name, Optional.of(range), false, false);
        return DeviceFactory.put("Add the segment " + name + ", " + range, plan, plan.and(Kind.SEGMENT, segment));
    }

    /** OSC from one application to another, with the receiver's own address and port; the receiver is taken to act on it. */
    public static Edit control(Plan plan, Application from, Application to, String pattern) {
        OscInput osc = to.osc()
                .orElseThrow(() -> new IllegalArgumentException(to.name() + " is not described as taking OSC."));
        List<Id<Adapter>> listens = to.binding(Purpose.OSC_LISTEN).adapters();
        Ipv4Address address = plan.index().host(to.host()).adapters().stream()
                .filter(a -> listens.isEmpty() || listens.contains(a.id()))
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.address().planned().address())
                .findFirst()
                .orElseThrow(() ->
                        new IllegalArgumentException(to.name() + " has no address yet, so nobody can send to it."));
        Ipv4Address destination = from.host().equals(to.host()) ? Ipv4Address.LOOPBACK : address;
        ControlLink link = new ControlLink(
                Kind.LINK.id(Ids.free(plan, from.id().value() + "-to-" + to.id().value())),
                from.name() + " to " + to.name(),
                from.id(),
                to.id(),
                Setting.of(destination),
                Setting.of(osc.port().planned()),
                pattern,
                Setting.of(true),
                false,
                Optional.empty(),
                osc.transport(),
                "",
                List.of(),
                List.of());
        Plan after = plan.and(Kind.LINK, link)
                .with(
                        to.id(),
                        a -> osc.addresses().contains(pattern)
                                ? a
                                : a.withOsc(osc.withAddresses(java.util.stream.Stream.concat(
                                                osc.addresses().stream(), java.util.stream.Stream.of(pattern))
                                        .toList())));
        return DeviceFactory.put("Link " + from.name() + " to " + to.name() + " by OSC " + pattern, plan, after);
    }

    /** A console's own stream to a program; the two are taken to find each other and to run one version. */
    public static Edit attach(Plan plan, Application from, Application to) {
        Attachment attachment = new Attachment(
                Kind.ATTACHMENT.id(
                        Ids.free(plan, from.id().value() + "-into-" + to.id().value())),
                from.name() + " into " + to.name(),
                from.id(),
                to.id(),
                Setting.of(true),
                Setting.of(true),
                Optional.empty(),
                VersionRule.ANY,
                Optional.empty(),
                "");
        return DeviceFactory.put(
                "Attach " + to.name() + " to " + from.name() + " by its own stream",
                plan,
                plan.and(Kind.ATTACHMENT, attachment));
    }
}
