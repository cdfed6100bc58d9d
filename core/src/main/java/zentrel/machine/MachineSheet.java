package zentrel.machine;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;

/**
 * What a plan means for one computer: the steps in order, each with the one that takes it back.
 *
 * @param host the computer
 * @param system its system; only computers have commands, a device is set by its own menus
 */
public record MachineSheet(Id<Host> host, OperatingSystem system, List<MachineStep> steps) {
    public MachineSheet {
        steps = List.copyOf(steps);
    }

    /**
     * The sheet of a computer.
     *
     * @param called what the system itself calls an adapter now, by adapter; it is called as in the plan first
     * @throws IllegalArgumentException with a sentence, where the box is no computer or a name cannot be quoted
     */
    public static MachineSheet of(Plan plan, Id<Host> id, Map<Id<Adapter>, String> called) {
        Host host = plan.index().host(id);
        MachineSystem system = system(host);
        List<MachineStep> steps = new ArrayList<>();
        for (Adapter adapter : host.adapters()) {
            String now = called.getOrDefault(adapter.id(), adapter.name());
            if (!now.equals(adapter.name())) {
                steps.add(system.rename(now, adapter.name()));
            }
            adapter(system, host, adapter, steps);
        }
        letIn(plan, host).forEach((what, port) -> steps.add(system.letIn(what, port)));
        return new MachineSheet(id, host.system(), steps);
    }

    private static MachineSystem system(Host host) {
        if (host.kind() != HostKind.COMPUTER) {
            throw new IllegalArgumentException(host.name() + " is set by its own menus; only computers take commands.");
        }
        return switch (host.system()) {
            case WINDOWS -> new WindowsSystem();
            case MACOS -> new MacSystem();
            case LINUX -> new LinuxSystem();
            case FIRMWARE ->
                throw new IllegalArgumentException("The plan does not say which system runs on " + host.name() + ".");
        };
    }

    private static void adapter(MachineSystem system, Host host, Adapter adapter, List<MachineStep> steps) {
        if (adapter.kind() == AdapterKind.LOOPBACK) {
            return; // every system has it
        }
        if (!adapter.enabled().planned()) {
            steps.add(system.switchOff(adapter.name()));
            return;
        }
        if (!adapter.enabled().inForce()) {
            steps.add(system.switchOn(adapter.name())); // first, for what is off takes no address
        }
        addresses(system, host, adapter, steps);
        if (!adapter.routes().isEmpty()) {
            Optional<Ipv4Address> own = adapter.addresses().stream()
                    .findFirst()
                    .map(a -> a.address().planned().address());
            steps.add(system.routes(adapter.name(), adapter.routes(), own));
        }
        adapter.metric().ifPresent(m -> steps.add(system.metric(adapter.name(), m)));
    }

    private static void addresses(MachineSystem system, Host host, Adapter adapter, List<MachineStep> steps) {
        List<AdapterAddress> addresses = adapter.addresses();
        if (addresses.isEmpty() || addresses.get(0).origin() == AddressOrigin.DHCP) {
            steps.add(system.byDhcp(adapter.name(), before(addresses)));
            steps.add(system.renew(adapter.name()));
            return;
        }
        if (addresses.get(0).origin() != AddressOrigin.MANUAL) {
            return; // it takes this one by itself
        }
        HostAddress first = addresses.get(0).address().planned();
        steps.add(
                adapter.kind() == AdapterKind.VIRTUAL
                        ? system.virtual(adapter.name(), first, virtual(host).indexOf(adapter))
                        : system.byHand(adapter.name(), first, adapter.gateway(), before(addresses)));
        addresses.stream()
                .skip(1)
                .forEach(
                        a -> steps.add(system.second(adapter.name(), a.address().planned())));
    }

    private static List<Adapter> virtual(Host host) {
        return host.adapters().stream()
                .filter(a -> a.kind() == AdapterKind.VIRTUAL)
                .toList();
    }

    /** What an adapter has now, where that differs from what is planned; else nobody knows, and DHCP is the way back. */
    private static Optional<HostAddress> before(List<AdapterAddress> addresses) {
        return addresses.stream()
                .findFirst()
                .map(AdapterAddress::address)
                .filter(Setting::isPending)
                .map(Setting::inForce);
    }

    /** The traffic that programs on the computer listen for, by UDP port. */
    static Map<String, Integer> letIn(Plan plan, Host host) {
        Map<String, Integer> ports = new LinkedHashMap<>();
        for (Application a : plan.index().applicationsOn(host.id())) {
            for (Protocol protocol : List.of(Protocol.ARTNET, Protocol.SACN)) {
                boolean takes = plan.index().receiversOf(a.id()).stream()
                        .anyMatch(r -> r.protocols().contains(protocol));
                // the answers to its polls come to that port
                boolean findsNodes = plan.index().streamsFrom(a.id()).stream()
                        .anyMatch(s -> s.protocol() == protocol && s.delivery() == Delivery.FOUND);
                if (takes || findsNodes) {
                    ports.put(protocol.title(), protocol.traffic().port().orElseThrow());
                }
            }
            a.osc()
                    .filter(o -> o.receiving().planned())
                    .ifPresent(o -> ports.put("OSC of " + a.name(), o.port().planned()));
        }
        return ports;
    }

    /** All of it as text to copy, a comment before each line. */
    public String text(String name) {
        StringBuilder text = new StringBuilder(comment(name + ": as planned"));
        steps.forEach(s -> line(text, s.title(), s.typed(), s.command()));
        return text.toString();
    }

    /** What takes all of it back, the last first. What an adapter had before is only known where the plan says so. */
    public String backText(String name) {
        StringBuilder text = new StringBuilder(comment(
                name + ": as it was; an adapter of which the plan does not know what it had asks for an address"));
        for (int i = steps.size() - 1; i >= 0; i--) {
            MachineStep s = steps.get(i);
            if (!s.back().isEmpty()) {
                line(text, "Take back: " + s.title(), s.typed(), s.back());
            }
        }
        return text.toString();
    }

    private static void line(StringBuilder text, String title, boolean typed, String line) {
        text.append('\n').append(comment(title)).append(typed ? PlainText.cleaned(line) + "\n" : comment(line));
    }

    /** One line that every shell passes over; a break in it would end the comment and begin a command. */
    private static String comment(String text) {
        return "# " + PlainText.cleaned(text) + "\n";
    }
}
