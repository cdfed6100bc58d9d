package zentrel.path;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;

/** Which universes fall away because their source sends no more: the highest labels first to go. */
final class UniverseLimits {
    /**
     * Why a stream does not leave.
     *
     * @param limit how many universes of its protocol leave
     */
    record Beyond(int limit, String text, List<Edit> remedies) {}

    private final PlanIndex index;
    private final Map<Id<Stream>, Beyond> beyond = new HashMap<>();

    UniverseLimits(Plan plan) {
        index = plan.index();
        if (plan.profiles().isEmpty()) {
            return; // limits are said by profiles only
        }
        for (Application application : plan.applications()) {
            index.profileOf(application).ifPresent(profile -> {
                for (Protocol protocol : Protocol.values()) {
                    profile.limit(application, protocol)
                            .ifPresent(limit -> judge(application, profile, protocol, limit));
                }
            });
        }
    }

    Optional<Beyond> of(Stream stream) {
        return Optional.ofNullable(beyond.get(stream.id()));
    }

    /** Those that are beyond. */
    Set<Id<Stream>> beyond() {
        return beyond.keySet();
    }

    private void judge(Application application, ProfileApplication profile, Protocol protocol, int limit) {
        List<Stream> sent = index.streamsFrom(application.id()).stream()
                .filter(s -> s.protocol() == protocol && s.enabled().inForce())
                .sorted(Comparator.comparingInt(index::labelOf))
                .toList();
        Set<Id<Universe>> leaving = new LinkedHashSet<>();
        List<Stream> away = new ArrayList<>();
        Set<Id<Universe>> all = new LinkedHashSet<>();
        for (Stream s : sent) {
            all.add(s.universe());
            if (leaving.contains(s.universe()) || leaving.size() < limit) {
                leaving.add(s.universe());
            } else {
                away.add(s);
            }
        }
        if (away.isEmpty()) {
            return;
        }
        String names = runs(
                away.stream().map(s -> index.universe(s.universe())).distinct().toList());
        String text = index.name(application.id()) + " sends " + Counted.of(limit, "universe") + " by "
                + protocol.title() + asItIs(application) + ", and the plan asks for " + all.size() + ": " + names
                + (away.size() == 1 ? " falls away." : " fall away.") + ways(profile, protocol, all.size());
        Beyond why = new Beyond(limit, text, remedies(application, profile, protocol, all.size()));
        away.forEach(s -> beyond.put(s.id(), why));
    }

    private static String asItIs(Application application) {
        List<String> facts = new ArrayList<>();
        application.version().ifPresent(v -> facts.add("version " + v.inForce()));
        application.installed().licence().ifPresent(l -> facts.add("licence " + l));
        application.installed().attached().forEach(a -> facts.add(a + " attached"));
        return facts.isEmpty() ? "" : " (" + String.join(", ", facts) + ")";
    }

    /** Runs of numbers as people read them: U7 to U9, U12. */
    private static String runs(List<Universe> universes) {
        List<Integer> numbers =
                universes.stream().map(Universe::number).sorted().toList();
        List<String> parts = new ArrayList<>();
        int from = numbers.get(0);
        int to = from;
        for (int i = 1; i <= numbers.size(); i++) {
            if (i < numbers.size() && numbers.get(i) == to + 1) {
                to = numbers.get(i);
                continue;
            }
            parts.add(from == to ? "U" + from : "U" + from + " to U" + to);
            if (i < numbers.size()) {
                from = numbers.get(i);
                to = from;
            }
        }
        return String.join(", ", parts);
    }

    private static String ways(ProfileApplication profile, Protocol protocol, int needed) {
        Optional<ProfileLimit> enough = profile.limits().stream()
                .filter(l -> l.protocol() == protocol
                        && l.universes() >= needed
                        && !l.condition().isEmpty())
                .findFirst();
        return enough.map(l -> " It sends " + l.universes() + " with " + l.condition() + ".")
                .orElse(" Send them by another protocol or from another source.");
    }

    private List<Edit> remedies(Application application, ProfileApplication profile, Protocol protocol, int needed) {
        List<Edit> edits = new ArrayList<>();
        for (ProfileLimit limit : profile.limits()) {
            if (limit.protocol() == protocol
                    && limit.universes() >= needed
                    && !limit.condition().isEmpty()) {
                edits.add(new Edit(
                        "Get " + index.name(application.id()) + " " + limit.condition(),
                        p -> p.with(application.id(), a -> met(a, limit))));
            }
        }
        return edits;
    }

    private static Application met(Application application, ProfileLimit limit) {
        Application met = limit.fromVersion().map(application::withVersion).orElse(application);
        Installed installed = met.installed();
        if (limit.licence().isPresent()) {
            installed = installed.withLicence(limit.licence());
        }
        if (limit.attached().isPresent()
                && !installed.attached().contains(limit.attached().get())) {
            List<String> attached = new ArrayList<>(installed.attached());
            attached.add(limit.attached().get());
            installed = installed.withAttached(attached);
        }
        return met.withInstalled(installed);
    }
}
