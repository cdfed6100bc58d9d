package zentrel.address;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.Binding;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.plan.Setting;

/**
 * A device or a program that takes addresses of certain ranges only.
 *
 * @param name what it is called
 * @param ranges the ranges, at least one
 */
record AcceptedRanges(String name, List<Subnet> ranges) {
    AcceptedRanges {
        ranges = List.copyOf(ranges);
    }

    /** The device of an adapter, and the programs there that may use the adapter, as far as they are particular. */
    static List<AcceptedRanges> at(Plan plan, Adapter adapter) {
        Host host = plan.index().hostOf(adapter.id());
        List<AcceptedRanges> all = new ArrayList<>();
        plan.index()
                .profileOf(host)
                .filter(p -> !p.accepts().isEmpty())
                .ifPresent(p -> all.add(new AcceptedRanges(host.name(), p.accepts())));
        for (Application program : plan.index().applicationsOn(host.id())) {
            plan.index()
                    .profileOf(program)
                    .filter(p -> !p.accepts().isEmpty() && uses(program, adapter))
                    .ifPresent(p -> all.add(new AcceptedRanges(program.name(), p.accepts())));
        }
        return all;
    }

    /** Whether any of its bindings leads there, or nothing says that none does. */
    private static boolean uses(Application program, Adapter adapter) {
        return program.bindings().isEmpty()
                || program.bindings().values().stream().map(Setting::planned).anyMatch(b -> leads(b, adapter));
    }

    private static boolean leads(Binding binding, Adapter adapter) {
        return switch (binding.mode()) {
            case LOOPBACK -> false;
            case ADAPTERS -> binding.adapters().contains(adapter.id());
            case ALL, AUTOMATIC, FIRST -> true;
        };
    }

    boolean accepts(Subnet range) {
        return ranges.stream().anyMatch(r -> r.contains(range.network()));
    }

    String rangesInWords(String between) {
        return ranges.stream().map(Subnet::toString).collect(Collectors.joining(between));
    }
}
