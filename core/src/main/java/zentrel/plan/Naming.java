package zentrel.plan;

import java.util.HashSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What people call the things of a plan. */
final class Naming {
    private final PlanIndex index;

    /** Worked out when first asked for. */
    private volatile @Nullable Set<String> shared;

    Naming(PlanIndex index) {
        this.index = index;
    }

    private static boolean isNamed(Named thing) {
        return !thing.name().equals(thing.id().value());
    }

    private String program(Id<Application> id) {
        Application application = index.application(id);
        String device = index.host(application.host()).name();
        if (!isNamed(application)) {
            return device;
        }
        return shared().contains(application.name()) && !application.name().equals(device)
                ? application.name() + " on " + device
                : application.name();
    }

    /** The names that several programs have. */
    Set<String> shared() {
        Set<String> known = shared;
        if (known == null) {
            Set<String> once = new HashSet<>();
            known = new HashSet<>();
            for (Application each : index.plan().applications()) {
                if (!once.add(each.name())) {
                    known.add(each.name());
                }
            }
            shared = known;
        }
        return known;
    }

    /** The name of a thing. What has none of its own is called by the program or device that it belongs to. */
    String of(Id<?> id) {
        Object found = index.find(id).orElse(null);
        if (found instanceof Application application) {
            return program(application.id());
        }
        if (found instanceof Receiver receiver) {
            return isNamed(receiver) ? receiver.name() : program(receiver.application());
        }
        if (found instanceof Port port) {
            Receiver receiver = index.receiverOf(port.id());
            String own =
                    isNamed(port) ? port.name() : "Port " + (receiver.ports().indexOf(port) + 1);
            return own + " of " + of(receiver.id());
        }
        if (found instanceof Adapter adapter) {
            return PlanIndex.name(adapter, index.hostOf(adapter.id()));
        }
        if (found instanceof Stream stream) {
            return program(stream.application()) + "'s "
                    + index.universe(stream.universe()).label() + " by "
                    + stream.protocol().title();
        }
        if (found instanceof Line line && !isNamed(line)) {
            return "the line of " + of(line.port());
        }
        if (found instanceof ControlLink link && !isNamed(link)) {
            return of(link.from()) + " to " + of(link.to());
        }
        if (found instanceof Attachment attachment && !isNamed(attachment)) {
            return of(attachment.from()) + " to " + of(attachment.to());
        }
        return found instanceof Named named ? named.name() : id.value();
    }
}
