package zentrel.path;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import zentrel.plan.*;
import zentrel.profile.Profile;
import zentrel.profile.ProfileSupply;

/**
 * Which boxes have power. A box has none if it is switched off, or if all that is described of its feed is dead: a power cable
 * runs from the box that feeds to the box that is fed, and a supply over the network cable wants a switch that gives it. Where
 * nothing is described of a feed, it is taken as there.
 */
final class PowerState {
    /**
     * Why a box has no power.
     *
     * @param at the box that is switched off, the cable that is out, or what gives nothing
     * @param own whether the box itself is switched off
     * @param facts what is wrong with its feed, to be read after a colon
     */
    record Dark(Id<?> at, boolean own, Facts facts) {}

    private final PlanIndex index;
    private final boolean plain;
    private final Map<Id<Host>, Optional<Dark>> known = new ConcurrentHashMap<>();

    PowerState(Plan plan) {
        index = plan.index();
        plain = plan.cables().stream().noneMatch(c -> c.kind() == CableKind.POWER)
                && plan.hosts().stream()
                        .allMatch(h -> h.power().on()
                                && h.power().supplies().isEmpty()
                                && h.own().accessoryOf().isEmpty());
    }

    /** Whether no box can be without power, so that nothing need be looked at. */
    boolean isPlain() {
        return plain;
    }

    boolean has(Host host) {
        return dark(host).isEmpty();
    }

    /** Why a box has no power, if it has none. */
    Optional<Dark> dark(Host host) {
        return plain ? Optional.empty() : dark(host, new HashSet<>());
    }

    /** Breaks a hop at a box that has no power. */
    static void judge(HopDraft hop, Reason reason, Host host, Dark d) {
        hop.broken(reason, d.at(), Facts.as(d.own() ? "off" : "", "device", host, "why", d.facts()));
    }

    private Optional<Dark> dark(Host host, Set<Id<Host>> asking) {
        Optional<Dark> before = known.get(host.id());
        if (before != null) {
            return before;
        }
        if (!host.power().on()) {
            return keep(host, new Dark(host.id(), true, Facts.as("power-off", "device", host)));
        }
        if (!asking.add(host.id())) {
            return Optional.of(new Dark(host.id(), false, Facts.as("power-ring", "device", host)));
        }
        Optional<Host> main = host.own().accessoryOf().map(index::host);
        if (main.isPresent()) {
            Optional<Dark> with = dark(main.get(), asking)
                    .map(d -> new Dark(d.at(), false, Facts.as("power-accessory", "device", host, "from", main.get())));
            if (with.isPresent()) {
                asking.remove(host.id());
                return asking.isEmpty() ? keep(host, with.get()) : with;
            }
        }
        @Nullable Dark first = null;
        boolean described = false;
        for (List<Feed> supply : supplies(host)) {
            described = true;
            @Nullable Dark worst = null;
            for (Feed feed : supply) {
                Optional<Dark> dead = dead(feed, asking);
                if (dead.isEmpty()) {
                    asking.remove(host.id());
                    return keep(host, null);
                }
                worst = worst == null ? dead.get() : worst;
            }
            first = first == null ? worst : first;
        }
        asking.remove(host.id());
        return described && asking.isEmpty() ? keep(host, first) : Optional.ofNullable(first);
    }

    private Optional<Dark> keep(Host host, @Nullable Dark dark) {
        Optional<Dark> result = Optional.ofNullable(dark);
        known.put(host.id(), result);
        return result;
    }

    // --- feeds ---

    /** A cable that could feed a box, and the box at its other end. */
    private record Feed(Host fed, Cable cable, Host from, boolean poe) {}

    /** For each supply in use of which anything is described, the ways it could be fed; empty where one is simply there. */
    private List<List<Feed>> supplies(Host host) {
        List<ProfileSupply> inUse = host.supplies(index).stream()
                .filter(s -> host.power().supplies().contains(s.name()))
                .toList();
        boolean own = inUse.isEmpty() || inUse.stream().anyMatch(s -> !s.poe());
        List<List<Feed>> described = new ArrayList<>();
        if (own) {
            List<Feed> feeds = index.cablesOf(host.id()).stream()
                    .filter(c -> c.kind() == CableKind.POWER && c.to().equals(host.id()))
                    .flatMap(c -> feed(host, c, false).stream())
                    .toList();
            if (feeds.isEmpty()) {
                return List.of();
            }
            described.add(feeds);
        }
        if (inUse.stream().anyMatch(ProfileSupply::poe)) {
            List<Feed> feeds = networkCables(host).stream()
                    .flatMap(c -> feed(host, c, true).stream())
                    .toList();
            if (feeds.isEmpty()) {
                return List.of();
            }
            described.add(feeds);
        }
        return described;
    }

    private List<Cable> networkCables(Host host) {
        List<Cable> cables = new ArrayList<>(index.cablesOf(host.id()));
        host.adapters().forEach(a -> cables.addAll(index.cablesOf(a.id())));
        return cables.stream().filter(c -> c.kind() == CableKind.NETWORK).toList();
    }

    private Optional<Feed> feed(Host fed, Cable cable, boolean poe) {
        return index.hostAtEnd(cable.from())
                .filter(h -> !h.id().equals(fed.id()))
                .or(() -> index.hostAtEnd(cable.to()).filter(h -> !h.id().equals(fed.id())))
                .map(from -> new Feed(fed, cable, from, poe));
    }

    private Optional<Dark> dead(Feed feed, Set<Id<Host>> asking) {
        Cable cable = feed.cable();
        if (!cable.connected()) {
            return Optional.of(
                    new Dark(cable.id(), false, Facts.as("power-cable-out", "cable", cable, "from", feed.from())));
        }
        Optional<Profile> profile = index.profileOf(feed.from());
        if (feed.poe() && profile.filter(p -> p.poe().isEmpty()).isPresent()) {
            return Optional.of(new Dark(
                    feed.fed().id(), false, Facts.as("power-not-given", "device", feed.fed(), "from", feed.from())));
        }
        if (!feed.poe() && profile.filter(p -> !p.passesPower()).isPresent()) {
            return Optional.of(
                    new Dark(cable.id(), false, Facts.as("power-not-passed", "cable", cable, "from", feed.from())));
        }
        return dark(feed.from(), asking)
                .map(d -> d.own() ? new Dark(d.at(), false, Facts.as("power-feeder-off", "from", feed.from())) : d);
    }
}
