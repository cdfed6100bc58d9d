package zentrel.gear;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/**
 * Copies boxes with all that runs on them; numbers count on: names, and each address to the next free one of its subnet.
 * What a box is fed with is not copied: a copy's ports wait for their universes.
 */
public final class DeviceCopies {
    private final Plan plan;
    private final Ids ids;
    private final Names names;
    private final Map<Id<Segment>, Set<Ipv4Address>> used = new HashMap<>();
    private final List<Host> hosts;
    private final List<Application> applications;
    private final List<Receiver> receivers;

    private DeviceCopies(Plan plan) {
        this.plan = plan;
        ids = new Ids(plan);
        names = new Names(plan);
        hosts = new ArrayList<>(plan.hosts());
        applications = new ArrayList<>(plan.applications());
        receivers = new ArrayList<>(plan.receivers());
    }

    /**
     * Copies boxes.
     *
     * @param times how often each is copied, 1 to {@link DeviceFactory#MOST}
     */
    public static GearEdit of(Plan plan, List<Id<Host>> wanted, int times) {
        if (times < 1 || (long) times * wanted.size() > DeviceFactory.MOST) {
            throw new IllegalArgumentException("Make 1 to " + DeviceFactory.MOST + " copies at a time.");
        }
        DeviceCopies work = new DeviceCopies(plan);
        List<Id<Host>> made = new ArrayList<>();
        for (Id<Host> id : wanted) {
            Host host = plan.index().host(id);
            String name = host.name();
            for (int i = 0; i < times; i++) {
                name = work.names.free(Names.next(name));
                made.add(work.copy(host, name));
            }
        }
        String what = wanted.size() == 1 ? plan.index().name(wanted.get(0)) : wanted.size() + " devices";
        return new GearEdit(
                DeviceFactory.put(
                        "Duplicate " + what + (times == 1 ? "" : " " + times + " times"),
                        plan,
                        plan.with(Kind.HOST, work.hosts)
                                .with(Kind.APPLICATION, work.applications)
                                .with(Kind.RECEIVER, work.receivers)),
                made);
    }

    private Id<Host> copy(Host host, String name) {
        Id<Host> id = Kind.HOST.id(ids.next(Ids.of(name, "box")));
        Map<Id<Adapter>, Id<Adapter>> adapters = new HashMap<>();
        List<Adapter> copies = new ArrayList<>();
        for (Adapter a : host.adapters()) {
            Id<Adapter> copy = Kind.ADAPTER.id(ids.next(id.value() + "." + Ids.of(a.name(), "net")));
            adapters.put(a.id(), copy);
            copies.add(new Adapter(
                    copy,
                    a.name(),
                    a.kind(),
                    a.segment(),
                    Setting.of(a.enabled().planned()),
                    a.carrier(),
                    addresses(a),
                    a.gateway(),
                    Optional.empty(), // no two adapters have one MAC
                    a.routes(),
                    a.metric(),
                    Optional.empty(), // and two servers on one segment are one too many
                    false,
                    a.plug()));
        }
        hosts.add(new Host(
                id,
                name,
                host.kind(),
                host.place(),
                host.system(),
                host.profile(),
                copies,
                host.firewall(),
                host.sourceCheck(),
                host.power(),
                host.switching(),
                host.own()));
        Map<Id<Application>, Id<Application>> programs = new HashMap<>();
        for (Application a : plan.index().applicationsOn(host.id())) {
            programs.put(a.id(), application(a, host, id, name, adapters));
        }
        int last = hosts.size() - 1;
        hosts.set(last, hosts.get(last).withFirewall(firewall(host.firewall(), programs, adapters)));
        return id;
    }

    /** Its openings are for the copy's own programs and adapters. */
    private static Firewall firewall(
            Firewall of, Map<Id<Application>, Id<Application>> programs, Map<Id<Adapter>, Id<Adapter>> adapters) {
        return of.withPrograms(of.programs().stream()
                        .flatMap(p -> Optional.ofNullable(programs.get(p)).stream())
                        .collect(Collectors.toSet()))
                .withPublicOn(of.publicOn().stream()
                        .flatMap(a -> Optional.ofNullable(adapters.get(a)).stream())
                        .collect(Collectors.toSet()));
    }

    private List<AdapterAddress> addresses(Adapter a) {
        List<AdapterAddress> addresses = new ArrayList<>();
        for (AdapterAddress address : a.addresses()) {
            HostAddress planned = address.address().planned();
            if (a.segment().isEmpty() || planned.address().isLoopback()) {
                addresses.add(new AdapterAddress(Setting.of(planned), address.origin()));
                continue;
            }
            Set<Ipv4Address> taken = used.computeIfAbsent(a.segment().get(), this::usedOn);
            FreeAddress.after(planned.address(), planned.subnet(), taken).ifPresent(free -> {
                taken.add(free);
                addresses.add(new AdapterAddress(
                        Setting.of(new HostAddress(free, planned.prefixLength())), address.origin()));
            });
        }
        return addresses;
    }

    private Set<Ipv4Address> usedOn(Id<Segment> segment) {
        Set<Ipv4Address> taken = new HashSet<>();
        plan.index().adaptersOn(segment).stream()
                .flatMap(a -> a.addresses().stream())
                .forEach(a -> taken.add(a.address().planned().address()));
        return taken;
    }

    private Id<Application> application(
            Application a, Host from, Id<Host> to, String hostName, Map<Id<Adapter>, Id<Adapter>> adapters) {
        Id<Application> id =
                Kind.APPLICATION.id(ids.next(to.value() + "." + Ids.of(a.kind().word(), "program")));
        String name = a.name().equals(from.name())
                ? hostName
                : a.name().startsWith(from.name())
                        ? hostName + a.name().substring(from.name().length())
                        : names.free(Names.next(a.name()));
        Application copy = new Application(
                id,
                name,
                to,
                a.kind(),
                a.version(),
                Map.of(),
                a.outputs(),
                a.screens(),
                a.osc(),
                a.installed().withCid(Optional.empty())); // no two sources have one identity
        for (Map.Entry<Purpose, Setting<Binding>> e : a.bindings().entrySet()) {
            Binding b = e.getValue().planned();
            Binding moved = b.mode() == BindingMode.ADAPTERS
                    ? new Binding(
                            b.mode(),
                            b.adapters().stream()
                                    .map(x -> adapters.getOrDefault(x, x))
                                    .toList())
                    : b;
            copy = copy.withBinding(e.getKey(), Setting.of(moved));
        }
        applications.add(copy);
        for (Receiver r : plan.index().receiversOf(a.id())) {
            List<Port> ports = new ArrayList<>();
            for (Port p : r.ports()) {
                ports.add(new Port(
                        Kind.PORT.id(ids.next(to.value() + "." + Ids.of(p.name(), "port"))),
                        p.name(),
                        p.kind(),
                        Setting.of(p.direction().planned()),
                        Setting.of(p.enabled().planned()),
                        Setting.of(p.protocol().planned()),
                        Optional.empty(),
                        Optional.empty()));
            }
            receivers.add(new Receiver(
                    Kind.RECEIVER.id(ids.next(to.value() + "-rx")),
                    r.name().equals(from.name()) ? hostName : name,
                    id,
                    r.protocols(),
                    Setting.of(r.inputOn().planned()),
                    r.answersPolls(),
                    r.merge(),
                    r.taking(),
                    ports));
        }
        return id;
    }
}
