package zentrel.entry;

import java.util.List;
import java.util.function.BiFunction;
import zentrel.plan.*;

/** Gives things other names; their ids stay. */
public final class Renames {
    private static final ByKind<BiFunction<Plan, String, Plan>> RENAMED = new ByKind<BiFunction<Plan, String, Plan>>()
            .with(Kind.HOST, (index, h) -> (p, name) -> host(p, h, name))
            .with(Kind.SEGMENT, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.ADAPTER, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.APPLICATION, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.RECEIVER, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.PORT, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.UNIVERSE, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.LINE, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.FIXTURE, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.CABLE, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.SESSION, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.LINK, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.ATTACHMENT, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.FIXTURE_TYPE, (index, x) -> (p, name) -> fixtureType(p, x, name))
            .with(Kind.PATCH_LIST, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.PIXEL_RUN, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.PIXEL_OUTPUT, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.SURROUNDING, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.GROUND_PICTURE, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.VIEWPOINT, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)))
            .with(Kind.COPY, (index, x) -> (p, name) -> p.with(x.id(), e -> e.withName(name)));

    private Renames() {}

    /**
     * Renames anything that has a name; programs and receivers that bear the name of their device go along.
     *
     * @throws IllegalArgumentException with a sentence, where the name is blank or the thing has no name of its own
     */
    public static Edit of(Plan plan, Id<?> id, String name) {
        String wanted = name.strip();
        if (wanted.isEmpty()) {
            throw new IllegalArgumentException("A name has at least one character.");
        }
        String text = "Rename " + plan.index().name(id) + " to " + wanted;
        BiFunction<Plan, String, Plan> with = RENAMED.of(plan.index(), id)
                .orElseThrow(() ->
                        new IllegalArgumentException(plan.index().name(id) + " is named after what it belongs to."));
        return new Edit(text, p -> with.apply(p, wanted));
    }

    /** Fixtures name their type by its name. */
    private static Plan fixtureType(Plan plan, FixtureType type, String name) {
        List<Fixture> fixtures = plan.fixtures().stream()
                .map(f -> FixtureType.sameName(f.type(), type.name()) ? f.withType(name) : f)
                .toList();
        return plan.with(Kind.FIXTURE, fixtures).with(type.id(), t -> t.withName(name));
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
