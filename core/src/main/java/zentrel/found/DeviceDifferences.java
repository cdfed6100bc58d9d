package zentrel.found;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Host;
import zentrel.plan.Loss;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Receiver;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/** What of a found device is not as the plan wants it. What a device does not tell is not compared. */
public final class DeviceDifferences {
    /** A short name of an answer to a poll that is as long as this may have been cut: its field holds 17 bytes. */
    private static final int CUT_SHORT = 15;

    private DeviceDifferences() {}

    /** The differences: of the device first, then port by port. */
    public static List<DeviceDifference> of(Plan plan, Host host, FoundDevice device) {
        PlannedDevice planned = PlannedDevice.of(plan, host);
        List<DeviceDifference> all = new ArrayList<>();
        if (!device.answers().contains(AnsweredBy.ARTPOLL)) {
            address(planned, device, all);
            return all;
        }
        if (!isCalled(device, host.name()) && planned.programs().stream().noneMatch(p -> isCalled(device, p.name()))) {
            all.add(whole(DeviceDifference.What.NAME, host.name(), device.title()));
        }
        address(planned, device, all);
        planned.programs().stream()
                .flatMap(p -> p.version().stream())
                .map(v -> v.planned())
                .filter(v -> !v.isBlank() && !device.version().isEmpty())
                .findFirst()
                .filter(v -> !v.equals(device.version()))
                .ifPresent(v -> all.add(whole(DeviceDifference.What.FIRMWARE, v, device.version())));
        if (!planned.ports().isEmpty()
                && planned.ports().size() != device.ports().size()) {
            all.add(whole(
                    DeviceDifference.What.PORTS,
                    String.valueOf(planned.ports().size()),
                    String.valueOf(device.ports().size())));
        }
        for (FoundPort port : device.ports()) {
            planned.port(port.number()).ifPresent(p -> port(p.receiver(), p.port(), port, all));
        }
        planned.ports().stream()
                .map(p -> p.receiver().taking().loss())
                .filter(l -> l != Loss.NOT_KNOWN && device.loss() != Loss.NOT_KNOWN && l != device.loss())
                .findFirst()
                .ifPresent(l -> all.add(whole(DeviceDifference.What.FAIL_SAFE, words(l), words(device.loss()))));
        return all;
    }

    /** Whether one of its names is this one, or as much of it as fits into the field of the shorter one. */
    private static boolean isCalled(FoundDevice device, String name) {
        return device.longName().equalsIgnoreCase(name)
                || device.shortName().equalsIgnoreCase(name)
                || (device.shortName().length() >= CUT_SHORT
                        && name.toLowerCase(Locale.ROOT)
                                .startsWith(device.shortName().toLowerCase(Locale.ROOT)));
    }

    /** What a device does without a source, in a word or two. */
    public static String words(Loss loss) {
        return switch (loss) {
            case HOLD -> "hold";
            case BLACK -> "zero";
            case FULL -> "full";
            case SCENE -> "scene";
            case NOT_KNOWN -> "not known";
        };
    }

    private static DeviceDifference whole(DeviceDifference.What what, String planned, String found) {
        return new DeviceDifference(what, Optional.empty(), planned, found);
    }

    private static void address(PlannedDevice planned, FoundDevice device, List<DeviceDifference> all) {
        Optional<Adapter> adapter = DeviceMatches.adapter(planned, device);
        List<AdapterAddress> addresses = adapter.map(Adapter::addresses).orElse(List.of());
        if (!addresses.isEmpty()
                && addresses.stream()
                        .noneMatch(a -> a.address().planned().address().equals(device.address()))) {
            all.add(whole(
                    DeviceDifference.What.ADDRESS,
                    addresses.get(0).address().planned().address().toString(),
                    device.address().toString()));
        }
    }

    private static void port(Receiver receiver, Port planned, FoundPort found, List<DeviceDifference> all) {
        Protocol protocol = planned.protocol().planned();
        if (protocol.onNetwork() && planned.enabled().planned()) {
            if (protocol != found.protocol()) {
                all.add(at(
                        DeviceDifference.What.PROTOCOL,
                        found,
                        protocol.title(),
                        found.protocol().title()));
            }
            planned.wire()
                    .map(w -> w.planned())
                    .filter(w -> w != found.wire())
                    .ifPresent(w -> all.add(at(
                            DeviceDifference.What.UNIVERSE, found, String.valueOf(w), String.valueOf(found.wire()))));
        }
        Direction direction = planned.direction().planned();
        if (direction != found.direction()) {
            all.add(at(
                    DeviceDifference.What.DIRECTION,
                    found,
                    direction.word(),
                    found.direction().word()));
        }
        if (found.direction() == Direction.OUTPUT
                && receiver.merge() != Merge.NONE
                && receiver.merge() != found.merge()) {
            all.add(at(
                    DeviceDifference.What.MERGE,
                    found,
                    receiver.merge().name(),
                    found.merge().name().toUpperCase(Locale.ROOT)));
        }
    }

    private static DeviceDifference at(DeviceDifference.What what, FoundPort port, String planned, String found) {
        return new DeviceDifference(what, Optional.of(port.number()), planned, found);
    }
}
