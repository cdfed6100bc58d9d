package zentrel.pattern;

import java.util.List;
import java.util.Optional;
import zentrel.gear.Connections;
import zentrel.gear.DeviceFactory;
import zentrel.gear.FixturePatcher;
import zentrel.gear.GearEdit;
import zentrel.gear.Library;
import zentrel.gear.UniverseRoutes;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.Profile;

/** A plan that a pattern builds step by step, each step the same edit that a person would make. */
final class Rig {
    private final Library library;
    private Plan plan;

    Rig(Library library, String name) {
        this.library = library;
        this.plan = Plan.EMPTY.withName(name);
    }

    Plan plan() {
        return plan;
    }

    void change(Edit edit) {
        plan = edit.applyTo(plan);
    }

    private Profile profile(String id) {
        return library.find("house/" + id)
                .orElseThrow(() -> new IllegalStateException("The library lacks the profile house/" + id + "."));
    }

    Segment segment(String name, Subnet range) {
        change(Connections.segment(plan, name, range));
        return plan.segments().get(plan.segments().size() - 1);
    }

    List<Host> boxes(String profile, int count, String name, String place) {
        GearEdit made = DeviceFactory.boxes(plan, library, profile(profile), count, name, place);
        change(made.edit());
        return made.hosts().stream().map(plan.index()::host).toList();
    }

    Host box(String profile, String name, String place) {
        return boxes(profile, 1, name, place).get(0);
    }

    Application install(String software, Host on) {
        change(DeviceFactory.install(plan, profile(software), on.id()).edit());
        List<Application> there = plan.index().applicationsOn(on.id());
        return there.get(there.size() - 1);
    }

    Application program(Host host) {
        return plan.index().applicationsOn(host.id()).get(0);
    }

    Receiver receiver(Host host) {
        return plan.index().receiversOf(program(host).id()).get(0);
    }

    /** Routes the next universes to the first ports of a receiver and patches something on each DMX port. */
    void light(Application source, Receiver receiver, int ports, int fixtures) {
        List<Port> free = UniverseRoutes.freePorts(
                plan, plan.index().receiverOf(receiver.ports().get(0).id()));
        List<Port> used = free.subList(0, Math.min(ports, free.size()));
        change(UniverseRoutes.route(plan, source, used, UniverseRoutes.nextUniverse(plan)));
        for (Port port : used) {
            for (Line line : plan.index().linesOf(port.id())) {
                change(FixturePatcher.patch(
                        plan, line, fixtures, 16, "Fixture", FixturePatcher.nextFixtureNumber(plan)));
            }
        }
    }

    /** Lets a receiver's inputs take universes that are sent already, from the first on. */
    void watch(Application source, Receiver receiver, int universes) {
        List<Port> free = UniverseRoutes.freePorts(plan, receiver);
        change(UniverseRoutes.route(plan, source, free.subList(0, Math.min(universes, free.size())), 1));
    }

    void bindAll(Application application, Binding binding) {
        change(new Edit(
                "Bind " + application.name(),
                p -> p.with(application.id(), a -> {
                    Application bound = a;
                    for (Purpose purpose : a.bindings().keySet()) {
                        bound = bound.withBinding(purpose, Setting.of(binding));
                    }
                    return bound;
                })));
    }

    void control(Application from, Application to, String pattern) {
        change(Connections.control(
                plan, plan.index().application(from.id()), plan.index().application(to.id()), pattern));
    }

    void session(String name, String key, Session.Desk... members) {
        List<Session> sessions = List.of(new Session(
                Kind.SESSION.id(Ids.free(plan, "session")), name, key, VersionRule.MAJOR_MINOR, List.of(members)));
        change(new Edit("Join " + name, p -> p.with(Kind.SESSION, sessions)));
        for (Session.Desk member : members) {
            bindTogether(member.application(), List.of(members));
        }
    }

    /** Binds a desk's session to an adapter on a segment where all the desks are. */
    private void bindTogether(Id<Application> program, List<Session.Desk> desks) {
        Host host = plan.index().host(plan.index().application(program).host());
        host.adapters().stream()
                .filter(a -> a.segment()
                        .filter(s -> desks.stream().allMatch(d -> isOn(d, s)))
                        .isPresent())
                .findFirst()
                .filter(a -> host.adapters().size() > 1)
                .ifPresent(a -> change(new Edit(
                        "Bind the session of " + host.name(),
                        p -> p.with(program, x -> x.withBinding(Purpose.SESSION, Setting.of(Binding.to(a.id())))))));
    }

    private boolean isOn(Session.Desk desk, Id<Segment> segment) {
        return plan.index().host(plan.index().application(desk.application()).host()).adapters().stream()
                .anyMatch(a -> a.segment().equals(Optional.of(segment)));
    }

    void version(Application application, String version) {
        change(new Edit("Install " + version, p -> p.with(application.id(), a -> a.withVersion(version))));
    }

    /** Gives the first adapter of a box an address of its own, by the number of the host in its segment's range. */
    void address(Host host, Subnet range, int number) {
        Ipv4Address address = range.network().plus(number);
        change(new Edit(
                "Give " + host.name() + " " + address,
                p -> p.with(
                        host.adapters().get(0).id(),
                        a -> a.withAddresses(List.of(new AdapterAddress(
                                Setting.of(new HostAddress(address, range.prefixLength())), AddressOrigin.MANUAL))))));
    }
}
