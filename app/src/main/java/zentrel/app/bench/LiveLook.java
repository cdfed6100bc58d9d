package zentrel.app.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zentrel.file.PlanFileException;
import zentrel.found.DeviceDifference;
import zentrel.found.DeviceDifferences;
import zentrel.found.DeviceMatch;
import zentrel.found.DeviceMatches;
import zentrel.found.FoundDevice;
import zentrel.found.PlannedDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.DeskWatch;
import zentrel.live.EventLog;
import zentrel.live.Health;
import zentrel.live.NodeSetting;
import zentrel.live.PlannedSetting;
import zentrel.live.SealedState;
import zentrel.live.SeenProgram;
import zentrel.live.StreamWatch;
import zentrel.live.UniverseSeen;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Universe;

/** Sets what is seen beside the plan, so that views need to work nothing out. Not for several threads at once. */
final class LiveLook {
    private static final int MOST_EVENTS = 400;

    /**
     * What goes into a snapshot as it is.
     *
     * @param troubles what kept it from seeing all, as sentences
     */
    record Rest(
            List<String> troubles, Optional<Long> recorded, Optional<String> sending, Optional<PlayedNet.Span> span) {}

    private final Supplier<Plan> plan;
    private final UnaryOperator<Ipv4Address> asPlanned;
    private @Nullable SealedState sealed;
    private @Nullable Plan sealedPlan;
    private @Nullable Plan comparedWith;
    private List<SealedState.Change> planChanges = List.of();
    private @Nullable Plan numbersOf;
    private Map<UniverseKey, Id<Universe>> numbers = Map.of();

    /** @param asPlanned the address that the plan has for one that was seen, as stand-ins on loopback have others */
    LiveLook(Supplier<Plan> plan, UnaryOperator<Ipv4Address> asPlanned) {
        this.plan = plan;
        this.asPlanned = asPlanned;
    }

    /** Compares with this state from now on. */
    void since(SealedState then) throws IOException {
        try {
            sealedPlan = then.planThen().orElse(null);
        } catch (PlanFileException e) {
            throw new IOException("The plan of that state cannot be read: " + e.getMessage(), e);
        }
        sealed = then;
        comparedWith = null;
    }

    private List<SealedState.Change> changes(SealedState then, SealedState now, Plan current) {
        Plan was = sealedPlan;
        Plan compared = comparedWith;
        if (was == null) {
            planChanges = List.of();
        } else if (compared == null || !compared.equals(current)) {
            planChanges = SealedState.ofPlan(was, current);
            comparedWith = current;
        }
        return Stream.concat(then.changesTo(now).stream(), planChanges.stream())
                .sorted(Comparator.comparingInt(SealedState.Change::rank))
                .toList();
    }

    /** What is seen now. */
    LiveSnapshot of(
            StreamWatch.Found found,
            List<FoundDevice> devices,
            List<DeskWatch.SeenDesk> desks,
            EventLog log,
            long now,
            Rest rest) {
        Plan current = plan.get();
        List<UniverseSeen> universes = UniverseSeen.of(found.streams());
        log.look(found.streams(), devices, now);
        List<LiveDevice> beside = beside(current, devices);
        Set<Id<Host>> there = new HashSet<>();
        beside.forEach(d -> d.match().host().ifPresent(there::add));
        SealedState then = sealed;
        return new LiveSnapshot(
                now,
                universes,
                planned(current),
                beside,
                current.hosts().stream()
                        .filter(h -> !there.contains(h.id())
                                && PlannedDevice.of(current, h).answersPolls())
                        .map(Host::id)
                        .toList(),
                SeenProgram.of(current, desks, universes, devices, asPlanned, now),
                Health.of(current, universes, found.syncs(), now),
                log.newest(MOST_EVENTS),
                found.malformed(),
                then == null
                        ? Optional.empty()
                        : Optional.of(new LiveSnapshot.Since(
                                then.time(), changes(then, SealedState.of(devices, universes, now), current))),
                rest.troubles(),
                rest.recorded(),
                rest.sending(),
                rest.span(),
                found.unreadable());
    }

    private List<LiveDevice> beside(Plan current, List<FoundDevice> devices) {
        List<DeviceMatch> matches = DeviceMatches.of(
                current,
                devices.stream().map(d -> d.at(asPlanned.apply(d.address()))).toList());
        List<LiveDevice> all = new ArrayList<>();
        for (int i = 0; i < devices.size(); i++) {
            DeviceMatch match = matches.get(i);
            Optional<Host> host = match.host().map(current.index()::host);
            List<DeviceDifference> differences = host.map(h -> DeviceDifferences.of(current, h, match.device()))
                    .orElse(List.of());
            NodeSetting wanted =
                    host.map(h -> PlannedSetting.of(current, h, match.device())).orElse(NodeSetting.NOTHING);
            all.add(new LiveDevice(devices.get(i), match, differences, wanted));
        }
        return all;
    }

    /** Which universe comes by which number: as a program sends it, else as a port waits for it. */
    private Map<UniverseKey, Id<Universe>> planned(Plan current) {
        if (numbersOf == null || !numbersOf.equals(current)) {
            Map<UniverseKey, Id<Universe>> all = new HashMap<>();
            current.streams()
                    .forEach(s -> current.index()
                            .wireOf(s)
                            .ifPresent(w -> all.putIfAbsent(new UniverseKey(s.protocol(), w), s.universe())));
            current.receivers()
                    .forEach(r -> r.ports().forEach(p -> {
                        if (p.wire().isPresent() && p.universe().isPresent()) {
                            all.putIfAbsent(
                                    new UniverseKey(
                                            p.protocol().inForce(),
                                            p.wire().get().inForce()),
                                    p.universe().get());
                        }
                    }));
            numbers = Map.copyOf(all);
            numbersOf = current;
        }
        return numbers;
    }
}
