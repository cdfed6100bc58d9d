package zentrel.live;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import zentrel.found.DeviceState;
import zentrel.found.FoundDevice;
import zentrel.plan.NumberRange;
import zentrel.profile.Protocol;

/**
 * What happened, in a ring of bounded length: it is told what is seen, again and again, and notes what changed since. Universes of one
 * source that start or stop together are one event. Not for several threads at once.
 */
public final class EventLog {
    private static final int MOST = 20_000;

    private record StreamKey(Protocol protocol, int universe, String source) {}

    private record StreamNow(StreamSeen.State state, int priority, String title) {}

    private record DeviceKey(String address, String mac) {}

    private record Group(String what, Protocol protocol, String title) {}

    private final Deque<LiveEvent> events = new ArrayDeque<>();
    private final Map<StreamKey, StreamNow> streams = new HashMap<>();
    private final Map<DeviceKey, DeviceState> devices = new HashMap<>();
    private boolean begun;

    /** Notes something that happened. */
    public void add(LiveEvent event) {
        if (events.size() == MOST) {
            events.removeFirst();
        }
        events.addLast(event);
    }

    /** Compares what is seen now with what was. */
    public void look(List<StreamSeen> seen, List<FoundDevice> found, long now) {
        Map<Group, List<Integer>> groups = new TreeMap<>(java.util.Comparator.comparing(Group::toString));
        for (StreamSeen s : seen) {
            StreamKey key = new StreamKey(
                    s.protocol(),
                    s.universe(),
                    s.cid().map(Object::toString).orElse(s.source().toString()));
            StreamNow is = new StreamNow(s.state(), s.priority(), s.title());
            Optional<StreamNow> was = Optional.ofNullable(streams.put(key, is));
            change(was, is)
                    .ifPresent(what -> groups.computeIfAbsent(
                                    new Group(what, s.protocol(), s.title()), g -> new ArrayList<>())
                            .add(s.universe()));
        }
        groups.forEach((group, universes) -> add(new LiveEvent(
                now,
                group.what(),
                group.what().startsWith("stops without"),
                group.title() + " " + group.what() + ": " + group.protocol().title() + " " + ranges(universes))));
        for (FoundDevice device : found) {
            DeviceKey key =
                    new DeviceKey(device.address().toString(), device.mac().orElse(""));
            DeviceState was = devices.put(key, device.state());
            if (was == null && begun) {
                add(new LiveEvent(now, "found", false, device.title() + " is found at " + device.address()));
            } else if (was != null && was != device.state()) {
                boolean back = was == DeviceState.SILENT;
                boolean silent = device.state() == DeviceState.SILENT;
                add(new LiveEvent(
                        now,
                        device.state().word(),
                        silent,
                        device.title()
                                + (silent
                                        ? " falls silent"
                                        : back
                                                ? " is back"
                                                : " is " + device.state().words())));
            }
        }
        begun = true;
    }

    private static Optional<String> change(Optional<StreamNow> was, StreamNow is) {
        if (was.isEmpty()) {
            return is.state() == StreamSeen.State.SENDS ? Optional.of("starts") : Optional.empty();
        }
        if (was.get().state() != is.state()) {
            return Optional.of(
                    switch (is.state()) {
                        case SENDS -> "starts again";
                        case SILENT -> "stops without a word";
                        case ENDED -> "says that it stops";
                    });
        }
        return was.get().priority() != is.priority()
                ? Optional.of("goes from priority " + was.get().priority() + " to " + is.priority())
                : Optional.empty();
    }

    private static String ranges(List<Integer> numbers) {
        return NumberRange.runs(numbers).stream().map(NumberRange::toString).collect(Collectors.joining(", "));
    }

    /** The events, the newest first. */
    public List<LiveEvent> newest(int most) {
        List<LiveEvent> list = new ArrayList<>();
        events.descendingIterator().forEachRemaining(e -> {
            if (list.size() < most) {
                list.add(e);
            }
        });
        return list;
    }
}
