package zentrel.live;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import zentrel.found.DeviceDifference;
import zentrel.found.DeviceDifferences;
import zentrel.found.FoundDevice;
import zentrel.found.PlannedDevice;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Plan;

/** What makes a found device be as the plan wants it: what differs, and nothing else. */
public final class PlannedSetting {
    private static final int SHORT_NAME_BYTES = 17;
    private static final int LONG_NAME_BYTES = 63;

    private PlannedSetting() {}

    /** The settings; nothing where it is as planned, or differs in what nobody can set by the network. */
    public static NodeSetting of(Plan plan, Host host, FoundDevice device) {
        PlannedDevice planned = PlannedDevice.of(plan, host);
        List<DeviceDifference> differences = DeviceDifferences.of(plan, host, device);
        NodeSetting wanted = NodeSetting.NOTHING;
        for (DeviceDifference difference : differences) {
            wanted = with(wanted, difference, planned, host);
        }
        return wanted;
    }

    private static NodeSetting with(NodeSetting wanted, DeviceDifference difference, PlannedDevice planned, Host host) {
        return switch (difference.what()) {
            case NAME ->
                wanted.withNames(
                        Optional.of(cut(host.name(), SHORT_NAME_BYTES)),
                        Optional.of(cut(host.name(), LONG_NAME_BYTES)));
            case ADDRESS ->
                planned.addresses().stream()
                        .filter(a -> a.address().toString().equals(difference.planned()))
                        .findFirst()
                        .map(a -> wanted.withAddress(fixed(a).withGateway(gateway(planned, a))))
                        .orElse(wanted);
            case FAIL_SAFE ->
                planned.ports().stream()
                        .map(p -> p.receiver().taking().loss())
                        .filter(l -> DeviceDifferences.words(l).equals(difference.planned()))
                        .findFirst()
                        .map(wanted::withFailSafe)
                        .orElse(wanted);
            case PROTOCOL, UNIVERSE, DIRECTION, MERGE -> withPort(wanted, difference, planned);
            case FIRMWARE, PORTS -> wanted; // nobody sets them by the network
        };
    }

    private static NodeSetting withPort(NodeSetting wanted, DeviceDifference difference, PlannedDevice planned) {
        int number = difference.port().orElse(0);
        Optional<PlannedDevice.PlannedPort> port = planned.port(number);
        if (port.isEmpty()) {
            return wanted;
        }
        NodeSetting.PortSetting set = wanted.ports().getOrDefault(number, NodeSetting.PortSetting.NOTHING);
        return wanted.withPort(
                number,
                switch (difference.what()) {
                    case DIRECTION ->
                        set.withDirection(port.get().port().direction().planned());
                    case MERGE -> set.withMerge(port.get().receiver().merge());
                    default ->
                        port.get()
                                .port()
                                .wire()
                                .map(w -> set.withUniverse(
                                        port.get().port().protocol().planned(), w.planned()))
                                .orElse(set);
                });
    }

    private static NodeSetting.AddressSetting fixed(HostAddress address) {
        return NodeSetting.AddressSetting.fixed(address.address(), address.mask());
    }

    /** The gateway of the adapter that is to have an address. */
    private static Optional<Ipv4Address> gateway(PlannedDevice planned, HostAddress address) {
        return planned.adapters().stream()
                .filter(a -> a.addresses().stream()
                        .anyMatch(x -> x.address().planned().equals(address)))
                .findFirst()
                .flatMap(Adapter::gateway);
    }

    /** A name as it fits into a field of so many bytes, without half a character at its end. */
    static String cut(String name, int bytes) {
        String kept = name;
        while (kept.getBytes(StandardCharsets.UTF_8).length > bytes) {
            kept = kept.substring(0, kept.offsetByCodePoints(kept.length(), -1));
        }
        return kept.strip();
    }
}
