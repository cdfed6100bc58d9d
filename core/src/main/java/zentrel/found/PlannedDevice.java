package zentrel.found;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Application;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Receiver;
import zentrel.profile.AdapterKind;
import zentrel.profile.PortKind;

/** What a plan says of one device that its answers could tell, in the order of the plan. */
public record PlannedDevice(Host host, List<Adapter> adapters, List<Application> programs, List<PlannedPort> ports) {
    /** A port with the receiver that it is one of. */
    public record PlannedPort(Receiver receiver, Port port) {}

    /** What the plan says of a host. */
    public static PlannedDevice of(Plan plan, Host host) {
        List<Application> programs = plan.index().applicationsOn(host.id());
        List<PlannedPort> ports = new ArrayList<>();
        for (Application program : programs) {
            for (Receiver receiver : plan.index().receiversOf(program.id())) {
                receiver.ports().stream()
                        .filter(p -> p.kind() == PortKind.DMX)
                        .forEach(p -> ports.add(new PlannedPort(receiver, p)));
            }
        }
        return new PlannedDevice(
                host,
                host.adapters().stream()
                        .filter(a -> a.kind() != AdapterKind.LOOPBACK)
                        .toList(),
                programs,
                ports);
    }

    /** The port that a device counts as this one. */
    public Optional<PlannedPort> port(int number) {
        return number >= 1 && number <= ports.size() ? Optional.of(ports.get(number - 1)) : Optional.empty();
    }

    /** Whether it is one that a bench can look for: it takes universes by a network and answers polls. */
    public boolean answersPolls() {
        return ports.stream()
                .anyMatch(p -> p.receiver().answersPolls()
                        && p.port().protocol().planned().onNetwork());
    }

    /** Every address that it has or shall have. */
    public List<HostAddress> addresses() {
        List<HostAddress> all = new ArrayList<>();
        for (Adapter adapter : adapters) {
            for (AdapterAddress address : adapter.addresses()) {
                all.add(address.address().planned());
                all.add(address.inForce());
            }
        }
        return all;
    }
}
