package zentrel.gear;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/**
 * Takes things out of a plan, with what cannot stay without them.
 *
 * @param also what goes as well, beyond what was asked for; fixtures stay and lose their line
 */
public record Removing(Edit edit, List<Id> also) {
    public Removing {
        also = List.copyOf(also);
    }

    /** What removing would do. */
    public static Removing of(Plan plan, Collection<? extends Id> wanted) {
        Set<Id> gone = new LinkedHashSet<>(wanted);
        int before;
        do {
            before = gone.size();
            spread(plan, gone);
        } while (gone.size() > before);
        List<Id> also = gone.stream().filter(i -> !wanted.contains(i)).toList();
        String names = String.join(
                ", ", wanted.stream().limit(3).map(plan.index()::name).toList());
        String text = "Remove " + names + (wanted.size() > 3 ? " and " + (wanted.size() - 3) + " more" : "");
        Set<Id> all = Set.copyOf(gone);
        return new Removing(new Edit(text, p -> without(p, all)), also);
    }

    /** What else goes, in words: "2 programs, 4 ports"; empty text where nothing does. */
    public String alsoInWords() {
        List<String> parts = new ArrayList<>();
        count(parts, AdapterId.class, "adapter");
        count(parts, ApplicationId.class, "program");
        count(parts, ReceiverId.class, "receiver");
        count(parts, PortId.class, "port");
        count(parts, StreamId.class, "stream");
        count(parts, LineId.class, "line");
        count(parts, FixtureId.class, "fixture");
        count(parts, LinkId.class, "control link");
        count(parts, CableId.class, "cable");
        count(parts, CopyId.class, "typed copy", "typed copies");
        return String.join(", ", parts);
    }

    private void count(List<String> parts, Class<? extends Id> type, String one) {
        count(parts, type, one, one + "s");
    }

    private void count(List<String> parts, Class<? extends Id> type, String one, String many) {
        long n = also.stream().filter(type::isInstance).count();
        if (n > 0) {
            parts.add(n + " " + (n == 1 ? one : many));
        }
    }

    private static void spread(Plan plan, Set<Id> gone) {
        for (Host h : plan.hosts()) {
            if (gone.contains(h.id())) {
                h.adapters().forEach(a -> gone.add(a.id()));
            }
        }
        plan.applications().stream().filter(a -> gone.contains(a.host())).forEach(a -> gone.add(a.id()));
        for (Receiver r : plan.receivers()) {
            if (gone.contains(r.application())) {
                gone.add(r.id());
            }
            if (gone.contains(r.id())) {
                r.ports().forEach(p -> gone.add(p.id()));
            }
        }
        plan.streams().stream()
                .filter(s -> gone.contains(s.application()) || gone.contains(s.universe()))
                .forEach(s -> gone.add(s.id()));
        plan.lines().stream()
                .filter(l -> gone.contains(l.port())
                        || l.via()
                                .filter(v -> gone.contains(v.device()) || gone.contains(v.from()))
                                .isPresent())
                .forEach(l -> gone.add(l.id()));
        plan.fixtures().stream()
                .filter(f -> f.breaks().stream().allMatch(b -> gone.contains(b.universe())))
                .forEach(f -> gone.add(f.id()));
        plan.links().stream()
                .filter(l -> gone.contains(l.from()) || gone.contains(l.to()))
                .forEach(l -> gone.add(l.id()));
        plan.attachments().stream()
                .filter(a -> gone.contains(a.from()) || gone.contains(a.to()))
                .forEach(a -> gone.add(a.id()));
        plan.cables().stream()
                .filter(c -> gone.contains(c.from()) || gone.contains(c.to()))
                .forEach(c -> gone.add(c.id()));
        plan.copies().stream()
                .filter(c -> gone.contains(c.owner()) || gone.contains(c.of()))
                .forEach(c -> gone.add(c.id()));
    }

    private static Plan without(Plan plan, Set<Id> gone) {
        List<Host> hosts = kept(plan.hosts(), gone).stream()
                .map(h -> h.withAdapters(kept(h.adapters(), gone).stream()
                        .map(a -> a.segment().filter(gone::contains).isPresent() ? a.withoutSegment() : a)
                        .toList()))
                .toList();
        List<Receiver> receivers = kept(plan.receivers(), gone).stream()
                .map(r -> r.withPorts(kept(r.ports(), gone).stream()
                        .map(p -> p.universe().filter(gone::contains).isPresent() ? p.meantFor(Optional.empty()) : p)
                        .toList()))
                .toList();
        List<Fixture> fixtures = kept(plan.fixtures(), gone).stream()
                .map(f -> {
                    Fixture left = f;
                    for (LineId line : f.lines()) {
                        left = gone.contains(line) ? left.withoutLine(line) : left;
                    }
                    return left;
                })
                .map(f -> f.withBreaks(f.breaks().stream()
                        .filter(b -> !gone.contains(b.universe()))
                        .toList()))
                .toList();
        List<Session> sessions = kept(plan.sessions(), gone).stream()
                .map(s -> new Session(
                        s.id(),
                        s.name(),
                        s.key(),
                        s.versions(),
                        s.members().stream()
                                .filter(m -> !gone.contains(m.application()))
                                .toList()))
                .toList();
        List<Application> applications = kept(plan.applications(), gone).stream()
                .map(a -> unbound(a, gone))
                .toList();
        return plan.withSegments(kept(plan.segments(), gone))
                .withHosts(hosts)
                .withApplications(applications)
                .withUniverses(kept(plan.universes(), gone))
                .withStreams(plan.streams().stream()
                        .filter(s -> !gone.contains(s.id()))
                        .toList())
                .withReceivers(receivers)
                .withLines(kept(plan.lines(), gone))
                .withFixtures(fixtures)
                .withLinks(kept(plan.links(), gone))
                .withAttachments(kept(plan.attachments(), gone))
                .withSessions(sessions)
                .withCables(kept(plan.cables(), gone))
                .withCopies(kept(plan.copies(), gone))
                .withSightings(plan.sightings().stream()
                        .filter(s -> !gone.contains(s.signal()) && !gone.contains(s.receiver()))
                        .toList());
    }

    private static <T extends Named> List<T> kept(List<T> items, Set<Id> gone) {
        return items.stream().filter(i -> !gone.contains(i.id())).toList();
    }

    /** Bindings to adapters that are gone are left to the system again. */
    private static Application unbound(Application application, Set<Id> gone) {
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

    private static Binding unbound(Binding binding, Set<Id> gone) {
        if (binding.mode() != BindingMode.ADAPTERS
                || binding.adapters().stream().noneMatch(gone::contains)) {
            return binding;
        }
        List<AdapterId> left =
                binding.adapters().stream().filter(a -> !gone.contains(a)).toList();
        if (left.isEmpty()) {
            return Binding.AUTOMATIC;
        }
        Map<AdapterId, Ipv4Address> addresses = new HashMap<>(binding.addresses());
        addresses.keySet().retainAll(left);
        return new Binding(BindingMode.ADAPTERS, left, addresses);
    }
}
