package zentrel.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Protocol;
import zentrel.text.PlainText;
import zentrel.wire.OutputGuard;
import zentrel.wire.UdpWire;

/** Reads what several tools take: addresses, protocols, slots, and whether output is armed. */
final class Arguments {
    private Arguments() {}

    static Ipv4Address address(String option, String text) throws Refusal {
        try {
            return Ipv4Address.parse(text);
        } catch (IllegalArgumentException e) {
            throw new Refusal(option + ": " + e.getMessage(), e);
        }
    }

    static Protocol protocol(String option, String text) throws Refusal {
        for (Protocol protocol : Protocol.values()) {
            if (protocol.onNetwork() && protocol.word().equals(text)) {
                return protocol;
            }
        }
        throw new Refusal(option + ": \"" + text + "\" is not a protocol; write artnet or sacn.");
    }

    static int universe(Protocol protocol, int number) throws Refusal {
        if (!protocol.carries(number)) {
            throw new Refusal(protocol.title() + " goes from " + protocol.firstNumber() + " to " + protocol.lastNumber()
                    + ", not " + number + ".");
        }
        return number;
    }

    static int number(String option, String text, int first, int last) throws Refusal {
        try {
            int value = Integer.parseInt(text);
            if (value >= first && value <= last) {
                return value;
            }
        } catch (NumberFormatException e) {
            throw new Refusal(option + ": \"" + text + "\" is not a whole number.", e);
        }
        throw new Refusal(option + " goes from " + first + " to " + last + ", not " + text + ".");
    }

    /** Slots as {@code S=V}: 1–512 and 0–255. */
    static Map<Integer, Integer> slots(@Nullable List<String> texts) throws Refusal {
        Map<Integer, Integer> slots = new LinkedHashMap<>();
        for (String text : texts == null ? List.<String>of() : texts) {
            String[] parts = text.split("=", -1);
            if (parts.length != 2) {
                throw new Refusal("--slot: write SLOT=LEVEL, such as 37=255, not \"" + text + "\".");
            }
            slots.put(number("--slot: the slot", parts[0], 1, 512), number("--slot: the level", parts[1], 0, 255));
        }
        return slots;
    }

    static List<Ipv4Address> addresses(String option, @Nullable List<String> texts) throws Refusal {
        List<Ipv4Address> list = new ArrayList<>();
        for (String text : texts == null ? List.<String>of() : texts) {
            list.add(address(option, text));
        }
        return list;
    }

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
    static void waitFor(@Nullable Double seconds) throws Refusal {
        if (seconds != null && !(seconds > 0 && seconds <= 1_000_000)) {
            throw new Refusal("--seconds is above 0, not " + seconds + ".");
        }
        try {
            Thread.sleep(seconds == null ? Long.MAX_VALUE : Math.max(1, Math.round(seconds * 1000)));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
