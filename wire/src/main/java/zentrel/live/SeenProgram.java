package zentrel.live;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import zentrel.found.FoundDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.DeskWatch.SeenDesk;
import zentrel.plan.Application;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Session;

/**
 * How a desk of a session is seen on the net: it announces itself, or it sends levels, or something answers at its address.
 *
 * @param desk what it announced; empty for real desks, which announce themselves in ways of their own
 * @param seconds since it was heard
 */
public record SeenProgram(Id<Application> program, How how, Optional<SeenDesk> desk, double seconds) {
    private static final double NANOS = 1e9;

    /** By what it is seen, the best first. */
    public enum How {
        ANNOUNCES,
        SENDS,
        ANSWERS
    }

    /** In words, for a person. */
    public String words() {
        String ago = seconds < 2 ? "" : ", " + Math.round(seconds) + " s ago";
        return switch (how) {
            case ANNOUNCES ->
                desk.map(d -> d.silent()
                                ? "seen, silent since" + (ago.isEmpty() ? " now" : ago)
                                : "seen " + d.state().words() + ago)
                        .orElse("seen");
            case SENDS -> "seen to send" + ago;
            case ANSWERS -> "its address answers" + ago;
        };
    }

    /**
     * All desks of the plan's sessions that are seen.
     *
     * @param asPlanned the address that the plan has for one that was seen
     * @param now by the net's clock, in ns
     */
    public static List<SeenProgram> of(
            Plan plan,
            List<SeenDesk> desks,
            List<UniverseSeen> universes,
            List<FoundDevice> devices,
            UnaryOperator<Ipv4Address> asPlanned,
            long now) {
        Map<Ipv4Address, Double> sent = new HashMap<>();
        universes.stream()
                .flatMap(u -> u.sources().stream())
                .forEach(s -> sent.merge(asPlanned.apply(s.source()), (now - s.last()) / NANOS, Math::min));
        Map<Ipv4Address, Double> answered = new HashMap<>();
        devices.forEach(d -> answered.merge(asPlanned.apply(d.address()), (now - d.lastHeard()) / NANOS, Math::min));
        Map<Id<Application>, SeenProgram> seen = new LinkedHashMap<>();
        for (Session session : plan.sessions()) {
            for (Session.Desk each : session.desks()) {
                Id<Application> id = each.application();
                List<Ipv4Address> own = addresses(plan, id);
                Optional<SeenDesk> announced = desks.stream()
                        .filter(d -> d.session().equals(session.name())
                                && (d.name().equals(plan.index().name(id))
                                        || own.contains(asPlanned.apply(d.address()))))
                        .findFirst();
                announced
                        .map(d -> new SeenProgram(id, How.ANNOUNCES, Optional.of(d), d.seconds()))
                        .or(() -> by(id, How.SENDS, own, sent))
                        .or(() -> by(id, How.ANSWERS, own, answered))
                        .ifPresent(s -> seen.putIfAbsent(id, s));
            }
        }
        return new ArrayList<>(seen.values());
    }

    private static Optional<SeenProgram> by(
            Id<Application> id, How how, List<Ipv4Address> own, Map<Ipv4Address, Double> heard) {
        return own.stream()
                .flatMap(a -> Stream.ofNullable(heard.get(a)))
                .min(Double::compare)
                .map(seconds -> new SeenProgram(id, how, Optional.empty(), Math.max(0, seconds)));
    }

    private static List<Ipv4Address> addresses(Plan plan, Id<Application> program) {
        Host host = plan.index().host(plan.index().application(program).host());
        return host.adapters().stream()
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.inForce().address())
                .toList();
    }
}
