package zentrel.plan;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import zentrel.ipv4.Ipv4Address;

/** What is left of entities when something that they refer to is removed. */
final class Leftovers {
    private Leftovers() {}

    static <E> Set<Id<E>> kept(Set<Id<E>> ids, Predicate<Id<?>> gone) {
        return ids.stream().filter(id -> !gone.test(id)).collect(Collectors.toSet());
    }

    static <E> List<Id<E>> kept(List<Id<E>> ids, Predicate<Id<?>> gone) {
        return ids.stream().filter(id -> !gone.test(id)).toList();
    }

    /** Without the slots in universes that are gone; empty where it has no other. */
    static Optional<Fixture> withoutBreaks(Fixture fixture, Predicate<Id<?>> gone) {
        List<Break> breaks =
                fixture.breaks().stream().filter(b -> !gone.test(b.universe())).toList();
        if (breaks.isEmpty()) {
            return Optional.empty();
        }
        Fixture rest = fixture.withBreaks(breaks);
        for (Id<Line> line : fixture.lines()) {
            rest = gone.test(line) ? rest.withoutLine(line) : rest;
        }
        return Optional.of(rest);
    }

    /** Bindings to adapters that are gone are left to the system again. */
    static Application unbound(Application application, Predicate<Id<?>> gone) {
        Application result = application;
        for (Purpose purpose : application.bindings().keySet()) {
            Setting<Binding> binding = application.bindings().get(purpose);
            Binding planned = unbound(binding.planned(), gone);
            Binding inForce = unbound(binding.inForce(), gone);
            if (!planned.equals(binding.planned()) || !inForce.equals(binding.inForce())) {
                result = result.withBinding(purpose, new Setting<>(planned, inForce, binding.entered()));
            }
        }
        return result;
    }

    private static Binding unbound(Binding binding, Predicate<Id<?>> gone) {
        if (binding.mode() != BindingMode.ADAPTERS
                || binding.adapters().stream().noneMatch(gone)) {
            return binding;
        }
        List<Id<Adapter>> rest = kept(binding.adapters(), gone);
        if (rest.isEmpty()) {
            return Binding.AUTOMATIC;
        }
        Map<Id<Adapter>, Ipv4Address> addresses = new HashMap<>(binding.addresses());
        addresses.keySet().retainAll((Collection<?>) rest);
        return new Binding(BindingMode.ADAPTERS, rest, addresses);
    }
}
