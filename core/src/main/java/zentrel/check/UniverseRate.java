package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.path.HopKind;
import zentrel.plan.*;
import zentrel.profile.PortKind;

/** A universe sent faster than DMX can pass it on, or too slowly to count as there: {@code universe.rate}. */
final class UniverseRate extends PathRule {
    /** 513 slots of 44 µs with break and mark after break are 22.68 ms (ANSI E1.11-2008, table 6). */
    private static final double MOST = 44.1;

    /** Unchanged data is repeated every 800 to 1000 ms, and lost after 2.5 s (ANSI E1.31-2018, 6.6.2 and 6.7.1). */
    private static final double LEAST = 0.4;

    UniverseRate() {
        super("universe.rate");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Stream stream : context.plan().streams()) {
            double rate = stream.ratePerSecond();
            boolean fast = rate > MOST
                    && context.index().portsOf(stream.universe()).stream().anyMatch(p -> p.kind() == PortKind.DMX);
            if (stream.protocol().onNetwork() && (fast || rate < LEAST)) {
                findings.add(unmet(
                        Severity.AT_RISK,
                        Optional.of(HopKind.WINS),
                        List.of(stream.id()),
                        RuleWords.say(
                                fast ? "universe.rate.says/fast" : "universe.rate.says/slow",
                                "stream",
                                context.index().name(stream.id()),
                                "rate",
                                String.format(Locale.ROOT, fast ? "%.0f" : "%.1f", rate)),
                        List.of(new Edit(
                                RuleWords.say(
                                        "universe.rate.fix",
                                        "stream",
                                        context.index().name(stream.id())),
                                p -> p.with(stream.id(), s -> s.withRate(44))))));
            }
        }
        return findings;
    }
}
