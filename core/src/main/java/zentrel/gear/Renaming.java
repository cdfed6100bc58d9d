package zentrel.gear;

import zentrel.plan.*;

/** Gives things other names; their ids stay. */
public final class Renaming {
    private Renaming() {}

    /**
     * Renames a host, universe or segment; programs and receivers that bear the name of their host go along.
     *
     * @throws IllegalArgumentException with a sentence, where the name is blank or the thing has no name of its own
     */
    public static Edit of(Plan plan, Id<?> id, String name) {
        String wanted = name.strip();
        if (wanted.isEmpty()) {
            throw new IllegalArgumentException("A name has at least one character.");
        }
        String text = "Rename " + plan.index().name(id) + " to " + wanted;
        Object found = plan.index().find(id).orElse(null);
        if (found instanceof Host host) {
            return new Edit(text, p -> host(p, host, wanted));
        }
        if (found instanceof Universe u) {
            return new Edit(text, p -> p.with(u.id(), x -> new Universe(x.id(), wanted, x.number(), x.merge())));
        }
        if (found instanceof Segment s) {
            return new Edit(text, p -> p.with(s.id(), x -> x.withName(wanted)));
        }
        throw new IllegalArgumentException(plan.index().name(id) + " is named after what it belongs to.");
    }

    private static Plan host(Plan plan, Host host, String name) {
        Plan next = plan.with(host.id(), h -> h.withName(name));
        for (Application a : plan.index().applicationsOn(host.id())) {
            if (a.name().startsWith(host.name())) {
                next = next.with(
                        a.id(),
                        x -> x.withName(name + a.name().substring(host.name().length())));
            }
            for (Receiver r : plan.index().receiversOf(a.id())) {
                if (r.name().startsWith(host.name())) {
                    next = next.with(
                            r.id(),
                            x -> x.withName(
                                    name + r.name().substring(host.name().length())));
                }
            }
        }
        return next;
    }
}
