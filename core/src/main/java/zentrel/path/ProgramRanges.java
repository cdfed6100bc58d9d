package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.Purpose;
import zentrel.profile.ProfileApplication;

/** Whether the two programs use addresses such as they are given: some take those of certain ranges only. */
final class ProgramRanges {
    private final PathContext context;

    ProgramRanges(PathContext context) {
        this.context = context;
    }

    void judge(List<HopDraft> hops, Shipment s, Carried carried) {
        refuses(s.from(), carried.source())
                .ifPresent(p -> HopDraft.at(hops, HopKind.BOUND)
                        .broken(
                                Reason.ADDRESS_NOT_USED,
                                s.from().id(),
                                facts(
                                        s.from(),
                                        s.send(),
                                        carried.out(),
                                        carried.source().orElseThrow(),
                                        p)));
        Optional<HostAddress> at = carried.destination().or(() -> Adapters.first(carried.in()));
        refuses(s.to(), at)
                .ifPresent(p -> HopDraft.at(hops, HopKind.LET_IN)
                        .broken(
                                Reason.FAR_ADDRESS_NOT_USED,
                                s.to().id(),
                                facts(s.to(), s.listen(), carried.in(), at.orElseThrow(), p)));
    }

    private Optional<ProfileApplication> refuses(Application program, Optional<HostAddress> address) {
        return address.flatMap(a -> context.index.profileOf(program).filter(p -> !p.accepts(a.address())));
    }

    private Facts facts(
            Application program, Purpose purpose, Adapter adapter, HostAddress address, ProfileApplication profile) {
        Facts facts = Facts.of(
                "program",
                program,
                "purpose",
                purpose,
                "adapter",
                adapter,
                "address",
                address,
                "ranges",
                profile.accepts());
        return PathContext.real(context.index.host(program.host())).stream()
                .filter(a -> a.isUp()
                        && a.addresses().stream()
                                .anyMatch(x -> profile.accepts(x.inForce().address())))
                .findFirst()
                .map(a -> facts.in("elsewhere").and("wanted", a))
                .orElse(facts);
    }
}
