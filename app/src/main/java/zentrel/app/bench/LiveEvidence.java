package zentrel.app.bench;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import zentrel.app.shell.Evidence;
import zentrel.found.DeviceMatch;
import zentrel.found.FoundPort;
import zentrel.found.PlannedDevice;
import zentrel.live.StreamSeen;
import zentrel.live.UniverseSeen;
import zentrel.path.HopKind;
import zentrel.path.SignalPath;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Stream;

/** What the live network says of a path: that its universe comes from somebody, that its device answers, what its port is set to. */
final class LiveEvidence implements Evidence {
    private final Supplier<Plan> plan;
    private final Supplier<LiveSnapshot> seen;

    LiveEvidence(Supplier<Plan> plan, Supplier<LiveSnapshot> seen) {
        this.plan = plan;
        this.seen = seen;
    }

    /** Both, where what another saw stands before this. */
    Evidence and(Evidence other) {
        return path -> {
            Map<HopKind, Sight> all = new EnumMap<>(HopKind.class);
            all.putAll(of(path));
            all.putAll(other.of(path));
            return all;
        };
    }

    @Override
    public Map<HopKind, Sight> of(SignalPath path) {
        Map<HopKind, Sight> sights = new EnumMap<>(HopKind.class);
        Plan now = plan.get();
        LiveSnapshot snapshot = seen.get();
        Optional<Stream> stream = path.signal()
                .flatMap(s -> s.as(Kind.STREAM))
                .flatMap(id -> now.index().find(id));
        if (stream.isEmpty() || snapshot.now() == 0) {
            return sights;
        }
        Optional<Integer> wire = now.index().wireOf(stream.get());
        wire.flatMap(w -> snapshot.universe(new UniverseKey(stream.get().protocol(), w)))
                .filter(UniverseSeen::isLive)
                .ifPresent(u -> sights.put(
                        HopKind.MEANS,
                        new Sight(
                                true,
                                "%.0f/s from %s"
                                        .formatted(
                                                u.rate(),
                                                u.winners().stream()
                                                        .map(StreamSeen::title)
                                                        .findFirst()
                                                        .orElse("")))));
        path.receiver()
                .flatMap(r -> r.as(Kind.PORT))
                .filter(p -> now.index().find(p).isPresent())
                .ifPresent(port -> device(now, snapshot, port, stream.get(), wire, sights));
        return sights;
    }

    private static void device(
            Plan plan,
            LiveSnapshot snapshot,
            Id<Port> port,
            Stream stream,
            Optional<Integer> wire,
            Map<HopKind, Sight> sights) {
        Host host = plan.index().hostOf(port);
        Optional<DeviceMatch> match = snapshot.devices().stream()
                .map(LiveDevice::match)
                .filter(m -> m.host().equals(Optional.of(host.id())))
                .findFirst();
        if (match.isEmpty()) {
            return;
        }
        long age = snapshot.now() - match.get().device().lastHeard();
        sights.put(HopKind.TAKEN, new Sight(true, DeviceColumn.ago(age) + " ago"));
        PlannedDevice planned = PlannedDevice.of(plan, host);
        for (int i = 0; i < planned.ports().size(); i++) {
            if (planned.ports().get(i).port().id().equals(port)) {
                Optional<FoundPort> found = match.get().device().port(i + 1);
                if (found.isPresent() && wire.isPresent()) {
                    boolean agrees = found.get().protocol() == stream.protocol()
                            && found.get().wire() == wire.get();
                    sights.put(
                            HopKind.AGREES, new Sight(agrees, agrees ? "" + wire.get() : words(found.get(), stream)));
                }
            }
        }
    }

    private static String words(FoundPort found, Stream stream) {
        return found.protocol() == stream.protocol()
                ? found.wire() + " only"
                : found.protocol().title() + " " + found.wire();
    }
}
