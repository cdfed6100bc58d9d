package zentrel.app.bench;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.found.DeviceDifference;
import zentrel.found.DeviceMatch;
import zentrel.found.FoundDevice;
import zentrel.plan.Host;
import zentrel.plan.Id;

/**
 * One line of the devices: found, missing, or both.
 *
 * @param host the one of the plan; empty where it is none
 * @param found as it was seen; empty where it is missing
 * @param match the same beside the plan
 * @param age how long it has not been heard, in words; empty where it answers
 * @param heading a line that only parts others
 */
record DeviceRow(
        Optional<Id<Host>> host,
        Optional<FoundDevice> found,
        Optional<DeviceMatch> match,
        List<DeviceDifference> differences,
        String age,
        String heading) {
    static DeviceRow heading(String text) {
        return new DeviceRow(Optional.empty(), Optional.empty(), Optional.empty(), List.of(), "", text);
    }

    /** Whether it is about the same device as another. */
    boolean isSameAs(@Nullable DeviceRow other) {
        return other != null
                && heading.equals(other.heading)
                && (host.isPresent()
                        ? host.equals(other.host)
                        : Objects.equals(address(), other.address()) && Objects.equals(mac(), other.mac()));
    }

    /** Whether there is nothing new to show but how old it is. */
    boolean looksAs(@Nullable DeviceRow other) {
        return isSameAs(other)
                && other != null
                && differences.equals(other.differences)
                && age.equals(other.age)
                && found.map(DeviceRow::timeless).equals(other.found.map(DeviceRow::timeless));
    }

    private static FoundDevice timeless(FoundDevice d) {
        return new FoundDevice(
                d.address(),
                d.mac(),
                d.shortName(),
                d.longName(),
                "",
                d.firmware(),
                d.maker(),
                d.loss(),
                d.byDhcp(),
                d.state(),
                d.answers(),
                d.ports(),
                0,
                d.remarks());
    }

    private Optional<String> address() {
        return found.map(f -> f.address().toString());
    }

    private Optional<String> mac() {
        return found.flatMap(FoundDevice::mac);
    }
}
