package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import zentrel.load.Load;
import zentrel.path.HopKind;
import zentrel.plan.Adapter;
import zentrel.plan.Delivery;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.plan.Stream;
import zentrel.source.Sources;

/** A cable that carries too much: {@code network.load}. */
final class NetworkLoad extends PathRule {
    NetworkLoad() {
        super("network.load");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }

    /** The streams on a link, sent less often, so that it is just below the limit; none where that would be less than once a second. */
    private static List<Edit> slower(Load.Link link, List<Stream> on) {
        double scale = Load.MOST / link.part() * 0.95;
        double fastest = on.stream().mapToDouble(Stream::ratePerSecond).max().orElse(0);
        double most = Math.floor(fastest * scale);
        if (most < 1) {
            return List.of();
        }
        return List.of(new Edit(
                RuleWords.say("network.load.fix", "count", on.size(), "most", String.format(Locale.ROOT, "%.0f", most)),
                p -> {
                    Plan next = p;
                    for (Stream stream : on) {
                        next = next.with(stream.id(), s -> s.withRate(Math.min(s.ratePerSecond(), most)));
                    }
                    return next;
                }));
    }

    /** By a plain loop: a plan may have tens of thousands. */
    private static List<Stream> sent(Load load, Predicate<Load.Sent> which) {
        List<Stream> streams = new ArrayList<>();
        for (Load.Sent sent : load.sent()) {
            if (which.test(sent)) {
                streams.add(sent.stream());
            }
        }
        return streams;
    }

    private static boolean sends(Load.Link link) {
        return link.out().bits() >= link.in().bits();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        Map<Optional<Id<Segment>>, List<Load.Link>> received = new LinkedHashMap<>();
        for (Load.Link link : context.load().links()) {
            if (link.part() <= Load.MOST) {
                continue;
            }
            if (sends(link)) {
                findings.add(finding(context, link, 0));
            } else {
                received.computeIfAbsent(context.index().adapter(link.adapter()).segment(), s -> new ArrayList<>())
                        .add(link);
            }
        }
        // what floods a segment fills every cable there, and is told once, at the busiest
        received.values().forEach(links -> findings.add(finding(context, links.get(0), links.size() - 1)));
        return findings;
    }

    /** The form of the sentence that says what helps a sender: groups instead of a copy for each receiver; a broadcast is one packet already. */
    private static String relief(List<Stream> on) {
        boolean copies = on.stream().anyMatch(s -> s.delivery() == Delivery.UNICAST || s.delivery() == Delivery.FOUND);
        return copies ? "copies" : "sends";
    }

    private Finding finding(CheckContext context, Load.Link link, int others) {
        boolean sends = sends(link);
        Adapter adapter = context.index().adapter(link.adapter());
        List<Stream> on = sent(context.load(), s -> sends ? s.leavesBy(adapter.id()) : s.reaches(adapter));
        return unmet(
                        Severity.AT_RISK,
                        Optional.of(HopKind.CARRIED),
                        List.of(link.adapter()),
                        RuleWords.say(
                                "network.load.says/" + (sends ? relief(on) : others == 0 ? "is-sent" : "are-sent"),
                                "adapter",
                                context.index().name(link.adapter()),
                                "rate",
                                String.format(
                                        Locale.ROOT,
                                        "%.1f",
                                        Math.max(link.out().bits(), link.in().bits()) / 1e6),
                                "part",
                                Math.round(link.part() * 100),
                                "speed",
                                Math.round(link.speed() / 1e6),
                                "packets",
                                String.format(
                                        Locale.ROOT,
                                        "%.0f",
                                        Math.max(link.out().packets(), link.in().packets())),
                                "others",
                                others),
                        slower(link, on))
                .restingOn(Sources.FULL_LINK);
    }
}
