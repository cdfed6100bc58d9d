package zentrel.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import zentrel.plan.Adapter;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Application;
import zentrel.plan.Attachment;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Purpose;
import zentrel.plan.Session;
import zentrel.plan.Setting;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.Profile;
import zentrel.profile.ProfileSign;
import zentrel.profile.ProfileStart;
import zentrel.profile.ProfileStep;

/** The order in which the programs of a session are started and enter: each thing after all that it needs. */
final class StartingOrder {
    /** A device that asks for an address and gets none gives itself one after about this time (common practice, no source). */
    private static final int SELF_ASSIGNED_SECONDS = 60;

    /** A server gives an address within a few seconds (common practice, no source). */
    private static final int DHCP_SECONDS = 5;

    /** Rules whose remedy is that a program is started, or that its device has power: steps of their own. */
    private static final Set<String> STEPS_OF_THEIR_OWN =
            Set.of("program.not-running", "power.off", "desk.start-order");

    /** A step while its place is not known yet. */
    private static final class Draft {
        final Id<Application> program;
        final Step.What what;
        final Optional<Lack> lack;
        final OptionalInt seconds;
        final String sign;
        final boolean done;
        final Set<Draft> after = new LinkedHashSet<>();
        int startsAt;
        int order;

        Draft(
                Id<Application> program,
                Step.What what,
                Optional<Lack> lack,
                OptionalInt seconds,
                String sign,
                boolean done) {
            this.program = program;
            this.what = what;
            this.lack = lack;
            this.seconds = seconds;
            this.sign = sign;
            this.done = done;
        }

        int endsAt() {
            return startsAt + (done ? 0 : seconds.orElse(0));
        }
    }

    private final Plan plan;
    private final Session session;
    private final List<TakesPart> members;
    private final List<Draft> drafts = new ArrayList<>();
    private final Map<Id<Application>, List<Draft>> byProgram = new HashMap<>();

    StartingOrder(Plan plan, Session session, List<TakesPart> members) {
        this.plan = plan;
        this.session = session;
        this.members = members;
        members.forEach(this::own);
        members.forEach(this::afterOthers);
    }

    // --- what each program goes through ---

    private void own(TakesPart member) {
        Application program = plan.index().application(member.program());
        Host host = plan.index().host(program.host());
        boolean powered = member.state() != TakesPart.State.NO_POWER;
        boolean runs = powered && program.installed().runs();
        ProfileStart start = start(program);
        boolean isDevice = host.kind() != HostKind.COMPUTER;
        if (!powered) {
            add(member, Step.What.POWER, isDevice ? seconds(start) : OptionalInt.empty(), isDevice ? start.sign() : "");
        }
        if (!runs) {
            addressWait(host, program).ifPresent(s -> add(member, Step.What.ADDRESS, s, ""));
        }
        boolean restarts = runs && waitsForOthers(program, start);
        if (!isDevice || powered) {
            add(member, Step.What.START, Optional.empty(), seconds(start), start.sign(), runs);
        }
        for (Lack lack : member.lacks()) {
            if (lack.stops() && !STEPS_OF_THEIR_OWN.contains(lack.rule())) {
                add(member, Step.What.SETTLE, Optional.of(lack), afterSetting(program, host, lack), "", false);
            }
        }
        if (restarts) {
            add(member, Step.What.RESTART, seconds(start), start.sign());
        }
        entering(member, host);
    }

    /** Whether it runs, and something of a kind that must be started before it does not. */
    private boolean waitsForOthers(Application program, ProfileStart start) {
        return members.stream()
                .map(m -> plan.index().application(m.program()))
                .anyMatch(a -> !a.id().equals(program.id())
                        && start.after().contains(a.kind())
                        && !a.installed().runs());
    }

    private void entering(TakesPart member, Host host) {
        Optional<Session.Desk> desk = session.desk(member.program());
        boolean works = member.state() == TakesPart.State.IN_STEP;
        if (desk.isEmpty()) {
            String sign = member.by()
                    .map(a -> plan.index().get(a))
                    .map(Attachment::sign)
                    .orElse("");
            add(member, Step.What.ATTACH, Optional.empty(), OptionalInt.empty(), sign, works);
            return;
        }
        boolean leads = session.main().equals(desk);
        boolean entered = works; // it lacks nothing, and nobody has said that it is not in
        if (!leads && !entered && hasAnotherShow(member.program())) {
            add(member, Step.What.SAVE, OptionalInt.empty(), "");
        }
        add(
                member,
                leads ? Step.What.CREATE : Step.What.ENTER,
                Optional.empty(),
                steps(host, "session"),
                sign(host, "session"),
                entered);
    }

    private boolean hasAnotherShow(Id<Application> program) {
        Optional<String> own = show(program);
        Optional<String> main = session.main().flatMap(d -> show(d.application()));
        return own.isPresent() && !own.equals(main);
    }

    private Optional<String> show(Id<Application> program) {
        return plan.index().application(program).installed().show().map(Setting::inForce);
    }

    private void add(TakesPart member, Step.What what, OptionalInt seconds, String sign) {
        add(member, what, Optional.empty(), seconds, sign, false);
    }

    private void add(
            TakesPart member, Step.What what, Optional<Lack> lack, OptionalInt seconds, String sign, boolean done) {
        List<Draft> own = byProgram.computeIfAbsent(member.program(), p -> new ArrayList<>());
        Draft draft = new Draft(member.program(), what, lack, seconds, sign, done);
        if (!own.isEmpty()) {
            draft.after.add(own.get(own.size() - 1));
        }
        own.add(draft);
        drafts.add(draft);
    }

    // --- what waits for others ---

    private void afterOthers(TakesPart member) {
        Application program = plan.index().application(member.program());
        Set<ApplicationKind> kinds = start(program).after();
        for (TakesPart other : members) {
            boolean first = !other.program().equals(member.program())
                    && kinds.contains(plan.index().application(other.program()).kind());
            if (first) {
                Optional<Draft> ready = last(other.program(), Step.What.START);
                for (Step.What what : List.of(Step.What.START, Step.What.RESTART)) {
                    find(member.program(), what)
                            .filter(d -> !d.done)
                            .ifPresent(d -> ready.ifPresent(r -> follow(d, r)));
                }
            }
        }
        session.main()
                .filter(m -> !m.application().equals(member.program()))
                .flatMap(m -> find(m.application(), Step.What.CREATE))
                .ifPresent(created -> find(member.program(), Step.What.ENTER)
                        .or(() -> find(member.program(), Step.What.ATTACH))
                        .ifPresent(enter -> follow(enter, created)));
    }

    /** What must be over of a program before others find it: its start, and what comes before that. */
    private Optional<Draft> last(Id<Application> program, Step.What upTo) {
        return byProgram.getOrDefault(program, List.of()).stream()
                .filter(d -> d.what.compareTo(upTo) <= 0)
                .reduce((a, b) -> b);
    }

    private Optional<Draft> find(Id<Application> program, Step.What what) {
        return byProgram.getOrDefault(program, List.of()).stream()
                .filter(d -> d.what == what)
                .findFirst();
    }

    /** One after another, unless that other one waits for it already: two that ask for each other are started as listed. */
    private static void follow(Draft draft, Draft before) {
        if (draft != before && !reaches(before, draft, new LinkedHashSet<>())) {
            draft.after.add(before);
        }
    }

    private static boolean reaches(Draft from, Draft to, Set<Draft> met) {
        return from == to || (met.add(from) && from.after.stream().anyMatch(d -> reaches(d, to, met)));
    }

    // --- in order ---

    /** The steps, each after all that it needs; among those that can be begun at one time the main desk's come first. */
    List<Step> steps() {
        List<Draft> waiting = new ArrayList<>(drafts);
        List<Draft> ordered = new ArrayList<>();
        Set<Draft> placed = new LinkedHashSet<>();
        while (!waiting.isEmpty()) {
            for (Draft draft : waiting) {
                draft.startsAt =
                        draft.after.stream().mapToInt(Draft::endsAt).max().orElse(0);
            }
            Draft next = waiting.stream()
                    .filter(d -> placed.containsAll(d.after))
                    .min(Comparator.comparing((Draft d) -> !d.done)
                            .thenComparingInt(d -> d.startsAt)
                            .thenComparing(d -> !session.main()
                                    .filter(m -> m.application().equals(d.program))
                                    .isPresent()))
                    .orElseThrow();
            waiting.remove(next);
            placed.add(next);
            ordered.add(next);
            next.order = ordered.size();
        }
        return ordered.stream()
                .map(d -> new Step(
                        d.order,
                        d.program,
                        d.what,
                        d.lack,
                        d.seconds,
                        d.sign,
                        d.done,
                        d.after.stream().map(a -> a.order).toList(),
                        d.startsAt))
                .toList();
    }

    // --- what profiles tell ---

    private ProfileStart start(Application program) {
        return plan.index().profileOf(program).map(p -> p.start()).orElse(ProfileStart.NOTHING_SAID);
    }

    private static OptionalInt seconds(ProfileStart start) {
        return start.seconds() == 0 ? OptionalInt.empty() : OptionalInt.of(start.seconds());
    }

    /** How long it takes until an adapter that asks for its address has one. */
    private Optional<OptionalInt> addressWait(Host host, Application program) {
        List<Id<Adapter>> used = program.binding(Purpose.SESSION).adapters();
        List<AddressOrigin> origins = host.adapters().stream()
                .filter(a -> used.isEmpty() || used.contains(a.id()))
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.origin())
                .toList();
        return origins.contains(AddressOrigin.SELF_ASSIGNED)
                ? Optional.of(OptionalInt.of(SELF_ASSIGNED_SECONDS))
                : origins.contains(AddressOrigin.DHCP) ? Optional.of(OptionalInt.of(DHCP_SECONDS)) : Optional.empty();
    }

    private OptionalInt afterSetting(Application program, Host host, Lack lack) {
        OptionalInt told = steps(host, subject(lack));
        return told.isEmpty() && lack.rule().startsWith("adapter.") ? seconds(start(program)) : told;
    }

    /** What is typed in, as profiles call it, where a finding is mended. */
    private static String subject(Lack lack) {
        String rule = lack.rule();
        return switch (rule.substring(0, rule.indexOf('.'))) {
            case "desk" -> rule.equals("desk.version-differs") ? "version" : "session";
            case "address" -> "address";
            case "adapter" -> "binding";
            default -> "universe";
        };
    }

    private OptionalInt steps(Host host, String subject) {
        List<ProfileStep> after = plan.index()
                .profileOf(host)
                .map((Profile p) -> p.stepsAfter(subject))
                .orElse(List.of());
        return after.isEmpty()
                ? OptionalInt.empty()
                : OptionalInt.of(
                        after.stream().mapToInt(s -> s.times() * s.seconds()).sum());
    }

    private String sign(Host host, String when) {
        return plan.index().profileOf(host).map(Profile::signs).orElse(List.of()).stream()
                .filter(s -> s.when().contains(when))
                .map((ProfileSign s) -> s.look() + " " + s.shows())
                .findFirst()
                .orElse("");
    }
}
