package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/** Which of two adapters that do not see each other is off its subnet, and what brings them together. */
final class SubnetAdvice {
    private final PathContext context;
    private final Remedies remedies;

    SubnetAdvice(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
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

    String advice(Adapter odd, Pair pair) {
        if (isOpen(pair)) {
            Adapter other = pair.otherThan(odd);
            return "which of the two subnets is meant is not specified: give the " + context.index.name(odd.id())
                    + " an address of "
                    + Adapters.first(other).map(HostAddress::subnet).orElseThrow() + ", or the "
                    + context.index.name(other.id()) + " one of "
                    + Adapters.first(odd).map(HostAddress::subnet).orElseThrow() + ".";
        }
        return meantFor(odd, pair)
                .map(subnet -> "give the " + context.index.name(odd.id()) + " an address and mask of " + subnet + ".")
                .orElse("give both an address of one subnet.");
    }

    List<Edit> remedies(Adapter odd, Pair pair) {
        List<Edit> edits = new ArrayList<>();
        meantFor(odd, pair)
                .ifPresent(subnet -> edits.addAll(remedies.addresses().joinSubnet(odd, subnet)));
        Adapter other = pair.otherThan(odd);
        Adapters.first(odd)
                .map(HostAddress::subnet)
                .ifPresent(subnet -> edits.addAll(remedies.addresses().joinSubnet(other, subnet)));
        return edits;
    }
}
