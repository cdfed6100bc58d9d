package zentrel.live;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.TreeMap;
import java.util.stream.Collectors;
import zentrel.found.DeviceState;
import zentrel.found.FoundDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.NumberRange;
import zentrel.profile.Protocol;

/**
 * What happened, in a ring of bounded length: it is told what is seen, again and again, and notes what changed since. Universes of one
 * source that start or stop together are one event. Not for several threads at once.
 */
public final class EventLog {
    private static final int MOST = 20_000;

    private static final String STOPS = "stops without a word";

    /** A querier asks as often as this, in ns, or there is none (RFC 3376 §8.2: 125 s, and 10 s for answers). */
    private static final long QUERY_EVERY = 135_000_000_000L;

    /** How long a querier may be silent and is still there, in ns (RFC 3376 §8.5: 255 s). */
    private static final long QUERIER_LOST = 255_000_000_000L;

    private record StreamKey(Protocol protocol, int universe, String source) {}

    private record StreamNow(StreamSeen.State state, int priority, String title) {}

    private record DeviceKey(String address, String mac) {}

    private record Group(String what, Protocol protocol, String title) {}

    private final Deque<LiveEvent> events = new ArrayDeque<>();
    private final Map<StreamKey, StreamNow> streams = new HashMap<>();
    private final Map<DeviceKey, DeviceState> devices = new HashMap<>();
    private boolean begun;
    private OptionalLong lastQuery = OptionalLong.empty();

    /** Notes something that happened. */
    public void add(LiveEvent event) {
        if (events.size() == MOST) {
            events.removeFirst();
        }
        events.addLast(event);
    }

    /** Notes that somebody asked which groups are wanted. */
    public void queried(Ipv4Address who, long time) {
        if (lastQuery.isEmpty() || time - lastQuery.getAsLong() > QUERIER_LOST) {
            add(new LiveEvent(
                    time, "querier", false, "The querier " + who + (lastQuery.isEmpty() ? " asks" : " is back")));
        }
        lastQuery = OptionalLong.of(time);
    }

    /** What may be the cause where groups are no longer heard. */
    private String cause(Group group, long now) {
        return group.protocol() == Protocol.SACN
                        && group.what().equals(STOPS)
                        && lastQuery.isPresent()
                        && now - lastQuery.getAsLong() > QUERY_EVERY
                ? "; the last query was heard " + (now - lastQuery.getAsLong()) / 1_000_000_000L
                        + " s before, and without one switches that snoop stop passing multicast on"
                : "";
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
                group.what().equals(STOPS),
                group.title() + " " + group.what() + ": " + group.protocol().title() + " " + ranges(universes)
                        + cause(group, now))));
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
                        case SILENT -> STOPS;
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
