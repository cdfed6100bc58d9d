package zentrel.cli;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.cli.Values.Seconds;
import zentrel.ipv4.Ipv4Address;
import zentrel.text.PlainText;
import zentrel.wire.OutputGuard;
import zentrel.wire.UdpWire;

/** Opens what several tools send and listen by, and says what kept them from it. */
final class Wires {
    private Wires() {}

    /**
     * Opens a wire whose output is armed. On loopback nothing leaves the computer, so that is always so; any other
     * adapter must be named. Each destination must be one that the system would send to by that adapter.
     *
     * @param to the unicast destinations
     */
    static UdpWire armed(Ipv4Address from, List<Ipv4Address> to, @Nullable String arm) throws Refusal {
        Optional<Ipv4Address> outside = to.stream().filter(a -> !a.isLoopback()).findFirst();
        if (arm == null && !from.isLoopback()) {
            throw new Refusal(from + " is not on loopback; output leaves this computer only with --arm ADAPTER.");
        }
        if (arm == null && outside.isPresent()) {
            throw new Refusal(
                    outside.get() + " is not on loopback; output leaves this computer only with --arm ADAPTER.");
        }
        OutputGuard guard = new OutputGuard(OutputGuard.State.LISTEN);
        UdpWire wire = open(from, guard);
        try {
            if (arm != null && !arm.equals(wire.adapterName())) {
                throw new Refusal("--arm names " + PlainText.shown(arm, 60) + ", but " + from + " is on "
                        + wire.adapterName() + "; nothing was sent.");
            }
            for (Ipv4Address each : to) {
                Optional<String> refusal = wire.refusal(each);
                if (refusal.isPresent()) {
                    throw new Refusal(refusal.get() + " Nothing was sent.");
                }
            }
        } catch (IOException e) {
            wire.close();
            throw new Refusal(String.valueOf(e.getMessage()), e);
        } catch (Refusal e) {
            wire.close();
            throw e;
        }
        guard.arm(wire.adapterName());
        return wire;
    }

    /** Opens a wire that is not armed. */
    static UdpWire open(Ipv4Address at, OutputGuard.State state) throws Refusal {
        return open(at, new OutputGuard(state));
    }

    private static UdpWire open(Ipv4Address at, OutputGuard guard) throws Refusal {
        try {
            return UdpWire.open(at, guard);
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
    }

    /**
     * What kept a wire from receiving all, as a refusal: a list that is short because the program was blind is not right.
     *
     * @throws Refusal with the sentence of the wire
     */
    static void requireReceived(UdpWire wire) throws Refusal {
        Optional<String> trouble = wire.trouble();
        if (trouble.isPresent()) {
            throw new Refusal(trouble.get());
        }
    }

    /** Waits for a time, or until the program is ended where none is given. */
    static void waitFor(@Nullable Seconds seconds) {
        try {
            Thread.sleep(seconds == null ? Long.MAX_VALUE : Math.max(1, Math.round(seconds.value() * 1000)));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
