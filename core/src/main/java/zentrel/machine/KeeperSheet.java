package zentrel.machine;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import zentrel.ipv4.Ipv4Address;
import zentrel.load.Load;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.Protocol;
import zentrel.text.Counted;
import zentrel.text.Numbers;
import zentrel.universe.SacnUniverse;

/**
 * What a plan puts on a segment that somebody else keeps, for that person to read: which devices with which addresses, which groups
 * and UDP ports, how much of it, and what is asked for.
 *
 * @param name of the segment
 * @param keeper who is asked; empty text where nobody is named
 * @param devices one for each adapter there, in the order of the plan
 * @param groups the multicast groups that are sent there, by number
 * @param packets a second on the segment, at most
 * @param bits a second on the segment with all headers and gaps
 * @param broadcasts how many of the packets go to everybody
 * @param requests what is asked for, in sentences
 */
public record KeeperSheet(
        String name,
        String keeper,
        List<Device> devices,
        List<Ipv4Address> groups,
        double packets,
        double bits,
        double broadcasts,
        List<String> requests) {
    /**
     * One adapter on the segment.
     *
     * @param name of the device, with its adapter
     * @param place where it stands
     * @param addresses as planned
     * @param mac its hardware address; empty text where it is not known
     * @param origin where its address comes from; one that has none yet asks by DHCP
     * @param ports the UDP ports at which it receives, each with what comes there
     */
    public record Device(
            String name,
            String place,
            List<String> addresses,
            String mac,
            AddressOrigin origin,
            Map<String, Integer> ports) {
        public Device {
            addresses = List.copyOf(addresses);
        }
    }

    public KeeperSheet {
        devices = List.copyOf(devices);
        groups = List.copyOf(groups);
        requests = List.copyOf(requests);
    }

    /** The sheet of a segment of a plan. */
    public static KeeperSheet of(Plan plan, Id<Segment> id) {
        PlanIndex index = plan.index();
        Segment segment = index.segment(id);
        List<Device> devices = new ArrayList<>();
        index.adaptersOn(id).forEach(a -> devices.add(device(plan, a)));
        Load load = Load.of(plan);
        TreeSet<Ipv4Address> groups = new TreeSet<>();
        double packets = 0;
        double bits = 0;
        double broadcasts = 0;
        for (Load.Sent sent : load.sent()) {
            boolean group = sent.isOn(id) && sent.stream().delivery() == Delivery.MULTICAST;
            if (group && sent.stream().protocol() == Protocol.SACN) {
                index.wireOf(sent.stream())
                        .filter(Protocol.SACN::carries)
                        .ifPresent(w -> groups.add(SacnUniverse.group(w)));
            }
        }
        for (Load.Link link : load.links()) {
            if (index.adapter(link.adapter()).segment().filter(id::equals).isPresent()) {
                packets += link.out().packets();
                bits += link.out().bits();
                broadcasts += link.out().everybody();
            }
        }
        return new KeeperSheet(
                segment.name(),
                segment.keeper(),
                devices,
                List.copyOf(groups),
                packets,
                bits,
                broadcasts,
                requests(plan, segment, devices, !groups.isEmpty(), broadcasts > 0));
    }

    private static Device device(Plan plan, Adapter adapter) {
        Host host = plan.index().hostOf(adapter.id());
        AddressOrigin origin = adapter.addresses().stream()
                .findFirst()
                .map(AdapterAddress::origin)
                .orElse(AddressOrigin.DHCP);
        return new Device(
                host.name() + ", " + adapter.name(),
                host.place(),
                adapter.addresses().stream()
                        .map(a -> a.address().planned().toString())
                        .toList(),
                adapter.mac().orElse(""),
                origin,
                MachineSheet.letIn(plan, host));
    }

    private static String inWords(AddressOrigin origin) {
        return switch (origin) {
            case MANUAL -> "typed in";
            case DHCP -> "by DHCP";
            case SELF_ASSIGNED -> "self-assigned";
            case FACTORY -> "factory address";
            case PROTOCOL -> "made from its hardware address";
        };
    }

    private static List<String> requests(
            Plan plan, Segment segment, List<Device> devices, boolean groups, boolean broadcasts) {
        List<String> requests = new ArrayList<>();
        long typed =
                devices.stream().filter(d -> d.origin() == AddressOrigin.MANUAL).count();
        if (typed > 0) {
            requests.add("Keep " + Counted.of(typed, "address", "addresses")
                    + " out of the DHCP pool, as listed: typed in on the devices.");
        }
        long asked =
                devices.stream().filter(d -> d.origin() == AddressOrigin.DHCP).count();
        if (asked > 0) {
            requests.add("Reserve an address for " + Counted.of(asked, "device", "devices")
                    + " asking by DHCP, so that each has the same one every day.");
        }
        if (devices.stream().anyMatch(d -> !d.ports().isEmpty())) {
            requests.add("Let the UDP ports listed pass between these devices, in both directions.");
        }
        if (groups) {
            requests.add(
                    "Where switches snoop (IGMP), one of them must be the querier; else multicast stops after some minutes.");
        }
        if (broadcasts) {
            requests.add("Let broadcasts pass between these devices, without a limit to their rate.");
        }
        boolean wireless = plan.index().adaptersOn(segment.id()).stream()
                .anyMatch(a -> a.kind() == AdapterKind.WIRELESS
                        && !plan.index().hostOf(a.id()).onlyPassesOn(a));
        if (wireless) {
            requests.add("Leave client isolation off for the wireless devices listed.");
        }
        return requests;
    }

    /** The sheet as plain text, to be sent or printed. */
    public String text() {
        StringBuilder text = new StringBuilder("What the lighting puts on " + name + "\n");
        if (!keeper.isEmpty()) {
            text.append("For ").append(keeper).append('\n');
        }
        text.append("\nDevices\n");
        for (Device d : devices) {
            text.append("  ").append(d.name());
            text.append(d.place().isEmpty() ? "" : " (" + d.place() + ")").append(": ");
            text.append(d.addresses().isEmpty() ? "no address yet" : String.join(", ", d.addresses()));
            text.append(", ").append(inWords(d.origin()));
            text.append(d.mac().isEmpty() ? "" : ", " + d.mac()).append('\n');
        }
        text.append("\nUDP ports\n");
        Map<String, Integer> ports = new LinkedHashMap<>();
        devices.forEach(d -> ports.putAll(d.ports()));
        if (ports.isEmpty()) {
            text.append("  none\n");
        }
        ports.forEach((what, port) ->
                text.append("  ").append(port).append("  ").append(what).append('\n'));
        if (!groups.isEmpty()) {
            text.append("\nMulticast groups\n  ").append(groupsInWords()).append('\n');
        }
        text.append("\nHow much\n  ")
                .append(Math.round(packets))
                .append(" packets a second, ")
                .append(Numbers.plain(bits / 1e6))
                .append(" Mbit/s");
        text.append(broadcasts > 0 ? ", " + Math.round(broadcasts) + " of the packets as broadcast" : "")
                .append('\n');
        if (!requests.isEmpty()) {
            text.append("\nPlease\n");
            requests.forEach(r -> text.append("  ").append(r).append('\n'));
        }
        return text.toString();
    }

    /** Runs of groups that follow each other: {@code 239.255.0.1 to 239.255.0.9, 239.255.0.20}. */
    private String groupsInWords() {
        List<String> runs = new ArrayList<>();
        Ipv4Address from = groups.get(0);
        Ipv4Address to = from;
        for (int i = 1; i <= groups.size(); i++) {
            if (i < groups.size() && groups.get(i).equals(to.plus(1))) {
                to = groups.get(i);
                continue;
            }
            runs.add(from.equals(to) ? from.toString() : from + " to " + to);
            if (i < groups.size()) {
                from = groups.get(i);
                to = from;
            }
        }
        return String.join(", ", runs);
    }
}
