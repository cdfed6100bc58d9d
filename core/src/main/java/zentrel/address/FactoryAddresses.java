package zentrel.address;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Profile;
import zentrel.profile.ProfileAdapter;

/**
 * Boxes that leave the factory with one address: two of them on one network answer for each other, so they are set up one at a
 * time.
 *
 * @param batches boxes with the same address out of the box, in the order of the plan
 */
public record FactoryAddresses(List<Batch> batches) {
    /**
     * Boxes with one address.
     *
     * @param factory the address that each of them has out of the box
     */
    public record Batch(HostAddress factory, List<Box> boxes) {
        public Batch {
            boxes = List.copyOf(boxes);
        }

        /** The boxes that still have it. */
        public List<Box> waiting() {
            return boxes.stream().filter(b -> !b.done()).toList();
        }
    }

    /**
     * One box.
     *
     * @param target the address that it is to have
     * @param done whether it has it
     */
    public record Box(Id<Adapter> adapter, String name, HostAddress target, boolean done) {}

    public FactoryAddresses {
        batches = List.copyOf(batches);
    }

    /** All boxes of a plan whose profile says what they have out of the box. */
    public static FactoryAddresses of(Plan plan) {
        Map<HostAddress, List<Box>> byAddress = new LinkedHashMap<>();
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                Optional<HostAddress> factory = factory(plan, adapter);
                if (factory.isPresent() && !adapter.addresses().isEmpty()) {
                    Setting<HostAddress> address = adapter.addresses().get(0).address();
                    byAddress
                            .computeIfAbsent(factory.get(), f -> new ArrayList<>())
                            .add(new Box(
                                    adapter.id(),
                                    host.name(),
                                    address.planned(),
                                    address.inForce().equals(address.planned())));
                }
            }
        }
        return new FactoryAddresses(byAddress.entrySet().stream()
                .map(e -> new Batch(e.getKey(), e.getValue()))
                .toList());
    }

    /** The address that an adapter has out of the box, where its profile says so or it follows from its hardware address. */
    public static Optional<HostAddress> factory(Plan plan, Adapter adapter) {
        Optional<ProfileAdapter> like = plan.index()
                .profileOf(plan.index().hostOf(adapter.id()))
                .flatMap(p -> p.adapters().stream()
                        .filter(a -> a.name().equals(adapter.name()))
                        .findFirst());
        return like.flatMap(ProfileAdapter::factory)
                .or(() -> like.flatMap(ProfileAdapter::fromMac)
                        .flatMap(how -> adapter.mac().flatMap(m -> ProtocolDefault.of(m, how))));
    }

    /** The boxes of a batch are as they left the factory; what they are to have stays planned. */
    public static Edit unpacked(Batch batch) {
        Set<Id<Adapter>> adapters = new HashSet<>();
        batch.boxes().forEach(b -> adapters.add(b.adapter()));
        return new Edit(
                batch.boxes().size() == 1
                        ? batch.boxes().get(0).name() + " is as it left the factory"
                        : batch.boxes().size() + " devices are as they left the factory",
                p -> {
                    Plan next = p;
                    for (Id<Adapter> id : adapters) {
                        next = next.with(
                                id,
                                a -> a.withAddress(
                                        0,
                                        new AdapterAddress(
                                                a.addresses()
                                                                .get(0)
                                                                .address()
                                                                .planned()
                                                                .equals(batch.factory())
                                                        ? Setting.of(batch.factory())
                                                        : new Setting<>(
                                                                a.addresses()
                                                                        .get(0)
                                                                        .address()
                                                                        .planned(),
                                                                batch.factory()),
                                                AddressOrigin.FACTORY)));
                    }
                    return next;
                });
    }

    /** One box has the address that it is to have. */
    public static Edit set(Box box) {
        return new Edit(
                box.name() + " has its address",
                p -> p.with(
                        box.adapter(),
                        a -> a.withAddress(0, new AdapterAddress(Setting.of(box.target()), AddressOrigin.MANUAL))));
    }

    /**
     * What to do for the next box of a batch, step by step; empty where all are done.
     *
     * @param plan the plan that the batch is of
     */
    public static List<String> steps(Plan plan, Batch batch) {
        List<Box> waiting = batch.waiting();
        if (waiting.isEmpty()) {
            return List.of();
        }
        Box next = waiting.get(0);
        PlanIndex index = plan.index();
        Host host = index.hostOf(next.adapter());
        Optional<Profile> profile = index.profileOf(host);
        List<String> steps = new ArrayList<>();
        steps.add("Plug in " + next.name() + " alone with the computer that sets it"
                + (waiting.size() == 1
                        ? ""
                        : "; the other " + (waiting.size() - 1) + " with "
                                + batch.factory().address() + " stay off")
                + ".");
        Ipv4Address near = FreeAddress.after(
                        batch.factory().address(), batch.factory().subnet(), Set.of())
                .orElse(batch.factory().address().plus(1));
        steps.add("Give the computer a second address beside it: "
                + new HostAddress(near, batch.factory().prefixLength()) + ".");
        steps.add("At " + batch.factory().address()
                + profile.map(p -> p.menus().get("address"))
                        .map(way -> ", " + way)
                        .orElse("") + ": type in " + next.target().address() + ", mask "
                + next.target().mask() + ".");
        profile.map(p -> p.stepsAfter("address"))
                .orElse(List.of())
                .forEach(s -> steps.add(s.does()
                        + (s.times() == 1 ? "" : ", " + s.times() + " times")
                        + (s.seconds() == 0 ? "" : ", " + s.seconds() + " s each") + "."
                        + (s.why().isEmpty() ? "" : " " + s.why())));
        steps.add("See that it answers at " + next.target().address()
                + (waiting.size() == 1
                        ? ", and take the second address off the computer again."
                        : ", then say so here and go on with " + waiting.get(1).name() + "."));
        return steps;
    }
}
