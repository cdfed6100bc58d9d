package zentrel.gear;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/**
 * Planned settings of one box that were heard to be in force: nobody needs to tick them off by hand.
 *
 * @param host the box
 * @param seen what was heard, a sentence for each setting
 * @param edit says that they are in force
 */
public record ConfirmedSettings(Id<Host> host, List<String> seen, Edit edit) {
    public ConfirmedSettings {
        seen = List.copyOf(seen);
    }

    /** What of the plan was heard to be in force, box by box in the order of the plan; boxes with nothing new are left out. */
    public static List<ConfirmedSettings> of(Plan plan, Collection<Heard> heard) {
        List<ConfirmedSettings> result = new ArrayList<>();
        for (Host host : plan.hosts()) {
            Set<String> keys = new LinkedHashSet<>();
            List<String> seen = new ArrayList<>();
            for (Heard h : heard) {
                look(plan, host, h, keys, seen);
            }
            if (!keys.isEmpty()) {
                result.add(new ConfirmedSettings(host.id(), seen, inForce(plan, host, keys)));
            }
        }
        return result;
    }

    /** The addresses, planned or in force, from which something of a plan may be heard. */
    public static Set<Ipv4Address> addresses(Plan plan) {
        return plan.hosts().stream()
                .flatMap(h -> h.adapters().stream())
                .flatMap(a -> a.addresses().stream())
                .flatMap(a -> Stream.of(a.address().planned(), a.address().inForce()))
                .map(HostAddress::address)
                .collect(Collectors.toSet());
    }

    private static void look(Plan plan, Host host, Heard heard, Set<String> keys, List<String> seen) {
        boolean its = false;
        for (Adapter adapter : host.adapters()) {
            for (int i = 0; i < adapter.addresses().size(); i++) {
                Setting<HostAddress> address = adapter.addresses().get(i).address();
                boolean planned = address.planned().address().equals(heard.from());
                its |= planned || address.inForce().address().equals(heard.from());
                if (planned && address.isPending() && keys.add(HostSettings.key(adapter.id(), "address" + i))) {
                    seen.add(host.name() + " was received from " + heard.from() + ", as planned.");
                }
            }
        }
        if (its) {
            ports(plan, host, heard, keys, seen);
            streams(plan, host, heard, keys, seen);
        }
    }

    private static void ports(Plan plan, Host host, Heard heard, Set<String> keys, List<String> seen) {
        PlanIndex index = plan.index();
        for (Application a : index.applicationsOn(host.id())) {
            for (Receiver r : index.receiversOf(a.id())) {
                for (Port port : r.ports()) {
                    Optional<Setting<Integer>> wire = port.wire().filter(Setting::isPending);
                    if (port.protocol().planned() == heard.protocol()
                            && wire.filter(w -> heard.waitsFor().contains(w.planned()))
                                    .isPresent()
                            && keys.add(HostSettings.key(port.id(), "wire"))) {
                        seen.add(index.name(port.id()) + " says that it waits for "
                                + heard.protocol().title() + " " + wire.get().planned() + ", as planned.");
                    }
                }
            }
        }
    }

    private static void streams(Plan plan, Host host, Heard heard, Set<String> keys, List<String> seen) {
        PlanIndex index = plan.index();
        for (Application a : index.applicationsOn(host.id())) {
            for (zentrel.plan.Stream s : index.streamsFrom(a.id())) {
                Optional<Setting<Integer>> wire = s.wire().filter(Setting::isPending);
                if (s.protocol() == heard.protocol()
                        && wire.filter(w -> heard.sends().contains(w.planned())).isPresent()
                        && keys.add(HostSettings.key(s.id(), "wire"))) {
                    seen.add(index.name(s.id()) + " was received as "
                            + wire.get().planned() + ", as planned.");
                }
            }
        }
    }

    private static Edit inForce(Plan plan, Host host, Set<String> keys) {
        return new Edit(
                "Heard in force on " + plan.index().name(host.id()),
                p -> HostSettings.changed(p, host.id(), new HostSettings.Change() {
                    @Override
                    public <T> Setting<T> of(String key, String subject, Setting<T> setting) {
                        return keys.contains(key) ? setting.applied() : setting;
                    }
                }));
    }
}
