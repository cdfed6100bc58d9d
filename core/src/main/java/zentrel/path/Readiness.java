package zentrel.path;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.plan.*;
import zentrel.profile.Need;
import zentrel.profile.ProfileApplication;
import zentrel.profile.ProfileNeed;

/** Which programs send nothing yet, or less, for something that they need first is not so. */
final class Readiness {
    /**
     * The first need of a program that is not met.
     *
     * @param stops whether it sends nothing for it
     */
    record Unmet(Need need, boolean stops, Facts facts) {
        Reason reason() {
            return switch (need) {
                case LICENCE -> Reason.LICENCE_MISSING;
                case SESSION -> Reason.SESSION_MISSING;
                case ALONE -> Reason.NOT_ALONE;
                case OUTPUT -> Reason.OUTPUT_STOPPED;
            };
        }
    }

    private final PlanIndex index;
    private final Map<Id<Application>, Unmet> unmet = new HashMap<>();

    Readiness(Plan plan) {
        index = plan.index();
        for (Application program : plan.applications()) {
            Optional<ProfileApplication> profile =
                    plan.profiles().isEmpty() ? Optional.empty() : index.profileOf(program);
            boolean asksNothing = profile.map(p -> p.needs().isEmpty()).orElse(true)
                    && program.installed().met().isEmpty();
            if (!asksNothing) {
                judge(plan, program, profile.map(ProfileApplication::needs).orElse(List.of()));
            }
        }
    }

    Optional<Unmet> of(Id<Application> program) {
        return Optional.ofNullable(unmet.get(program));
    }

    private void judge(Plan plan, Application program, List<ProfileNeed> needs) {
        for (Need need : Need.values()) {
            Optional<ProfileNeed> asked =
                    needs.stream().filter(n -> n.need() == need).findFirst();
            Optional<Boolean> said =
                    Optional.ofNullable(program.installed().met().get(need)).map(Setting::inForce);
            Optional<Application> other =
                    need == Need.ALONE && asked.isPresent() ? otherOfItsKind(plan, program) : Optional.empty();
            boolean met = said.orElseGet(() -> asked.isEmpty() || follows(need, program, other));
            if (met) {
                continue;
            }
            boolean stops = asked.map(ProfileNeed::stops).orElse(true);
            Facts otherwise = asked.map(ProfileNeed::otherwise)
                    .filter(t -> !t.isEmpty())
                    .map(t -> Facts.as("otherwise", "text", t))
                    .orElse(Facts.as(stops ? "sends-nothing" : "sends-less"));
            Facts facts = other.map(o -> Facts.as("other", "program", program, "otherwise", otherwise, "other", o))
                    .orElse(Facts.of("program", program, "otherwise", otherwise))
                    .and("need", need);
            unmet.merge(
                    program.id(),
                    new Unmet(need, stops, facts),
                    (a, b) -> a.stops() || !b.stops() ? a : b); // what stops it counts before what restricts it
        }
    }

    /** Whether a need is met as far as the plan shows. */
    private boolean follows(Need need, Application program, Optional<Application> other) {
        return switch (need) {
            case LICENCE -> program.installed().licence().isPresent();
            case SESSION -> index.sessionOf(program.id()).filter(this::runs).isPresent();
            case ALONE -> other.isEmpty();
            case OUTPUT -> true;
        };
    }

    /** A session runs as long as its main desk does. */
    private boolean runs(Session session) {
        return session.desks().stream()
                .filter(m -> m.part() == Part.PRIMARY)
                .anyMatch(m -> index.application(m.application()).installed().runs());
    }

    /** Another program of the same profile that runs on a device of the same network. */
    private Optional<Application> otherOfItsKind(Plan plan, Application program) {
        Host host = index.host(program.host());
        Optional<String> profile = profileId(program);
        return plan.applications().stream()
                .filter(a -> !a.id().equals(program.id()) && a.kind() == program.kind())
                .filter(a -> profileId(a).equals(profile) && a.installed().runs())
                .filter(a -> a.host().equals(program.host()) || share(host, index.host(a.host())))
                .findFirst();
    }

    private Optional<String> profileId(Application program) {
        return program.installed().profile().or(() -> index.host(program.host()).profile());
    }

    private static boolean share(Host a, Host b) {
        return PathContext.real(a).stream()
                .filter(Adapter::isUp)
                .anyMatch(x -> PathContext.real(b).stream().anyMatch(y -> y.isUp() && PathContext.sameSegment(x, y)));
    }
}
