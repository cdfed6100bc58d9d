package zentrel.plan;

import java.util.HashSet;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** What people call the things of a plan. */
final class EntityNames {
    /** Of the kinds that are not simply called by their own name. */
    private static final ByKind<Function<EntityNames, String>> NAMES = new ByKind<Function<EntityNames, String>>()
            .with(Kind.APPLICATION, (index, a) -> n -> n.program(a.id()))
            .with(Kind.RECEIVER, (index, r) -> n -> n.receiver(r))
            .with(Kind.PORT, (index, p) -> n -> n.port(p))
            .with(Kind.ADAPTER, (index, a) -> n -> PlanIndex.name(a, index.hostOf(a.id())))
            .with(Kind.STREAM, (index, s) -> n -> n.stream(s))
            .with(Kind.LINE, (index, l) -> n -> isNamed(l) ? l.name() : "the line of " + n.of(l.port()))
            .with(Kind.LINK, (index, l) -> n -> isNamed(l) ? l.name() : n.of(l.from()) + " to " + n.of(l.to()))
            .with(Kind.ATTACHMENT, (index, a) -> n -> isNamed(a) ? a.name() : n.of(a.from()) + " to " + n.of(a.to()));

    private final PlanIndex index;

    /** Worked out when first asked for. */
    private volatile @Nullable Set<String> shared;

    EntityNames(PlanIndex index) {
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

    private String receiver(Receiver receiver) {
        return isNamed(receiver) ? receiver.name() : program(receiver.application());
    }

    private String port(Port port) {
        Receiver receiver = index.receiverOf(port.id());
        String own = isNamed(port) ? port.name() : "Port " + (receiver.ports().indexOf(port) + 1);
        return own + " of " + of(receiver.id());
    }

    private String stream(Stream stream) {
        return program(stream.application()) + "'s "
                + index.universe(stream.universe()).label() + " by "
                + stream.protocol().title();
    }

    /** The name of a thing. What has none of its own is called by the program or device that it belongs to. */
    String of(Id<?> id) {
        return NAMES.of(index, id)
                .map(name -> name.apply(this))
                .or(() -> index.find(id).filter(Named.class::isInstance).map(n -> ((Named) n).name()))
                .orElseGet(id::value);
    }
}
