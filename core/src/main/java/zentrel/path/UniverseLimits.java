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
import zentrel.profile.ProfileApplication;
import zentrel.profile.ProfileLimit;
import zentrel.profile.Protocol;

/** Which universes fall away because their source sends no more: the highest labels first to go. */
final class UniverseLimits {
    /**
     * Why a stream does not leave.
     *
     * @param limit how many universes of its protocol leave
     * @param known whether that is so of every version it may be
     */
    record Beyond(int limit, boolean known, Facts facts) {}

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
                    application.limit(profile, protocol).ifPresent(limit -> {
                        int best = application.limitAtBest(profile, protocol).orElse(limit);
                        if (best > limit) {
                            judge(application, profile, protocol, limit, false);
                        }
                        judge(application, profile, protocol, best, true);
                    });
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

    private void judge(
            Application application, ProfileApplication profile, Protocol protocol, int limit, boolean known) {
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
        List<Facts> runs = runs(
                away.stream().map(s -> index.universe(s.universe())).distinct().toList());
        Facts facts = Facts.of(
                "program",
                application,
                "limit",
                limit,
                "protocol",
                protocol,
                "installed",
                asItIs(application),
                "needed",
                all.size(),
                "runs",
                runs,
                "away",
                away.size(),
                "ways",
                ways(profile, protocol, all.size()));
        away.forEach(s -> beyond.put(s.id(), new Beyond(limit, known, facts)));
    }

    private static Facts asItIs(Application application) {
        List<Facts> facts = new ArrayList<>();
        application.version().ifPresent(v -> facts.add(Facts.as("version", "version", v.inForce())));
        application.installed().licenceNow().ifPresent(l -> facts.add(Facts.as("licence", "licence", l)));
        application.installed().attached().forEach(a -> facts.add(Facts.as("attached", "attached", a)));
        return facts.isEmpty() ? Facts.as("nothing") : Facts.as("installed", "all", facts);
    }

    /** Runs of numbers as people read them: U7 to U9, U12. */
    private static List<Facts> runs(List<Universe> universes) {
        List<Integer> numbers =
                universes.stream().map(Universe::number).sorted().toList();
        List<Facts> parts = new ArrayList<>();
        int from = numbers.get(0);
        int to = from;
        for (int i = 1; i <= numbers.size(); i++) {
            if (i < numbers.size() && numbers.get(i) == to + 1) {
                to = numbers.get(i);
                continue;
            }
            parts.add(Facts.as(from == to ? "universe" : "universes", "from", from, "to", to));
            if (i < numbers.size()) {
                from = numbers.get(i);
                to = from;
            }
        }
        return parts;
    }

    private static Facts ways(ProfileApplication profile, Protocol protocol, int needed) {
        Optional<ProfileLimit> enough = profile.limits().stream()
                .filter(l -> l.protocol() == protocol
                        && l.universes() >= needed
                        && !l.condition().isEmpty())
                .findFirst();
        return enough.map(l -> Facts.as("enough-with", "universes", l.universes(), "condition", l.condition()))
                .orElse(Facts.as("another-source"));
    }
}
