package zentrel.gear;

import java.util.List;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.plan.Id;

/**
 * An edit that adds gear.
 *
 * @param hosts the boxes that it adds or adds to, in order
 */
public record GearEdit(Edit edit, List<Id<Host>> hosts) {
    public GearEdit {
        hosts = List.copyOf(hosts);
    }
}
