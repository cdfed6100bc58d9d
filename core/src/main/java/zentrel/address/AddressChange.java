package zentrel.address;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import zentrel.gear.SettingRollout;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;

/**
 * Many addresses changed at once: every place that keeps a typed copy follows, and the steps come in a safe order, the far
 * devices first and one's own computer last.
 *
 * @param changes before and after of each address, in the order of the steps
 * @param steps what is done together, with what goes dark until the last of them
 * @param warnings sentences about what does not fit
 * @param edit all of it as one edit, in force at once
 * @param later the addresses only planned, to be ticked off device by device; a segment keeps its range until then, and a box
 *     without any address gets its first at once, for what is planned stands beside what is in force
 */
public record AddressChange(List<Change> changes, List<Step> steps, List<String> warnings, Edit edit, Edit later) {
    /**
     * One address of one adapter.
     *
     * @param before the address that it has; empty where it has none
     * @param same whether what is worth keeping of it stayed: the host part in a move
     */
    public record Change(
            Id<Adapter> adapter, String name, Optional<HostAddress> before, HostAddress after, boolean same) {}

    /**
     * Devices that are changed one after the other before the next step.
     *
     * @param dark how many signals are broken once this step is done that were not before
     * @param back how to go back from here
     */
    public record Step(String title, List<Change> changes, int dark, String back) {
        public Step {
            changes = List.copyOf(changes);
        }
    }

    public AddressChange {
        changes = List.copyOf(changes);
        steps = List.copyOf(steps);
        warnings = List.copyOf(warnings);
    }

    /**
     * Puts changes into order and tries them one after the other.
     *
     * @param text what it does, in the imperative
     * @param mine the computer one sits at, which is changed last
     * @param segment what becomes of the plan besides, once all is in force
     */
    static AddressChange of(
            Plan plan,
            String text,
            List<Change> wanted,
            Optional<Id<Host>> mine,
            List<String> warnings,
            UnaryOperator<Plan> segment) {
        Map<Group, List<Change>> groups = new EnumMap<>(Group.class);
        for (Change change : wanted) {
            if (!change.before().equals(Optional.of(change.after()))) {
                groups.computeIfAbsent(Group.of(plan.index().hostOf(change.adapter()), mine), g -> new ArrayList<>())
                        .add(change);
            }
        }
        List<Step> steps = new ArrayList<>();
        List<Change> ordered = new ArrayList<>();
        Plan at = plan;
        boolean mayBreak = !plan.streams().isEmpty() || !plan.links().isEmpty(); // else nothing is sent that goes dark
        Set<String> brokenBefore = mayBreak ? broken(plan) : Set.of();
        for (Map.Entry<Group, List<Change>> entry : groups.entrySet()) {
            if (entry.getValue().isEmpty()) {
                continue;
            }
            ordered.addAll(entry.getValue());
            Set<String> now = new HashSet<>();
            if (mayBreak) {
                at = AddressChangeSet.of(at, entry.getValue());
                now = broken(at);
                now.removeAll(brokenBefore);
            }
            steps.add(new Step(
                    entry.getKey().title,
                    entry.getValue(),
                    now.size(),
                    "Give each its old address again, the last changed first."));
        }
        List<Change> all = List.copyOf(ordered);
        Edit addresses = new Edit(text, p -> AddressChangeSet.of(p, all));
        return new AddressChange(
                ordered, steps, warnings, addresses.and(segment), SettingRollout.onlyPlanned(addresses));
    }

    /** The order in which devices are changed: what is far away and answers to nobody first, what one sits at last. */
    private enum Group {
        DEVICES("Nodes, controllers and other devices, the farthest first"),
        CONSOLES("Consoles and their sessions"),
        COMPUTERS("Other computers and remotes"),
        NETWORK("Switches, access points and routers"),
        MINE("The computer you sit at");

        private final String title;

        Group(String title) {
            this.title = title;
        }

        static Group of(Host host, Optional<Id<Host>> mine) {
            if (mine.filter(host.id()::equals).isPresent()) {
                return MINE;
            }
            return switch (host.kind()) {
                case CONSOLE -> CONSOLES;
                case COMPUTER, REMOTE -> COMPUTERS;
                case SWITCH, ACCESS_POINT, ROUTER -> NETWORK;
                default -> DEVICES;
            };
        }
    }

    /** The address with the same host part in another range, where that is a host there. */
    static Optional<Ipv4Address> sameHostPart(HostAddress before, Subnet to) {
        int hostBits = before.address().bits() & ~HostAddress.mask(before.prefixLength());
        int mask = ~HostAddress.mask(to.prefixLength());
        if ((hostBits & mask) != hostBits) {
            return Optional.empty();
        }
        HostAddress after = new HostAddress(new Ipv4Address(to.network().bits() | hostBits), to.prefixLength());
        return SpecialAddresses.notOnANetwork(after).isEmpty() ? Optional.of(after.address()) : Optional.empty();
    }

    private static Set<String> broken(Plan plan) {
        Set<String> broken = new HashSet<>();
        for (SignalPath path : new SignalPaths(plan).all()) {
            if (path.verdict() == Verdict.BROKEN) {
                broken.add(path.signal() + " " + path.receiver());
            }
        }
        return broken;
    }
}
