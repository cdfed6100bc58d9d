package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.Protocol;

/**
 * A control link, or a console's own stream, that goes to an address of the right device and not to the one where its program
 * takes it: to the streaming address of a desk that takes OSC at another.
 *
 * @param typed the address that it goes to
 * @param at the receiver's adapter that has it
 * @param right the address where the program takes it, which the sender reaches
 * @param by the receiver's adapter that has that one
 */
record WrongTarget(Shipment shipment, Host to, Ipv4Address typed, Adapter at, Ipv4Address right, Adapter by) {
    static Optional<WrongTarget> of(
            PathContext context, AdapterChoice choice, Shipment s, Host from, Host to, List<Adapter> listening) {
        if (s.delivery() != Delivery.UNICAST || s.reply() || s.signal().is(Kind.STREAM)) {
            return Optional.empty();
        }
        Optional<Ipv4Address> typed = s.destinations().stream().findFirst();
        Optional<Adapter> at = typed.flatMap(t ->
                PathContext.real(to).stream().filter(a -> PathContext.has(a, t)).findFirst());
        if (at.isEmpty()) {
            return Optional.empty();
        }
        Binding binding = s.to().binding(s.listen());
        boolean taken = Adapters.contains(listening, at.get())
                && binding.addressOf(at.get().id())
                        .map(a -> a.equals(typed.get()))
                        .orElse(true);
        boolean reached = choice.reaches(s, from, at.get());
        if (taken && reached) {
            return Optional.empty();
        }
        for (Adapter by : listening) {
            Optional<Ipv4Address> right =
                    binding.addressOf(by.id()).or(() -> Adapters.first(by).map(HostAddress::address));
            if (by.kind() != AdapterKind.LOOPBACK
                    && right.isPresent()
                    && !right.equals(typed)
                    && (!by.id().equals(at.get().id())
                            || binding.addressOf(by.id()).isPresent())
                    && choice.reaches(s, from, by)) {
                return Optional.of(new WrongTarget(s, to, typed.get(), at.get(), right.get(), by));
            }
        }
        return Optional.empty();
    }

    /** Breaks hop 4. */
    void judge(HopDraft hop, PathContext context) {
        boolean streams = context.index.applicationsOn(to.id()).stream()
                .anyMatch(a -> List.of(Protocol.ARTNET, Protocol.SACN).stream()
                        .anyMatch(p -> a.binding(Purpose.sending(p)).adapters().contains(at.id())
                                || a.binding(Purpose.listening(p)).adapters().contains(at.id())));
        hop.broken(
                context.index.find(shipment.signal()).orElseThrow() instanceof Attachment
                        ? Reason.ATTACHED_ELSEWHERE
                        : Reason.WRONG_TARGET,
                shipment.signal(),
                Facts.as(
                        streams ? "streams" : "adapter",
                        "sent",
                        shipment.signal(),
                        "typed",
                        typed,
                        "partner",
                        to,
                        "at",
                        at,
                        "program",
                        shipment.to(),
                        "purpose",
                        shipment.listen(),
                        "right",
                        right,
                        "by",
                        by));
    }
}
