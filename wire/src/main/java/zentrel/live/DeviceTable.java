package zentrel.live;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import zentrel.found.AnsweredBy;
import zentrel.found.DeviceState;
import zentrel.found.FoundDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.BoundedTable;
import zentrel.net.NetAdapter;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.plan.Loss;

/**
 * The devices that were heard, each by address and, where it tells one, hardware address; bounded. Lives in the net's turn.
 */
final class DeviceTable {
    private static final int MOST = 4096;
    private static final int PATIENCE_SECONDS = 3600;
    private static final int MOST_REMARKS = 20;

    /** A device that was polled all the time and has not answered for so long is silent, in ns: three polls and their answers. */
    private static final long SILENT_TO_POLLS = 10_000_000_000L;

    /** A source of sACN announces itself every ten seconds (ANSI E1.31-2018 §4.3); two of them may be lost. */
    private static final long SILENT_IN_SACN = 25_000_000_000L;

    private record Key(Ipv4Address address, Optional<String> mac) {}

    private static final class Device {
        private final Set<AnsweredBy> answers = EnumSet.noneOf(AnsweredBy.class);
        private @Nullable AnswerPages pages;
        private String name = "";
        private long lastHeard;
        private final Set<String> remarks = new TreeSet<>();

        private void remark(String text) {
            if (remarks.size() < MOST_REMARKS) {
                remarks.add(text);
            }
        }
    }

    private final NetAdapter adapter;
    private final Predicate<Ipv4Address> planned;
    private final BoundedTable<Key, Device> devices = new BoundedTable<>(MOST, PATIENCE_SECONDS);
    private long lastPoll = Long.MIN_VALUE;

    DeviceTable(NetAdapter adapter, Predicate<Ipv4Address> planned) {
        this.adapter = adapter;
        this.planned = planned;
    }

    private @Nullable Device device(Ipv4Address address, Optional<String> mac, long now) {
        Device device = devices.use(new Key(address, mac), planned.test(address), now, Device::new)
                .orElse(null);
        if (device != null) {
            device.lastHeard = now;
        }
        return device;
    }

    void polled(long now) {
        lastPoll = now;
    }

    void answered(Ipv4Address from, ArtPollReply reply, List<String> tolerated, long now) {
        Device device = device(from, Discovery.mac(reply.mac().toArray()), now);
        if (device == null) {
            return;
        }
        device.answers.add(AnsweredBy.ARTPOLL);
        AnswerPages pages = device.pages;
        if (pages == null) {
            pages = new AnswerPages();
            device.pages = pages;
        }
        pages.take(reply, now);
        if (!reply.address().equals(from)) {
            device.remark("Its answer says that its address is " + reply.address() + ", and came from " + from + ".");
        }
        tolerated.forEach(t -> device.remark("In its answer " + t + "."));
    }

    void heard(Ipv4Address from, long now) {
        devices.forEach((key, d) -> {
            if (key.address().equals(from)) {
                d.lastHeard = now;
            }
        });
    }

    /** @param name asked only where its name is not known yet */
    void sends(Ipv4Address from, Supplier<String> name, long now) {
        Device device = device(from, Optional.empty(), now);
        if (device != null && device.answers.add(AnsweredBy.SACN)) {
            device.name = name.get();
        }
    }

    void pinged(Ipv4Address address, long now) {
        Device device = device(address, Optional.empty(), now);
        if (device != null) {
            device.answers.add(AnsweredBy.PING);
        }
    }

    /** What was found, in the order of addresses. */
    List<FoundDevice> devices(long now) {
        List<FoundDevice> all = new ArrayList<>();
        Map<String, Long> lastByMac = new HashMap<>();
        Map<Ipv4Address, Set<AnsweredBy>> otherAnswers = new HashMap<>(); // of what tells no hardware address
        Set<Ipv4Address> answering = new HashSet<>();
        devices.forEach((key, d) -> {
            key.mac().ifPresent(m -> lastByMac.merge(m, d.lastHeard, Math::max));
            if (d.pages == null) {
                otherAnswers.put(key.address(), d.answers);
            } else {
                answering.add(key.address());
            }
        });
        Map<Ipv4Address, Integer> onAddress = new HashMap<>();
        Map<Integer, Map<Integer, Integer>> versions = new HashMap<>();
        devices.forEach((key, d) -> {
            boolean moved = isSilent(d, now)
                    && key.mac()
                            .map(m -> lastByMac.getOrDefault(m, 0L) > d.lastHeard)
                            .orElse(false);
            boolean anotherTellsMore = d.pages == null && answering.contains(key.address());
            if (!moved && !anotherTellsMore) {
                FoundDevice found = found(key, d, otherAnswers.getOrDefault(key.address(), Set.of()), isSilent(d, now));
                all.add(found);
                if (found.state() != DeviceState.SILENT) {
                    onAddress.merge(found.address(), 1, Integer::sum);
                }
                if (found.firmware() != 0 && found.maker() != 0) {
                    versions.computeIfAbsent(found.maker(), m -> new HashMap<>())
                            .merge(found.firmware(), 1, Integer::sum);
                }
            }
        });
        all.replaceAll(d -> d.withState(state(d, onAddress, versions)));
        all.sort(Comparator.comparing(FoundDevice::address)
                .thenComparing(d -> d.mac().orElse("")));
        return all;
    }

    private boolean isSilent(Device device, long now) {
        if (device.answers.contains(AnsweredBy.ARTPOLL)) {
            return lastPoll > device.lastHeard && now - device.lastHeard > SILENT_TO_POLLS;
        }
        return device.answers.contains(AnsweredBy.SACN) && now - device.lastHeard > SILENT_IN_SACN;
    }

    private DeviceState state(
            FoundDevice device, Map<Ipv4Address, Integer> onAddress, Map<Integer, Map<Integer, Integer>> versions) {
        if (onAddress.getOrDefault(device.address(), 0) > 1) {
            return DeviceState.DUPLICATE_ADDRESS;
        }
        if (!adapter.address().sees(device.address())) {
            return DeviceState.OUT_OF_REACH;
        }
        if (device.state() == DeviceState.SILENT) {
            return DeviceState.SILENT;
        }
        Map<Integer, Integer> ofItsKind = versions.getOrDefault(device.maker(), Map.of());
        int usual = ofItsKind.entrySet().stream()
                .max(Map.Entry.<Integer, Integer>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .orElse(device.firmware());
        return device.firmware() != 0 && usual != device.firmware() ? DeviceState.FIRMWARE_DIFFERS : DeviceState.READY;
    }

    private static FoundDevice found(Key key, Device d, Set<AnsweredBy> others, boolean silent) {
        Set<AnsweredBy> answers = EnumSet.noneOf(AnsweredBy.class);
        answers.addAll(d.answers);
        answers.addAll(others);
        AnswerPages pages = d.pages;
        DeviceState state = silent ? DeviceState.SILENT : DeviceState.READY;
        if (pages == null) {
            return new FoundDevice(
                    key.address(),
                    key.mac(),
                    d.name,
                    "",
                    "",
                    0,
                    0,
                    Loss.NOT_KNOWN,
                    false,
                    state,
                    answers,
                    List.of(),
                    d.lastHeard,
                    List.copyOf(d.remarks));
        }
        ArtPollReply first = pages.first();
        return new FoundDevice(
                key.address(),
                key.mac(),
                first.portName(),
                first.longName(),
                first.report(),
                first.version(),
                first.esta() << 16 | first.oem(),
                pages.loss(),
                (first.status2() & ArtPollReply.BY_DHCP) != 0,
                state,
                answers,
                pages.ports(),
                d.lastHeard,
                List.copyOf(d.remarks));
    }
}
