package zentrel.live;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import zentrel.compare.Comparison;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFileException;
import zentrel.file.PlanReader;
import zentrel.file.PlanWriter;
import zentrel.found.FoundDevice;
import zentrel.found.FoundPort;
import zentrel.plan.Plan;

/**
 * A net as it was when it worked: its devices and its universes, in words that another look is compared with.
 *
 * @param time when it was sealed, in ms since 1970 in UTC
 * @param devices by hardware address, or by address where that is not known: what each said of itself, field by field
 * @param universes by protocol and number: its sources with their priorities, the one that wins first
 * @param rates by protocol and number: packets a second
 * @param plan the plan of then, as its file; null where none was sealed
 */
public record SealedState(
        long time,
        Map<String, Map<String, String>> devices,
        Map<String, String> universes,
        Map<String, Double> rates,
        @Nullable JsonNode plan) {
    public SealedState {
        plan = plan == null || plan.isNull() ? null : plan;
    }

    /** A rate that falls below this part of what it was has changed. */
    private static final double RATE_FELL = 0.5;

    private static final int SET_ON_DEVICE = 3;
    private static final int REST_OF_PLAN = 6;

    /**
     * One thing that is not as it was.
     *
     * @param rank how well it can explain that something does not respond: 1 best
     * @param about the device or universe, as the sealed state calls it
     */
    public record Change(int rank, String about, String text) {}

    /** Seals what is seen now. */
    public static SealedState of(List<FoundDevice> found, List<UniverseSeen> seen, long time) {
        Map<String, Map<String, String>> devices = new TreeMap<>();
        for (FoundDevice d : found) {
            Map<String, String> fields = new TreeMap<>();
            fields.put("name", d.title());
            fields.put("address", d.address().toString());
            fields.put("version", d.version());
            fields.put("fail-safe", d.loss().name());
            for (FoundPort p : d.ports()) {
                fields.put(
                        "port " + p.number(),
                        p.direction().word() + " " + p.protocol().title() + " " + p.wire() + " " + p.merge());
            }
            devices.put(d.mac().orElse(d.address().toString()), fields);
        }
        Map<String, String> universes = new TreeMap<>();
        Map<String, Double> rates = new TreeMap<>();
        for (UniverseSeen u : seen) {
            if (u.isLive()) {
                String name = u.protocol().title() + " " + u.number();
                universes.put(
                        name,
                        u.sources().stream()
                                .filter(s -> s.state() == StreamSeen.State.SENDS)
                                .sorted((a, b) -> Integer.compare(b.priority(), a.priority()))
                                .map(s -> s.title() + " " + s.priority())
                                .collect(Collectors.joining(", ")));
                rates.put(name, Math.round(u.rate() * 10) / 10.0);
            }
        }
        return new SealedState(time, devices, universes, rates, null);
    }

    /** The same with the plan as it is now. */
    public SealedState withPlan(Plan now) throws IOException {
        return new SealedState(
                time, devices, universes, rates, new JsonMapper().readTree(PlanWriter.write(LoadedPlan.of(now))));
    }

    /**
     * The plan of then; empty where none was sealed.
     *
     * @throws PlanFileException with a sentence, where it is none
     */
    public Optional<Plan> planThen() throws PlanFileException {
        JsonNode sealed = plan;
        return sealed == null
                ? Optional.empty()
                : Optional.of(PlanReader.read(sealed.toString().getBytes(StandardCharsets.UTF_8))
                        .plan());
    }

    /** What of the plan is other than then: what is set on a device first. */
    public static List<Change> ofPlan(Plan then, Plan now) {
        return Comparison.of(then, now).differences().stream()
                .map(d -> new Change(
                        d.device().isPresent() ? SET_ON_DEVICE : REST_OF_PLAN,
                        d.name(),
                        "In the plan: " + d.text() + "."))
                .toList();
    }

    /** What changed from this to another look, what can explain most first. */
    public List<Change> changesTo(SealedState now) {
        List<Change> changes = new ArrayList<>();
        devices.forEach((key, was) -> {
            String name = was.getOrDefault("name", key);
            Map<String, String> is = now.devices().get(key);
            if (is == null) {
                changes.add(new Change(1, name, name + " is not there any more."));
            } else {
                was.forEach((field, value) -> {
                    String other = is.getOrDefault(field, "nothing");
                    if (!other.equals(value)) {
                        changes.add(new Change(
                                field.startsWith("port") || field.equals("address") ? 2 : 5,
                                name,
                                name + ": " + field + " is " + other + ", was " + value + "."));
                    }
                });
                is.keySet().stream()
                        .filter(f -> !was.containsKey(f))
                        .forEach(f -> changes.add(new Change(5, name, name + ": " + f + " is new.")));
            }
        });
        universes.forEach((name, was) -> {
            String is = now.universes().get(name);
            if (is == null) {
                changes.add(new Change(1, name, name + " does not come any more; it came from " + was + "."));
            } else if (!is.equals(was)) {
                changes.add(new Change(3, name, name + " comes from " + is + ", and came from " + was + "."));
            } else if (now.rates().getOrDefault(name, 0.0) < RATE_FELL * rates.getOrDefault(name, 0.0)) {
                changes.add(new Change(
                        4,
                        name,
                        name + " comes " + now.rates().getOrDefault(name, 0.0) + " times a second, and came "
                                + rates.getOrDefault(name, 0.0) + " times."));
            }
        });
        now.devices().forEach((key, is) -> {
            if (!devices.containsKey(key)) {
                changes.add(new Change(4, is.getOrDefault("name", key), is.getOrDefault("name", key) + " is new."));
            }
        });
        now.universes().forEach((name, is) -> {
            if (!universes.containsKey(name)) {
                changes.add(new Change(4, name, name + " is new, from " + is + "."));
            }
        });
        changes.sort(java.util.Comparator.comparingInt(Change::rank));
        return changes;
    }
}
