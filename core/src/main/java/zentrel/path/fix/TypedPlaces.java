package zentrel.path.fix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.PathContext;
import zentrel.plan.*;

/** The places of a plan in which an address of a device is typed: unicast lists, destinations, fields of other devices. */
final class TypedPlaces {
    /** Places named one by one in the text of an edit. */
    private static final int MOST_NAMED = 2;

    private final PathContext context;
    private volatile @Nullable Map<Ipv4Address, List<Id<?>>> typed;

    TypedPlaces(PathContext context) {
        this.context = context;
    }

    /** What else such a change sets, to be said before it is made: lists and fields in which the old address is typed. */
    String said(Id<Host> owner, Ipv4Address from) {
        Set<String> places = new LinkedHashSet<>();
        for (Id<?> id : typed().getOrDefault(from, List.of())) {
            Object found = context.index().find(id).orElseThrow();
            if (found instanceof Stream s && context.index().takes(owner, s.universe())) {
                places.add("the unicast list of " + context.index().name(s.application()));
            } else if (found instanceof ControlLink l
                    && context.index().application(l.to()).host().equals(owner)) {
                places.add("the destination of " + context.index().name(l.id()));
            } else if (found instanceof Attachment a
                    && context.index().application(a.to()).host().equals(owner)) {
                places.add("the destination of " + context.index().name(a.id()));
            } else if (found instanceof TypedCopy c
                    && c.of().is(Kind.ADAPTER)
                    && context.index().hostOf(c.of()).id().equals(owner)) {
                places.add(c.name() + " in " + context.index().name(c.owner()));
            }
        }
        if (places.isEmpty()) {
            return "";
        }
        String few = places.stream().limit(MOST_NAMED).collect(Collectors.joining(" and "));
        return ", and in " + few
                + (places.size() > MOST_NAMED ? " and " + (places.size() - MOST_NAMED) + " more places" : "");
    }

    /** Where each address is typed in, worked out when it is first asked for. */
    private Map<Ipv4Address, List<Id<?>>> typed() {
        Map<Ipv4Address, List<Id<?>>> known = typed;
        if (known == null) {
            Map<Ipv4Address, List<Id<?>>> all = new HashMap<>();
            context.plan().streams().forEach(s -> s.to().forEach(a -> put(all, a, s.id())));
            context.plan().links().forEach(l -> put(all, l.destination().inForce(), l.id()));
            context.plan().attachments().forEach(a -> a.destination().ifPresent(d -> put(all, d.inForce(), a.id())));
            for (TypedCopy copy : context.plan().copies()) {
                if (copy.of().is(Kind.ADAPTER)) {
                    put(all, Ipv4Address.parse(copy.value().inForce()), copy.id());
                }
            }
            known = all;
            typed = known;
        }
        return known;
    }

    private static void put(Map<Ipv4Address, List<Id<?>>> all, Ipv4Address address, Id<?> at) {
        all.computeIfAbsent(address, a -> new ArrayList<>()).add(at);
    }

    /** The plan with an address of a device moved in each such place; one that others have too stays in the lists beside it. */
    static Plan moved(Plan plan, Id<Host> owner, Ipv4Address from, Ipv4Address to, boolean shared) {
        if (from.equals(to)) {
            return plan;
        }
        PlanIndex index = plan.index();
        List<Stream> streams = new ArrayList<>(plan.streams());
        streams.replaceAll(s -> {
            boolean meantForOwner = s.to().contains(from) && index.takes(owner, s.universe());
            if (!meantForOwner) {
                return s;
            }
            Set<Ipv4Address> list = new LinkedHashSet<>(s.to());
            if (!shared) {
                list.remove(from);
            }
            list.add(to);
            return s.withDelivery(s.delivery(), List.copyOf(list));
        });
        List<ControlLink> links = new ArrayList<>(plan.links());
        links.replaceAll(l -> l.destination().inForce().equals(from)
                        && index.application(l.to()).host().equals(owner)
                ? l.withDestination(to)
                : l);
        List<TypedCopy> copies = new ArrayList<>(plan.copies());
        copies.replaceAll(c -> c.value().inForce().equals(from.toString())
                        && c.of().is(Kind.ADAPTER)
                        && index.hostOf(c.of()).id().equals(owner)
                ? c.withValue(to.toString())
                : c);
        List<Attachment> attachments = new ArrayList<>(plan.attachments());
        attachments.replaceAll(a ->
                a.destination().filter(d -> d.inForce().equals(from)).isPresent()
                                && index.application(a.to()).host().equals(owner)
                        ? a.withDestination(Optional.of(Setting.of(to)))
                        : a);
        return plan.with(Kind.STREAM, streams)
                .with(Kind.LINK, links)
                .with(Kind.ATTACHMENT, attachments)
                .with(Kind.COPY, copies);
    }
}
