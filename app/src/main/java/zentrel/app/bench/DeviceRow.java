package zentrel.app.bench;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.found.DeviceDifference;
import zentrel.found.FoundDevice;
import zentrel.plan.Host;
import zentrel.plan.Id;

/**
 * One line of the devices: found, missing, or only parting others.
 *
 * @param host the one of the plan; empty where it is none
 * @param device as it was seen; empty where it is missing
 * @param age how long it has not been heard, in words; empty where it answers
 * @param heading a line that only parts others
 */
record DeviceRow(Optional<Id<Host>> host, Optional<LiveDevice> device, String age, String heading) {
    static DeviceRow heading(String text) {
        return new DeviceRow(Optional.empty(), Optional.empty(), "", text);
    }

    Optional<FoundDevice> found() {
        return device.map(LiveDevice::found);
    }

    List<DeviceDifference> differences() {
        return device.map(LiveDevice::differences).orElse(List.of());
    }

    /** Whether it is about the same device as another. */
    boolean isSameAs(@Nullable DeviceRow other) {
        return other != null
                && heading.equals(other.heading)
                && (host.isPresent()
                        ? host.equals(other.host)
                        : found().map(FoundDevice::address).equals(other.found().map(FoundDevice::address))
                                && found().flatMap(FoundDevice::mac)
                                        .equals(other.found().flatMap(FoundDevice::mac)));
    }

    /** Whether there is nothing new to show but how old it is. */
    boolean looksAs(@Nullable DeviceRow other) {
        return isSameAs(other)
                && other != null
                && age.equals(other.age)
                && differences().equals(other.differences())
                && found().map(FoundDevice::timeless).equals(other.found().map(FoundDevice::timeless));
    }
}
