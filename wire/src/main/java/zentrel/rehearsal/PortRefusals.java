package zentrel.rehearsal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.path.Reason;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Receiver;
import zentrel.plan.Setting;
import zentrel.plan.Stream;
import zentrel.profile.Direction;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** Why a port does nothing with what comes to its program, as its stand-in is set. */
final class PortRefusals {
    private PortRefusals() {}

    private static Protocol takes(Port port) {
        return port.protocol().inForce();
    }

    private static boolean isOtherProtocol(PlanIndex index, Stream stream, Port port) {
        return takes(port) != stream.protocol()
                || !index.receiverOf(port.id()).protocols().contains(stream.protocol());
    }

    /** All that keeps it from its output, in the order of the hops. */
    static List<Reason> of(PlanIndex index, Stream stream, Port port) {
        Receiver receiver = index.receiverOf(port.id());
        int wire = index.wireOf(stream).orElse(-1);
        List<Reason> reasons = new ArrayList<>();
        if (!receiver.inputOn().inForce()) {
            reasons.add(Reason.INPUT_OFF);
        }
        if (isOtherProtocol(index, stream, port)) {
            reasons.add(Reason.PROTOCOL_DIFFERS);
        } else {
            if (!receiver.taking().takes(stream.protocol(), wire)) {
                reasons.add(Reason.NOT_TAKEN);
            }
            number(stream, port, wire).ifPresent(reasons::add);
        }
        if (port.direction().inForce() == Direction.INPUT) {
            reasons.add(Reason.WRONG_WAY);
        }
        if (!port.enabled().inForce()) {
            reasons.add(Reason.PORT_OFF);
        }
        if (stream.preview() && port.kind() == PortKind.DMX) {
            reasons.add(Reason.PREVIEW);
        }
        return reasons;
    }

    private static Optional<Reason> number(Stream stream, Port port, int wire) {
        Optional<Integer> set = port.wire().map(Setting::inForce);
        if (set.isEmpty()) {
            return Optional.of(Reason.NUMBER_NOT_KNOWN);
        }
        if (!stream.protocol().carries(set.get())) {
            return Optional.of(Reason.PORT_NUMBER_RANGE);
        }
        return set.get() == wire
                ? Optional.empty()
                : Optional.of(Math.abs(set.get() - wire) == 1 ? Reason.OFF_BY_ONE : Reason.NUMBERS_DIFFER);
    }

    /** Why no group could be joined for it, so that no packet of one comes that far. */
    static Optional<Reason> unjoinable(PlanIndex index, Stream stream, Port port) {
        if (isOtherProtocol(index, stream, port)) {
            return Optional.of(Reason.PROTOCOL_DIFFERS);
        }
        return number(stream, port, index.wireOf(stream).orElse(-1))
                .filter(r -> r == Reason.PORT_NUMBER_RANGE || r == Reason.NUMBER_NOT_KNOWN);
    }

    /** Why its answer to a poll asks for no such universe, or why there is no answer. */
    static Optional<Reason> unasked(PlanIndex index, Stream stream, Port port) {
        if (!index.receiverOf(port.id()).answersPolls()) {
            return Optional.of(Reason.SILENT);
        }
        if (port.direction().inForce() == Direction.INPUT) {
            return Optional.of(Reason.INPUT_NOT_ASKED);
        }
        return isOtherProtocol(index, stream, port)
                ? Optional.empty()
                : number(stream, port, index.wireOf(stream).orElse(-1))
                        .filter(r -> r == Reason.OFF_BY_ONE || r == Reason.NUMBERS_DIFFER)
                        .map(r -> Reason.NOBODY_ASKED);
    }
}
