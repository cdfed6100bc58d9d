package zentrel.path;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/** Which of two adapters that do not see each other is off its subnet, and what brings them together. */
final class SubnetAdvice {
    private final PathContext context;

    SubnetAdvice(PathContext context) {
        this.context = context;
    }

    /** Which of two adapters that do not see each other is off the subnet usual on their segment. */
    Adapter odd(Pair pair) {
        Optional<Subnet> usual = pair.in().segment().flatMap(context::usualSubnet);
        if (usual.isPresent()) {
            boolean inFits = Adapters.first(pair.in())
                    .filter(a -> a.subnet().equals(usual.get()))
                    .isPresent();
            boolean outFits = Adapters.first(pair.out())
                    .filter(a -> a.subnet().equals(usual.get()))
                    .isPresent();
            if (inFits && !outFits) {
                return pair.out();
            }
        }
        return pair.in();
    }

    private Optional<Subnet> meantFor(Adapter odd, Pair pair) {
        Adapter other = pair.otherThan(odd);
        Optional<Subnet> usual = odd.segment().flatMap(context::usualSubnet);
        Optional<Subnet> others = Adapters.first(other).map(HostAddress::subnet);
        return usual.isPresent() && others.isPresent() && usual.get().overlaps(others.get()) ? usual : others;
    }

    /**
     * Whether nothing says which of the two is meant: the segment's subnet is not stated, and as many have the one as the other.
     */
    private boolean isOpen(Pair pair) {
        if (pair.in().segment().isEmpty()
                || !pair.in().segment().equals(pair.out().segment())) {
            return false;
        }
        Id<Segment> segment = pair.in().segment().get();
        Optional<Subnet> in = Adapters.first(pair.in()).map(HostAddress::subnet);
        Optional<Subnet> out = Adapters.first(pair.out()).map(HostAddress::subnet);
        return context.index.segment(segment).subnet().isEmpty()
                && in.isPresent()
                && out.isPresent()
                && having(segment, in.get()) == having(segment, out.get());
    }

    private long having(Id<Segment> segment, Subnet subnet) {
        return context.index.adaptersOn(segment).stream()
                .flatMap(a -> a.addresses().stream())
                .filter(a -> a.inForce().subnet().equals(subnet))
                .count();
    }

    /** What brings two adapters together that do not see each other: which is odd, and the subnets that are meant. */
    Facts facts(Adapter odd, Pair pair) {
        Adapter other = pair.otherThan(odd);
        Optional<Subnet> wanted = meantFor(odd, pair);
        Optional<Subnet> own = Adapters.first(odd).map(HostAddress::subnet);
        Facts all = Facts.of("odd", odd, "other", other);
        Facts advice;
        if (isOpen(pair)) {
            advice = Facts.as(
                    "subnet-open",
                    "odd",
                    odd,
                    "other",
                    other,
                    "others",
                    Adapters.first(other).orElseThrow(),
                    "own",
                    Adapters.first(odd).orElseThrow());
        } else if (wanted.isPresent()) {
            advice = Facts.as("subnet-meant", "odd", odd, "subnet", wanted.get());
        } else {
            advice = Facts.as("subnet-any");
        }
        all = all.and("advice", advice);
        all = wanted.isPresent() ? all.and("wanted", wanted.get()) : all;
        return own.isPresent() ? all.and("own", own.get()) : all;
    }
}
