package zentrel.gear;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Profile;
import zentrel.profile.ProfileAdapter;
import zentrel.profile.ProfileApplication;
import zentrel.profile.ProfilePorts;
import zentrel.profile.Protocol;

/**
 * Makes hosts, programs and ports from a profile, with everything filled in that can be told: the next free name, the next
 * free address of the segment, a binding for each purpose. What was made counts as in force until somebody says otherwise.
 */
public final class DeviceFactory {
    /** The range for a first segment where nothing speaks for another. Private (RFC 1918), accepted by 10/8-only gear. */
    public static final Subnet FIRST_RANGE = Subnet.parse("10.58.0.0/16");

    /** More boxes than one rig has; a larger number is a slip of the finger. */
    public static final int MOST = 2000;

    private final List<Segment> segments;
    private final List<Host> hosts;
    private final List<Application> applications;
    private final List<Receiver> receivers;
    private final Plan plan;
    private final Ids ids;
    private final Names names;
    private final Map<Id<Segment>, Set<Ipv4Address>> used = new java.util.HashMap<>();

    private DeviceFactory(Plan plan) {
        this.plan = plan;
        this.ids = new Ids(plan);
        this.names = new Names(plan);
        this.segments = new ArrayList<>(plan.segments());
        this.hosts = new ArrayList<>(plan.hosts());
        this.applications = new ArrayList<>(plan.applications());
        this.receivers = new ArrayList<>(plan.receivers());
    }

    /**
     * Adds boxes of a profile; for software, computers with it.
     *
     * @param count 1 to {@link #MOST}
     * @param name what to call them, a number is added where there are several; the profile's name where empty
     * @throws IllegalArgumentException with a sentence, for a count outside the range
     */
    public static GearEdit boxes(Plan plan, Library library, Profile profile, int count, String name, String place) {
        if (count < 1 || count > MOST) {
            throw new IllegalArgumentException("Add 1 to " + MOST + " at a time, not " + count + ".");
        }
        DeviceFactory making = new DeviceFactory(plan);
        List<Id<Host>> made = new ArrayList<>();
        String base = name.isBlank() ? profile.name() : name.strip();
        Optional<Profile> computer = profile.software() ? library.find("house/computer") : Optional.of(profile);
        String called = "";
        for (int i = 0; i < count; i++) {
            called = i == 0
                    ? (count == 1 ? making.names.free(base) : making.names.first(base))
                    : making.names.free(Names.next(called));
            Host host = making.host(computer.orElse(profile), called, place);
            made.add(host.id());
            making.programs(host, profile, profile.software() ? "" : called);
        }
        Plan after = making.finished(profile);
        if (profile.software() && computer.isPresent()) {
            after = after.withProfile(computer.get());
        }
        return new GearEdit(put("Add " + (count == 1 ? called : count + " " + base), plan, after), made);
    }

    /** Installs software on a computer that is there. */
    public static GearEdit install(Plan plan, Profile software, Id<Host> on) {
        DeviceFactory making = new DeviceFactory(plan);
        Host host = plan.index().host(on);
        making.programs(host, software, "");
        return new GearEdit(
                put("Install " + software.name() + " on " + host.name(), plan, making.finished(software)), List.of(on));
    }

    /** An edit that leads from one plan to another that was worked out from it. */
    public static Edit put(String text, Plan before, Plan after) {
        return new Edit(text, now -> {
            if (!now.equals(before)) {
                throw new IllegalArgumentException("The plan has changed since \"" + text
                        + "\" was worked out, so nothing was done. Do it again.");
            }
            return after;
        });
    }

    /** Puts the first adapter of each of these boxes on a segment. */
    public static Plan onSegment(Plan plan, List<Id<Host>> hosts, Id<Segment> segment) {
        List<Id<Adapter>> adapters = hosts.stream()
                .flatMap(h -> plan.index().host(h).adapters().stream().limit(1))
                .map(Adapter::id)
                .toList();
        return adapters.isEmpty()
                ? plan
                : Connections.onSegment(plan, adapters, plan.index().segment(segment))
                        .applyTo(plan);
    }

    /**
     * Gives the first adapter of each of these boxes an address, counting on from the first.
     *
     * @param first an address, with or without a mask; without one it has the mask of its segment
     * @throws IllegalArgumentException with a sentence, where it is no address or the range ends
     */
    public static Plan at(Plan plan, List<Id<Host>> hosts, String first) {
        Ipv4Address start = first.contains("/") ? HostAddress.parse(first).address() : Ipv4Address.parse(first);
        Plan next = plan;
        int number = 0;
        for (Id<Host> host : hosts) {
            Optional<Adapter> adapter =
                    plan.index().host(host).adapters().stream().findFirst();
            if (adapter.isEmpty()) {
                throw new IllegalArgumentException(
                        plan.index().name(host) + " has no network adapter, so it gets no address.");
            }
            int length = first.contains("/")
                    ? HostAddress.parse(first).prefixLength()
                    : adapter.get()
                            .segment()
                            .flatMap(s -> plan.index().segment(s).subnet())
                            .map(Subnet::prefixLength)
                            .orElse(8);
            HostAddress address = new HostAddress(start.plus(number++), length);
            if (!address.subnet().contains(start)) {
                throw new IllegalArgumentException("From " + start + " the range holds no " + hosts.size()
                        + " addresses; it ends before " + address.address() + ".");
            }
            next = next.with(
                    adapter.get().id(),
                    a -> a.withAddress(0, new AdapterAddress(Setting.of(address), AddressOrigin.MANUAL)));
        }
        return next;
    }

    private Plan finished(Profile profile) {
        return plan.with(Kind.SEGMENT, segments)
                .with(Kind.HOST, hosts)
                .with(Kind.APPLICATION, applications)
                .with(Kind.RECEIVER, receivers)
                .withProfile(profile);
    }

    // --- boxes ---

    private Host host(Profile profile, String name, String place) {
        Id<Host> id = Kind.HOST.id(ids.next(Ids.of(name, "box")));
        List<Adapter> adapters = new ArrayList<>();
        for (ProfileAdapter adapter : profile.adapters()) {
            adapters.add(adapter(id, adapter, profile, adapters));
        }
        Host host = new Host(
                id,
                name,
                profile.kind(),
                place,
                profile.system(),
                Optional.of(profile.id()),
                adapters,
                Firewall.OPEN,
                SourceCheck.NONE);
        hosts.add(host);
        return host;
    }

    private Adapter adapter(Id<Host> host, ProfileAdapter like, Profile profile, List<Adapter> before) {
        Id<Adapter> id = Kind.ADAPTER.id(ids.next(host.value() + "." + Ids.of(like.name(), "net")));
        if (profile.direct().contains(like.name()) || like.name().equals("Outside")) {
            return bare(id, like); // its partner is known only when somebody says so
        }
        boolean forRemotes = profile.kind() == HostKind.ACCESS_POINT; // they are on the last segment, so it is too
        Segment segment = segmentFor(like, forRemotes ? 1 : before.size());
        if (forRemotes && like.kind() == AdapterKind.WIRELESS) {
            return bare(id, like).withSegment(segment.id()).withCarrier(true); // it passes on what its socket hears
        }
        if (profile.system() != OperatingSystem.FIRMWARE
                && before.stream().anyMatch(a -> a.segment().equals(Optional.of(segment.id())))) {
            return bare(id, like); // a computer with two adapters in one subnet answers by whichever it likes
        }
        Adapter bare = bare(id, like).withSegment(segment.id()).withCarrier(true);
        return free(segment, profile)
                .map(a -> bare.withAddresses(List.of(new AdapterAddress(Setting.of(a), AddressOrigin.MANUAL))))
                .orElse(bare);
    }

    private static Adapter bare(Id<Adapter> id, ProfileAdapter like) {
        return new Adapter(
                id,
                like.name(),
                like.kind(),
                Optional.empty(),
                Setting.of(true),
                false,
                List.of(),
                Optional.empty(),
                Optional.empty());
    }

    /** The segment whose name the adapter bears; else the first for its first adapter and the last for another. */
    private Segment segmentFor(ProfileAdapter adapter, int number) {
        List<Segment> open = segments.stream().filter(s -> !s.guests()).toList();
        if (open.isEmpty()) {
            Segment first = new Segment(
                    Kind.SEGMENT.id(ids.next("network")),
                    names.free("Network"),
                    Optional.of(FIRST_RANGE),
                    false,
                    false);
            segments.add(first);
            return first;
        }
        return open.stream()
                .filter(s -> s.name().equalsIgnoreCase(adapter.name()))
                .findFirst()
                .orElse(number == 0 ? open.get(0) : open.get(open.size() - 1));
    }

    /** The next free address of a segment, in a range that the profile accepts; none where it accepts none of them. */
    private Optional<HostAddress> free(Segment segment, Profile profile) {
        Optional<Subnet> range = segment.subnet()
                .or(() -> plan.index().adaptersOn(segment.id()).stream()
                        .flatMap(a -> a.addresses().stream())
                        .map(a -> a.inForce().subnet())
                        .findFirst());
        boolean accepted = range.isPresent() && profile.accepts(range.get().network());
        if (!accepted) {
            return Optional.empty();
        }
        Set<Ipv4Address> taken = used.computeIfAbsent(segment.id(), this::usedOn);
        Ipv4Address near = taken.stream()
                .filter(range.get()::contains)
                .max(java.util.Comparator.naturalOrder())
                .orElse(range.get().network());
        Optional<Ipv4Address> found = FreeAddress.after(near, range.get(), taken);
        found.ifPresent(taken::add);
        return found.map(a -> new HostAddress(a, range.get().prefixLength()));
    }

    private Set<Ipv4Address> usedOn(Id<Segment> segment) {
        Set<Ipv4Address> taken = new HashSet<>();
        plan.index().adaptersOn(segment).stream()
                .flatMap(a -> a.addresses().stream())
                .forEach(a -> {
                    taken.add(a.inForce().address());
                    taken.add(a.address().planned().address());
                });
        return taken;
    }

    // --- programs ---

    private void programs(Host host, Profile profile, String hostName) {
        for (ProfileApplication like : profile.applications()) {
            boolean firmware = !profile.software() && profile.kind() != HostKind.COMPUTER;
            String name = firmware
                    ? (profile.applications().size() == 1
                            ? hostName
                            : hostName + " " + like.name().toLowerCase(java.util.Locale.ROOT))
                    : names.free(like.name());
            Id<Application> id =
                    Kind.APPLICATION.id(ids.next(host.id().value() + "." + Ids.of(like.name(), "program")));
            Application application = new Application(
                    id,
                    name,
                    host.id(),
                    like.kind(),
                    Optional.empty(),
                    bindings(host, like),
                    Map.of(),
                    screens(like.screenFirst()),
                    like.oscPort().map(p -> new OscInput(Setting.of(p), Setting.of(true), Setting.of(true), List.of())),
                    Installed.of(profile.id())
                            .withLicence(
                                    like.licences().stream().reduce((a, b) -> b).map(Setting::of)));
            applications.add(application);
            if (!like.ports().isEmpty()) {
                receivers.add(receiver(host, name, application, like));
            }
        }
    }

    /** A named adapter for each purpose: the first for streams, the last for the rest. */
    private static Map<Purpose, Setting<Binding>> bindings(Host host, ProfileApplication like) {
        Map<Purpose, Setting<Binding>> bindings = new EnumMap<>(Purpose.class);
        List<Adapter> adapters = host.adapters().stream()
                .filter(a -> a.segment().isPresent() && a.kind() != AdapterKind.LOOPBACK)
                .toList();
        if (adapters.isEmpty()) {
            return bindings;
        }
        Setting<Binding> streams = Setting.of(Binding.to(adapters.get(0).id()));
        Setting<Binding> rest =
                Setting.of(Binding.to(adapters.get(adapters.size() - 1).id()));
        for (Protocol protocol : Protocol.values()) {
            if (protocol.onNetwork() && like.sends().contains(protocol)) {
                bindings.put(Purpose.sending(protocol), streams);
            }
            if (protocol.onNetwork() && like.takes().contains(protocol)) {
                bindings.put(Purpose.listening(protocol), streams);
            }
        }
        if (like.oscPort().isPresent()) {
            bindings.put(Purpose.OSC_SEND, rest);
            bindings.put(Purpose.OSC_LISTEN, rest);
        }
        return bindings;
    }

    /** Ports of a box that sends are its own connectors; those of one that takes are set to sACN where both would do. */
    private Receiver receiver(Host host, String name, Application application, ProfileApplication like) {
        boolean own = like.takes().isEmpty()
                || (like.kind() == ApplicationKind.CONSOLE && like.sends().contains(Protocol.DMX));
        Set<Protocol> takes = own ? Set.of(Protocol.DMX) : like.takes();
        Protocol set = takes.contains(Protocol.SACN)
                ? Protocol.SACN
                : takes.contains(Protocol.ARTNET) ? Protocol.ARTNET : Protocol.DMX;
        List<Port> ports = new ArrayList<>();
        for (ProfilePorts group : like.ports()) {
            for (int i = 1; i <= group.count(); i++) {
                ports.add(new Port(
                        Kind.PORT.id(ids.next(host.id().value() + "." + Ids.of(group.name(), "port") + i)),
                        group.name() + " " + i,
                        group.kind(),
                        Setting.of(Direction.OUTPUT),
                        Setting.of(true),
                        Setting.of(set),
                        Optional.empty(),
                        Optional.empty()));
            }
        }
        return new Receiver(
                Kind.RECEIVER.id(ids.next(host.id().value() + "-rx")),
                name,
                application.id(),
                takes,
                Setting.of(true),
                like.answersPolls(),
                like.merge(),
                ports);
    }

    private static Map<Protocol, Screen> screens(Map<Protocol, Integer> first) {
        Map<Protocol, Screen> screens = new java.util.EnumMap<>(Protocol.class);
        first.forEach((protocol, number) -> screens.put(protocol, Screen.from(number)));
        return screens;
    }
}
