package zentrel.app.bench;

import java.util.List;
import zentrel.found.DeviceDifference;
import zentrel.found.DeviceMatch;
import zentrel.found.FoundDevice;
import zentrel.live.NodeSetting;

/**
 * A device that was found, beside the plan.
 *
 * @param found with the address that it really has
 * @param match the same, with the address that the plan has for it, and the one of the plan that it is taken for
 * @param differences what is not as planned
 * @param wanted what would make it so
 */
record LiveDevice(FoundDevice found, DeviceMatch match, List<DeviceDifference> differences, NodeSetting wanted) {
    LiveDevice {
        differences = List.copyOf(differences);
    }
}
